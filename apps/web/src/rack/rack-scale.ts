import { fromMm, type Ticks } from '@spare-knot/core/measure';

/** Broader than any board: a sheet, which is drawn smaller so that the boards stay large enough to read. */
const SHEET: Ticks = fromMm(450);
const SHEET_HEIGHT = 190;

/** One scale (pixels a tick) for all boards, so that they can be compared; sheets get a smaller one of their own. */
export function rackScale(
  boards: readonly { length: Ticks; width: Ticks }[],
  room: number,
): (board: { length: Ticks; width: Ticks }) => number {
  const longest = Math.max(1, ...boards.map((board) => board.length));
  const scale = room / longest;
  return (board) => (board.width > SHEET ? Math.min(scale, SHEET_HEIGHT / board.width) : scale);
}
