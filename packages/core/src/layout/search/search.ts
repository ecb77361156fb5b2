import type { Cents } from '../../measure/money.js';
import { type Ticks, toMm } from '../../measure/ticks.js';
import { meanArea, yieldOf } from '../area.js';
import { leastCost } from '../bound.js';
import { type LayoutJob, type Part, type PinnedPlacement, type Placement, priceOf, type Stock, suits } from '../job.js';
import type { LaidBoard, Layout, LayoutSearch, Unplaced } from '../layout.js';
import { type Construction, construct, type FilledBoard, type Pile } from './construct.js';
import { obstaclesOf } from './defects.js';
import { BoardFiller, type Piece } from './fill-board.js';
import { offcutsOf } from './offcuts.js';
import { type Misfit, type Shape, shapesOf } from './shapes.js';

/** Repeatable noise, so that the same job gives the same search (mulberry32, public domain). */
function noise(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let value = Math.imul(state ^ (state >>> 15), 1 | state);
    value = (value + Math.imul(value ^ (value >>> 7), 61 | value)) ^ value;
    return ((value ^ (value >>> 14)) >>> 0) / 4294967296;
  };
}

/** A board with pieces fixed by hand: it is used whatever the rest does. */
interface PinnedBoard {
  kind: number;
  piece: number;
  pins: readonly PinnedPlacement[];
}

/** Parts and boards that have to do with each other; groups are searched apart. */
interface Group {
  parts: number[];
  piles: Pile[];
  copies: Int32Array;
  values: Float64Array;
  best: Construction | null;
  bound: Cents;
  /** Best is proven, or nothing more is to be tried. */
  done: boolean;
  rounds: number;
}

interface Standing {
  missing: number;
  missingArea: number;
  cost: Cents;
  worth: number;
  patterns: number;
}

const TOO_CLOSE = 1e-9;

function compare(a: Standing, b: Standing): number {
  return (
    a.missing - b.missing ||
    a.missingArea - b.missingArea ||
    a.cost - b.cost ||
    (Math.abs(a.worth - b.worth) > TOO_CLOSE * Math.max(a.worth, b.worth) ? b.worth - a.worth : 0) ||
    a.patterns - b.patterns
  );
}

const patternOf = (board: FilledBoard): string =>
  `${board.kind}:${board.filling.pieces.map(({ shape, x, y }) => `${shape.part},${x},${y}`).join(';')}`;

/** Bounding box of pinned pieces, by which the rest of the board is divided. */
function freeEnds(stock: Stock, pins: readonly PinnedPlacement[], job: LayoutJob): [Ticks, Ticks][] {
  const { endTrim, kerf } = job.saw;
  const spans = pins
    .map((pin) => {
      const part = job.parts.find((each) => each.id === pin.part)!;
      const along = pin.turn % 180 === 0 ? 0 : 1;
      const reach = [...part.outline, ...part.underside].map((point) => point[along]);
      return [pin.x, pin.x + Math.max(...reach) - Math.min(...reach)] as const;
    })
    .sort((a, b) => a[0] - b[0]);
  const ends: [Ticks, Ticks][] = [];
  let from = endTrim;
  for (const [left, right] of spans) {
    if (left - kerf > from) ends.push([from, left - kerf]);
    from = Math.max(from, right + kerf);
  }
  if (from < stock.length - endTrim) ends.push([from, stock.length - endTrim]);
  return ends;
}

const showMm = (ticks: Ticks): string => `${Math.round(toMm(ticks) * 10) / 10} mm`;

