import type { LayoutJob } from '../../job/index.js';
import { must, sum } from '../../lists/index.js';
import { leastCost } from '../bound/least-cost.js';
import { STANDARD_GOALS } from '../goals.js';
import type { Layout, LayoutSearch, SearchControl } from '../layout.js';
import { type Assembly, assembleLayout } from './assemble.js';
import { type Construction, construct } from './construct.js';
import { FewerCuts } from './fewer-cuts.js';
import { Finder, type Phase } from './finder.js';
import type { Group } from './group.js';
import { noise } from './noise.js';
import { prepare } from './prepare.js';
import { type Bounds, Prover, questionsOf } from './prover.js';

/** Rounds without anything better after which a proven layout is polished enough. */
const ROUNDS_WHEN_PROVEN = 24;
/** Milliseconds after which a proven layout is not polished any more. */
const MOST_WHEN_PROVEN = 2500;
/** Share of the time that is kept for making a layout of the same cost less work, and milliseconds that it takes where time is left. */
const LAST_SHARE = 0.1;
const MOST_LAST = 1500;
/** Parts times kinds of boards up to which the first answer has a bound: of more it takes too long. */
const MOST_PAIRS = 20_000;
/** Panels up to which the settings of each layout are counted in the last phase: of more that takes too long. */
const MOST_FOR_SETTINGS = 80;
/** Beam width for the first answer. */
const FIRST_BEAM = 1;

/** Work that is done by turns, with the milliseconds it has had. */
interface Turn {
  steps: Phase;
  spent: number;
  /** Steps that it has had: they decide where a clock stands still. */
  taken: number;
  isOver: () => boolean;
}

/** Whose turn comes first: who has had less time, or as much and no more steps. */
const isBefore = (one: Turn, other: Turn): boolean =>
  one.spent < other.spent || (one.spent === other.spent && one.taken <= other.taken);

/**
 * One search for one job: a first answer, then a finder for each group that has nothing to do with the others, and what proves bounds, by
 * turns that have as much time each.
 */
class Search {
  layout: Layout;
  private readonly started: number;
  private readonly deadline: number;
  private readonly groups: readonly Group[];
  private readonly assembly: Assembly;
  private readonly finders: readonly Finder[];
  private bounds: Bounds | null = null;

  constructor(
    job: LayoutJob,
    private readonly control: SearchControl,
  ) {
    this.started = control.clock();
    this.deadline = this.started + job.effort.seconds * 1000;
    const goals = control.goals ?? STANDARD_GOALS;
    const { groups, pinned, misfits } = prepare(job, goals);
    this.groups = groups;
    this.assembly = { job, goals, pinned, groups, misfits };
    let isBegun = false;
    const setting = {
      job,
      goals,
      clock: control.clock,
      started: this.started,
      deadline: this.deadline - this.lastTime,
      stopped: () => control.stopped?.() === true,
      isProven: (group: Group) => this.isProven(group),
      onBetter: () => {
        if (isBegun) this.show();
      },
    };
    this.finders = groups.map((group) => new Finder(group, setting));
    for (const finder of this.finders) this.begin(finder);
    this.layout = this.assemble();
    control.onBetter?.(this.layout);
    isBegun = true;
  }

  /** Milliseconds since the search began. */
  private get elapsed(): number {
    return this.control.clock() - this.started;
  }

  /** Milliseconds that are kept for the last phase. */
  private get lastTime(): number {
    return Math.min(MOST_LAST, 1000 * LAST_SHARE * this.assembly.job.effort.seconds);
  }

  private halted(): boolean {
    return (
      this.control.stopped?.() === true || this.control.clock() > this.deadline - this.lastTime
    );
  }

  private assemble(): Layout {
    return assembleLayout(this.assembly, this.elapsed / 1000);
  }

  private show(): void {
    this.layout = this.assemble();
    this.tellBest();
    this.control.onBetter?.(this.layout);
  }

  private tellBest(): void {
    this.bounds?.know(
      this.groups.map(({ best, cost, missing, patterns }) =>
        best.boards.length > 0 ? { cost, missing, patterns } : null,
      ),
    );
  }

  private isProven(group: Group): boolean {
    return this.assembly.goals.first === 'cost' && group.laysMost && group.cost <= group.leastCost;
  }

