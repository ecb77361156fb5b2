import {
  type LayoutJob,
  type PinnedPlacement,
  type Placement,
  priceOf,
  type Saw,
  type Stock,
  suits,
} from '../../job/index.js';
import { at, entry, must } from '../../lists/index.js';
import type { Cents, Ticks } from '../../measure/index.js';
import { meanArea, yieldOf } from '../area.js';
import {
  type BoundQuestion,
  leastCost,
  leastCostByColumns,
  RelaxedMaster,
} from '../bound/least-cost.js';
import { STANDARD_GOALS } from '../goals.js';
import type { LaidBoard, Layout, LayoutSearch, SearchControl, Unplaced } from '../layout.js';
import { ColumnPool } from './columns.js';
import { type Construction, construct, type FilledBoard, type Pile, weigh } from './construct.js';
import { obstaclesOf } from './defects.js';
import { BoardFiller, type Piece, THOROUGH_FROM_BEAM } from './fill-board.js';
import { noise } from './noise.js';
import { type Lying, lyingOf, offcutsOf } from './offcuts.js';
import { reasonFor } from './reasons.js';
import { type Misfit, type Shape, shapesOf } from './shapes.js';

/** Parts and boards that have to do with each other; groups are searched apart. */
interface Group {
  parts: number[];
  kinds: number[];
  piles: Pile[];
  copies: Int32Array;
  values: Float64Array;
  best: Construction | null;
  bound: Cents;
  proof: Layout['boundProof'];
  pool: ColumnPool | null;
  /** Best is proven, or nothing more is to be tried. */
  done: boolean;
  rounds: number;
  /** Rounds since something better was found. */
  idle: number;
}

interface Standing {
  missing: number;
  missingArea: number;
  cost: Cents;
  used: number;
  longest: Ticks;
  patterns: number;
  cuts: number;
}

/** Differences in wood smaller than this share are no difference. */
const SAME_WOOD = 1e-6;

const patternOf = (board: FilledBoard): string =>
  `${board.pile.kind}:${board.filling.pieces.map(({ shape, x, y }) => `${shape.part},${x},${y}`).join(';')}`;

/** Where pieces fixed by hand lie. */
const lyingPins = (pins: readonly PinnedPlacement[], job: LayoutJob): Lying[] =>
  pins.map((pin) => {
    const part = must(
      job.parts.find((each) => each.id === pin.part),
      'part',
    );
    const reach = (axis: 0 | 1) => {
      const values = [...part.outline, ...part.underside].map((point) => point[axis]);
      return Math.max(...values) - Math.min(...values);
    };
    const upright = pin.turn % 180 === 0;
    return { x: pin.x, y: pin.y, length: reach(upright ? 0 : 1), width: reach(upright ? 1 : 0) };
  });

/** Free stretches of a board along its length, a kerf from pieces fixed by hand. */
function freeEnds(stock: Stock, pins: readonly Lying[], { endTrim, kerf }: Saw): [Ticks, Ticks][] {
  const ends: [Ticks, Ticks][] = [];
  let from = endTrim;
  for (const { x, length } of [...pins].sort((a, b) => a.x - b.x)) {
    if (x - kerf > from) ends.push([from, x - kerf]);
    from = Math.max(from, x + length + kerf);
  }
  if (from < stock.length - endTrim) ends.push([from, stock.length - endTrim]);
  return ends;
}

/** Rounds without anything better after which a proven layout is polished enough. */
const ROUNDS_WHEN_PROVEN = 24;
/** Milliseconds after which a proven layout is not polished any more. */
const MOST_WHEN_PROVEN = 2500;
/** Beam widths: for the first answer, and for pricing, which widens when nothing more is found. */
const FIRST_BEAM = 1;
const PRICING_BEAMS = [8, 24, 64];
/** Share of the time within which the widest beam is still begun. */
const WIDEST_WITHIN = 0.25;
/** Full boards learnt each time other prices are tried. */
const FULL_BOARDS = 6;
/** Beam widths, and rounds of pricing for each board settled on, in a dive. */
const DIVING_BEAM = 10;
const MOST_DIVING_BEAM = THOROUGH_FROM_BEAM;
const DIVING_ROUNDS = 5;
/** Between two dives the quicker ways are tried for so many times as long as the last took. */
const REST_AFTER_DIVE = 2;
/** How widely a proposed pattern is tried. */
const REALISING_BEAM = 48;
/** Seconds for one whole-number programme, so that the search can be stopped in between. */
const CHOOSING_SECONDS = 1;

