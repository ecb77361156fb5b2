import {
  type LayoutJob,
  type Part,
  type PinnedPlacement,
  type Stock,
  suits,
} from '../job/index.js';
import type { Wood } from '../layout/index.js';
import { must } from '../lists/index.js';
import type { Ticks } from '../measure/index.js';
import { boundsOf, moveZone, zoneBounds } from '../plane/index.js';
import type { Defect } from '../wood/index.js';
import { largestClear, largestRectangle } from './largest-rectangle.js';
import {
  type Copy,
  copyKey,
  leavesOf,
  type NamedBoard,
  type NamedCut,
  type NamedPiece,
  type Progress,
  partsIn,
  type Rect,
  type SawnBoard,
  sawnBoards,
} from './progress.js';

/** What is still to be made of half-sawn boards: kept where its cuts still stand, or asked for again with all the wood. */
export interface RemainOptions {
  /** Ask for everything that is not made, and offer all wood that is there. */
  all?: boolean;
}

/** What is known beside the progress. */
export interface RemainFacts extends RemainOptions {
  /** Made from boards that were sawn before these. */
  made?: readonly Copy[];
  /** Boards that are no whole boards any more, or that stay as they are laid. */
  isBegun?: (board: NamedBoard, index: number) => boolean;
  /** Offcuts that came off lie on the rack already, and what still holds one stays as it is. */
  offcutsOnRack?: boolean;
}

/** A piece that still holds parts, or an offcut that is promised, and stays as it is. */
export interface KeptPiece {
  key: string;
  board: NamedBoard;
  piece: NamedPiece;
}

/** What is left, with the numbers that the copies of each part had. */
export interface Left {
  job: LayoutJob;
  copies: ReadonlyMap<string, readonly number[]>;
  kept: readonly KeptPiece[];
}

/** What becomes of the pieces of the boards. */
interface Sorted {
  made: Set<string>;
  /** Pieces that still hold parts and stay as they are. */
  kept: KeptPiece[];
  /** Wood to cut from. */
  wood: LeftWood[];
}

/** What is left of a piece, with what was found in it since. */
interface LeftWood {
  key: string;
  board: NamedBoard;
  found: readonly Defect[];
  /** Rectangles to cut from that are nowhere narrower than this. */
  rectsFor: (least: Ticks) => readonly Rect[];
}

const cutGiving = ({ cuts }: NamedBoard, piece: string): NamedCut | undefined =>
  cuts.find(({ gives }) => gives.includes(piece));
const pieceOf = ({ pieces }: NamedBoard, id: string): NamedPiece | undefined =>
  pieces.find((each) => each.id === id);

/** The rectangle of a piece that can be cut from again. */
function rectOf(
  { board }: SawnBoard,
  piece: NamedPiece,
  { kerf, least }: { kerf: Ticks; least: Ticks },
): Rect | null {
  if (piece.wood) return largestRectangle(piece.wood, least);
  const freed: Wood[] = [];
  let at: NamedPiece | undefined = piece;
  // Back to the wood that the parts were freed from.
  while (at && !at.wood) {
    const giver: NamedCut | undefined = cutGiving(board, at.id);
    const part = giver && pieceOf(board, giver.gives[0] ?? '')?.wood;
    if (part) freed.push(part);
    at = giver && pieceOf(board, giver.of);
  }
  if (!at?.wood) return null;
  const boxes = freed.map(({ faceA, faceB }) => {
    const [left, bottom, right, top] = boundsOf([...faceA, ...faceB]);
    return [left - kerf, bottom - kerf, right + kerf, top + kerf] as const;
  });
  return largestClear(at.wood, boxes, least);
}

const holdsOffcut = (board: NamedBoard, id: string): boolean =>
  leavesOf(board, id).some(({ is }) => is === 'offcut');

/** Puts one piece that is there where it belongs. */
function sortPiece(
  sawn: SawnBoard,
  piece: NamedPiece,
  { kerf, all, offcutsOnRack }: { kerf: Ticks } & RemainFacts,
  into: Sorted,
): void {
  const { index, board, ruined } = sawn;
  const key = `${index}:${piece.id}`;
  const spoilt = ruined.get(piece.id);
  if (spoilt) {
    const rectsFor = (least: Ticks) =>
      spoilt.left.filter(([, , length, width]) => Math.min(length, width) >= least);
    into.wood.push({ key, board, found: spoilt.defects, rectsFor });
    return;
  }
  if (piece.is && typeof piece.is === 'object') {
    into.made.add(copyKey(piece.is));
    return;
  }
  if (piece.is === 'offcut' && offcutsOnRack) return;
  const isPromised = offcutsOnRack && holdsOffcut(board, piece.id);
  if (isPromised || (partsIn(board, piece.id).length > 0 && !all)) {
    into.kept.push({ key, board, piece });
    return;
  }
  const rectsFor = (least: Ticks) => {
    const rect = rectOf(sawn, piece, { kerf, least });
    return rect ? [rect] : [];
  };
  into.wood.push({ key, board, found: [], rectsFor });
}

function sorted(boards: readonly SawnBoard[], kerf: Ticks, facts: RemainFacts): Sorted {
  const made = new Set((facts.made ?? []).map(copyKey));
  const found: Sorted = { made, kept: [], wood: [] };
  for (const sawn of boards)
    if (!sawn.untouched)
      for (const piece of sawn.inHand) sortPiece(sawn, piece, { kerf, ...facts }, found);
  return found;
}

