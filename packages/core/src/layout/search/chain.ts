import type { Ticks } from '../../measure/index.js';
import type { Point } from '../../plane/index.js';
import type { Piece } from './filling.js';
import { reachAlong, type Shape } from './shapes.js';

const SQUARE: Point = [1, 0];

/** Pieces laid so far, newest first, with how far they reach on each face. */
export interface Chain {
  piece: Piece;
  before: Chain | null;
  reachA: number;
  reachB: number;
  /** How far they reach along other directions, on each face, once it was asked. */
  ends: Map<Point, readonly [number, number]> | null;
}

/** A chain with one piece more. */
export function linked(before: Chain | null, piece: Piece): Chain {
  const { shape, x, y } = piece;
  const reach = (known: number | undefined, face: readonly Point[]) =>
    Math.max(known ?? Number.NEGATIVE_INFINITY, reachAlong(face, SQUARE, x, y, true));
  return {
    piece,
    before,
    reachA: reach(before?.reachA, shape.a),
    reachB: reach(before?.reachB, shape.b),
    ends: null,
  };
}

/** How far a chain of pieces reaches along a direction, on each face. */
function endsAlong(chain: Chain, normal: Point): readonly [number, number] {
  const known = chain.ends?.get(normal);
  if (known) return known;
  const before = chain.before
    ? endsAlong(chain.before, normal)
    : ([Number.NEGATIVE_INFINITY, Number.NEGATIVE_INFINITY] as const);
  const { shape, x, y } = chain.piece;
  const found = [
    Math.max(before[0], reachAlong(shape.a, normal, x, y, true)),
    Math.max(before[1], reachAlong(shape.b, normal, x, y, true)),
  ] as const;
  chain.ends ??= new Map();
  chain.ends.set(normal, found);
  return found;
}

/** What a cut between two pieces takes: its kerf, the thickness of the board, and how far a bevel may lean over it. Ticks. */
export interface CutBetween {
  kerf: Ticks;
  thickness: Ticks;
  maxLean: number;
}

/**
 * Smallest x at which a flat cut, square or along a sloped end of either neighbour, tilted as either is bevelled, passes between the
 * shape and everything before it. The cut takes kerf / cos tilt on each face.
 */
export function leastX(
  chain: Chain,
  shape: Shape,
  y: Ticks,
  { kerf, thickness, maxLean }: CutBetween,
): Ticks {
  let best = Number.POSITIVE_INFINITY;
  for (const normal of [SQUARE, ...chain.piece.shape.rightSlopes, ...shape.leftSlopes]) {
    const [endA, endB] =
      normal === SQUARE ? [chain.reachA, chain.reachB] : endsAlong(chain, normal);
    const startA = reachAlong(shape.a, normal, 0, y, false);
    const startB = shape.b === shape.a ? startA : reachAlong(shape.b, normal, 0, y, false);
    for (const lean of [0, endB - endA, startB - startA]) {
      if (Math.abs(lean) > maxLean) continue;
      const onA = Math.max(endA, endB - lean);
      const width = kerf * Math.hypot(1, lean / thickness);
      best = Math.min(
        best,
        Math.max(onA + width - startA, onA + lean + width - startB) / normal[0],
      );
    }
  }
  return Math.ceil(best - 1e-6);
}
