import type { LayoutJob } from '@spare-knot/core/job';
import { type Goals, type Layout, STANDARD_GOALS } from '@spare-knot/core/layout';

import { messageOf } from '../ui/message-of';

import type { LayoutOrder, WorkerWord } from './layout.worker';

export interface SearchState {
  layout: Layout | null;
  /** What the layout answers: while a changed question has no answer yet, the last layout stays. */
  answers: string | null;
  /** What was last asked. */
  asked: string | null;
  running: boolean;
  /** Set when the search failed; the best layout before it stays, and it can be asked again. */
  trouble: string | null;
  /** Milliseconds from the start of the search to the first valid layout. */
  firstAfter: number | null;
}

/** As much of a worker as the search needs. */
export interface SearchWorker {
  postMessage(order: LayoutOrder): void;
  terminate(): void;
  onmessage: ((event: { data: WorkerWord }) => void) | null;
  onerror: ((event: { message?: string }) => void) | null;
}

/** One question as text: two alike have one answer. */
export const questionOf = (job: LayoutJob, goals: Goals): string => JSON.stringify([job, goals]);

/**
 * Searches in a worker that stays warm: better layouts come as they are found, stopping keeps the best so far, and a changed question takes
 * the place of the one before. The same question is not asked twice unless the maker wants it.
 */
export class SearchSession {
  private state: SearchState = {
    layout: null,
    answers: null,
    asked: null,
    running: false,
    trouble: null,
    firstAfter: null,
  };
  private readonly listeners = new Set<() => void>();
  private worker: SearchWorker | null = null;
  private run = 0;
  private began = 0;
  private again: (() => void) | null = null;
  /** Told the best layout when a search ends or is stopped. */
  onDone: (layout: Layout) => void = () => {};

  constructor(
    private readonly hire: () => SearchWorker,
    private readonly now: () => number = () => performance.now(),
  ) {}

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly snapshot = (): SearchState => this.state;

  /** Begins a search, unless it is for what was asked last. */
  readonly lookAt = (job: LayoutJob, goals: Goals = STANDARD_GOALS): void => {
    if (questionOf(job, goals) !== this.state.asked) this.start(job, goals);
  };

  /** Begins a search, whatever was asked before. */
  readonly start = (job: LayoutJob, goals: Goals = STANDARD_GOALS): void => {
    this.again = () => this.start(job, goals);
    this.run += 1;
    this.began = this.now();
    const asked = questionOf(job, goals);
    this.show({ asked, running: true, trouble: null, firstAfter: null });
    try {
      this.worker ??= this.take(this.hire());
      this.worker.postMessage({ kind: 'lay out', run: this.run, job, goals });
    } catch (error) {
      this.fail(messageOf(error));
    }
  };

  /** Asks once more after a failure. */
  readonly retry = (): void => this.again?.();

  readonly stop = (): void => {
    if (!this.state.running) return;
    this.worker?.postMessage({ kind: 'stop', run: this.run });
    this.show({ running: false });
    const { layout, answers, asked } = this.state;
    if (layout && answers === asked) this.onDone(layout);
  };

  readonly close = (): void => {
    this.worker?.terminate();
    this.worker = null;
    this.show({ running: false, asked: null });
  };

  private take(worker: SearchWorker): SearchWorker {
    worker.onmessage = ({ data }) => this.hear(data);
    worker.onerror = ({ message }) => this.fail(message || 'The search stopped by itself.');
    return worker;
  }

  private hear(word: WorkerWord): void {
    if (word.run !== this.run || !this.state.running) return;
    if (word.kind === 'broken') {
      this.fail(word.why);
      return;
    }
    const ended = word.kind === 'done';
    this.show({
      layout: word.layout,
      answers: this.state.asked,
      running: !ended,
      firstAfter: this.state.firstAfter ?? this.now() - this.began,
    });
    if (ended) this.onDone(word.layout);
  }

  /** A worker that failed is let go: the next search has a new one. */
  private fail(trouble: string): void {
    this.worker?.terminate();
    this.worker = null;
    this.show({ running: false, trouble });
  }

  private show(change: Partial<SearchState>): void {
    this.state = { ...this.state, ...change };
    for (const listener of this.listeners) listener();
  }
}
