import { at, minBy } from '../../lists/index.js';
import { fromMm, type Ticks } from '../../measure/index.js';
import { measuresOf } from '../../panels/index.js';
import type { Body } from '../bodies.js';
import type { Bench } from './bench.js';

/** Orders of assembly that makers teach; which comes first where nothing else decides. */
export const ASSEMBLY_SCHOOLS = ['back-first', 'sides-first', 'layers'] as const;
export type AssemblySchool = (typeof ASSEMBLY_SCHOOLS)[number];

export const SCHOOL_WORDS: Readonly<Record<AssemblySchool, readonly [name: string, why: string]>> =
  {
    'back-first': ['back and floor first', 'Then the sides, the front and the roof.'],
    'sides-first': ['front and sides first', 'Then the floor, the back and the roof.'],
    layers: ['layer by layer', 'From the back forward, as layered bat boxes are built.'],
  };

type Way = 'front' | 'back' | 'side' | 'below' | 'above';

/** Which way the outside of a panel looks. */
function wayOf({ outsideNormal: [x, y, z] }: Body): Way {
  const ways: readonly (readonly [Way, number])[] = [
    ['above', z * 1.5],
    ['below', -z],
    ['back', y],
    ['front', -y],
    ['side', Math.abs(x)],
  ];
  return minBy(ways, ([, towards]) => -towards)?.[0] ?? 'front';
}

const RANKS: Readonly<Record<Exclude<AssemblySchool, 'layers'>, Readonly<Record<Way, number>>>> = {
  'back-first': { back: 0, below: 1, side: 2, front: 3, above: 4 },
  'sides-first': { front: 0, side: 0, below: 1, back: 2, above: 3 },
};

const LAYERS = 12;

/** The place of a panel in a school’s order, least first. Layers run from the back forward, and what looks up comes last. */
function rankOf(school: AssemblySchool, body: Body, depth: readonly [number, number]): number {
  const way = wayOf(body);
  if (school !== 'layers') return RANKS[school][way];
  if (way === 'above') return LAYERS;
  const middle = body.corners.reduce((total, [, y]) => total + y, 0) / body.corners.length;
  const [front, back] = depth;
  return Math.round(((back - middle) / Math.max(1, back - front)) * (LAYERS - 1));
}

/** A unit is a stick beside the largest one below this share of its wood, and where it is no wider than this. */
const STICK = 0.2;
const NARROW: Ticks = fromMm(65);

function isNarrow({ panel }: Body): boolean {
  const { blankLength, blankWidth } = measuresOf(panel);
  return Math.min(blankLength, blankWidth) <= NARROW;
}

/** Each unit’s place in a school’s order; a stick comes right after the first of the panels that it lies on. */
export function ranksOf(
  { bodies, units, heldBy, unitOf }: Bench,
  school: AssemblySchool,
): number[] {
  const ys = bodies.flatMap(({ corners }) => corners.map(([, y]) => y));
  const depth = [Math.min(...ys), Math.max(...ys)] as const;
  const ranks = units.map(({ bodies: [first = 0] }) => rankOf(school, at(bodies, first), depth));
  const isStick = (unit: number): boolean => {
    const { volume, bodies: own } = at(units, unit);
    return volume < STICK && isNarrow(at(bodies, own[0] ?? 0));
  };
  return units.map((_unit, index) => {
    const lain = at(heldBy, index)
      .flatMap(({ pair }) => pair.map((body) => at(unitOf, body)))
      .filter((other) => other !== index && !isStick(other));
    if (!isStick(index) || lain.length === 0) return at(ranks, index);
    return Math.min(...lain.map((other) => at(ranks, other))) + 0.5;
  });
}
