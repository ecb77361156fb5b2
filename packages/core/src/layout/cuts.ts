import type { Ticks } from '../measure/ticks.js';

/** An upright rectangle on a board. */
export interface Rect {
  left: Ticks;
  bottom: Ticks;
  right: Ticks;
  top: Ticks;
}

/** Less than this from an edge needs no cut: half a millimetre. */
const FLUSH: Ticks = 160;

/**
 * How many straight cuts free these pieces from a region, each running right across the piece in hand: crosscuts first where they
 * part something, else rips. Sloped cuts count by the pieces' bounding boxes, which may share a strip, so the figure is the maker's
 * count of saw strokes and no proof.
 */
export function cutsToFree(pieces: readonly Rect[], region: Rect): number {
  if (pieces.length === 0) return 0;
  if (pieces.length === 1) {
    const [piece] = pieces as [Rect];
    return (
      Number(piece.left - region.left > FLUSH) +
      Number(region.right - piece.right > FLUSH) +
      Number(piece.bottom - region.bottom > FLUSH) +
      Number(region.top - piece.top > FLUSH)
    );
  }
  const across = split(pieces, 'left', 'right');
  if (across)
    return 1 + cutsToFree(across.before, { ...region, right: across.at }) + cutsToFree(across.after, { ...region, left: across.at });
  const along = split(pieces, 'bottom', 'top');
  if (along) return 1 + cutsToFree(along.before, { ...region, top: along.at }) + cutsToFree(along.after, { ...region, bottom: along.at });
  // Slopes that share a strip: one cut parts each from the next.
  const order = [...pieces].sort((a, b) => a.left + a.right - b.left - b.right);
  return (
    order.length - 1 + order.reduce((sum, piece) => sum + Number(region.top - piece.top > FLUSH || piece.bottom - region.bottom > FLUSH), 0)
  );
}

function split(pieces: readonly Rect[], low: 'left' | 'bottom', high: 'right' | 'top') {
  const order = [...pieces].sort((a, b) => a[low] - b[low]);
  let reach = order[0]![high];
  for (let index = 1; index < order.length; index += 1) {
    if (order[index]![low] >= reach) return { before: order.slice(0, index), after: order.slice(index), at: order[index]![low] };
    reach = Math.max(reach, order[index]![high]);
  }
  return null;
}
