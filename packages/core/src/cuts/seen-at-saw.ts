import { kerfOnFace, type SawCut, type Wood } from '../layout/index.js';
import type { Ticks } from '../measure/index.js';
import { type Bounds, boundsOf, type Point } from '../plane/index.js';
import type { CutAtHand } from './at-hand.js';
import { cutAtFence, fencePlane, type Lie, seenAt, seenCut } from './fence.js';
import { leavesOf, type NamedBoard, type NamedPiece, sawCutOf } from './progress.js';
import type { Tool } from './saws.js';

/** A leaf of the piece in hand as it lies at the saw. */
export interface SeenLeaf {
  piece: NamedPiece;
  /** On the face that is up. */
  outline: readonly Point[];
}

/** The piece in hand as the maker sees it: x to the right along the fence, y from the fence towards the maker. Ticks. */
export interface SeenAtSaw {
  /** The face that is up, and the one below. */
  upper: readonly Point[];
  lower: readonly Point[];
  bounds: Bounds;
  /** The cut on the upper face: from edge to edge, and the far side of its kerf. Empty for a part that is freed. */
  line: readonly Point[];
  kerf: readonly Point[];
  leaves: readonly SeenLeaf[];
  /**
   * What is set or marked: along the edge on the fence, from its end at the maker's left to the nearer side of the kerf, or for a rip from
   * the fence; null for a taper and a free cut.
   */
  measured: { readonly from: Point; readonly to: Point; readonly length: Ticks } | null;
  /** Where the first of what the cut gives comes to lie, the other beyond the blade; null for a part that is freed. */
  firstAt: 'left' | 'right' | 'fence' | 'front' | null;
}

const faceUp = ({ faceA, faceB }: Wood, { faceUp: up }: Lie): readonly Point[] =>
  up === 'A' ? faceA : faceB;
const faceBelow = ({ faceA, faceB }: Wood, { faceUp: up }: Lie): readonly Point[] =>
  up === 'A' ? faceB : faceA;

/** Cuts that run along the fence to within this are rips: a share of their length. */
const ALONG = 1e-3;

/** What is measured at the saw; null where nothing straight lies on the fence, or the cut is tapered. */
function measuredAt(
  { cut, wood, lie, isRip }: { cut: SawCut; wood: Wood; lie: Lie; isRip: boolean },
  width: number,
): SeenAtSaw['measured'] {
  const seen = seenCut(cut, width, lie);
  if (!isRip) {
    const met = cutAtFence(seen, wood, lie);
    if (!met) return null;
    const { from, to, level } = met;
    return { from: [from, level], to: [to, level], length: Math.round(to - from) };
  }
  const { point, along, kerf } = seen;
  if (Math.abs(along[1]) > ALONG) return null;
  const plane = fencePlane(wood, lie);
  const [u] = point;
  const v = Math.min(point[1], point[1] + kerf[1]);
  return { from: [u, plane], to: [u, v], length: Math.round(v - plane) };
}

/** The kerf lies away from what is given first. */
function firstAt([u, v]: Point, tool: Tool): SeenAtSaw['firstAt'] {
  if (tool === 'rip') return v > 0 ? 'fence' : 'front';
  return u > 0 ? 'left' : 'right';
}

/** The piece in hand of a cut, as it lies at the saw. A freed part is shown as the board lies on the bench. */
export function seenAtSaw(
  board: NamedBoard,
  { cut, piece, how }: CutAtHand,
  { tool, kerf, thickness }: { tool: Tool; kerf: Ticks; thickness: Ticks },
): SeenAtSaw {
  const lie: Lie = { fence: how.fence ?? 'far', faceUp: how.faceUp ?? 'A' };
  const wood = piece.wood ?? board.pieces[0]?.wood ?? { faceA: [], faceB: [] };
  const seen = (face: readonly Point[]) => face.map((corner) => seenAt(lie, corner));
  const [upper, lower] = [seen(faceUp(wood, lie)), seen(faceBelow(wood, lie))];
  const shared = {
    upper,
    lower,
    bounds: boundsOf([...upper, ...lower]),
    leaves: leavesOf(board, piece.id).flatMap((leaf) =>
      leaf.wood ? [{ piece: leaf, outline: seen(faceUp(leaf.wood, lie)) }] : [],
    ),
  };
  if (!cut.line) return { ...shared, line: [], kerf: [], measured: null, firstAt: null };
  const [from, to] = cut.line;
  const run = Math.hypot(to[0] - from[0], to[1] - from[1]);
  const sawCut = sawCutOf(cut.line, cut.shift);
  const width = kerfOnFace(sawCut, kerf, thickness);
  const at = seenCut(sawCut, width, lie);
  const line: Point[] = [0, run].map((by) => [
    at.point[0] + at.along[0] * by,
    at.point[1] + at.along[1] * by,
  ]);
  const beyond = line.map(([u, v]): Point => [u + at.kerf[0], v + at.kerf[1]]);
  return {
    ...shared,
    line,
    kerf: [...line, ...beyond.reverse()],
    measured: measuredAt({ cut: sawCut, wood, lie, isRip: tool === 'rip' }, width),
    firstAt: firstAt(at.kerf, tool),
  };
}
