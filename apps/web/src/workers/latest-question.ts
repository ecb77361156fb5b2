import { messageOf } from '../ui/message-of';
/** As much of a worker as questions and answers need. */
export interface AnsweringWorker<Q, A> {
  postMessage(question: Q & { run: number }): void;
  terminate(): void;
  onmessage: ((event: { data: A & { run: number } }) => void) | null;
  onerror: ((event: { message?: string }) => void) | null;
}

export interface LatestState<A> {
  /** The newest answer there is; it stays while a newer question is worked on. */
  answer: A | null;
  trouble: string | null;
}

/**
 * Asks a worker one question at a time. While it is busy only the latest question waits: answers to those in between are wanted by
 * nobody. A worker that fails is let go, and the next question has a new one.
 */
export class LatestQuestion<Q, A> {
  private state: LatestState<A> = { answer: null, trouble: null };
  private readonly listeners = new Set<() => void>();
  private worker: AnsweringWorker<Q, A> | null = null;
  private run = 0;
  private busy = false;
  private waiting: Q | null = null;

  constructor(private readonly hire: () => AnsweringWorker<Q, A>) {}

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly snapshot = (): LatestState<A> => this.state;

  readonly ask = (question: Q): void => {
    if (this.busy) {
      this.waiting = question;
      return;
    }
    this.busy = true;
    this.run += 1;
    try {
      this.worker ??= this.take(this.hire());
      this.worker.postMessage({ ...question, run: this.run });
    } catch (error) {
      this.fail(messageOf(error));
    }
  };

  readonly close = (): void => {
    this.worker?.terminate();
    this.worker = null;
    this.busy = false;
    this.waiting = null;
  };

  private take(worker: AnsweringWorker<Q, A>): AnsweringWorker<Q, A> {
    worker.onmessage = ({ data }) => {
      if (data.run !== this.run) return;
      this.show({ answer: data, trouble: null });
      this.next();
    };
    worker.onerror = ({ message }) => this.fail(message || 'It stopped by itself.');
    return worker;
  }

  private next(): void {
    const { waiting } = this;
    this.busy = false;
    this.waiting = null;
    if (waiting !== null) this.ask(waiting);
  }

  private fail(trouble: string): void {
    this.worker?.terminate();
    this.worker = null;
    this.show({ trouble });
    this.next();
  }

  private show(change: Partial<LatestState<A>>): void {
    this.state = { ...this.state, ...change };
    for (const listener of this.listeners) listener();
  }
}