/** The shorter side of the rectangle round a part. */
function smallerSide({ outline, underside }: Part): Ticks {
  const [left, bottom, right, top] = boundsOf([...outline, ...underside]);
  return Math.min(right - left, top - bottom);
}

/** Defects that lie in a rectangle, seen from its corner. */
const defectsIn = (defects: readonly Defect[], [x, y, length, width]: Rect): Defect[] =>
  defects.flatMap(({ kind, zone }) => {
    const [left, bottom, right, top] = zoneBounds(zone);
    const meets = left < x + length && right > x && bottom < y + width && top > y;
    return meets ? [{ kind, zone: moveZone(zone, -x, -y) }] : [];
  });

/** Pieces of boards as stock, where some part still to be made could be cut from them. */
function offcutsOf(job: LayoutJob, { wood }: Sorted, parts: readonly Part[]): Stock[] {
  const known = new Map(job.stock.map((each) => [each.id, each]));
  const ids = new Set(known.keys());
  const named = (key: string): string => {
    let id = key;
    for (let more = 2; ids.has(id); more += 1) id = `${key} (${more})`;
    ids.add(id);
    return id;
  };
  return wood.flatMap(({ key, board, found, rectsFor }): Stock[] => {
    const kind = must(known.get(board.stock), `the stock “${board.stock}”`);
    const sides = parts.filter((part) => suits(part, kind)).map(smallerSide);
    if (sides.length === 0) return [];
    return rectsFor(Math.min(...sides)).map((rect) => ({
      ...kind,
      id: named(key),
      quantity: 1,
      length: rect[2],
      width: rect[3],
      price: 0,
      offcut: true,
      defects: defectsIn([...kind.defects, ...found], rect),
      endTrim: 0,
      from: { piece: key, rect },
    }));
  });
}

/** Boards that nothing was done to, under their own names; pieces are numbered from 0 again. */
function wholeBoards(job: LayoutJob, boards: readonly SawnBoard[]) {
  const touched = new Set(
    boards.flatMap(({ untouched, board }) => (untouched ? [] : [`${board.piece} ${board.stock}`])),
  );
  const numbers = new Map<string, number>();
  const stock = job.stock.flatMap((kind): Stock[] => {
    let quantity = 0;
    for (let piece = 0; piece < kind.quantity; piece += 1)
      if (!touched.has(`${piece} ${kind.id}`)) {
        numbers.set(`${piece} ${kind.id}`, quantity);
        quantity += 1;
      }
    return quantity > 0 ? [{ ...kind, quantity }] : [];
  });
  return { stock, numbers };
}

/** Parts that are not made yet and lie in no piece that is kept, numbered anew, with the numbers they had. */
function partsLeft(job: LayoutJob, { made, kept }: Sorted) {
  const inKept = kept.flatMap(({ board, piece }) => partsIn(board, piece.id));
  const gone = new Set([...made, ...inKept.map(copyKey)]);
  const copies = new Map<string, number[]>();
  const parts = job.parts.flatMap((part): Part[] => {
    const left = Array.from({ length: part.quantity }, (_none, copy) => copy).filter(
      (copy) => !gone.has(copyKey({ part: part.id, copy })),
    );
    if (left.length === 0) return [];
    copies.set(part.id, left);
    return [{ ...part, quantity: left.length }];
  });
  return { parts, copies };
}

/** What is left of boards that are being sawn, under what is known beside the progress. */
export function leftOf(
  job: LayoutJob,
  boards: readonly NamedBoard[],
  progress: Progress,
  facts: RemainFacts = {},
): Left {
  const sawn = sawnBoards(boards, progress, facts.isBegun);
  const pieces = sorted(sawn, job.saw.kerf, facts);
  const { parts, copies } = partsLeft(job, pieces);
  const whole = wholeBoards(job, sawn);
  const pinned = job.pinned.flatMap((pin): PinnedPlacement[] => {
    const copy = copies.get(pin.part)?.indexOf(pin.copy) ?? -1;
    const piece = whole.numbers.get(`${pin.piece} ${pin.stock}`);
    return copy < 0 || piece === undefined ? [] : [{ ...pin, copy, piece }];
  });
  const { kept: _before, ...rest } = job;
  return {
    job: {
      ...rest,
      parts,
      stock: [...whole.stock, ...offcutsOf(job, pieces, parts)],
      pinned,
      ...(pieces.kept.length > 0 && { kept: pieces.kept.map(({ key }) => key) }),
    },
    copies,
    kept: pieces.kept,
  };
}

/**
 * What is left to be laid out of a job that is being sawn: parts that are not made, boards not yet touched, and the pieces that are
 * there as offcuts that cost nothing. A piece that still holds parts is kept as it is, and its parts are not asked for, unless `all`
 * is asked. Takes a progress without problems; lengths in ticks.
 *
 * @example remainingJob(job, namedBoards(plan), { done: ['0:c1'], ruined: [] })
 */
export function remainingJob(
  job: LayoutJob,
  boards: readonly NamedBoard[],
  progress: Progress,
  options: RemainOptions = {},
): LayoutJob {
  return leftOf(job, boards, progress, options).job;
}
