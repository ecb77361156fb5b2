import { messageOf } from '../ui/message-of';

export interface AnswerState<A> {
  /** The share that is done; null while nothing is worked out. */
  share: number | null;
  answer: A | null;
  /** Why the last question came to nothing. */
  trouble: string | null;
}

export type AnswerWord<A> = { kind: 'share'; share: number } | { kind: 'done'; answer: A };

/** As much of a worker as one answer needs. */
export interface AnswerWorker<A> {
  postMessage(question: unknown): void;
  terminate(): void;
  onmessage: ((event: { data: AnswerWord<A> }) => void) | null;
  onerror: ((event: { message?: string }) => void) | null;
}

/** One question at a time, asked of a worker of its own that says how far it is and is let go at the end. */
export class OneAnswer<Q, A> {
  private state: AnswerState<A> = { share: null, answer: null, trouble: null };
  private readonly listeners = new Set<() => void>();
  private worker: AnswerWorker<A> | null = null;

  constructor(private readonly hire: () => AnswerWorker<A>) {}

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly snapshot = (): AnswerState<A> => this.state;

  readonly start = (question: Q): void => {
    this.clear();
    try {
      const worker = this.hire();
      this.worker = worker;
      worker.onerror = ({ message }) => this.fail(message || 'It stopped by itself.');
      worker.onmessage = ({ data }) => {
        if (this.worker !== worker) return;
        if (data.kind === 'share') this.show({ share: data.share });
        else {
          this.stop();
          this.show({ answer: data.answer });
        }
      };
      this.show({ share: 0 });
      worker.postMessage(question);
    } catch (error) {
      this.fail(messageOf(error));
    }
  };

  readonly stop = (): void => {
    this.worker?.terminate();
    this.worker = null;
    this.show({ share: null });
  };

  /** Forgets the answer: it was to another question. */
  readonly clear = (): void => {
    this.stop();
    this.show({ answer: null, trouble: null });
  };

  private fail(trouble: string): void {
    this.stop();
    this.show({ trouble });
  }

  private show(change: Partial<AnswerState<A>>): void {
    this.state = { ...this.state, ...change };
    for (const listener of this.listeners) listener();
  }
}
