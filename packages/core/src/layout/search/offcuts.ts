import { endTrimOf, type Saw, type Stock } from '../../job/index.js';
import { at } from '../../lists/index.js';
import type { Ticks } from '../../measure/index.js';
import { type Goals, woodWorth } from '../goals.js';
import type { KeptOffcut } from '../layout.js';
import { type Obstacle, obstaclesOf } from './defects.js';
import type { Piece } from './filling.js';

/** Where something lies on a board: the rectangle round it. */
export interface Lying {
  x: Ticks;
  y: Ticks;
  length: Ticks;
  width: Ticks;
  /** How far its faces lie apart at most. */
  lean: Ticks;
}

export const lyingOf = ({ x, y, shape }: Piece): Lying => ({
  x,
  y,
  length: shape.length,
  width: shape.width,
  lean: shape.lean,
});

/** A region's end beyond its last piece and the strip above its highest piece, whichever way they share the corner. */
function cornerRests(
  pieces: readonly Lying[],
  region: { left: Ticks; right: Ticks; bottom: Ticks; top: Ticks },
  { saw, depth }: { saw: Saw; depth: Ticks },
): KeptOffcut[][] {
  // A tilted blade takes more of the face: a bevel is to be sawn while the board is long.
  const beyond = (place: number, { lean }: Lying) =>
    Math.ceil(place + saw.kerf * Math.hypot(1, lean / depth));
  const reach = Math.max(...pieces.map((piece) => beyond(piece.x + piece.length, piece)));
  const height = Math.max(...pieces.map((piece) => beyond(piece.y + piece.width, piece)));
  const end: KeptOffcut = {
    x: reach,
    y: region.bottom,
    length: region.right - reach,
    width: region.top - region.bottom,
  };
  if (!saw.rip) return [[end]];
  return [
    [
      end,
      {
        x: region.left,
        y: height,
        // Not beyond the board: a tilted cut after the last piece may need more than there is, and then is not made.
        length: Math.min(reach - saw.kerf, region.right) - region.left,
        width: region.top - height,
      },
    ],
    [
      // Not beyond the region: where lanes interlock, a piece reaches out of its own.
      {
        x: reach,
        y: region.bottom,
        length: region.right - reach,
        width: Math.min(height - saw.kerf, region.top) - region.bottom,
      },
      { x: region.left, y: height, length: region.right - region.left, width: region.top - height },
    ],
  ];
}

/** Cuts considered round the defects of one leftover. */
const MOST_CUTS = 240;

/**
 * What is worth keeping of a leftover beside every defect that must be cut away, since what goes to the rack is clean: pieces freed one
 * after another by a cut along one side of a defect, in the order that leaves most.
 */
function cleanParts(
  leftover: KeptOffcut,
  obstacles: readonly Obstacle[],
  saw: Saw,
  worthOf: (offcut: KeptOffcut) => number,
): KeptOffcut[] {
  let cuts = 0;
  const sum = (parts: readonly KeptOffcut[]) =>
    parts.reduce((total, each) => total + worthOf(each), 0);
  const clean = (region: KeptOffcut): KeptOffcut[] => {
    if (worthOf(region) <= 0) return [];
    const { x, y, length, width } = region;
    const met = obstacles.find(
      (each) =>
        each.hard &&
        each.left < x + length &&
        each.right > x &&
        each.bottom < y + width &&
        each.top > y,
    );
    if (!met) return [region];
    const [left, right, bottom, top] = [
      Math.floor(met.left),
      Math.ceil(met.right),
      Math.floor(met.bottom),
      Math.ceil(met.top),
    ];
    const { kerf } = saw;
    const along = (from: Ticks, to: Ticks): KeptOffcut => ({
      x: from,
      y,
      length: to - from,
      width,
    });
    const across = (from: Ticks, to: Ticks): KeptOffcut => ({
      x,
      y: from,
      length,
      width: to - from,
    });
    const splits: [freed: KeptOffcut, rest: KeptOffcut][] = [
      [along(x, left), along(left + kerf, x + length)],
      [along(right, x + length), along(x, right - kerf)],
    ];
    if (saw.rip)
      splits.push(
        [across(y, bottom), across(bottom + kerf, y + width)],
        [across(top, y + width), across(y, top - kerf)],
      );
    let best: KeptOffcut[] = [];
    for (const [freed, rest] of splits) {
      cuts += 1;
      if (cuts > MOST_CUTS) break;
      if (worthOf(freed) <= 0) continue;
      const parts = [...clean(freed), ...clean(rest)];
      if (sum(parts) > sum(best)) best = parts;
    }
    return best;
  };
  return clean(leftover);
}

