import type { LayoutJob } from '../../job/index.js';
import { at, sum } from '../../lists/index.js';
import type { Goals } from '../goals.js';
import type { LinearModel, LinearSolution, LinearSolver } from '../solver/linear.js';
import { type Construction, type FilledBoard, keepsStages, type Pile, weigh } from './construct.js';
import type { Group } from './group.js';
import { patternOf } from './standing.js';

/** Kept value that may be given up for less work, as a share of the wood in use: less than a maker can tell. */
export const SAME_VALUE = 0.005;
/** How widely a board is filled again with what it holds. */
const BEAMS = [2, 8, 24];
/** How often the same is laid again, each time with other values. */
const TRIES = 3;
/** Patterns of which pairs are laid on one board, or on two cut alike. */
const MOST_PAIRED = 14;
/** Seconds for one programme at most. */
const SECONDS = 0.6;
const LEAST_SECONDS = 0.05;

/** What the last phase is told of the search that it is part of. */
export interface FewerCutsSetting {
  job: LayoutJob;
  goals: Goals;
  random: () => number;
  halted: () => boolean;
  /** Whether enough time has gone into laying boards again. */
  isLate: () => boolean;
  secondsLeft: () => number;
  /** Settings of the saw that all boards need, with these for the group. */
  settings: (construction: Construction) => number;
}

/**
 * Layouts that leave out as much and cost as much as the best of a group, and keep as much to within `SAME_VALUE`, with fewer boards
 * touched, fewer patterns, fewer settings and fewer cuts, in this order.
 */
export class FewerCuts {
  /** Boards as they may be cut, by pile and copies: those of which none is better in wood and cuts. */
  private readonly known = new Map<string, FilledBoard[]>();
  private readonly settings = new WeakMap<Construction, number>();
  /** How often the same was laid again, by pile and copies. */
  private readonly tried = new Map<string, number>();
  /** Whether something better was found since it was asked last. */
  private isNew = false;
  private readonly mostUsed: number;
  private readonly cost: number;

  constructor(
    private readonly group: Group,
    private readonly setting: FewerCutsSetting,
  ) {
    const { best, pool } = group;
    this.mostUsed = sum(best.boards.map(({ used }) => used)) * (1 + SAME_VALUE);
    this.cost = group.cost;
    for (const board of [...best.boards, ...pool.boards, ...pool.fewestCuts]) this.learn(board);
  }

  private keyOf = ({ pile, filling }: Pick<FilledBoard, 'pile' | 'filling'>): string =>
    `${this.group.piles.indexOf(pile)}|${filling.used.join()}`;

  private alike(board: FilledBoard): readonly FilledBoard[] {
    return this.known.get(this.keyOf(board)) ?? [];
  }

  private learn(board: FilledBoard): void {
    if (!keepsStages(board, this.setting.goals)) return;
    const known = this.alike(board);
    if (known.some(({ used, cuts }) => used <= board.used && cuts <= board.cuts)) return;
    const others = known.filter(({ used, cuts }) => used < board.used || cuts < board.cuts);
    this.known.set(this.keyOf(board), [...others, board]);
  }

  /** Exactly these copies on a board of a pile, laid in some ways. */
  private lay(pile: Pile, copies: readonly number[]): void {
    const { job, goals, random, isLate } = this.setting;
    const key = `${this.group.piles.indexOf(pile)}|${copies.join()}`;
    const tries = this.tried.get(key) ?? 0;
    if (tries === TRIES) return;
    this.tried.set(key, tries + 1);
    for (const plain of [true, false])
      for (const beam of BEAMS) {
        if (isLate()) return;
        const values = this.group.values.map((value) => value * (0.8 + 0.4 * random()));
        const filling = pile.filler.fill({ copies, values, plain }, beam, pile.ends);
        const isWhole = filling.used.every((count, part) => count === at(copies, part));
        if (isWhole) this.learn(weigh(pile, filling, job.saw, goals));
      }
  }

