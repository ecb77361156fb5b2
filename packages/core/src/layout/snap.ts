import { endTrimOf, type LayoutJob, type Placement, type Stock } from '../job/index.js';
import { minBy, must } from '../lists/index.js';
import type { Ticks } from '../measure/index.js';
import type { Point } from '../plane/index.js';
import type { LaidBoard } from './layout.js';
import { placePart } from './placed.js';

type Piece = Pick<Placement, 'part' | 'copy'>;

/** Whether two placements are of the same piece. */
export const isSamePiece = (a: Piece, b: Piece): boolean => a.part === b.part && a.copy === b.copy;

/** The place nearest to a value, where one is within reach; else the value itself, in whole ticks. */
function snapped(value: number, places: readonly number[], reach: Ticks): Ticks {
  const best = minBy(places, (place) => Math.abs(place - value));
  return best !== undefined && Math.abs(best - value) <= reach ? best : Math.round(value);
}

/**
 * Where a piece dropped at a point of a board comes to lie: a kerf from its neighbours or flush with an edge, where that is no farther
 * than `reach`, each way by itself; otherwise where it was dropped. Lengths in ticks, from the board's lower left corner.
 */
export function snapToNeighbours(
  job: LayoutJob,
  { laid, stock }: { laid: LaidBoard; stock: Pick<Stock, 'length' | 'width' | 'endTrim'> },
  placement: Placement,
  [x, y]: Point,
  reach: Ticks,
): readonly [x: Ticks, y: Ticks] {
  const partOf = (id: string) => job.parts.find((part) => part.id === id);
  const part = must(partOf(placement.part), `the part “${placement.part}”`);
  const [left, bottom, right, top] = placePart(part, { ...placement, x: 0, y: 0 }).bounds;
  const [long, wide] = [right - left, top - bottom];
  const { kerf } = job.saw;
  const endTrim = endTrimOf(stock, job.saw);
  const rims = laid.placements
    .filter((other) => !isSamePiece(other, placement))
    .flatMap((other) => {
      const of = partOf(other.part);
      return of ? [placePart(of, other).bounds] : [];
    });
  return [
    snapped(
      x,
      [
        endTrim,
        stock.length - endTrim - long,
        ...rims.flatMap(([from, , to]) => [to + kerf, from - kerf - long]),
      ],
      reach,
    ),
    snapped(
      y,
      [0, stock.width - wide, ...rims.flatMap(([, from, , to]) => [to + kerf, from - kerf - wide])],
      reach,
    ),
  ];
}
