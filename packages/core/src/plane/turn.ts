import type { Point } from './point.js';

export type Turn = 0 | 90 | 180 | 270;

const TURNED: Record<Turn, (point: Point) => Point> = {
  0: (point) => point,
  90: ([x, y]) => [-y, x],
  180: ([x, y]) => [-x, -y],
  270: ([x, y]) => [y, -x],
};

/** A point turned anticlockwise about the origin, first mirrored (x → −x) where the piece is flipped. */
export const turnPoint = ([x, y]: Point, turn: Turn, flipped = false): Point =>
  TURNED[turn]([flipped ? -x : x, y]);
