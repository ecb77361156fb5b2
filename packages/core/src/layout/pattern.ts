import type { LaidBoard } from './layout.js';

/** Boards of one kind with the same key are cut alike: the same parts at the same places, whichever copies they are. */
export const patternOf = ({ stock, placements, offcuts }: LaidBoard): string =>
  JSON.stringify([
    stock,
    placements.map(({ part, x, y, turn, flipped }) => [part, x, y, turn, flipped]),
    offcuts.map(({ x, y, length, width }) => [x, y, length, width]),
  ]);
