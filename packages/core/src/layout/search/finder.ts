import type { LayoutJob } from '../../job/index.js';
import { at, sum } from '../../lists/index.js';
import { meanArea } from '../area.js';
import { finestMaster } from '../bound/finest-master.js';
import { asLaid, type Relaxation, type RelaxedBoard, relax } from '../bound/relaxed.js';
import { isMore, type RelaxedMaster } from '../bound/relaxed-master.js';
import type { Goals } from '../goals.js';
import type { LinearSolver } from '../solver/linear.js';
import { Aim, type Listing } from './aim.js';
import { enoughWood } from './blocks/enough-wood.js';
import type { ColumnPool } from './columns.js';
import { type Construction, type FilledBoard, keepsStages } from './construct.js';
import { THOROUGH_FROM_BEAM } from './fill-board.js';
import type { Group } from './group.js';
import { type Laid, LaidRows } from './laid-rows.js';
import { type MoveSetting, rebuilt, revalued } from './moves.js';
import { noise } from './noise.js';
import { isBetter } from './standing.js';

/** Beam widths for pricing, which widens when nothing more is found. */
const PRICING_BEAM = 8;
const PRICING_BEAMS = [PRICING_BEAM, 24, 64];
const PRICING_ROUNDS = 60;
/** Share of the time within which the widest beam is still begun. */
const WIDEST_WITHIN = 0.25;
/** Full boards learnt each time other prices are tried, and the beams of both. */
const FULL_BOARDS = 6;
const FULL_BEAM = 4;
const OTHER_PRICES_BEAM = 16;
/** Of so many rounds one tries other prices, and two everything anew. */
const TURNS = 6;
/** Beam widths, and rounds of pricing for each board settled on, in a dive. */
const DIVING_BEAM = 10;
const MOST_DIVING_BEAM = THOROUGH_FROM_BEAM;
const DIVING_ROUNDS = 5;
/** Between two dives the quicker ways are tried for so many times as long as the last took. */
const REST_AFTER_DIVE = 2;
/** How often patterns are proposed, and between two choices among those laid. */
const PROPOSALS = 400;
const CHOOSE_EVERY = 8;
/** Seconds for one whole-number programme, so that the search can be stopped in between. */
const CHOOSING_SECONDS = 1;
/** The same while patterns are laid one after the other, and the share of the time for it once rows are priced. */
const CHOOSING_AMONG_LAID = 0.2;
const CHOOSING_SHARE = 0.12;
const PROPOSING_SECONDS = 2;
const LEAST_SECONDS = 0.05;
/** Share of the time that numbers of boards which may be enough are tried for at first. */
const FIRST_SLICE = 0.04;

/** Numbers of boards with wood enough that are filled block by block to begin with: how many, how often, and the share of the time. */
const ENOUGH = 6;
const ENOUGH_FOR_ROWS = 40;
const FIRST_TURNS = 12;
const FILLING_SHARE = 0.08;
const ROWS_FIRST_SHARE = 0.25;
/** Share of the time for pricing before that. */
const FIRST_PRICING_SHARE = 0.05;
/** Share of an aim's slice that goes into filling boards block by block. */
const BLOCKS_SHARE = 0.4;
/** Share of the rest of it for listed patterns, board by board. */
const ROWS_SHARE = 0.6;

/** It yields wherever the caller may look or stop. */
export type Phase = Generator<void, void, void>;

/** What a finder is told of the search that it is part of. Times in milliseconds. */
export interface FinderSetting {
  job: LayoutJob;
  goals: Goals;
  clock: () => number;
  started: number;
  deadline: number;
  stopped: () => boolean;
  /** Cost meets the bound, and nothing is left out. */
  isProven: (group: Group) => boolean;
  /** Told when the best of a group has become better. */
  onBetter: () => void;
}

/**
 * Looks for better layouts of one group. Patterns are priced by the linear master and chosen in whole numbers (column generation);
 * between, boards are taken apart and filled anew with other values (sequential value correction: Belov and Scheithauer, INFORMS J.
 * Comput. 19, 2007, from memory [M]).
 */
