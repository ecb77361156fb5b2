import type { LayoutJob } from '../../job/index.js';
import { at, once } from '../../lists/index.js';
import type { Cents } from '../../measure/index.js';
import { BoardCounts, type Target } from '../bound/board-counts.js';
import { finestMaster } from '../bound/finest-master.js';
import { leastCostByColumns } from '../bound/least-cost.js';
import {
  areApart,
  type BoundQuestion,
  type Relaxation,
  type RelaxedBoard,
  relax,
  whereverApart,
} from '../bound/relaxed.js';
import { type LeastOut, RelaxedMaster } from '../bound/relaxed-master.js';
import { RelaxedProgramme } from '../bound/relaxed-programme.js';
import type { Goals } from '../goals.js';
import type { Layout } from '../layout.js';
import type { LinearSolver } from '../solver/linear.js';
import type { Group } from './group.js';
import { prepare } from './prepare.js';

/** The best that is known of a group: what it costs, how many copies it leaves out, and how its boards are filled. */
export interface Known {
  cost: Cents;
  missing: number;
  /** Its boards: their kinds and copies by the group's own indexes, each once. */
  patterns: readonly RelaxedBoard[];
}

/** What was proven of a group: no layout costs less, and the numbers of boards that may be enough for less than the best. */
export interface Proven {
  group: number;
  bound: Cents;
  proof: Layout['boundProof'];
  targets: readonly Target[];
  /** What no layout can do without leaving out, and what one that leaves out no more must cost. */
  out: (LeastOut & { cost: Cents }) | null;
}

/** Who is told the best of each group and tells what is proven of it: on this thread or on another. */
export interface Bounds {
  /** By group; null where nothing can be laid. */
  know(best: readonly (Known | null)[]): void;
  /** What was proven since it was asked last. */
  heard(): readonly Proven[];
}

export interface ProverControl {
  solver: LinearSolver;
  /** Whether cost counts first, so that it is worth knowing exactly. */
  byCounts: boolean;
  /** Asked often; true ends it. */
  halted: () => boolean;
  /** Seconds that are left for it. */
  secondsLeft: () => number;
}

/** What proves the bounds of a job beside its search, on another thread: the same groups by the same indexes. */
export const proverFor = (
  job: LayoutJob,
  goals: Goals,
  control: Omit<ProverControl, 'byCounts'>,
): Prover =>
  new Prover(questionsOf(prepare(job, goals).groups), {
    ...control,
    byCounts: goals.first === 'cost',
  });

/** What bounds are asked of each group, by how many copies may stay out. */
export const questionsOf = (groups: readonly Group[]): ((left: number) => BoundQuestion)[] =>
  groups.map((group) => (left) => ({ ...group.question(), left }));

/** Numbers of boards that are looked for at first, and at most. */
const FIRST_TARGETS = 2;
const MOST_TARGETS = 24;
/** Seconds for each of the two whole-number programmes about what stays out. */
const OUT_SECONDS = 2.5;

/**
 * Proves what each group of a job must cost at least: by relaxed patterns, then by which numbers of boards could be enough. It goes on as
 * long as something is to be learnt, and hears of better layouts while it does.
 */
export class Prover implements Bounds {
  private known: readonly (Known | null)[] = [];
  private readonly bound: Cents[];
  private told: Proven[] = [];

  constructor(
    private readonly questions: readonly ((left: number) => BoundQuestion)[],
    private readonly control: ProverControl,
  ) {
    this.bound = questions.map(() => 0);
  }

  know(best: readonly (Known | null)[]): void {
    this.known = best;
  }

  heard(): readonly Proven[] {
    const { told } = this;
    this.told = [];
    return told;
  }

  private cost(group: number): Cents {
    return this.known[group]?.cost ?? 0;
  }

  private patterns(group: number): readonly RelaxedBoard[] {
    return this.known[group]?.patterns ?? [];
  }

  private isOpen(group: number): boolean {
    return this.cost(group) > at(this.bound, group);
  }

  private tell(
    group: number,
    bound: Cents,
    proof: Layout['boundProof'],
    targets: readonly Target[],
    out: Proven['out'] = null,
  ): void {
    this.bound[group] = Math.max(at(this.bound, group), bound);
    this.told.push({ group, bound: at(this.bound, group), proof, targets, out });
  }

