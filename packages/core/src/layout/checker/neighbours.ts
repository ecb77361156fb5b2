import { at } from '../../lists/index.js';
import { type Ticks, TOLERANCE } from '../../measure/index.js';
import type { LyingSolid } from './gap.js';

/** How far a solid reaches along its board. */
function reachOf({ faceA, faceB }: LyingSolid): { low: Ticks; high: Ticks } {
  const xs = [...faceA, ...faceB].map(([x]) => x);
  return { low: Math.min(...xs), high: Math.max(...xs) };
}

/**
 * The pairs of solids that are no further than a gap apart along the board, each as two indices, the smaller first; all others are apart
 * whatever lies across. A sweep along the board, so that a board full of small parts is not judged pair by pair.
 */
export function* neighbours(
  solids: readonly LyingSolid[],
  gap: Ticks,
): Generator<[one: number, other: number]> {
  const reaches = solids.map(reachOf);
  const order = reaches.map((_, index) => index);
  order.sort((a, b) => at(reaches, a).low - at(reaches, b).low);
  let open: number[] = [];
  for (const index of order) {
    const { low } = at(reaches, index);
    open = open.filter((each) => at(reaches, each).high + gap + TOLERANCE >= low);
    for (const each of open) yield index < each ? [index, each] : [each, index];
    open.push(index);
  }
}