export class Finder {
  private readonly random = noise(20_011);
  private readonly areas: Float64Array;
  private readonly moving: MoveSetting;
  /** Moment at which a slice of the time ends. */
  private until = Number.POSITIVE_INFINITY;
  /** When the last dive ended and how long it took. */
  private dived: number;
  private diveTook = 0;
  /** Milliseconds that went into aims more than into improving the best. */
  private aimed = 0;
  private readonly aims: Aim[] = [];
  /** Listed patterns as they can be laid; null while they are not listed. */
  private rows: LaidRows | null = null;
  private relaxation: Relaxation | null = null;
  /** Listed patterns, by how; null where they are too many. */
  private readonly masters = new Map<Listing, RelaxedMaster | null>();

  constructor(
    readonly group: Group,
    private readonly setting: FinderSetting,
  ) {
    this.areas = Float64Array.from(setting.job.parts, meanArea);
    this.dived = setting.clock();
    this.moving = {
      job: setting.job,
      goals: setting.goals,
      random: this.random,
      halted: () => this.halted(),
    };
  }

  private halted(): boolean {
    return this.isOver() || this.setting.clock() > this.until;
  }

  /** The whole of the time is up. */
  private isOver(): boolean {
    const { deadline, clock, stopped } = this.setting;
    return stopped() || clock() > deadline;
  }

  /** Seconds for one programme: at most so many, and not far beyond the end of the search. */
  private secondsFor(most: number): number {
    const { deadline, clock } = this.setting;
    const left = (Math.min(deadline, this.until) - clock()) / 1000;
    return Math.min(most, Math.max(LEAST_SECONDS, left));
  }

  private isProven(group: Group): boolean {
    return this.setting.isProven(group);
  }

  /** Takes a construction in where it is better than the best of its group. */
  consider(group: Group, construction: Construction | null): void {
    if (!construction) return;
    const { job, goals } = this.setting;
    if (!construction.boards.every((board) => keepsStages(board, goals))) return;
    group.pool.learn(construction.boards);
    if (!isBetter(construction, group.best, job, goals)) return;
    group.best = construction;
    group.idle = 0;
    if (group === this.group) this.setting.onBetter();
  }

  private choose(group: Group, solver: LinearSolver, seconds = CHOOSING_SECONDS): void {
    this.consider(group, group.pool.choose(solver, this.secondsFor(seconds)));
  }

  /**
   * Settles board after board on what the linear master takes most of, and prices anew for what is then left, so that the last boards are
   * filled with what there is for them (a dive; as in price-and-branch, from memory [M]). What it learns serves the whole-number master.
   */
  private *dive(group: Group, solver: LinearSolver, chance: () => number, beam: number): Phase {
    const copies = Int32Array.from(group.copies);
    const left = group.piles.map((pile) => pile.left);
    const boards: FilledBoard[] = [];
    const shake = () => 0.98 + 0.04 * chance();
    while (copies.some((count) => count > 0) && !this.halted()) {
      const pool = group.pool.rest(copies, left);
      yield* this.priceRest(group, pool, solver, shake, beam);
      const settled = pool.settle(solver, chance);
      if (settled.length === 0) break;
      for (const { pile, board, times } of settled) {
        for (let repeat = 0; repeat < times; repeat += 1) boards.push(board);
        left[pile] = at(left, pile) - times;
        for (const [part, used] of board.filling.used.entries())
          copies[part] = at(copies, part) - used * times;
      }
    }
    if (this.halted() && sum(copies) > 0) return;
    this.consider(group, { boards, missing: copies });
  }

  /** Prices a few rounds for what is left to lay in a dive. */
  private *priceRest(
    group: Group,
    pool: ColumnPool,
    solver: LinearSolver,
    shake: () => number,
    beam: number,
  ): Phase {
    const halted = () => this.halted();
    for (let round = 0; round < DIVING_ROUNDS && !this.halted(); round += 1) {
      const grown = this.priceRows(group, pool, solver) || pool.price(solver, beam, shake, halted);
      yield;
      if (!grown) return;
    }
  }

  /** Prices listed patterns until no more of them is worth it. */
  private *priceByRows(group: Group, solver: LinearSolver): Phase {
    for (let round = 0; round < PRICING_ROUNDS; round += 1) {
      if (this.halted() || this.isProven(group)) return;
      const grown = this.priceRows(group, group.pool, solver);
      yield;
      if (!grown) return;
    }
  }