/** Groups of pieces that lie in lanes of their own, from the lower edge up: no piece reaches into the next group's height. */
function lanesOf(pieces: readonly Lying[]): Lying[][] {
  const lanes: { top: Ticks; pieces: Lying[] }[] = [];
  for (const piece of [...pieces].sort((p, q) => p.y - q.y)) {
    const last = lanes.at(-1);
    if (last && piece.y < last.top) {
      last.pieces.push(piece);
      last.top = Math.max(last.top, piece.y + piece.width);
    } else lanes.push({ top: piece.y + piece.width, pieces: [piece] });
  }
  return lanes.map((lane) => lane.pieces);
}

/** The leftovers worth keeping from one board: rectangles a kerf from every piece and from each other, freed by straight cuts. */
export function offcutsOf(
  pieces: readonly Lying[],
  stock: Stock,
  saw: Saw,
  goals: Goals,
): KeptOffcut[] {
  if (pieces.length === 0) return [];
  const obstacles = obstaclesOf(stock.defects);
  /** A kerf from every piece's bounding box: lanes may lie closer than that where their pieces are apart along the board. */
  const free = ({ x, y, length, width }: KeptOffcut) =>
    pieces.every(
      (piece) =>
        Math.max(
          piece.x - x - length,
          x - piece.x - piece.length,
          piece.y - y - width,
          y - piece.y - piece.width,
        ) >= saw.kerf,
    );
  const big = (offcut: KeptOffcut) =>
    offcut.length >= saw.keep.length &&
    offcut.width >= Math.max(saw.keep.width, stock.keepWidth ?? 0) &&
    offcut.length > 0 &&
    offcut.width > 0;
  const worthOf = (offcut: KeptOffcut) =>
    big(offcut) ? Math.max(1, woodWorth(offcut.length, offcut.width, goals)) : 0;
  const worthwhile = (offcuts: readonly KeptOffcut[]) =>
    offcuts.flatMap((offcut) => cleanParts(offcut, obstacles, saw, worthOf)).filter(free);
  const worth = (offcuts: readonly KeptOffcut[]) =>
    offcuts.reduce((sum, offcut) => sum + worthOf(offcut), 0);
  const board = {
    left: endTrimOf(stock, saw),
    right: stock.length - endTrimOf(stock, saw),
    bottom: 0,
    top: stock.width,
  };
  const sawing = { saw, depth: stock.thickness };
  const choices = cornerRests(pieces, board, sawing);
  const lanes = lanesOf(pieces);
  if (lanes.length > 1) {
    const rests = lanes.map((lane, index) => {
      const bottom = Math.min(...lane.map((piece) => piece.y));
      const next = lanes[index + 1];
      const top = next ? Math.min(...next.map((piece) => piece.y)) - saw.kerf : stock.width;
      return at(
        cornerRests(lane, { ...board, bottom, top }, sawing)
          .map(worthwhile)
          .sort((a, b) => worth(b) - worth(a)),
        0,
      );
    });
    choices.push(rests.flat());
  }
  return at(
    choices.map(worthwhile).sort((a, b) => worth(b) - worth(a)),
    0,
  );
}