  /** Boards of the best by what lies on them: the first of each, and the second where there is one. */
  private get patterns(): (readonly [FilledBoard, FilledBoard | undefined])[] {
    const alike = new Map<string, FilledBoard[]>();
    for (const board of this.group.best.boards)
      alike.set(this.keyOf(board), [...(alike.get(this.keyOf(board)) ?? []), board]);
    return [...alike.values()].flatMap(([one, twin]) => (one ? [[one, twin] as const] : []));
  }

  /** What the best lays on its boards, laid again: each board's, and that of each two on one board or on two cut alike. */
  private *layAgain(): Generator<void, void, void> {
    const patterns = this.patterns.slice(0, MOST_PAIRED);
    for (const [index, [one, twin]] of patterns.entries()) {
      this.lay(one.pile, one.filling.used);
      yield;
      if (twin) yield* this.layBoth(one, twin);
      for (const [other] of patterns.slice(index + 1)) yield* this.layBoth(one, other);
    }
  }

  /** What lies on two boards on one, or half of it on each. */
  private *layBoth(one: FilledBoard, other: FilledBoard): Generator<void, void, void> {
    const both = one.filling.used.map((count, part) => count + at(other.filling.used, part));
    const half = both.every((count) => count % 2 === 0) ? both.map((count) => count / 2) : null;
    for (const pile of this.group.piles) {
      if (this.setting.isLate()) return;
      if (pile.price <= one.pile.price + other.pile.price) this.lay(pile, both);
      if (half) this.lay(pile, half);
      yield;
    }
  }

  /** Which boards are cut how often, and what that takes. */
  private programme(
    boards: readonly FilledBoard[],
    costOf: { board: (board: FilledBoard) => number; pattern: number },
    most: { boards: number; used: number },
  ): LinearModel {
    const { piles, parts, copies, best } = this.group;
    const largest = Math.max(...piles.map(({ stock }) => stock.length * stock.width));
    const isWhole = costOf.pattern > 0 || Number.isFinite(most.boards);
    const terms = (factor: (board: FilledBoard) => number) =>
      boards.flatMap((board, index) => {
        const value = factor(board);
        return value === 0 ? [] : [[index, value] as const];
      });
    const laid = parts.flatMap((part) => {
      const row = terms(({ filling }) => at(filling.used, part));
      const limit = at(copies, part) - at(best.missing, part);
      return (['at least', 'at most'] as const).map((sense) => ({ terms: row, sense, limit }));
    });
    const atMost = (row: LinearModel['rows'][number]['terms'], limit: number) =>
      row.length > 0 && Number.isFinite(limit)
        ? [{ terms: row, sense: 'at most' as const, limit }]
        : [];
    const linked = costOf.pattern > 0 ? boards : [];
    return {
      columns: [
        ...boards.map((board) => ({
          cost: costOf.board(board),
          most: board.pile.left,
          whole: isWhole,
        })),
        ...linked.map(() => ({ cost: costOf.pattern, most: 1, whole: true })),
      ],
      rows: [
        ...laid,
        ...piles.flatMap((pile) =>
          atMost(
            terms((board) => Number(board.pile === pile)),
            pile.left,
          ),
        ),
        ...atMost(
          terms(({ pile }) => pile.price),
          this.cost,
        ),
        ...atMost(
          terms(({ used }) => used / largest),
          most.used / largest,
        ),
        ...atMost(terms(touched), most.boards),
        ...linked.flatMap(({ pile }, index) =>
          atMost(
            [
              [index, 1],
              [boards.length + index, -pile.left],
            ],
            0,
          ),
        ),
      ],
    };
  }

  private solve(solver: LinearSolver, model: LinearModel): LinearSolution | null {
    const left = Math.max(LEAST_SECONDS, this.setting.secondsLeft() / 2);
    return solver(model, Math.min(SECONDS, left));
  }