  private priceRows(group: Group, pool: ColumnPool, solver: LinearSolver): boolean {
    return this.rows?.price(group, pool, solver, () => this.halted()) ?? false;
  }

  /** Prices patterns with one beam until it finds no more. */
  private *price(group: Group, solver: LinearSolver, beam: number): Phase {
    const halted = () => this.halted();
    for (let round = 0; round < PRICING_ROUNDS; round += 1) {
      if (this.halted() || this.isProven(group)) return;
      const grown = group.pool.price(solver, beam, () => 1, halted);
      yield;
      if (!grown) return;
    }
  }

  /** Aims at the numbers of boards that have wood enough for less than the best costs, the cheapest first. */
  private enough(most: number): Aim[] {
    const { group } = this;
    const kinds = group.piles.map(({ price, stock, left }) => ({
      price,
      area: stock.length * stock.width,
      left,
    }));
    const need = sum(group.parts.map((part) => at(group.copies, part) * at(this.areas, part)));
    return enoughWood(kinds, need, { from: group.bound, below: group.cost }, most).map(
      (counts) => new Aim(group, { counts, cost: 0, patterns: [] }, this.moving),
    );
  }

  /** The numbers of boards that have wood enough, filled block by block. */
  private *fillFully(): Phase {
    const { clock, deadline, started } = this.setting;
    this.until = clock() + FILLING_SHARE * (deadline - started);
    for (const aim of this.enough(ENOUGH)) {
      for (
        let turn = 0;
        aim.filler.isWorthwhile && turn < FIRST_TURNS && !this.halted();
        turn += 1
      ) {
        yield* this.fillOnce(aim);
        if (aim.isReached) break;
      }
      if (aim.isReached || this.halted()) break;
    }
    this.until = Number.POSITIVE_INFINITY;
  }

  /** The same by rows. */
  private *fillFirstByRows(solver: LinearSolver): Phase {
    const { clock, deadline, started } = this.setting;
    this.until = clock() + ROWS_FIRST_SHARE * (deadline - started);
    for (const aim of this.enough(ENOUGH_FOR_ROWS)) {
      if (this.halted() || this.isProven(this.group)) break;
      yield* this.fillByRows(aim, solver);
      if (aim.isReached) break;
    }
    this.until = Number.POSITIVE_INFINITY;
  }

  private *fillOnce(aim: Aim): Phase {
    const found = aim.filler.next();
    this.consider(aim.group, found);
    if (aim.isReached) this.consider(this.group, aim.handBack());
    yield;
  }

  /** Prices patterns until no beam finds another, then chooses among them. */
  private *generate(group: Group, solver: LinearSolver): Phase {
    const { clock, started, deadline } = this.setting;
    for (const beam of PRICING_BEAMS) {
      // The widest look only where the others took little of the time.
      const late = () => clock() - started > WIDEST_WITHIN * (deadline - started);
      if (beam > MOST_DIVING_BEAM && late()) return;
      if (beam === PRICING_BEAM) yield* this.priceThenRows(group, solver);
      yield* this.price(group, solver, beam);
      if (this.halted()) return;
      const chance = beam === PRICING_BEAM ? () => 0.5 : this.random;
      yield* this.dive(group, solver, chance, beam);
      if (this.isProven(group) || this.halted()) return;
      this.choose(group, solver);
      yield;
      if (this.isProven(group)) return;
    }
  }

  /** Prices for a first share of the time, then fills boards by rows: on large jobs pricing does not come to an end. */
  private *priceThenRows(group: Group, solver: LinearSolver): Phase {
    const { clock, started, deadline, goals } = this.setting;
    this.until = clock() + FIRST_PRICING_SHARE * (deadline - started);
    yield* this.price(group, solver, PRICING_BEAM);
    this.until = Number.POSITIVE_INFINITY;
    if (goals.first !== 'cost' || group.missing > 0 || this.isProven(group)) return;
    if (!(yield* this.listed('laid'))) return;
    yield* this.priceByRows(group, solver);
    yield* this.dive(group, solver, () => 0.5, PRICING_BEAM);
    this.choose(group, solver, (CHOOSING_SHARE * (deadline - started)) / 1000);
    yield;
    yield* this.fillFirstByRows(solver);
  }

