import { cos, fromMm, sin, type Ticks } from '../../measure/index.js';
import { type Derived, derivedLength, type Feature } from '../../panels/index.js';
import { type Chosen, length, oneOf, since } from '../../plan/index.js';
import type { Point } from '../../plane/index.js';
import type { Vec3 } from '../../solid/index.js';
import { ofLength, text } from '../../text/index.js';

/** A clearance hole is so much wider than what turns or slides in it: common practice, no source. */
const CLEARANCE: Ticks = fromMm(0.5);
/** A pilot is this share of what is driven into it: common practice, no source. */
const PILOT_SHARE = 0.7;
/** A latch nail's hole slopes down by so much, so that it does not fall out: common practice, no source. */
const LATCH_SLOPE = 10;

/** What a wall on pivots turns on and is held shut by: thickness and place. Common practice, no source. */
export const hungSizes = (swings: (choices: Chosen) => boolean) => ({
  pivotSize: since(
    length(
      'Pivots, thick',
      2,
      6,
      2.5,
      'Nail or screw: its hole in the neighbours is a little wider, its pilot in the wall narrower.',
      swings,
    ),
    2.5,
  ),
  latchSize: since(
    length('Latch, thick', 2, 8, 3, 'The nail or screws that hold the wall shut.', swings),
    3,
  ),
  latchAbove: since(
    length('Latch above the lower edge', 12, 200, 28, 'Of the walls; its middle.', swings),
    28,
  ),
});

export const hungChoices = (applies: (choices: Chosen) => boolean) => ({
  pivots: oneOf(
    'It turns on',
    [
      ['nails', 'plain nails', 'Smooth, left a little proud, so that they can be drawn again.'],
      ['screws', 'screws', 'With a plain shank under the head, not driven tight.'],
    ],
    { applies, meant: 'nails' },
  ),
  latch: oneOf(
    'Held shut by',
    [
      ['nail', 'a latch nail', 'It sits loose in a hole that slopes down.'],
      ['screws', 'two locking screws', 'One through each neighbour: nothing noses it open.'],
      ['knob', 'a knob screw', 'Turned out by hand, without a tool.'],
    ],
    { applies, meant: 'nail' },
  ),
});

export interface HungPlan {
  sizes: Readonly<Record<'pivotSize' | 'latchSize' | 'latchAbove' | 'pivotBelow', Ticks>>;
  choices: { readonly pivots: 'nails' | 'screws'; readonly latch: 'nail' | 'screws' | 'knob' };
}

/** For a box of which nothing swings. */
export const NOT_HUNG = {
  sizes: { pivotBelow: 0, pivotSize: 0, latchSize: 0, latchAbove: 0 },
  choices: { pivots: 'nails', latch: 'nail' },
} as const satisfies HungPlan;

/** Where a nail or screw goes through a neighbour of the wall that swings. */
export interface HungAt {
  panel: string;
  /** In the neighbour's outside face. */
  at: Vec3;
  /** Level, into the box. */
  inwards: Vec3;
}
export interface HungHole extends HungAt {
  kind: 'pivot' | 'latch';
}

/** The holes in both neighbours, the one that takes a single latch first; upright places are given by `pivotZ` and `latchZ`. */
export function hungHoles(
  { choices }: Pick<HungPlan, 'choices'>,
  neighbours: readonly HungAt[],
  { pivotZ, latchZ }: { pivotZ: number; latchZ: number },
): HungHole[] {
  const placed = (kind: HungHole['kind'], z: number) => (each: HungAt) => ({
    ...each,
    kind,
    at: [each.at[0], each.at[1], z] as Vec3,
  });
  const latched = choices.latch === 'screws' ? neighbours : neighbours.slice(0, 1);
  return [...neighbours.map(placed('pivot', pivotZ)), ...latched.map(placed('latch', latchZ))];
}

/** Those through one panel, as its features. */
export const hungFeatures = (
  { sizes, choices }: HungPlan,
  holes: readonly HungHole[],
  panel: string,
  toFrame: (point: Vec3) => Point,
): Feature[] =>
  holes
    .filter((hole) => hole.panel === panel)
    .map(({ kind, at, inwards }): Feature => {
      const size = kind === 'pivot' ? sizes.pivotSize : sizes.latchSize;
      const hole = {
        kind,
        shape: 'round',
        centre: toFrame(at),
        diameter: size + CLEARANCE,
        depth: 'through',
      } as const;
      if (kind === 'pivot' || choices.latch !== 'nail') return hole;
      const level = cos(LATCH_SLOPE);
      return { ...hole, axis: [inwards[0] * level, inwards[1] * level, -sin(LATCH_SLOPE)] };
    });

/** The two holes of a pivot, which differ: it turns in the neighbours and is held in the wall. */
export function pivotDerived({ sizes }: Pick<HungPlan, 'sizes'>): Derived[] {
  const { pivotSize } = sizes;
  const pilot = Math.round(pivotSize * PILOT_SHARE);
  return [
    derivedLength(
      'pivotHole',
      'Pivot hole in the neighbours',
      pivotSize + CLEARANCE,
      text`The pivot ${ofLength(pivotSize)} and ${ofLength(CLEARANCE)}, so that it turns freely`,
    ),
    derivedLength(
      'pivotPilot',
      'Pivot pilot in the wall that swings',
      pilot,
      text`${PILOT_SHARE} of the pivot ${ofLength(pivotSize)}, so that the wood holds it`,
    ),
  ];
}
