import { at } from '../lists/index.js';
import type { Ticks } from '../measure/index.js';

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
export function cutsToFree(pieces: readonly Rect[], region: Rect, kerf: Ticks): number {
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
  // A strip over all of them is ripped off at one stroke before they are crosscut.
  const reach = Math.max(...pieces.map((piece) => piece.top));
  if (region.top - reach > FLUSH && pieces.every((piece) => reach - piece.top <= FLUSH))
    return 1 + cutsToFree(pieces, { ...region, top: reach }, kerf);
  const across = split(pieces, 'left', 'right', kerf);
  if (across)
    return (
      1 +
      cutsToFree(across.before, { ...region, right: across.end }, kerf) +
      cutsToFree(across.after, { ...region, left: across.start }, kerf)
    );
  const along = split(pieces, 'bottom', 'top', kerf);
  if (along)
    return (
      1 +
      cutsToFree(along.before, { ...region, top: along.end }, kerf) +
      cutsToFree(along.after, { ...region, bottom: along.start }, kerf)
    );
  // Slopes that share a strip: one cut parts each from the next.
  const order = [...pieces].sort((a, b) => a.left + a.right - b.left - b.right);
  return (
    order.length -
    1 +
    order.reduce(
      (sum, piece) =>
        sum + Number(region.top - piece.top > FLUSH || piece.bottom - region.bottom > FLUSH),
      0,
    )
  );
}

/** The first cut that parts the pieces; what is left beside it is no wider than its kerf, or stays on the first part as waste. */
function split(
  pieces: readonly Rect[],
  low: 'left' | 'bottom',
  high: 'right' | 'top',
  kerf: Ticks,
) {
  const order = [...pieces].sort((a, b) => a[low] - b[low]);
  let reach = at(order, 0)[high];
  for (let index = 1; index < order.length; index += 1) {
    const start = at(order, index)[low];
    if (start >= reach)
      return {
        before: order.slice(0, index),
        after: order.slice(index),
        end: start - reach <= kerf + FLUSH ? reach : start,
        start,
      };
    reach = Math.max(reach, at(order, index)[high]);
  }
  return null;
}