  /**
   * Chooses among all relaxed patterns in whole numbers, tries to lay what that proposes, forbids what cannot be laid, and asks again,
   * while there are proposals.
   */
  private *realise(
    group: Group,
    solver: LinearSolver,
    master: RelaxedMaster,
    propose: (seconds: number) => readonly RelaxedBoard[] | null,
  ): Phase {
    for (let round = 0; round < PROPOSALS && !this.halted(); round += 1) {
      const proposal = propose(this.secondsFor(PROPOSING_SECONDS));
      if (!proposal || this.isProven(group)) return;
      yield;
      const all = this.lay(group, master, proposal);
      if (all || round % CHOOSE_EVERY === CHOOSE_EVERY - 1)
        this.choose(group, solver, CHOOSING_AMONG_LAID);
      yield;
    }
  }

  /** All patterns by how they are listed, to choose among; null where they are too many. */
  private *listed(how: Listing): Generator<void, RelaxedMaster | null, void> {
    const known = this.masters.get(how);
    if (known !== undefined) return known?.copy() ?? null;
    this.relaxation ??= relax(this.group.question(), true);
    yield;
    const seen = how === 'laid' ? asLaid : undefined;
    // What is cut short by a slice of the time would be lost for the whole of it.
    const master = yield* finestMaster(this.relaxation, () => this.isOver(), seen);
    this.masters.set(how, master);
    if (how === 'laid' && master)
      this.rows = new LaidRows(master, this.setting.job, this.setting.goals);
    return master?.copy() ?? null;
  }

  /** Proposals that are better than the best: cheaper ones, or such as leave less out. */
  private *realiseBest(solver: LinearSolver): Phase {
    const { group } = this;
    if (group.missing === 0) return;
    const master = yield* this.listed('laid');
    if (!master) return;
    yield* this.realise(group, solver, master, (seconds) => {
      const proposal = master.fewestOut(solver, seconds);
      return proposal && isMore(group.out, proposal.out) ? proposal.boards : null;
    });
  }

  /** Tries to lay every proposed pattern and forbids what cannot be laid; true when all could. What lays each copy once is a layout. */
  private lay(group: Group, master: RelaxedMaster, proposed: readonly RelaxedBoard[]): boolean {
    const rows = new LaidRows(master, this.setting.job, this.setting.goals);
    const boards: FilledBoard[] = [];
    const missing = Int32Array.from(group.copies);
    const tried = new Map<string, Laid>();
    for (const proposal of proposed) {
      if (this.halted()) return false;
      const { kind, counts } = proposal;
      const key = `${kind}|${counts.join()}`;
      const known = tried.get(key);
      const laid = known ?? rows.propose(group, proposal);
      tried.set(key, laid);
      boards.push(laid.board);
      for (const [part, count] of laid.board.filling.used.entries())
        missing[part] = at(missing, part) - count;
      if (!laid.isWhole && !known) master.forbid(kind, counts);
    }
    group.pool.learn(boards);
    if (missing.every((count) => count === 0)) this.consider(group, { boards, missing });
    return [...tried.values()].every(({ isWhole }) => isWhole);
  }

  /** One round on a group: a dive after a rest, other prices now and then, otherwise boards filled anew. */
  private *round(group: Group, solver: LinearSolver | null): Phase {
    group.rounds += 1;
    group.idle += 1;
    const turn = group.rounds % TURNS;
    const rested = this.setting.clock() - this.dived > REST_AFTER_DIVE * this.diveTook;
    if (solver && rested && !this.isProven(group)) yield* this.diveAgain(group, solver);
    else if (solver && turn === 0 && !this.isProven(group)) this.tryOtherPrices(group, solver);
    else this.consider(group, (turn % 3 === 1 ? revalued : rebuilt)(group, this.moving));
  }

  private *diveAgain(group: Group, solver: LinearSolver): Phase {
    const began = this.setting.clock();
    const beam = this.random() < 0.6 ? DIVING_BEAM : MOST_DIVING_BEAM;
    yield* this.dive(group, solver, this.random, beam);
    this.dived = this.setting.clock();
    this.diveTook = this.dived - began;
  }

