import { fromMm, type Ticks } from '../../measure/index.js';
import { type Feature, type Opening, rim } from '../../panels/index.js';
import {
  type Entrance,
  length,
  type Parameter,
  type Refusal,
  type School,
  school,
  sillOf,
  UPRIGHT,
} from '../../plan/index.js';
import type { Point } from '../../plane/index.js';
import type { Vec3 } from '../../solid/index.js';

/** Wood left round an entrance. Common practice, no source. */
export const OVER_ENTRANCE: Ticks = fromMm(8);

export const ENTRANCE_SCHOOLS: readonly School[] = [
  school(
    'entrance',
    'Entrance',
    [
      ['round', 'round', 'One bit, one hole.'],
      ['oval', 'oval', 'Two holes and a rasp: upright or lying, as its two measures say.'],
      ['arch', 'arch', 'One hole for the top, two saw cuts down to the sill.'],
      ['square', 'square', 'A hole in each corner, then the jigsaw.'],
    ],
    { picture: 'front' },
  ),
  school(
    'entranceTo',
    'Entrance height is to its',
    [
      ['centre', 'centre', 'Where the bit’s point goes.'],
      ['sill', 'sill', 'The lower edge: what the young have to climb to.'],
    ],
    { applies: (s) => s.entrance !== 'slot' },
  ),
];

export const ENTRANCE_PARAMETERS: readonly Parameter[] = [
  length(
    'entranceWidth',
    'Entrance',
    15,
    250,
    32,
    'Diameter of a round entrance, width of any other.',
    (s) => s.entrance !== 'slot',
  ),
  length(
    'entranceUpright',
    'Entrance high',
    15,
    250,
    76,
    'Upright measure of an entrance that is not as high as wide.',
    (s) => UPRIGHT.includes(s.entrance ?? ''),
  ),
  length(
    'entranceHeight',
    'Entrance above the floor',
    0,
    900,
    165,
    'From the upper face of the floor.',
    (s) => s.entrance !== 'slot',
  ),
];

/** What stands against an entrance in a front that reaches `top` above the floor and is `across` wide. */
export function entranceFaults(entrance: Entrance, top: Ticks, across: Ticks): Refusal[] {
  const found: Refusal[] = [];
  if (sillOf(entrance) < 0)
    found.push({
      field: 'entranceHeight',
      message: 'The entrance reaches below the floor. Raise it.',
    });
  if (entrance.shape === 'arch' && entrance.height < entrance.width / 2)
    found.push({
      field: 'entranceUpright',
      message: 'An arch is at least half as high as it is wide. Make it higher, or choose an oval.',
    });
  if (entrance.centre + entrance.height / 2 > top - OVER_ENTRANCE)
    found.push({
      field: 'entranceHeight',
      message:
        'The entrance reaches the roof: at least 8 mm of front must stay above it. Lower it, or make the sides higher at the front.',
    });
  if (entrance.width > across - 2 * OVER_ENTRANCE)
    found.push({
      field: 'entranceWidth',
      message:
        'The entrance is wider than the front allows: 8 mm must stay on either side. Make the box wider.',
    });
  return found;
}

/** The hole as a feature of the panel it goes through. */
export function entranceFeature({ shape, width, height }: Entrance, centre: Point): Feature {
  return shape === 'round'
    ? { kind: 'entrance', shape, centre, diameter: Math.round(width), depth: 'through' }
    : {
        kind: 'entrance',
        shape,
        centre,
        width: Math.round(width),
        height: Math.round(height),
        depth: 'through',
      };
}

/** The hole as what is open in the wall at `y`, its middle at x. */
export const entranceOpening = (
  { shape, width, height, centre }: Entrance,
  x: number,
  y: number,
  floor = 0,
): Opening => ({
  kind: 'entrance',
  polygon: rim(shape, [x, y, floor + centre] as Vec3, [1, 0, 0], [0, 0, 1], width, height),
});
