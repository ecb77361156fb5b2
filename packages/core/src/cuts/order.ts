import { at, maxBy, minBy, must } from '../lists/index.js';

/** A cut to be put in order: its setting, and the cut that must come before it; both by number. */
export interface Item {
  setting: number;
  after: number | null;
}

/** Cuts made one after the other at one setting. */
export interface Run {
  setting: number;
  items: readonly number[];
}

/** States looked into before the best so far is finished by the setting that does most. */
const MOST_STATES = 400;

/** Where an order stands: what is done, in which runs. */
interface State {
  done: Uint8Array;
  left: number;
  runs: readonly Run[];
  /** Settings that still have something to do: no order needs fewer further runs. */
  open: number;
}

/**
 * Orders cuts into few runs of one setting each: a shortest common supersequence of trees. A setting all of whose cuts can be made now
 * is taken at once, which never costs a run (it has to be taken once in any case, and taking it frees what waits for it); only where
 * no setting can be finished the order branches, the fewest runs and settings left first (A*, Hart, Nilsson & Raphael 1968, from memory).
 */
export class Ordering {
  private readonly bySetting = new Map<number, number[]>();
  private readonly children: number[][];

  constructor(private readonly items: readonly Item[]) {
    this.children = items.map(() => []);
    for (const [index, { setting, after }] of items.entries()) {
      this.bySetting.set(setting, [...(this.bySetting.get(setting) ?? []), index]);
      if (after !== null) at(this.children, after).push(index);
    }
  }

  /** The runs in order. A setting that the saw stands at already costs nothing and is taken first where it can be. */
  runs(standing: number | null = null): { runs: readonly Run[]; settings: number } {
    const start: State = {
      done: new Uint8Array(this.items.length),
      left: this.items.length,
      runs: [],
      open: this.bySetting.size,
    };
    const first = standing === null ? null : this.take(start, standing);
    const free = first ? 1 : 0;
    const { runs } = this.search(this.finish(first ?? start));
    return { runs, settings: runs.length - free };
  }

  private search(start: State): State {
    let waiting: State[] = [start];
    const seen = new Set<string>();
    for (let looked = 0; looked < MOST_STATES; looked += 1) {
      const best = must(
        minBy(waiting, ({ runs, open, left }) => (runs.length + open) * 1e6 + left),
        'a state',
      );
      if (best.left === 0) return best;
      waiting = waiting.filter((state) => state !== best);
      for (const next of this.branches(best)) {
        const key = next.done.join('');
        if (seen.has(key)) continue;
        seen.add(key);
        waiting.push(next);
      }
      if (waiting.length === 0) break;
    }
    return this.dive(minBy(waiting, ({ runs, open }) => runs.length + open) ?? start);
  }

  private branches(state: State): State[] {
    return [...this.bySetting.keys()].flatMap((setting) => {
      const next = this.take(state, setting);
      return next ? [this.finish(next)] : [];
    });
  }

  /** To the end by the setting that does most at each turn. */
  private dive(from: State): State {
    let state = from;
    while (state.left > 0)
      state = must(
        maxBy(this.branches(state), (next) => -next.left),
        'a cut that can be made',
      );
    return state;
  }

  /** Takes every setting that can be finished, until none can. */
  private finish(from: State): State {
    let state = from;
    for (let again = true; again; ) {
      again = false;
      for (const [setting, members] of this.bySetting)
        if (members.some((index) => !state.done[index]) && this.isFinishable(state, members)) {
          state = must(this.take(state, setting), 'a setting that can be finished');
          again = true;
        }
    }
    return state;
  }

  /** Whether whatever stands before these cuts has their own setting. */
  private isFinishable({ done }: State, members: readonly number[]): boolean {
    return members.every((index) => {
      if (done[index]) return true;
      const { setting } = at(this.items, index);
      for (let before = at(this.items, index).after; before !== null && !done[before]; ) {
        const item = at(this.items, before);
        if (item.setting !== setting) return false;
        before = item.after;
      }
      return true;
    });
  }

  /** Everything that can be made at one setting; null where nothing can. */
  private take(state: State, setting: number): State | null {
    const members = this.bySetting.get(setting) ?? [];
    const done = state.done.slice();
    const made: number[] = [];
    const make = (index: number) => {
      done[index] = 1;
      made.push(index);
      for (const child of at(this.children, index))
        if (at(this.items, child).setting === setting) make(child);
    };
    for (const index of members) {
      const { after } = at(this.items, index);
      if (!done[index] && (after === null || done[after])) make(index);
    }
    if (made.length === 0) return null;
    const isOver = members.every((index) => done[index]);
    return {
      done,
      left: state.left - made.length,
      runs: [...state.runs, { setting, items: made }],
      open: state.open - (isOver ? 1 : 0),
    };
  }
}

/**
 * The same runs in an order with cheap changes: each time the run that may come next and costs least to change to. Runs of one setting
 * that come to lie side by side become one.
 */
export function arranged(
  runs: readonly Run[],
  items: readonly Item[],
  costOf: (from: number | null, to: number) => number,
): Run[] {
  const runOf = new Map(runs.flatMap((run, index) => run.items.map((item) => [item, index])));
  const before = runs.map(
    ({ items: of }, index) =>
      new Set(
        of.flatMap((item) => {
          const { after } = at(items, item);
          const other = after === null ? index : (runOf.get(after) ?? index);
          return other === index ? [] : [other];
        }),
      ),
  );
  const placed: Run[] = [];
  const left = new Set(runs.keys());
  while (left.size > 0) {
    const ready = [...left].filter((index) =>
      [...at(before, index)].every((each) => !left.has(each)),
    );
    const standing = placed.at(-1)?.setting ?? null;
    const next = must(
      minBy(ready, (index) => costOf(standing, at(runs, index).setting)),
      'a run that may come next',
    );
    left.delete(next);
    const run = at(runs, next);
    const last = placed.at(-1);
    if (last && last.setting === run.setting)
      placed[placed.length - 1] = { ...last, items: [...last.items, ...run.items] };
    else placed.push(run);
  }
  return placed;
}
