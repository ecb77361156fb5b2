import type { Ticks } from '../measure/index.js';

export type Point = readonly [x: Ticks, y: Ticks];

/** Corners of an upright rectangle, anticlockwise from the lower left. */
export const rectangleAt = (x: Ticks, y: Ticks, length: Ticks, height: Ticks): Point[] => [
  [x, y],
  [x + length, y],
  [x + length, y + height],
  [x, y + height],
];
