import { kerfOnFace, type SawCut, type Wood } from '../layout/index.js';
import type { Ticks } from '../measure/index.js';
import { type Bounds, boundsOf, type Point } from '../plane/index.js';
import type { CutAtHand } from './at-hand.js';
import { edgeOnFence, fencePlane, type Lie, seenAt, seenCut } from './fence.js';
import type { NamedBoard, NamedPiece } from './progress.js';

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
  /** Along the edge on the fence from the end at the maker's left to the nearer side of the kerf; null for a rip and a free cut. */
  mark: Ticks | null;
}

/** Everything that comes of a piece in the end. */
function leavesOf(board: NamedBoard, id: string): NamedPiece[] {
  const piece = board.pieces.find((each) => each.id === id);
  const cut = board.cuts.find(({ of }) => of === id);
  if (!piece || !cut) return piece ? [piece] : [];
  return cut.gives.flatMap((each) => (each === null ? [] : leavesOf(board, each)));
}

const faceUp = ({ faceA, faceB }: Wood, { faceUp: up }: Lie): readonly Point[] =>
  up === 'A' ? faceA : faceB;
const faceBelow = ({ faceA, faceB }: Wood, { faceUp: up }: Lie): readonly Point[] =>
  up === 'A' ? faceB : faceA;

/** From the end at the left to the nearer side of the kerf, along the edge on the fence. */
function markOf(cut: SawCut, width: number, wood: Wood, lie: Lie): Ticks | null {
  const seen = seenCut(cut, width, lie);
  const [edge, below] = [edgeOnFence(wood, lie, true), edgeOnFence(wood, lie, false)];
  if (!edge || seen.along[1] === 0) return null;
  const level = fencePlane(wood, lie) + edge.off;
  const crossing = ([u, v]: Point) => u + ((level - v) * seen.along[0]) / seen.along[1];
  const [u, v] = seen.point;
  const nearer = Math.min(crossing([u, v]), crossing([u + seen.kerf[0], v + seen.kerf[1]]));
  return Math.round(nearer - Math.min(edge.left, below?.left ?? edge.left));
}

/** The piece in hand of a cut, as it lies at the saw. A freed part is shown as the board lies on the bench. */
export function seenAtSaw(
  board: NamedBoard,
  { cut, piece, how }: CutAtHand,
  { kerf, thickness }: { kerf: Ticks; thickness: Ticks },
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
  if (!cut.line) return { ...shared, line: [], kerf: [], mark: null };
  const [from, to] = cut.line;
  const run = Math.hypot(to[0] - from[0], to[1] - from[1]);
  const sawCut: SawCut = {
    point: from,
    along: [(to[0] - from[0]) / run, (to[1] - from[1]) / run],
    shift: cut.shift,
  };
  const width = kerfOnFace(sawCut, kerf, thickness);
  const at = seenCut(sawCut, width, lie);
  const line: Point[] = [0, run].map((by) => [
    at.point[0] + at.along[0] * by,
    at.point[1] + at.along[1] * by,
  ]);
  const beyond = line.map(([u, v]): Point => [u + at.kerf[0], v + at.kerf[1]]);
  const isRip = how.end === null && Math.abs(at.along[0]) > Math.abs(at.along[1]);
  return {
    ...shared,
    line,
    kerf: [...line, ...beyond.reverse()],
    mark: isRip ? null : markOf(sawCut, width, wood, lie),
  };
}