  /** The first answer: boards filled one after another, and what they must cost at least. */
  private begin(finder: Finder): void {
    const { job, goals } = this.assembly;
    const { group } = finder;
    const stopped = () => this.control.stopped?.() === true;
    finder.consider(group, construct(job, group.piles, group, FIRST_BEAM, goals, stopped));
    if (group.parts.length * group.piles.length <= MOST_PAIRS)
      group.bound = leastCost(group.question());
  }

  /** Polished enough, or proven for long enough. */
  private isDone(group: Group): boolean {
    if (!this.isProven(group)) return false;
    return group.idle >= ROUNDS_WHEN_PROVEN || this.elapsed > MOST_WHEN_PROVEN;
  }

  /** What was proven since the last look. */
  private hear(): void {
    for (const { group: index, bound, proof, targets, out } of this.bounds?.heard() ?? []) {
      const group = must(this.groups[index], 'the group');
      if (targets.length > 0) group.targets = targets;
      const isNews = out !== null || bound > group.bound;
      if (out) group.leastOut = out;
      if (bound > group.bound) [group.bound, group.proof] = [bound, proof];
      if (isNews) this.show();
    }
  }

  /** Who proves: another thread where there is one, else this one, by turns with the finders. */
  private startProving(): Turn | null {
    const { solver, bounds } = this.control;
    const own = bounds
      ? null
      : solver &&
        new Prover(questionsOf(this.groups), {
          solver,
          byCounts: this.assembly.goals.first === 'cost',
          halted: () => this.halted(),
          secondsLeft: () => (this.deadline - this.control.clock()) / 1000,
        });
    this.bounds = bounds ?? own ?? null;
    this.tellBest();
    if (!own) return null;
    return {
      steps: own.steps(),
      spent: 0,
      taken: 0,
      isOver: () => this.groups.every((group) => this.isProven(group)),
    };
  }

  /** Everything after the first answer: better layouts until all is proven and polished, then less work for the same. */
  *phases(): Phase {
    yield* this.improve();
    const until = Math.min(this.deadline, this.control.clock() + MOST_LAST);
    if (this.assembly.goals.first === 'cost')
      for (const [index, group] of this.groups.entries()) {
        const now = this.control.clock();
        yield* this.makeLessWork(group, now + (until - now) / (this.groups.length - index));
      }
    this.hear();
  }

  /** The same for no more money and wood, in fewer boards, patterns, settings and cuts. */
  private *makeLessWork(group: Group, until: number): Phase {
    const { control, assembly } = this;
    const late = (control.clock() + until) / 2;
    const copies = sum(assembly.job.parts.map(({ quantity }) => quantity));
    const settings = (construction: Construction): number => {
      if (!control.settings || copies > MOST_FOR_SETTINGS) return 0;
      const { best } = group;
      group.best = construction;
      const count = control.settings(this.assemble());
      group.best = best;
      return count;
    };
    const work = new FewerCuts(group, {
      ...assembly,
      random: noise(30_011),
      halted: () => control.stopped?.() === true || control.clock() > until,
      isLate: () => control.stopped?.() === true || control.clock() > late,
      secondsLeft: () => (until - control.clock()) / 1000,
      settings,
    });
    let shown = group.best;
    for (const _step of work.steps(control.solver ?? null)) {
      this.hear();
      if (group.best !== shown) this.show();
      shown = group.best;
      if (control.stopped?.() === true || control.clock() > until) return;
      yield;
    }
    if (group.best !== shown) this.show();
  }

  private *improve(): Phase {
    const solver = () => this.control.solver ?? null;
    let turns = this.finders.map((finder): Turn => {
      return {
        steps: finder.steps(solver),
        spent: 0,
        taken: 0,
        isOver: () => this.isDone(finder.group),
      };
    });
    let isProving = false;
    while (!this.halted()) {
      if (!isProving && (solver() || this.control.bounds)) {
        isProving = true;
        const proving = this.startProving();
        if (proving) turns.push(proving);
      }
      this.hear();
      turns = turns.filter((turn) => !turn.isOver());
      const next = turns.reduce<Turn | null>(
        (least, turn) => (least && isBefore(least, turn) ? least : turn),
        null,
      );
      if (!next || this.groups.every((group) => this.isDone(group))) return;
      const began = this.control.clock();
      if (next.steps.next().done) turns = turns.filter((turn) => turn !== next);
      next.spent += this.control.clock() - began;
      next.taken += 1;
      yield;
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
