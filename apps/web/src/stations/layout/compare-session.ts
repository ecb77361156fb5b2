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

export interface CompareState {
  found: ReadonlyMap<Way, Layout>;
  /** The way that is searched now. */
  running: Way | null;
  /** Why the last comparison came to nothing. */
  trouble: string | null;
}

const NOTHING: CompareState = { found: new Map(), running: null, trouble: null };

/** One job laid out in each way after the other, by a worker that is let go at the end. */
export class CompareSession {
  private state: CompareState = NOTHING;
  private readonly listeners = new Set<() => void>();
  private worker: SearchWorker | null = null;

  constructor(private readonly hire: () => SearchWorker) {}

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly snapshot = (): CompareState => this.state;

  /** Begins anew; `current` is the way the maker works now, for which the pins hold. */
  readonly start = (job: LayoutJob, goals: Goals, current: Way): void => {
    this.clear();
    const ask = (run: number): void => {
      const way = WAYS[run]?.way;
      if (!way) {
        this.stop();
        return;
      }
      this.show({ running: way });
      this.worker?.postMessage({
        kind: 'lay out',
        run,
        job: {
          ...job,
          effort: { seconds: SECONDS },
          saw: { ...job.saw, rip: way !== 'chop' },
          pinned: way === current ? job.pinned : [],
        },
        goals: { ...goals, first: way === 'chop' ? 'cost' : way },
      });
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
      this.show({ found: new Map(this.state.found).set(at(WAYS, data.run).way, data.layout) });
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

  private show(change: Partial<CompareState>): void {
    this.state = { ...this.state, ...change };
    for (const listener of this.listeners) listener();
  }
}
