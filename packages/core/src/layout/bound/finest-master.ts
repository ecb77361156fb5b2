import { at, minBy } from '../../lists/index.js';
import { boundsOf } from '../../plane/index.js';
import { merge, type Relaxation } from './relaxed.js';
import { RelaxedMaster } from './relaxed-master.js';
import type { Counts } from './relaxed-patterns.js';
import type { Demand } from './weights.js';

/** Ratio of sizes, as a logarithm of both sides together, beyond which parts are not taken for one another. */
const UNLIKE = 0.7;

/** Length and width of a part, the longer first where it may be turned. */
function sizesOf({ part }: Demand): readonly [number, number] {
  const [left, bottom, right, top] = boundsOf([...part.outline, ...part.underside]);
  const [long, wide] = [right - left, top - bottom];
  return part.grain === 'any' && wide > long ? [wide, long] : [long, wide];
}

/** How far two parts are from being as large as one another. */
function unlike(one: Demand, other: Demand): number {
  const [a, b] = [sizesOf(one), sizesOf(other)];
  return Math.abs(Math.log(at(a, 0) / at(b, 0))) + Math.abs(Math.log(at(a, 1) / at(b, 1)));
}

/** How many pairs are put together from one try to the next: each try takes its time. */
const PAIRS = 2;
const TRIES = 4;

/** Which parts are taken for one another, by class: none at first, then more and more of those that are most alike. */
function* mergings(wanted: readonly Demand[]): Generator<Counts, void, void> {
  let classOf: readonly number[] = wanted.map((_demand, part) => part);
  const pairs = wanted.flatMap((one, a) =>
    wanted.slice(a + 1).map((other, b) => ({ a, b: a + 1 + b, far: unlike(one, other) })),
  );
  for (let turn = 0; turn < TRIES; turn += 1) {
    yield classOf;
    for (let pair = 0; pair < PAIRS; pair += 1) {
      const apart = pairs.filter(
        ({ a, b, far }) => at(classOf, a) !== at(classOf, b) && far <= UNLIKE,
      );
      const next = minBy(apart, ({ far }) => far);
      if (!next) return;
      const [into, from] = [at(classOf, next.a), at(classOf, next.b)];
      classOf = classOf.map((each) => (each === from ? into : each));
    }
  }
}

/**
 * All patterns of a relaxation, as few of its parts taken for one another as leaves them few enough to be listed; null where none are. `seen`:
 * what is listed of it.
 */
export function* finestMaster(
  relaxation: Relaxation,
  halted: () => boolean,
  seen: (merged: Relaxation) => Relaxation = (merged) => merged,
): Generator<void, RelaxedMaster | null, void> {
  for (const classes of mergings(relaxation.wanted)) {
    const master = RelaxedMaster.of(seen(merge(relaxation, classes)), halted);
    yield;
    if (master || halted()) return master;
  }
  return null;
}