/**
 * Lays out a job in steps: after each `yield` there is a layout that may be shown, and the caller may stop, or put in the solver that it
 * has loaded meanwhile. Boards are filled one after another for the first answer; then patterns are priced by the linear master and
 * chosen in whole numbers (column generation); between, boards are taken apart and filled anew with other values (sequential value
 * correction: Belov and Scheithauer, INFORMS J. Comput. 19, 2007, from memory). It ends when the cost meets the bound and a few rounds
 * found no better offcuts, or when the time is up. Never fails: what finds no place is listed with its reason.
 */
export function* searchSteps(
  job: LayoutJob,
  control: SearchControl,
): Generator<Layout, Layout, void> {
  const started = control.clock();
  const deadline = started + job.effort.seconds * 1000;
  const halted = (): boolean => control.stopped?.() === true || control.clock() > deadline;
  const goals = control.goals ?? STANDARD_GOALS;
  const random = noise(20_011);

  const pinnedBoards = new Map<string, { kind: number; piece: number; pins: PinnedPlacement[] }>();
  for (const pin of job.pinned) {
    const key = `${pin.stock}/${pin.piece}`;
    const known = pinnedBoards.get(key) ?? {
      kind: job.stock.findIndex((stock) => stock.id === pin.stock),
      piece: pin.piece,
      pins: [],
    };
    known.pins.push(pin);
    pinnedBoards.set(key, known);
  }
  const areas = Float64Array.from(job.parts, meanArea);
  const misfits = new Map<number, (Misfit | null)[]>();
  const copies = Int32Array.from(
    job.parts,
    (part) => part.quantity - job.pinned.filter((pin) => pin.part === part.id).length,
  );
  const shapes: Shape[][] = job.stock.map(() => []);
  const partners: Set<number>[] = job.parts.map(() => new Set());
  job.parts.forEach((part, index) => {
    const against: (Misfit | null)[] = job.stock.map(() => null);
    job.stock.forEach((stock, kind) => {
      if (!suits(part, stock)) return;
      const found = shapesOf(part, index, stock, job.saw);
      if (Array.isArray(found)) {
        at(shapes, kind).push(...found);
        at(partners, index).add(kind);
      } else against[kind] = found;
    });
    misfits.set(index, against);
  });

  const fillers = job.stock.map(
    (stock, kind) =>
      new BoardFiller(
        stock,
        at(shapes, kind),
        obstaclesOf(stock.defects),
        job.saw,
        job.parts.length,
      ),
  );
  const groups = groupsOf(job, partners, copies);
  for (const group of groups) {
    for (const kind of group.kinds) {
      const stock = at(job.stock, kind);
      const pinned = [...pinnedBoards.values()].filter((board) => board.kind === kind);
      const shared = { kind, stock, filler: at(fillers, kind) };
      for (const { piece, pins } of pinned) {
        const lying = lyingPins(pins, job);
        group.piles.push({
          ...shared,
          left: 1,
          price: 0,
          ends: freeEnds(stock, lying, job.saw),
          pinned: { piece, pins, lying },
        });
      }
      if (stock.quantity > pinned.length)
        group.piles.push({
          ...shared,
          left: stock.quantity - pinned.length,
          price: priceOf(stock),
          ends: [[job.saw.endTrim, stock.length - job.saw.endTrim]],
          pinned: null,
        });
    }
  }
  const paid = [...pinnedBoards.values()].reduce(
    (total, board) => total + priceOf(at(job.stock, board.kind)),
    0,
  );

  const standing = ({ boards, missing }: Construction): Standing => ({
    missing: missing.reduce((total, count) => total + count, 0),
    missingArea: missing.reduce(
      (total, count, part) => total + (count > 0 ? count * meanArea(at(job.parts, part)) : 0),
      0,
    ),
    cost: boards.reduce((total, board) => total + board.pile.price, 0),
    used: boards.reduce((total, board) => total + board.used, 0),
    longest: Math.max(0, ...boards.map((board) => board.longest)),
    patterns: new Set(boards.map(patternOf)).size,
    cuts: boards.reduce((total, board) => total + board.cuts, 0),
  });
  /** Below zero when a is better. The order is that of the published objective; the first goal goes before cost when it is another. */
  const compare = (a: Standing, b: Standing): number => {
    const wood =
      Math.abs(a.used - b.used) > SAME_WOOD * Math.max(a.used, b.used) ? a.used - b.used : 0;
    return (
      a.missing - b.missing ||
      a.missingArea - b.missingArea ||
      (goals.first === 'cuts' ? a.cuts - b.cuts : 0) ||
      a.cost - b.cost ||
      (goals.first === 'offcut' ? b.longest - a.longest : 0) ||
      wood ||
      a.patterns - b.patterns ||
      a.cuts - b.cuts
    );
  };

  const assemble = (): Layout => {
    const nextCopy = job.parts.map((part) => {
      const taken = new Set(
        job.pinned.filter((pin) => pin.part === part.id).map((pin) => pin.copy),
      );
      return Array.from({ length: part.quantity }, (_unused, copy) => copy).filter(
        (copy) => !taken.has(copy),
      );
    });
    const place = ({ shape, x, y }: Piece): Placement => ({
      part: at(job.parts, shape.part).id,
      copy: must(at(nextCopy, shape.part).shift(), 'the value'),
      x,
      y,
      turn: shape.turn,
      flipped: shape.flipped,
    });
    const chosen = groups.flatMap((group) => group.best?.boards ?? []);
    const boards: LaidBoard[] = [];
    for (const { kind, piece, pins } of pinnedBoards.values()) {
      const rest =
        chosen.find((board) => board.pile.kind === kind && board.pile.pinned?.piece === piece)
          ?.filling.pieces ?? [];
      boards.push({
        stock: at(job.stock, kind).id,
        piece,
        placements: [
          ...pins.map(({ stock: _stock, piece: _piece, ...placement }) => placement),
          ...rest.map(place),
        ],
        offcuts: offcutsOf(
          [...lyingPins(pins, job), ...rest.map(lyingOf)],
          at(job.stock, kind),
          job.saw,
          goals,
        ),
      });
    }
    let cost: Cents = paid;
    const next = job.stock.map(() => 0);
    // Boards cut alike lie together.
    const alike = chosen
      .filter((board) => !board.pile.pinned)
      .map((board) => ({ board, pattern: patternOf(board) }));
    alike.sort(
      (a, b) =>
        a.board.pile.kind - b.board.pile.kind ||
        (a.pattern < b.pattern ? -1 : a.pattern > b.pattern ? 1 : 0),
    );
    for (const { board } of alike) {
      const { kind, stock } = board.pile;
      while (pinnedBoards.has(`${stock.id}/${next[kind]}`)) next[kind] = at(next, kind) + 1;
      const pieces = [...board.filling.pieces].sort((a, b) => a.y - b.y || a.x - b.x);
      boards.push({
        stock: stock.id,
        piece: at(next, kind),
        placements: pieces.map(place),
        offcuts: offcutsOf(pieces.map(lyingOf), stock, job.saw, goals),
      });
      next[kind] = at(next, kind) + 1;
      cost += priceOf(stock);
    }
    const unplaced: Unplaced[] = job.parts.flatMap((part, index) => {
      const count = at(nextCopy, index).length;
      return count > 0
        ? [{ part: part.id, count, reason: reasonFor(part, job, entry(misfits, index)) }]
        : [];
    });
    const placeable = groups.every(
      (group) => !group.best || group.best.missing.every((count) => count === 0),
    );
    const lowerBound = Math.min(
      cost,
      paid + groups.reduce((total, group) => total + group.bound, 0),
    );
    return {
      boards,
      unplaced,
      cost,
      lowerBound,
      boundProof:
        (['exact', 'lp'] as const).find((proof) => groups.some((group) => group.proof === proof)) ??
        'area',
      optimal: placeable && cost === lowerBound,
      yield: yieldOf(job, boards),
      seconds: (control.clock() - started) / 1000,
    };
  };

  const consider = (group: Group, construction: Construction | null): boolean => {
    if (!construction) return false;
    group.pool?.learn(construction.boards);
    if (group.best && compare(standing(construction), standing(group.best)) >= 0) return false;
    group.best = construction;
    group.idle = 0;
    return true;
  };
  /** Parts and boards of a group for the bound: pinned boards are free, and their pieces count among the parts. */
  const question = (group: Group): BoundQuestion => ({
    demands: group.parts.map((part) => ({
      part: at(job.parts, part),
      copies: at(job.parts, part).quantity,
    })),
    stock: group.piles.map((pile) => ({ ...pile.stock, price: pile.price, quantity: pile.left })),
    saw: job.saw,
    left: must(group.best, 'best').missing.reduce((total, count) => total + count, 0),
    fits: (demand, pile) => at(partners, at(group.parts, demand)).has(at(group.piles, pile).kind),
  });

  for (const group of groups) {
    group.pool = new ColumnPool(job, group.piles, group.parts, group.copies, goals);
    consider(
      group,
      construct(job, group.piles, group, FIRST_BEAM, goals, () => control.stopped?.() === true),
    );
    group.bound = leastCost(question(group));
  }
  let layout = assemble();
  control.onBetter?.(layout);
  yield layout;

  const better = (): void => {
    layout = assemble();
    control.onBetter?.(layout);
  };
  const proven = (group: Group): boolean =>
    goals.first === 'cost' &&
    must(group.best, 'best').missing.every((count) => count === 0) &&
    standing(must(group.best, 'best')).cost <= group.bound;
  const improve = (group: Group, construction: Construction | null): void => {
    if (consider(group, construction)) better();
  };

  /**
   * Settles board after board on what the linear master takes most of, and prices anew for what is then left, so that the last boards are
   * filled with what there is for them (a dive; as in price-and-branch, from memory [M]). What it learns serves the whole-number master.
   */
  function* dive(group: Group, chance: () => number, beam: number): Generator<void, void, void> {
    const solver = must(control.solver, 'solver');
    const copies = Int32Array.from(group.copies);
    const left = group.piles.map((pile) => pile.left);
    const boards: FilledBoard[] = [];
    while (copies.some((count) => count > 0) && !halted()) {
      const pool = must(group.pool, 'pool').rest(copies, left);
      for (let round = 0; round < DIVING_ROUNDS && !halted(); round += 1) {
        const grown = pool.price(solver, beam, () => 0.98 + 0.04 * chance(), halted);
        yield;
        if (!grown) break;
      }
      const settled = pool.settle(solver, chance);
      if (settled.length === 0) break;
      for (const { pile, board, times } of settled) {
        for (let repeat = 0; repeat < times; repeat += 1) boards.push(board);
        left[pile] = at(left, pile) - times;
        for (const [part, used] of board.filling.used.entries())
          copies[part] = at(copies, part) - used * times;
      }
    }
    if (halted() && copies.some((count) => count > 0)) return;
    improve(group, { boards, missing: copies });
  }

  /** Prices patterns until no beam finds another, then chooses among them. */
  function* generate(group: Group): Generator<void, void, void> {
    const pool = must(group.pool, 'pool');
    for (const beam of PRICING_BEAMS) {
      // The widest look only where the others took little of the time.
      if (
        beam > MOST_DIVING_BEAM &&
        control.clock() - started > WIDEST_WITHIN * (deadline - started)
      )
        return;
      for (let round = 0; round < 60 && !halted() && !proven(group); round += 1) {
        const grown = pool.price(must(control.solver, 'solver'), beam, () => 1, halted);
        yield;
        if (!grown) break;
      }
      if (halted()) return;
      for (const _step of dive(group, beam === PRICING_BEAMS[0] ? () => 0.5 : random, beam)) yield;
      if (proven(group) || halted()) return;
      improve(
        group,
        pool.choose(
          must(control.solver, 'solver'),
          Math.min(CHOOSING_SECONDS, Math.max(0.05, (deadline - control.clock()) / 1000)),
        ),
      );
      yield;
      if (proven(group)) return;
    }
  }

  /**
   * Chooses among all relaxed patterns in whole numbers: that is a bound; then tries to lay what it proposes, forbids what cannot be laid,
   * and asks again, while the proposals are cheaper than the best layout.
   */
  function* realise(group: Group): Generator<void, void, void> {
    const master = RelaxedMaster.of(question(group));
    if (!master) return;
    for (let round = 0; round < 400 && !halted(); round += 1) {
      const proposal = master.solve(
        must(control.solver, 'solver'),
        Math.min(2, Math.max(0.05, (deadline - control.clock()) / 1000)),
      );
      if (!proposal) return;
      if (round === 0 && proposal.cost > group.bound) {
        group.bound = proposal.cost;
        group.proof = 'exact';
        better();
      }
      if (proven(group) || proposal.cost >= standing(must(group.best, 'best')).cost) return;
      yield;
      let all = true;
      const tried = new Set<string>();
      for (const { kind, counts } of proposal.boards) {
        const key = `${kind}|${counts.join()}`;
        if (tried.has(key) || halted()) continue;
        tried.add(key);
        const pile = at(group.piles, kind);
        const wanted = new Int32Array(job.parts.length);
        counts.forEach((count, demand) => {
          wanted[at(group.parts, demand)] = count;
        });
        const filling = pile.filler.fill(
          { copies: wanted, values: group.values },
          REALISING_BEAM,
          pile.ends,
        );
        must(group.pool, 'pool').learn([weigh(pile, filling, job.saw, goals)]);
        if (filling.used.some((count, part) => count < at(wanted, part))) {
          all = false;
          master.forbid(kind, counts);
        }
      }
      if (all || round % 8 === 7)
        improve(
          group,
          must(group.pool, 'pool').choose(
            must(control.solver, 'solver'),
            Math.min(CHOOSING_SECONDS, Math.max(0.05, (deadline - control.clock()) / 1000)),
          ),
        );
      yield;
    }
  }

  let generated = false;
  let dived = control.clock();
  let diveTook = 0;
  while (!halted() && groups.some((group) => !group.done)) {
    if (control.solver && !generated) {
      generated = true;
      for (const group of groups) {
        if (must(group.best, 'best').boards.length === 0) continue;
        if (!proven(group)) {
          const { cost, proof } = leastCostByColumns(question(group), control.solver, halted);
          if (cost > group.bound) {
            group.bound = cost;
            group.proof = proof;
            better();
          }
          yield layout;
        }
        for (const _step of generate(group)) yield layout;
        if (!proven(group) && goals.first === 'cost')
          for (const _step of realise(group)) yield layout;
      }
      continue;
    }
    for (const group of groups) {
      if (group.done || halted()) continue;
      group.rounds += 1;
      group.idle += 1;
      const turn = group.rounds % 6;
      if (
        control.solver &&
        control.clock() - dived > REST_AFTER_DIVE * diveTook &&
        !proven(group)
      ) {
        const began = control.clock();
        for (const _step of dive(group, random, random() < 0.6 ? DIVING_BEAM : MOST_DIVING_BEAM))
          yield layout;
        dived = control.clock();
        diveTook = dived - began;
      } else if (control.solver && turn === 0 && !proven(group)) {
        // Other prices find other patterns.
        must(group.pool, 'pool').price(control.solver, 16, () => 0.85 + 0.3 * random(), halted);
        for (let more = 0; more < FULL_BOARDS && !halted(); more += 1)
          must(group.pool, 'pool').learnFull(areas, random, 4);
        improve(
          group,
          must(group.pool, 'pool').choose(
            control.solver,
            Math.min(CHOOSING_SECONDS, Math.max(0.05, (deadline - control.clock()) / 1000)),
          ),
        );
      } else improve(group, turn % 3 === 1 ? revalued(group) : rebuilt(group));
      group.done =
        proven(group) &&
        (group.idle >= ROUNDS_WHEN_PROVEN || control.clock() - started > MOST_WHEN_PROVEN);
      yield layout;
    }
  }
  return { ...layout, seconds: (control.clock() - started) / 1000 };

  /** Where cuts count first, every other board is filled without rips beside the pieces. */
  function plain(): boolean {
    return goals.first === 'cuts' && random() < 0.5;
  }

  /** Everything anew, parts on badly filled boards having become worth more. */
  function revalued(group: Group): Construction | null {
    const values = group.values.map((value) => value * (0.92 + 0.16 * random()));
    const result = construct(
      job,
      group.piles,
      { copies: group.copies, values, plain: plain() },
      6 + Math.floor(random() * 14),
      goals,
      halted,
    );
    for (const { pile, filling } of result.boards) {
      const used = filling.pieces.reduce(
        (total, piece) => total + meanArea(at(job.parts, piece.shape.part)),
        0,
      );
      const waste = Math.min(3, (pile.stock.length * pile.stock.width) / used);
      filling.used.forEach((count, part) => {
        if (count > 0)
          group.values[part] =
            0.85 * at(group.values, part) + 0.15 * meanArea(at(job.parts, part)) * waste;
      });
    }
    return halted() && result.missing.some((count) => count > 0) ? null : result;
  }

  /** A few boards taken apart, the emptier the sooner, and their parts laid out again. */
  function rebuilt(group: Group): Construction | null {
    const { boards, missing } = must(group.best, 'boards');
    if (boards.length === 0) return null;
    const fullness = (board: FilledBoard) =>
      board.filling.used.reduce((total, count, part) => total + count * at(group.values, part), 0) /
      (board.pile.stock.length * board.pile.stock.width);
    const order = boards
      .map((board, index) => ({ index, key: fullness(board) + random() * 0.6 }))
      .sort((a, b) => a.key - b.key);
    const apart = new Set(
      order
        .slice(0, Math.min(boards.length, 2 + Math.floor(random() * 3)))
        .map(({ index }) => index),
    );
    const kept = boards.filter((_board, index) => !apart.has(index));
    const wanted = Int32Array.from(missing);
    for (const index of apart)
      for (const [part, count] of at(boards, index).filling.used.entries())
        wanted[part] = at(wanted, part) + count;
    const free = group.piles.map((pile) => ({
      pile,
      left: pile.left - kept.filter((board) => board.pile === pile).length,
    }));
    const values = group.values.map((value) => value * (0.8 + 0.4 * random()));
    // The piles themselves stay what boards are known by; only how many are left differs.
    const reduced = free.map(({ pile, left }) => ({ ...pile, left }));
    const result = construct(
      job,
      reduced,
      { copies: wanted, values, plain: plain() },
      8 + Math.floor(random() * 24),
      goals,
      halted,
    );
    const original = new Map(reduced.map((pile, index) => [pile, at(group.piles, index)]));
    return {
      boards: [
        ...kept,
        ...result.boards.map((board) => ({ ...board, pile: entry(original, board.pile) })),
      ],
      missing: result.missing,
    };
  }
}

/** The steps run to their end. */
export const searchLayout: LayoutSearch = (job, control) => {
  const steps = searchSteps(job, control);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
};

/** Parts and kinds of boards in connected groups; parts that fit no board are in none. */
function groupsOf(
  job: LayoutJob,
  partners: readonly ReadonlySet<number>[],
  copies: Int32Array,
): Group[] {
  const groups: Group[] = [];
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
    const values = Float64Array.from(job.parts, meanArea);
    groups.push({
      parts: [...parts],
      kinds: [...boards],
      piles: [],
      copies: own,
      values,
      best: null,
      bound: 0,
      proof: 'area',
      pool: null,
      done: false,
      rounds: 0,
      idle: 0,
    });
  });
  return groups;
}