  /** Other prices find other patterns. */
  private tryOtherPrices(group: Group, solver: LinearSolver): void {
    const shake = () => 0.85 + 0.3 * this.random();
    group.pool.price(solver, OTHER_PRICES_BEAM, shake, () => this.halted());
    for (let more = 0; more < FULL_BOARDS && !this.halted(); more += 1)
      group.pool.learnFull(this.areas, this.random, FULL_BEAM);
    this.choose(group, solver);
  }

  /** The numbers of boards that are tried next: those that had least time so far, the cheapest of them. */
  private nextAim(): Aim | undefined {
    const { group, aims } = this;
    for (const target of group.targets)
      if (!aims.some((aim) => aim.isFor(target))) aims.push(new Aim(group, target, this.moving));
    return aims
      .filter((aim) => aim.cost < group.cost)
      .sort((a, b) => a.slices - b.slices || a.cost - b.cost)[0];
  }

  /** A slice of time for one aim, twice as long as its last. */
  private *aimAt(aim: Aim, solver: LinearSolver): Phase {
    const { clock, deadline, started } = this.setting;
    this.until = clock() + FIRST_SLICE * (deadline - started) * 2 ** aim.slices;
    aim.slices += 1;
    const { group } = aim;
    const blocksUntil = clock() + BLOCKS_SHARE * (this.until - clock());
    if (aim.filler.isWorthwhile)
      while (!aim.isReached && clock() < blocksUntil && !this.halted()) yield* this.fillOnce(aim);
    if (!aim.isReached) yield* this.fillByRows(aim, solver);
    if (aim.slices === 1 && !aim.isReached) {
      yield* this.price(group, solver, DIVING_BEAM);
      if (!this.halted()) this.choose(group, solver);
    }
    const beam = aim.slices > 2 ? MOST_DIVING_BEAM : DIVING_BEAM;
    if (!aim.isReached && !this.halted()) yield* this.dive(group, solver, this.random, beam);
    if (!aim.isReached && !this.halted()) this.choose(group, solver);
    while (!aim.isReached && !this.halted()) {
      yield;
      yield* this.round(group, solver);
    }
    this.until = Number.POSITIVE_INFINITY;
    const found = aim.handBack();
    if (aim.isReached) this.consider(this.group, found);
  }

  /** The listed patterns laid that fill its boards, those left out that could not be laid; what it learns it goes on with the next time. */
  private *fillByRows(aim: Aim, solver: LinearSolver): Phase {
    const how = aim.listing;
    if (how === null) return;
    const listed = aim.listed.get(how) ?? (yield* this.listed(how));
    aim.listed.set(how, listed);
    if (!listed) return;
    const { clock } = this.setting;
    const whole = this.until;
    this.until = clock() + ROWS_SHARE * (whole - clock());
    // What the proof came upon first.
    const proposed = aim.slices <= 1 && aim.target.patterns.length > 0 ? [aim.target.patterns] : [];
    yield* this.realise(aim.group, solver, listed, () => {
      const first = proposed.pop();
      if (first) return first;
      const filled = listed.fillBoards(solver, aim.target.counts, () => this.halted());
      if (filled === 'none') aim.listed.set(how, null);
      return filled === 'none' ? null : filled;
    });
    this.until = whole;
    const found = aim.handBack();
    if (aim.isReached) this.consider(this.group, found);
  }

  /** An aim, or a round of what improves the best: by turns, each for as long as the other. */
  private *turn(solver: LinearSolver | null): Phase {
    const { clock } = this.setting;
    const began = clock();
    const wanted = solver && this.aimed <= 0 && !this.isProven(this.group);
    const aim = wanted ? this.nextAim() : undefined;
    if (solver && aim) yield* this.aimAt(aim, solver);
    else yield* this.round(this.group, solver);
    this.aimed += (aim ? 1 : -1) * (clock() - began);
  }

  /** Better and better layouts, without an end; the solver is used from when it is there. */
  *steps(solver: () => LinearSolver | null): Phase {
    let generated = false;
    for (;;) {
      const now = solver();
      if (now && !generated && this.group.best.boards.length > 0) {
        generated = true;
        const { first } = this.setting.goals;
        if (first === 'cost' && this.group.missing === 0 && !this.isProven(this.group))
          yield* this.fillFully();
        yield* this.generate(this.group, now);
        if (first === 'cost' && !this.isProven(this.group)) yield* this.realiseBest(now);
      }
      yield* this.turn(now);
      yield;
    }
  }
}
