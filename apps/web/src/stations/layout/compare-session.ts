import type { LayoutJob } from '@spare-knot/core/job';
import { countCuts, type Goals, type Layout } from '@spare-knot/core/layout';
import { at, sum } from '@spare-knot/core/lists';
import type { Ticks } from '@spare-knot/core/measure';

import { messageOf } from '../../ui/message-of';

import type { SearchWorker } from '../../workers/search-session';

export type Way = 'cost' | 'cuts' | 'offcut' | 'chop';
export const WAYS: readonly { way: Way; label: string }[] = [
  { way: 'cost', label: 'Least cost' },
  { way: 'cuts', label: 'Fewest cuts' },
  { way: 'offcut', label: 'Longest offcut' },
  { way: 'chop', label: 'Chop saw only' },
];
/** Each way is searched for so long. */
const SECONDS = 2;

export const missingOf = ({ unplaced }: Layout): number => sum(unplaced.map(({ count }) => count));
export const longestOf = ({ boards }: Layout): Ticks =>
  Math.max(0, ...boards.flatMap(({ offcuts }) => offcuts.map(({ length }) => length)));

/** What counts for a way, the less the better, the first before the second. */
function scoreFor(job: LayoutJob, way: Way, layout: Layout): readonly number[] {
  const missing = missingOf(layout);
  if (way === 'cuts') return [missing, countCuts(job, layout), layout.cost];
  return [missing, layout.cost, way === 'offcut' ? -longestOf(layout) : 0];
}

/** The best for a way among all that were found for saws that rip: what was found for one may serve another better. */
export function bestFor(
  job: LayoutJob,
  way: Way,
  found: ReadonlyMap<Way, Layout>,
): Layout | undefined {
  if (way === 'chop' || !found.has(way)) return found.get(way);
  const ripped = [...found].flatMap(([each, layout]) => (each === 'chop' ? [] : [layout]));
  return ripped.reduce((best, layout) => {
    const [a, b] = [scoreFor(job, way, layout), scoreFor(job, way, best)];
    const place = a.findIndex((value, index) => value !== b[index]);
    return place >= 0 && at(a, place) < at(b, place) ? layout : best;
  });
}

/** One way to lay boxes out: the job and what counts in it. */
export interface Question<W> {
  way: W;
  job: LayoutJob;
  goals: Goals;
}

/** The job in each of the ways to lay it out; the pins hold for the way that is `current`. */
export const questionsOf = (job: LayoutJob, goals: Goals, current: Way): Question<Way>[] =>
  WAYS.map(({ way }) => ({
    way,
    job: {
      ...job,
      saw: { ...job.saw, rip: way !== 'chop' },
      pinned: way === current ? job.pinned : [],
    },
    goals: { ...goals, first: way === 'chop' ? 'cost' : way },
  }));

export interface CompareState<W> {
  found: ReadonlyMap<W, Layout>;
  /** The way that is searched now. */
  running: W | null;
  /** Why the last comparison came to nothing. */
  trouble: string | null;
}

const NOTHING = { found: new Map<never, Layout>(), running: null, trouble: null };

/** Questions laid out one after the other, each for a moment, by a worker that is let go at the end. */
export class CompareSession<W> {
  private state: CompareState<W> = NOTHING;
  private readonly listeners = new Set<() => void>();
  private worker: SearchWorker | null = null;

  constructor(private readonly hire: () => SearchWorker) {}

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly snapshot = (): CompareState<W> => this.state;

  /** Begins anew. */
  readonly start = (questions: readonly Question<W>[]): void => {
    this.clear();
    const ask = (run: number): void => {
      const next = questions[run];
      if (!next) {
        this.stop();
        return;
      }
      const { way, job, goals } = next;
      this.show({ running: way });
      const brief = { ...job, effort: { seconds: SECONDS } };
      this.worker?.postMessage({ kind: 'lay out', run, job: brief, goals });
    };
    try {
      this.worker = this.hire();
    } catch (error) {
      this.fail(messageOf(error));
      return;
    }
    this.worker.onerror = ({ message }) => this.fail(message || 'The search stopped by itself.');
    this.worker.onmessage = ({ data }) => {
      if (data.kind === 'broken') {
        this.fail(data.why);
        return;
      }
      this.show({ found: new Map(this.state.found).set(at(questions, data.run).way, data.layout) });
      if (data.kind === 'done') ask(data.run + 1);
    };
    ask(0);
  };

  /** Ends the search; what was found stays. */
  readonly stop = (): void => {
    this.worker?.terminate();
    this.worker = null;
    this.show({ running: null });
  };

  /** Forgets what was found: it was for another job. */
  readonly clear = (): void => {
    this.stop();
    this.show(NOTHING);
  };

  private fail(trouble: string): void {
    this.stop();
    this.show({ trouble });
  }

  private show(change: Partial<CompareState<W>>): void {
    this.state = { ...this.state, ...change };
    for (const listener of this.listeners) listener();
  }
}
