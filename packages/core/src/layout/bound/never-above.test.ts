import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { board, job, part, rectangle } from '../../../test/layouts.js';
import { leastOf, leastOutOf } from '../../../test/least-cost.js';
import { testSolver } from '../../../test/solver.js';
import type { LayoutJob } from '../../job/index.js';
import { must } from '../../lists/index.js';
import { BoardCounts } from './board-counts.js';
import { leastCost } from './least-cost.js';
import { type BoundQuestion, merge, relax } from './relaxed.js';
import { isMore, RelaxedMaster } from './relaxed-master.js';
import { RelaxedProgramme } from './relaxed-programme.js';

const solver = await testSolver();
/** SPARE_KNOT_RUNS tries more jobs than there is time for each day. */
const RUNS = Number(process.env.SPARE_KNOT_RUNS ?? 120);

const questionOf = (of: LayoutJob): BoundQuestion => ({
  demands: of.parts.map((each) => ({ part: each, copies: each.quantity })),
  stock: of.stock,
  saw: of.saw,
  left: 0,
  fits: () => true,
});

/** A job of two to five rectangles on one to three kinds of boards, some of which cost nothing. */
const smallJob = fc
  .record({
    pieces: fc
      .array(
        fc.record({
          long: fc.integer({ min: 60, max: 600 }),
          wide: fc.integer({ min: 30, max: 140 }),
          copies: fc.integer({ min: 1, max: 2 }),
        }),
        { minLength: 2, maxLength: 3 },
      )
      .filter((list) => list.reduce((total, { copies }) => total + copies, 0) <= 5),
    kinds: fc.array(
      fc.record({
        long: fc.integer({ min: 300, max: 900 }),
        wide: fc.integer({ min: 80, max: 200 }),
        price: fc.constantFrom(0, 50, 90, 130, 200, 210),
        quantity: fc.integer({ min: 1, max: 2 }),
      }),
      { minLength: 1, maxLength: 3 },
    ),
    turns: fc.boolean(),
    kerf: fc.constantFrom(0, 3),
  })
  .map(({ pieces, kinds, turns, kerf }) =>
    job(
      pieces.map(({ long, wide, copies }, index) =>
        part(`p${index}`, rectangle(long, wide), {
          quantity: copies,
          grain: turns ? 'any' : 'along',
        }),
      ),
      kinds.map(({ long, wide, price, quantity }, index) =>
        board(long, wide, { id: `b${index}`, price, quantity }),
      ),
      { kerf: kerf * 320 },
    ),
  );

describe('no bound is above what the cheapest of all layouts costs', () => {
  test('by area, by columns, by numbers of boards and by listed patterns, against every way of sawing', () => {
    let [solved, raised] = [0, 0];
    fc.assert(
      fc.property(smallJob, (of) => {
        const least = leastOf(of);
        if (least === null) return;
        solved += 1;
        const question = questionOf(of);
        const area = leastCost(question);
        expect(area).toBeLessThanOrEqual(least);
        const [programme, closely] = [false, true].map(
          (close) => new RelaxedProgramme(relax(question, close), solver, () => false),
        ) as [RelaxedProgramme, RelaxedProgramme];
        const close = relax(question, true);
        const master = RelaxedMaster.of(close);
        // The coarsest there is: everything taken for one another.
        const coarse = RelaxedMaster.of(
          merge(
            close,
            close.wanted.map(() => 0),
          ),
        );
        const refutedBy = (by: RelaxedMaster | null, boards: readonly number[]) =>
          by?.fillBoards(solver, boards, () => false) === 'none';
        const never = () => false;
        const stepwise = [programme, ...[master, coarse].map((by) => by?.programme(solver, never))];
        const bounds = stepwise.flatMap((asked) => {
          if (!asked) return [];
          const counts = new BoardCounts(of.stock, asked, function* (boards, cost) {
            if (refutedBy(master, boards) || refutedBy(coarse, boards)) return { refuted: 'exact' };
            const isHeld = yield* closely.holds(boards, cost);
            return isHeld ? { refuted: null, patterns: [] } : { refuted: 'lp' };
          });
          // As if the best that is known were dearer: what could go too high would.
          for (const _step of counts.search(() => least + 1000, 3, never));
          expect(counts.bound).toBeLessThanOrEqual(least);
          expect(counts.bound).toBeGreaterThanOrEqual(0);
          // The boards of a cheapest layout are not refuted: a target holds no more than they cost.
          expect(Math.min(...counts.targets.map(({ cost }) => cost))).toBeLessThanOrEqual(least);
          return [counts.bound];
        });
        if (Math.max(...bounds) > area) raised += 1;
        const choice = master?.solve(solver, 1);
        if (choice) expect([choice.out.copies, choice.cost <= least]).toEqual([0, true]);
      }),
      { numRuns: RUNS },
    );
    expect(solved).toBeGreaterThan(RUNS / 4);
    expect(raised).toBeGreaterThan(RUNS / 40);
  });

  test('nor does anything stay out that need not: copies, area, and what the rest costs', () => {
    let [out, exact] = [0, 0];
    fc.assert(
      fc.property(smallJob, (of) => {
        const least = leastOutOf(of);
        if (least.copies === 0) return;
        out += 1;
        const master = must(RelaxedMaster.of(relax(questionOf(of), true)), 'the patterns');
        const proven = must(master.fewestOut(solver, 1), 'an answer').out;
        expect(proven.copies).toBeLessThanOrEqual(least.copies);
        if (proven.copies < least.copies) return;
        expect(proven.area).toBeLessThanOrEqual(least.area * (1 + 1e-6));
        expect(isMore(least, proven)).toBe(proven.area < least.area * (1 - 1e-6));
        if (isMore(least, proven)) return;
        const cost = must(master.leastCostWithout(proven, solver, 1), 'a cost');
        expect(cost).toBeLessThanOrEqual(least.cost);
        if (cost === least.cost) exact += 1;
      }),
      { numRuns: RUNS },
    );
    expect(out).toBeGreaterThan(RUNS / 10);
    expect(exact).toBeGreaterThan(out / 4);
  });
});
