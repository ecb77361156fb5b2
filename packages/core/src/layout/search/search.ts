import type { LayoutJob } from '../../job/index.js';
import { at, sum } from '../../lists/index.js';
import { meanArea } from '../area.js';
import { leastCost, leastCostByColumns, RelaxedMaster } from '../bound/least-cost.js';
import { type Goals, STANDARD_GOALS } from '../goals.js';
import type { Layout, LayoutSearch, SearchControl } from '../layout.js';
import type { LinearSolver } from '../solver/linear.js';
import { type Assembly, assembleLayout } from './assemble.js';
import { type Construction, construct, type FilledBoard, weigh } from './construct.js';
import { obstaclesOf } from './defects.js';
import { BoardFiller, THOROUGH_FROM_BEAM } from './fill-board.js';
import { clustersOf, Group } from './group.js';
import { type MoveSetting, rebuilt, revalued } from './moves.js';
import { noise } from './noise.js';
import { PinnedBoards } from './pinned-boards.js';
import { isBetter } from './standing.js';
import { suitedShapes } from './suited-shapes.js';

/** Rounds without anything better after which a proven layout is polished enough. */
const ROUNDS_WHEN_PROVEN = 24;
/** Milliseconds after which a proven layout is not polished any more. */
const MOST_WHEN_PROVEN = 2500;
/** Beam widths: for the first answer, and for pricing, which widens when nothing more is found. */
const FIRST_BEAM = 1;
const PRICING_BEAMS = [8, 24, 64];
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
/** How widely a proposed pattern is tried, and how often patterns are proposed. */
const REALISING_BEAM = 48;
const PROPOSALS = 400;
const CHOOSE_EVERY = 8;
/** Seconds for one whole-number programme, so that the search can be stopped in between. */
const CHOOSING_SECONDS = 1;
const PROPOSING_SECONDS = 2;
const LEAST_SECONDS = 0.05;

/** A phase of the search: it yields wherever the caller may look, stop, or put in the solver. */
type Phase = Generator<void, void, void>;

/**
 * One search for one job. Boards are filled one after another for the first answer; then patterns are priced by the linear master and
 * chosen in whole numbers (column generation); between, boards are taken apart and filled anew with other values (sequential value
 * correction: Belov and Scheithauer, INFORMS J. Comput. 19, 2007, from memory).
 */
class Search {
  layout: Layout;
  private readonly started: number;
  private readonly deadline: number;
  private readonly goals: Goals;
  private readonly random = noise(20_011);
  private readonly areas: Float64Array;
  private readonly groups: readonly Group[];
  private readonly assembly: Assembly;
  private readonly setting: MoveSetting;
  private generated = false;
  /** When the last dive ended and how long it took, in milliseconds. */
  private dived: number;
  private diveTook = 0;

  constructor(
    private readonly job: LayoutJob,
    private readonly control: SearchControl,
  ) {
    this.started = control.clock();
    this.deadline = this.started + job.effort.seconds * 1000;
    this.goals = control.goals ?? STANDARD_GOALS;
    this.areas = Float64Array.from(job.parts, meanArea);
    const pinned = new PinnedBoards(job);
    const { shapes, partners, misfits } = suitedShapes(job);
    const copies = Int32Array.from(
      job.parts,
      (part) => part.quantity - job.pinned.filter((pin) => pin.part === part.id).length,
    );
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
    this.groups = clustersOf(partners).map(({ parts, kinds }) => {
      const piles = kinds.flatMap((kind) => pinned.pilesOf(kind, at(fillers, kind)));
      return new Group(job, parts, piles, partners, copies, this.goals);
    });
    this.assembly = { job, goals: this.goals, pinned, groups: this.groups, misfits };
    this.setting = { job, goals: this.goals, random: this.random, halted: () => this.halted() };
    this.begin();
    this.layout = this.assemble();
    control.onBetter?.(this.layout);
    this.dived = control.clock();
  }

  /** Milliseconds since the search began. */
  private get elapsed(): number {
    return this.control.clock() - this.started;
  }

  private halted(): boolean {
    return this.control.stopped?.() === true || this.control.clock() > this.deadline;
  }