  /** Everything that is to be proven, the groups in turn; yields between programmes. */
  *steps(): Generator<void, void, void> {
    for (const group of this.questions.keys()) if (this.isOpen(group)) yield* this.byColumns(group);
    for (const group of this.questions.keys()) yield* this.byOut(group);
    if (!this.control.byCounts) return;
    const running = [...this.questions.keys()].map((group) => this.byCounts(group));
    while (running.length > 0 && !this.control.halted())
      for (const steps of [...running]) {
        if (steps.next().done) running.splice(running.indexOf(steps), 1);
        yield;
      }
  }

  private *byColumns(group: number): Generator<void, void, void> {
    const { solver, halted } = this.control;
    const question = at(this.questions, group)(this.known[group]?.missing ?? 0);
    const programme = new RelaxedProgramme(relax(question, false), solver, halted);
    programme.learn(this.patterns(group));
    const { cost, proof } = yield* leastCostByColumns(question, programme);
    this.tell(group, cost, proof, []);
    yield;
  }

  /** Where copies stay out: as many as must, by all listed patterns, and what those that lay the rest cost. */
  private *byOut(group: number): Generator<void, void, void> {
    const missing = this.known[group]?.missing ?? 0;
    if (missing === 0) return;
    const { solver } = this.control;
    const master = RelaxedMaster.of(whereverApart(relax(at(this.questions, group)(0), true)));
    yield;
    const out = master?.fewestOut(solver, this.seconds(OUT_SECONDS))?.out;
    yield;
    if (!master || !out) return;
    const cost = master.leastCostWithout(out, solver, this.seconds(OUT_SECONDS)) ?? 0;
    this.tell(group, 0, 'area', [], { ...out, cost });
    yield;
  }

  /** For one whole-number programme. */
  private seconds(most: number): number {
    return Math.min(most, Math.max(0.05, this.control.secondsLeft()));
  }

  /**
   * What looks for numbers of boards: by listed patterns where they are few enough, else by the quick programme, and closely only of whole
   * numbers of boards. `seen`: what is listed of the patterns.
   */
  private *countsOf(
    close: Relaxation,
    patterns: readonly RelaxedBoard[],
    seen: (relaxation: Relaxation) => Relaxation,
  ): Generator<void, BoardCounts, void> {
    const { solver, halted } = this.control;
    const { question } = close;
    const master = yield* finestMaster(close, halted, seen);
    const programme =
      master?.programme(solver, halted) ??
      new RelaxedProgramme(relax(question, false), solver, halted);
    programme.learn(patterns);
    const closely = once(() => new RelaxedProgramme(close, solver, halted));
    return new BoardCounts(question.stock, programme, function* (counts, cost) {
      const filled = master?.fillBoards(solver, counts, halted);
      yield;
      if (filled === 'none') return { refuted: 'exact' };
      if (halted() || filled) return { refuted: null, patterns: filled ?? [] };
      // More than all of these boards cost: some copy finds no place on them.
      const isHeld = yield* closely().holds(counts, cost);
      return isHeld ? { refuted: null, patterns: [] } : { refuted: 'lp' };
    });
  }

  /** Which numbers of boards could be enough; where rectangles of the patterns that say so cannot lie apart, once more without such patterns. */
  private *byCounts(group: number): Generator<void, void, void> {
    if (!this.isOpen(group) || this.known[group]?.missing !== 0) return;
    const close = relax(at(this.questions, group)(0), true);
    yield;
    const targets = yield* this.byPatterns(group, close, whereverApart);
    if (targets.some(({ patterns }) => !areApart(close, patterns)))
      yield* this.byPatterns(group, close, (relaxation) => relaxation);
  }

  /** Which could be, more of them each time those known are told. */
  private *byPatterns(
    group: number,
    close: Relaxation,
    seen: (relaxation: Relaxation) => Relaxation,
  ): Generator<void, readonly Target[], void> {
    const { halted } = this.control;
    const counts = yield* this.countsOf(close, this.patterns(group), seen);
    const isOver = () => halted() || !this.isOpen(group);
    for (let wanted = FIRST_TARGETS; wanted <= MOST_TARGETS && !isOver(); wanted += 1) {
      for (const _step of counts.search(() => this.cost(group), wanted, isOver)) {
        if (counts.bound > at(this.bound, group)) this.tell(group, counts.bound, 'lp', []);
        yield;
      }
      this.tell(group, counts.bound, counts.wasRefuted ? 'exact' : 'lp', counts.targets);
      if (counts.isDone) break;
      yield;
    }
    return isOver() ? [] : counts.targets;
  }
}
