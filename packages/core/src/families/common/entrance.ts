import { fromMm, type Ticks } from '../../measure/index.js';
import { type Feature, type Opening, rim } from '../../panels/index.js';
import {
  type ChoiceDeclaration,
  type Entrance,
  type EntrancePlan,
  isUpright,
  length,
  oneOf,
  type Refusal,
  sillOf,
} from '../../plan/index.js';
import type { Point } from '../../plane/index.js';
import { ofLength, text } from '../../text/index.js';

/** Wood left round an entrance. Common practice, no source. */
const OVER_ENTRANCE: Ticks = fromMm(8);

type Shape = EntrancePlan['choices']['entrance'];

const SHAPES: Readonly<Record<Shape, readonly [label: string, reason: string]>> = {
  round: ['round', 'One bit, one hole.'],
  oval: ['oval', 'Two holes and a rasp: upright or lying, as its two measures say.'],
  arch: ['arch', 'One hole for the top, two saw cuts down to the sill.'],
  square: ['square', 'A hole in each corner, then the jigsaw.'],
  slot: [
    'slot at the top',
    'The front stops short of the roof by the entrance’s height, right across.',
  ],
};

/** The question of the entrance's shape, with these answers in this order. */
export const entranceShape = <const O extends Shape>(shapes: readonly O[]): ChoiceDeclaration<O> =>
  oneOf(
    'Entrance',
    shapes.map((shape) => [shape, SHAPES[shape][0], SHAPES[shape][1]] as const),
    { picture: 'front' },
  );

const TO = {
  centre: ['centre', 'centre', 'Where the bit’s point goes.'],
  sill: ['sill', 'sill', 'The lower edge: what the young have to climb to.'],
} as const;

/** What the entrance's height is measured to, the usual one first. */
export const entranceTo = (
  first: 'centre' | 'sill' = 'centre',
): ChoiceDeclaration<'centre' | 'sill'> =>
  oneOf('Entrance height is to its', [TO[first], TO[first === 'sill' ? 'centre' : 'sill']], {
    applies: (s) => s.entrance !== 'slot',
  });

export const ENTRANCE_SIZES = {
  entranceWidth: length(
    'Entrance',
    15,
    250,
    32,
    'Diameter of a round entrance, width of any other.',
    (s) => s.entrance !== 'slot',
  ),
  entranceUpright: length(
    'Entrance high',
    15,
    250,
    76,
    'Upright measure of an entrance that is not as high as wide.',
    (s) => isUpright(s.entrance),
  ),
  entranceHeight: length(
    'Entrance above the floor',
    0,
    900,
    165,
    'From the upper face of the floor.',
    (s) => s.entrance !== 'slot',
  ),
};

/** What stands against an entrance in a front that reaches `top` above the floor and is `across` wide. */
export function entranceFaults(entrance: Entrance, top: Ticks, across: Ticks): Refusal[] {
  const { shape, width, height, centre } = entrance;
  const over = ofLength(OVER_ENTRANCE);
  const faults: readonly (Refusal & { when: boolean })[] = [
    {
      when: sillOf(entrance) < 0,
      field: 'entranceHeight',
      message: text`The entrance reaches below the floor. Raise it.`,
    },
    {
      when: shape === 'arch' && height < width / 2,
      field: 'entranceUpright',
      message: text`An arch is at least half as high as it is wide. Make it higher, or choose an oval.`,
    },
    {
      when: centre + height / 2 > top - OVER_ENTRANCE,
      field: 'entranceHeight',
      message: text`The entrance reaches the roof: at least ${over} of front must stay above it. Lower it, or make the sides higher at the front.`,
    },
    {
      when: width > across - 2 * OVER_ENTRANCE,
      field: 'entranceWidth',
      message: text`The entrance is wider than the front allows: ${over} must stay on either side. Make the box wider.`,
    },
  ];
  return refusalsOf(faults);
}

/** Those of these faults that hold, as refusals. */
export const refusalsOf = (faults: readonly (Refusal & { when: boolean })[]): Refusal[] =>
  faults.filter(({ when }) => when).map(({ field, message }) => ({ field, message }));

/** The hole as a feature of the panel it goes through. */
export function entranceFeature({ shape, width, height }: Entrance, centre: Point): Feature {
  const [w, h] = [Math.round(width), Math.round(height)];
  return shape === 'round'
    ? { kind: 'entrance', shape, centre, diameter: w, depth: 'through' }
    : { kind: 'entrance', shape, centre, width: w, height: h, depth: 'through' };
}

/** The hole as what is open in the wall at `y`, its middle at x. */
export const entranceOpening = (
  { shape, width, height, centre }: Entrance,
  x: number,
  y: number,
  floor = 0,
): Opening => ({
  kind: 'entrance',
  polygon: rim(shape, [x, y, floor + centre], [1, 0, 0], [0, 0, 1], width, height),
});