/** Why a part found no place, for a maker to read. */
function reasonFor(part: Part, job: LayoutJob, misfits: readonly (Misfit | null)[]): string {
  if (job.stock.length === 0) return 'there are no boards';
  const thick = job.stock.filter((stock) => suits({ ...part, materials: null }, stock));
  if (thick.length === 0)
    return `no board is ${showMm(part.thickness)} thick; there are ${[...new Set(job.stock.map((stock) => showMm(stock.thickness)))].join(', ')}`;
  const suited = job.stock.map((stock, index) => ({ stock, misfit: misfits[index] })).filter(({ stock }) => suits(part, stock));
  if (suited.length === 0) return `no board of this thickness is of ${part.materials?.join(' or ')}`;
  const points = [...part.outline, ...part.underside];
  const extent = (axis: 0 | 1) => Math.max(...points.map((point) => point[axis])) - Math.min(...points.map((point) => point[axis]));
  if (suited.every(({ misfit }) => misfit === 'too large')) {
    const widest = Math.max(...suited.map(({ stock }) => stock.width));
    const longest = Math.max(...suited.map(({ stock }) => stock.length)) - 2 * job.saw.endTrim;
    return extent(1) > widest
      ? `wider than any board: ${showMm(extent(1))} against ${showMm(widest)}`
      : `longer than any board: ${showMm(extent(0))} against ${showMm(longest)}`;
  }
  if (suited.some(({ misfit }) => misfit === null))
    return 'the boards are used up, or what is left of them is too short or has a defect in the way';
  if (suited.some(({ misfit }) => misfit === 'no rip')) return 'it is not as wide as any board, and the saw does not rip';
  if (suited.some(({ misfit }) => misfit === 'saw'))
    return `it needs a cut beyond the saw’s mitre of ${job.saw.maxMitre}° or tilt of ${job.saw.maxTilt}°`;
  return `no board has the face it needs (${part.inside !== 'any' ? `${part.inside} inside` : `${part.outside} outside`})`;
}

/**
 * Lays out a job by sequential value correction: boards are filled one after another by a beam search that takes most value; parts
 * that ended on badly filled boards become worth more, and boards are taken apart and filled anew, until the time is up or the cost
 * meets the bound. Belov and Scheithauer describe the idea for cutting stock (INFORMS J. Comput. 19, 2007, from memory).
 * Never fails: what finds no place is listed with its reason.
 */