  /** Boards that can be in a layout of no more wood: the others cost more of it at the prices of the linear programme than there is. */
  private useful(solver: LinearSolver): FilledBoard[] {
    const { piles } = this.group;
    const largest = Math.max(...piles.map(({ stock }) => stock.length * stock.width));
    const boards = [...this.known.values()].flat();
    const unlimited = Number.POSITIVE_INFINITY;
    const model = this.programme(
      boards,
      { board: ({ used }) => used / largest, pattern: 0 },
      { boards: unlimited, used: unlimited },
    );
    const least = this.solve(solver, model);
    if (!least) return [];
    const reduced = model.columns.map(({ cost }) => cost);
    for (const [row, { terms }] of model.rows.entries())
      for (const [column, factor] of terms)
        reduced[column] = at(reduced, column) - at(least.duals, row) * factor;
    const spare = this.mostUsed / largest - least.objective + 1e-9;
    return boards.filter((_board, index) => at(reduced, index) <= spare);
  }

  private boardsIn({ values }: LinearSolution, of: readonly FilledBoard[]): FilledBoard[] {
    return of.flatMap((board, index) =>
      new Array<FilledBoard>(Math.round(at(values, index))).fill(board),
    );
  }

  private settingsOf(construction: Construction): number {
    const known = this.settings.get(construction);
    if (known !== undefined) return known;
    const counted = this.setting.settings(construction);
    this.settings.set(construction, counted);
    return counted;
  }

  /** Below zero when a takes less work than b: what counts first decides, and settings are counted only where they do. */
  private compare(a: Construction, b: Construction): number {
    const settings = (of: Construction) => this.settingsOf(of);
    const count = ({ boards }: Construction, of: (board: FilledBoard) => number) =>
      sum(boards.map(of));
    const patterns = ({ boards }: Construction) => new Set(boards.map(patternOf)).size;
    return (
      count(a, touched) - count(b, touched) ||
      patterns(a) - patterns(b) ||
      settings(a) - settings(b) ||
      count(a, ({ cuts }) => cuts) - count(b, ({ cuts }) => cuts)
    );
  }

  /** Takes boards for the best where they are less work. */
  private consider(boards: readonly FilledBoard[]): void {
    const { group } = this;
    const found = { boards: [...boards], missing: group.best.missing };
    if (this.compare(found, group.best) >= 0) return;
    group.best = found;
    this.isNew = true;
  }

  /** Each pattern cut in the other ways that are known for its copies. */
  private *swap(): Generator<void, void, void> {
    const { group } = this;
    for (const board of new Set(group.best.boards))
      for (const other of this.alike(board)) {
        if (this.setting.halted()) return;
        const boards = group.best.boards.map((each) => (each === board ? other : each));
        if (sum(boards.map(({ used }) => used)) <= this.mostUsed) this.consider(boards);
        yield;
      }
  }

  /** Less and less work; yields between programmes. */
  *steps(solver: LinearSolver | null): Generator<void, void, void> {
    if (solver) yield* this.chooseAgain(solver);
    for (let round = 0; round < TRIES || this.isNew; round += 1) {
      this.isNew = false;
      yield* this.layAgain();
      if (solver) yield* this.chooseAgain(solver);
      yield* this.swap();
      if (this.setting.isLate()) return;
    }
  }

  /** The fewest boards, then the fewest patterns and cuts, of all that are known. */
  private *chooseAgain(solver: LinearSolver): Generator<void, void, void> {
    const boards = this.useful(solver);
    yield;
    const used = this.mostUsed;
    const fewest = this.solve(
      solver,
      this.programme(
        boards,
        { board: touched, pattern: 0 },
        { boards: sum(this.group.best.boards.map(touched)), used },
      ),
    );
    if (fewest) this.consider(this.boardsIn(fewest, boards));
    yield;
    const most = sum(this.group.best.boards.map(touched));
    const pattern = 1 + sum(this.group.best.boards.map(({ cuts }) => cuts));
    const alike = this.solve(
      solver,
      this.programme(boards, { board: ({ cuts }) => cuts, pattern }, { boards: most, used }),
    );
    if (alike) this.consider(this.boardsIn(alike, boards));
  }
}

/** A board with pins is touched whatever else is laid on it. */
const touched = ({ pile }: FilledBoard): number => (pile.pinned ? 0 : 1);
