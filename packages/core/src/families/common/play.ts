import type { Ticks } from '../../measure/index.js';
import { type Derived, derivedLength, type Opening } from '../../panels/index.js';
import { type Chosen, length, since } from '../../plan/index.js';
import type { Vec3 } from '../../solid/index.js';
import { ofLength, text } from '../../text/index.js';

/** Room for a wall that swings, so that it does not bind with the first rain; 1.5 and 3 mm: common practice, no source. */
export const playSizes = (swings: (choices: Chosen) => boolean) => ({
  play: since(
    length(
      'Play at each side of the wall that swings',
      0,
      5,
      1.5,
      'Between it and its neighbours: a door as wide as its opening binds with the first rain.',
      swings,
    ),
    0,
  ),
  playOverFloor: since(
    length(
      'Play between that wall and the floor',
      0,
      6,
      3,
      'Between its inner face and the floor’s edge.',
      swings,
    ),
    0,
  ),
});

/** Between a wall that swings and its neighbours, and the floor's edge. */
export interface Play {
  sides: Ticks;
  floor: Ticks;
}

export const NO_PLAY: Play = { sides: 0, floor: 0 };

/** The play along an upright edge of a wall that swings, between two lines in plan, from `low` up to the roof. */
export const uprightPlay = (
  from: readonly [x: number, y: number],
  to: readonly [x: number, y: number],
  low: number,
  roofAt: (x: number, y: number) => number,
): Opening => ({
  kind: 'play',
  polygon: [
    [...from, low],
    [...to, low],
    [...to, roofAt(...to)],
    [...from, roofAt(...from)],
  ] satisfies Vec3[],
});

/** The width of the wall that swings, narrower than its opening by the play at both edges. */
export const swingWidth = (wall: 'Front' | 'Side', opening: Ticks, { sides }: Play): Derived[] =>
  sides === 0
    ? []
    : [
        derivedLength(
          'swingWidth',
          `${wall} that swings, wide`,
          opening - 2 * sides,
          text`Its opening less the play at both edges: ${ofLength(opening)} − ${ofLength(sides)} − ${ofLength(sides)}`,
        ),
      ];