export const searchLayout: LayoutSearch = (job, control) => {
  const started = control.clock();
  const deadline = started + job.effort.seconds * 1000;
  const halted = (): boolean => control.stopped?.() === true || control.clock() > deadline;
  const random = noise(20_011);

  const pinnedBoards = new Map<string, PinnedBoard>();
  for (const pin of job.pinned) {
    const key = `${pin.stock}/${pin.piece}`;
    const known = pinnedBoards.get(key);
    pinnedBoards.set(key, {
      kind: job.stock.findIndex((stock) => stock.id === pin.stock),
      piece: pin.piece,
      pins: [...(known?.pins ?? []), pin],
    });
  }
  const misfits = new Map<number, (Misfit | null)[]>();
  const copies = Int32Array.from(job.parts, (part) => part.quantity - job.pinned.filter((pin) => pin.part === part.id).length);
  const shapes: Shape[][] = job.stock.map(() => []);
  const partners: Set<number>[] = job.parts.map(() => new Set());
  job.parts.forEach((part, index) => {
    const against: (Misfit | null)[] = job.stock.map(() => null);
    job.stock.forEach((stock, kind) => {
      if (!suits(part, stock)) return;
      const found = shapesOf(part, index, stock, job.saw);
      if (Array.isArray(found)) {
        shapes[kind]!.push(...found);
        partners[index]!.add(kind);
      } else against[kind] = found;
    });
    misfits.set(index, against);
  });

  const piles: Pile[] = [];
  const filled = new Map<PinnedBoard, FilledBoard | null>();
  const fillers = job.stock.map(
    (stock, kind) => new BoardFiller(stock, shapes[kind]!, obstaclesOf(stock.defects), job.saw, job.parts.length),
  );
  const groups = groupsOf(job, partners, copies);
  for (const group of groups) {
    for (const kind of group.kinds) {
      const stock = job.stock[kind]!;
      const pinned = [...pinnedBoards.values()].filter((board) => board.kind === kind);
      group.piles.push({
        kind,
        stock,
        filler: fillers[kind]!,
        left: stock.quantity - pinned.length,
        ends: [[job.saw.endTrim, stock.length - job.saw.endTrim]],
      });
    }
    piles.push(...group.piles);
  }
  // Boards with pinned pieces are paid for already, so the rest of them is filled first.
  for (const board of pinnedBoards.values()) {
    const stock = job.stock[board.kind]!;
    const group = groups.find((each) => each.kinds.includes(board.kind));
    const ends = freeEnds(stock, board.pins, job);
    const filling = group ? fillers[board.kind]!.fill({ copies: group.copies, values: group.values }, 16, ends) : null;
    filling?.used.forEach((count, part) => {
      if (group) group.copies[part]! -= count;
    });
    filled.set(board, filling ? { kind: board.kind, filling, worth: 0 } : null);
  }

  const standing = (construction: Construction): Standing => ({
    missing: construction.missing.reduce((total, count) => total + count, 0),
    missingArea: construction.missing.reduce((total, count, part) => total + (count > 0 ? count * meanArea(job.parts[part]!) : 0), 0),
    cost: construction.boards.reduce((total, board) => total + priceOf(job.stock[board.kind]!), 0),
    worth: construction.boards.reduce((total, board) => total + board.worth, 0),
    patterns: new Set(construction.boards.map(patternOf)).size,
  });

  const assemble = (): Layout => {
    const nextCopy = job.parts.map((part) => {
      const taken = new Set(job.pinned.filter((pin) => pin.part === part.id).map((pin) => pin.copy));
      return Array.from({ length: part.quantity }, (_unused, copy) => copy).filter((copy) => !taken.has(copy));
    });
    const place = ({ shape, x, y }: Piece): Placement => ({
      part: job.parts[shape.part]!.id,
      copy: nextCopy[shape.part]!.shift()!,
      x,
      y,
      turn: shape.turn,
      flipped: shape.flipped,
    });
    const boards: LaidBoard[] = [];
    let cost: Cents = 0;
    for (const board of pinnedBoards.values()) {
      const rest = filled.get(board)?.filling.pieces ?? [];
      const pins = board.pins.map(({ stock: _stock, piece: _piece, ...placement }) => placement);
      boards.push({ stock: job.stock[board.kind]!.id, piece: board.piece, placements: [...pins, ...rest.map(place)], offcuts: [] });
      cost += priceOf(job.stock[board.kind]!);
    }
    const piece = job.stock.map(() => 0);
    for (const group of groups) {
      // Boards cut alike lie together.
      const alike = [...(group.best?.boards ?? [])].sort((a, b) => (patternOf(a) < patternOf(b) ? -1 : 1));
      for (const board of alike.sort((a, b) => a.kind - b.kind)) {
        const stock = job.stock[board.kind]!;
        while (pinnedBoards.has(`${stock.id}/${piece[board.kind]}`)) piece[board.kind]! += 1;
        const pieces = [...board.filling.pieces].sort((a, b) => a.y - b.y || a.x - b.x);
        boards.push({
          stock: stock.id,
          piece: piece[board.kind]!,
          placements: pieces.map(place),
          offcuts: offcutsOf(pieces, stock, job.saw),
        });
        piece[board.kind]! += 1;
        cost += priceOf(stock);
      }
    }
    const unplaced: Unplaced[] = job.parts.flatMap((part, index) => {
      const count = nextCopy[index]!.length;
      return count > 0 ? [{ part: part.id, count, reason: reasonFor(part, job, misfits.get(index)!) }] : [];
    });
    const placeable = groups.every((group) => !group.best || group.best.missing.every((count) => count === 0));
    const pinnedCost = [...pinnedBoards.values()].reduce((total, board) => total + priceOf(job.stock[board.kind]!), 0);
    const lowerBound = pinnedBoards.size > 0 ? Math.min(cost, pinnedCost) : groups.reduce((total, group) => total + group.bound, 0);
    return {
      boards,
      unplaced,
      cost,
      lowerBound,
      boundProof: 'area',
      optimal: placeable && cost === lowerBound,
      yield: yieldOf(job, boards),
      seconds: (control.clock() - started) / 1000,
    };
  };

  const consider = (group: Group, construction: Construction): boolean => {
    if (group.best && compare(standing(construction), standing(group.best)) >= 0) return false;
    group.best = construction;
    return true;
  };

  for (const group of groups) {
    consider(
      group,
      construct(job, group.piles, group, 5, () => control.stopped?.() === true),
    );
    const missing = group.best!.missing.reduce((total, count) => total + count, 0);
    group.bound = leastCost(
      group.parts.map((part) => ({ part: job.parts[part]!, copies: group.copies[part]! })),
      group.piles.map((pile) => ({ ...pile.stock, quantity: pile.left })),
      job.saw,
      missing,
    );
  }
  let layout = assemble();
  control.onBetter?.(layout);

  while (!halted() && groups.some((group) => !group.done)) {
    for (const group of groups) {
      if (group.done || halted()) continue;
      group.rounds += 1;
      const before = standing(group.best!);
      const candidate = group.rounds % 3 === 1 ? revalued(group) : rebuilt(group);
      if (candidate && consider(group, candidate)) {
        const after = standing(group.best!);
        layout = assemble();
        if (compare(after, before) < 0) control.onBetter?.(layout);
      }
      const settled = group.best!.missing.every((count) => count === 0) && standing(group.best!).cost <= group.bound;
      group.done = settled && group.rounds >= ROUNDS_WHEN_PROVEN;
    }
  }
  return { ...layout, seconds: (control.clock() - started) / 1000 };

  /** Everything anew, parts on badly filled boards having become worth more. */
  function revalued(group: Group): Construction | null {
    const values = group.values.map((value) => value * (0.92 + 0.16 * random()));
    const result = construct(job, group.piles, { copies: group.copies, values }, 6 + Math.floor(random() * 14), halted);
    for (const { kind, filling } of result.boards) {
      const stock = job.stock[kind]!;
      const used = filling.pieces.reduce((total, piece) => total + meanArea(job.parts[piece.shape.part]!), 0);
      const waste = Math.min(3, (stock.length * stock.width) / used);
      filling.used.forEach((count, part) => {
        if (count > 0) group.values[part] = 0.85 * group.values[part]! + 0.15 * meanArea(job.parts[part]!) * waste;
      });
    }
    return halted() && result.missing.some((count) => count > 0) ? null : result;
  }

  /** A few boards taken apart, the emptier the sooner, and their parts laid out again. */
  function rebuilt(group: Group): Construction | null {
    const { boards, missing } = group.best!;
    if (boards.length === 0) return null;
    const emptiness = boards.map((board) => {
      const stock = job.stock[board.kind]!;
      return { board, key: board.filling.value / (stock.length * stock.width) + random() * 0.6 };
    });
    const size = Math.min(boards.length, 2 + Math.floor(random() * 3));
    const apart = new Set(
      emptiness
        .sort((a, b) => a.key - b.key)
        .slice(0, size)
        .map(({ board }) => board),
    );
    // The same pattern may stand for several boards: take apart by place, not by identity.
    const kept: FilledBoard[] = [];
    const taken: FilledBoard[] = [];
    for (const board of boards) (apart.has(board) && taken.length < size && !taken.includes(board) ? taken : kept).push(board);
    const wanted = Int32Array.from(missing);
    for (const board of taken) for (const [part, count] of board.filling.used.entries()) wanted[part]! += count;
    const free = group.piles.map((pile) => ({ ...pile, left: pile.left - kept.filter((board) => board.kind === pile.kind).length }));
    const values = group.values.map((value) => value * (0.8 + 0.4 * random()));
    const result = construct(job, free, { copies: wanted, values }, 8 + Math.floor(random() * 24), halted);
    return { boards: [...kept, ...result.boards], missing: result.missing };
  }
};

/** Rounds spent on better offcuts after the cost is proven. */
const ROUNDS_WHEN_PROVEN = 24;

/** Parts and kinds of boards in connected groups; parts that fit no board are in none. */
function groupsOf(job: LayoutJob, partners: readonly ReadonlySet<number>[], copies: Int32Array): (Group & { kinds: number[] })[] {
  const groups: (Group & { kinds: number[] })[] = [];
  const seen = new Set<number>();
  partners.forEach((kinds, start) => {
    if (kinds.size === 0 || seen.has(start)) return;
    const parts = new Set([start]);
    const boards = new Set(kinds);
    for (let grew = true; grew; ) {
      grew = false;
      partners.forEach((others, part) => {
        if (parts.has(part) || ![...others].some((kind) => boards.has(kind))) return;
        parts.add(part);
        for (const kind of others) boards.add(kind);
        grew = true;
      });
    }
    for (const part of parts) seen.add(part);
    const own = copies.map((count, part) => (parts.has(part) ? count : 0));
    const values = Float64Array.from(job.parts, (part) => meanArea(part));
    groups.push({ parts: [...parts], kinds: [...boards], piles: [], copies: own, values, best: null, bound: 0, done: false, rounds: 0 });
  });
  return groups;
}
