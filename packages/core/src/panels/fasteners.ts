import { fromMm, type Ticks } from '../measure/index.js';

/** A screw or a nail as it is sold. Sizes and pilot holes: common practice, no source; follow the maker's own table where there is one. */
export interface Fastener {
  id: string;
  kind: 'screw' | 'nail';
  /** Millimetres, and the nearest size sold by inches. */
  name: string;
  inchName: string;
  diameter: Ticks;
  length: Ticks;
  /** Hole in softwood through which it does not split: about two thirds of the shank. */
  pilot: Ticks;
  /** Hole through which it slips, in the panel under its head; null for a nail, which needs none. */
  clearance: Ticks | null;
}

const fastener = (
  kind: Fastener['kind'],
  diameter: number,
  length: number,
  inchName: string,
): Fastener => ({
  id: `${kind}-${diameter}x${length}`,
  kind,
  name: `${diameter} × ${length} mm`,
  inchName,
  diameter: fromMm(diameter),
  length: fromMm(length),
  pilot: fromMm(Math.round(diameter * (kind === 'screw' ? 0.65 : 0.75) * 2) / 2),
  clearance: kind === 'screw' ? fromMm(diameter + 0.5) : null,
});

/** Exterior screws and ring-shank nails, shortest first. */
export const FASTENERS: readonly Fastener[] = [
  fastener('screw', 3, 16, '#4 × 5/8 in'),
  fastener('screw', 3.5, 20, '#6 × 3/4 in'),
  fastener('screw', 3, 20, '#4 × 3/4 in'),
  fastener('screw', 3.5, 25, '#6 × 1 in'),
  fastener('screw', 3, 25, '#4 × 1 in'),
  fastener('screw', 3.5, 30, '#6 × 1 1/8 in'),
  fastener('screw', 3, 30, '#4 × 1 1/8 in'),
  fastener('screw', 3.5, 35, '#6 × 1 3/8 in'),
  fastener('screw', 4, 40, '#8 × 1 1/2 in'),
  fastener('screw', 4, 45, '#8 × 1 3/4 in'),
  fastener('screw', 4, 50, '#8 × 2 in'),
  fastener('screw', 4.5, 60, '#10 × 2 1/4 in'),
  fastener('screw', 5, 70, '#10 × 2 3/4 in'),
  fastener('screw', 5, 80, '#10 × 3 in'),
  fastener('screw', 5, 90, '#10 × 3 1/2 in'),
  fastener('screw', 6, 100, '#14 × 4 in'),
  fastener('nail', 1.6, 20, '3/4 in × 16 gauge'),
  fastener('nail', 2, 25, '1 in × 14 gauge'),
  fastener('nail', 2, 30, '1 1/8 in × 14 gauge'),
  fastener('nail', 2.2, 35, '1 1/4 in (3d)'),
  fastener('nail', 2.5, 40, '1 1/2 in (4d)'),
  fastener('nail', 2.8, 50, '2 in (6d)'),
  fastener('nail', 3.1, 65, '2 1/2 in (8d)'),
];

export const fastenerById = (id: string): Fastener | undefined =>
  FASTENERS.find((each) => each.id === id);

/** The point stays this far inside the wood: common practice, no source. */
export const COVER: Ticks = fromMm(3);
/** Thinner screws are taken only where no thicker one bites deep enough: common practice, no source. */
const STURDY: Ticks = fromMm(3.5);
/** Least bite into the second panel, in diameters: ANSI/AWC NDS, minimum penetration 6D, from memory [M]. */
const BITE_DIAMETERS = 6;

export interface ChosenFastener {
  fastener: Fastener;
  /** How deep it sits in the second panel. */
  bite: Ticks;
  /** Whether it bites at least six diameters. */
  enough: boolean;
}

/** A fastener in a joint through a panel `through` thick into wood `depth` deep: null where its point would come through or not reach. */
export function fitsJoint(fastener: Fastener, through: Ticks, depth: Ticks): ChosenFastener | null {
  const bite = fastener.length - through;
  if (fastener.length > through + depth - COVER || bite <= 0) return null;
  return { fastener, bite, enough: bite >= BITE_DIAMETERS * fastener.diameter };
}

/**
 * The fastener for a joint: through a panel `through` thick into wood that is `depth` deep behind it. The longest allowed is through +
 * depth − 3 mm; of those that bite six diameters, the shortest that also bites as deep as the first panel is thick. Null when none is
 * short enough.
 */
export function fastenerFor(
  kind: Fastener['kind'],
  through: Ticks,
  depth: Ticks,
): ChosenFastener | null {
  const short = FASTENERS.filter(
    (each) => each.kind === kind && each.length <= through + depth - COVER && each.length > through,
  );
  const bites = (each: Fastener) => each.length - through;
  const deep = short.filter((each) => bites(each) >= BITE_DIAMETERS * each.diameter);
  const sturdy = deep.filter((each) => kind === 'nail' || each.diameter >= STURDY);
  const good = sturdy.length > 0 ? sturdy : deep;
  const best = good.find((each) => bites(each) >= through) ?? good.at(-1) ?? short.at(-1);
  return best ? { fastener: best, bite: bites(best), enough: good.includes(best) } : null;
}