  /** Seconds for one programme: at most so many, and not far beyond the end of the search. */
  private secondsFor(most: number): number {
    const left = (this.deadline - this.control.clock()) / 1000;
    return Math.min(most, Math.max(LEAST_SECONDS, left));
  }

  private assemble(): Layout {
    return assembleLayout(this.assembly, this.elapsed / 1000);
  }

  private show(): void {
    this.layout = this.assemble();
    this.control.onBetter?.(this.layout);
  }

  private isProven(group: Group): boolean {
    return this.goals.first === 'cost' && group.missing === 0 && group.cost <= group.bound;
  }

  /** Takes a construction in where it is better than the best of its group. */
  private consider(group: Group, construction: Construction): boolean {
    group.pool.learn(construction.boards);
    if (!isBetter(construction, group.best, this.job, this.goals)) return false;
    group.best = construction;
    group.idle = 0;
    return true;
  }

  private improve(group: Group, construction: Construction | null): void {
    if (construction && this.consider(group, construction)) this.show();
  }

  private choose(group: Group, solver: LinearSolver): void {
    this.improve(group, group.pool.choose(solver, this.secondsFor(CHOOSING_SECONDS)));
  }

  /** The first answer: boards filled one after another, and what they must cost at least. */
  private begin(): void {
    const stopped = () => this.control.stopped?.() === true;
    for (const group of this.groups) {
      const { piles } = group;
      this.consider(group, construct(this.job, piles, group, FIRST_BEAM, this.goals, stopped));
      group.bound = leastCost(group.question());
    }
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
      for (let round = 0; round < DIVING_ROUNDS && !this.halted(); round += 1) {
        const grown = pool.price(solver, beam, shake, () => this.halted());
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
    if (this.halted() && sum(copies) > 0) return;
    this.improve(group, { boards, missing: copies });
  }

  /** Prices patterns with one beam until it finds no more. */
  private *price(group: Group, solver: LinearSolver, beam: number): Phase {
    for (let round = 0; round < PRICING_ROUNDS; round += 1) {
      if (this.halted() || this.isProven(group)) return;
      const grown = group.pool.price(
        solver,
        beam,
        () => 1,
        () => this.halted(),
      );
      yield;
      if (!grown) return;
    }
  }

  /** Prices patterns until no beam finds another, then chooses among them. */
  private *generate(group: Group, solver: LinearSolver): Phase {
    for (const beam of PRICING_BEAMS) {
      // The widest look only where the others took little of the time.
      const late = () => this.elapsed > WIDEST_WITHIN * (this.deadline - this.started);
      if (beam > MOST_DIVING_BEAM && late()) return;
      yield* this.price(group, solver, beam);
      if (this.halted()) return;
      const chance = beam === PRICING_BEAMS[0] ? () => 0.5 : this.random;
      yield* this.dive(group, solver, chance, beam);
      if (this.isProven(group) || this.halted()) return;
      this.choose(group, solver);
      yield;
      if (this.isProven(group)) return;
    }
  }

  /**
   * Chooses among all relaxed patterns in whole numbers: that is a bound; then tries to lay what it proposes, forbids what cannot be laid,
   * and asks again, while the proposals are cheaper than the best layout.
   */
  private *realise(group: Group, solver: LinearSolver): Phase {
    const master = RelaxedMaster.of(group.question());
    if (!master) return;
    for (let round = 0; round < PROPOSALS && !this.halted(); round += 1) {
      const proposal = master.solve(solver, this.secondsFor(PROPOSING_SECONDS));
      if (!proposal) return;
      if (round === 0) this.raise(group, proposal.cost, 'exact');
      if (this.isProven(group) || proposal.cost >= group.cost) return;
      yield;
      const all = this.lay(group, master, proposal.boards);
      if (all || round % CHOOSE_EVERY === CHOOSE_EVERY - 1) this.choose(group, solver);
      yield;
    }
  }

  /** Tries to lay every proposed pattern and forbids what cannot be laid; true when all could. */
  private lay(
    group: Group,
    master: RelaxedMaster,
    proposed: readonly { kind: number; counts: readonly number[] }[],
  ): boolean {
    let all = true;
    const tried = new Set<string>();
    for (const { kind, counts } of proposed) {
      const key = `${kind}|${counts.join()}`;
      if (tried.has(key) || this.halted()) continue;
      tried.add(key);
      const pile = at(group.piles, kind);
      const copies = new Int32Array(this.job.parts.length);
      for (const [demand, count] of counts.entries()) copies[at(group.parts, demand)] = count;
      const wanted = { copies, values: group.values };
      const filling = pile.filler.fill(wanted, REALISING_BEAM, pile.ends);
      group.pool.learn([weigh(pile, filling, this.job.saw, this.goals)]);
      if (filling.used.every((count, part) => count >= at(copies, part))) continue;
      all = false;
      master.forbid(kind, counts);
    }
    return all;
  }

  private raise(group: Group, cost: number, proof: Layout['boundProof']): void {
    if (cost <= group.bound) return;
    group.bound = cost;
    group.proof = proof;
    this.show();
  }

  /** What the solver does once, as soon as it is there: a better bound, patterns, and the relaxed patterns tried. */
  private *solve(solver: LinearSolver): Phase {
    this.generated = true;
    for (const group of this.groups) {
      if (group.best.boards.length === 0) continue;
      if (!this.isProven(group)) {
        const halted = () => this.halted();
        const { cost, proof } = leastCostByColumns(group.question(), solver, halted);
        this.raise(group, cost, proof);
        yield;
      }
      yield* this.generate(group, solver);
      if (!this.isProven(group) && this.goals.first === 'cost') yield* this.realise(group, solver);
    }
  }

  /** One round on one group: a dive after a rest, other prices now and then, otherwise boards filled anew. */
  private *round(group: Group): Phase {
    const { solver = null } = this.control;
    group.rounds += 1;
    group.idle += 1;
    const turn = group.rounds % TURNS;
    if (
      solver &&
      this.control.clock() - this.dived > REST_AFTER_DIVE * this.diveTook &&
      !this.isProven(group)
    )
      yield* this.diveAgain(group, solver);
    else if (solver && turn === 0 && !this.isProven(group)) this.tryOtherPrices(group, solver);
    else {
      const move = turn % 3 === 1 ? revalued : rebuilt;
      this.improve(group, move(group, this.setting));
    }
  }

  private *diveAgain(group: Group, solver: LinearSolver): Phase {
    const began = this.control.clock();
    const beam = this.random() < 0.6 ? DIVING_BEAM : MOST_DIVING_BEAM;
    yield* this.dive(group, solver, this.random, beam);
    this.dived = this.control.clock();
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

  /** Polished enough, or proven for long enough. */
  private isDone(group: Group): boolean {
    if (!this.isProven(group)) return false;
    return group.idle >= ROUNDS_WHEN_PROVEN || this.elapsed > MOST_WHEN_PROVEN;
  }

  /** Everything after the first answer, until all is proven and polished or the time is up. */
  *phases(): Phase {
    while (!this.halted() && this.groups.some((group) => !group.done)) {
      if (this.control.solver && !this.generated) {
        yield* this.solve(this.control.solver);
        continue;
      }
      for (const group of this.groups) {
        if (group.done || this.halted()) continue;
        yield* this.round(group);
        group.done = this.isDone(group);
        yield;
      }
    }
  }

  get result(): Layout {
    return { ...this.layout, seconds: this.elapsed / 1000 };
  }
}

/**
 * Lays out a job in steps: after each `yield` there is a layout that may be shown, and the caller may stop, or put in the solver that it
 * has loaded meanwhile. It ends when the cost meets the bound and a few rounds found no better offcuts, or when the time is up. Never
 * fails: what finds no place is listed with its reason.
 *
 * @example for (const _step of searchSteps(job, { clock: Date.now, onBetter: show })) await pause();
 */
export function* searchSteps(
  job: LayoutJob,
  control: SearchControl,
): Generator<Layout, Layout, void> {
  const search = new Search(job, control);
  yield search.layout;
  for (const _step of search.phases()) yield search.layout;
  return search.result;
}

/** The steps run to their end. */
export const searchLayout: LayoutSearch = (job, control) => {
  const steps = searchSteps(job, control);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
};
