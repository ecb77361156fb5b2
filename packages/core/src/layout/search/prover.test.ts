import { describe, expect, test } from '@jest/globals';
import { board, job, part, rectangle } from '../../../test/layouts.js';
import { testSolver } from '../../../test/solver.js';
import { at, must, sum } from '../../lists/index.js';
import { type Relaxation, relax, whereverApart } from '../bound/relaxed.js';
import { RelaxedMaster } from '../bound/relaxed-master.js';
import { checkLayout } from '../checker/check.js';
import { STANDARD_GOALS } from '../goals.js';
import { prepare } from './prepare.js';
import { type Bounds, type Known, type Proven, proverFor, questionsOf } from './prover.js';
import { searchLayout } from './search.js';

const solver = await testSolver();
const clock = () => performance.now();
const control = { solver, halted: () => false, secondsLeft: () => 5 };

/** Two thirds of a metre, five times, of boards that hold one or two. */
const shelves = (seconds: number) =>
  job(
    [part('shelf', rectangle(640, 100), { quantity: 5 })],
    [
      board(1300, 100, { id: 'long', price: 210, quantity: 5 }),
      board(700, 100, { id: 'short', price: 120, quantity: 5 }),
    ],
    {},
    seconds,
  );

describe('bounds that are proven beside a search', () => {
  test('are those of the same groups: what another prover tells makes the layout optimal', () => {
    const of = shelves(5);
    const prover = proverFor(of, STANDARD_GOALS, control);
    const steps = prover.steps();
    let [known, begun] = [0, false];
    const bounds: Bounds = {
      know: (best) => {
        known += 1;
        begun = true;
        prover.know(best);
      },
      heard: () => {
        if (begun) steps.next();
        // As from another thread: nothing is the same object as before.
        return structuredClone(prover.heard());
      },
    };
    const found = searchLayout(of, { clock, solver, bounds });
    expect(checkLayout(of, found)).toEqual([]);
    // Two long ones and a short one: 540. Three long ones: 630.
    expect([found.cost, found.lowerBound, found.optimal]).toEqual([540, 540, true]);
    expect(known).toBeGreaterThan(0);
  });

  test('two panels of a sheet that lie neither beside nor above one another need two sheets, whatever area and slices say', () => {
    // 6 × 8 leaves 4 beside it and 2 above: 5 × 3 has no room in either, though all four would fill 87 % of one sheet.
    const sizes = [
      [4, 4],
      [5, 3],
      [6, 8],
      [4, 2],
    ] as const;
    const of = job(
      sizes.map(([long, wide], index) => part(`p${index}`, rectangle(100 * long, 100 * wide))),
      [board(1000, 1000, { quantity: 4, price: 100 })],
      { kerf: 0 },
      5,
    );
    const close = relax(at(questionsOf(prepare(of, STANDARD_GOALS).groups), 0)(0), true);
    const cost = (of: Relaxation) => must(RelaxedMaster.of(of), 'a list').solve(solver, 2)?.cost;
    expect([cost(whereverApart(close)), cost(close)]).toEqual([100, 200]);
    const layout = searchLayout(of, { clock, solver });
    expect([layout.cost, layout.lowerBound, layout.optimal]).toEqual([200, 200, true]);
  });

  test('where boards are too few, that no more can be laid, no larger panels, and for no less', () => {
    // Long boards hold two shelves or a shelf and a sill, short ones one shelf: four of six panels, and a sill is less than a shelf.
    const of = job(
      [
        part('shelf', rectangle(640, 100), { quantity: 4 }),
        part('sill', rectangle(600, 100), { quantity: 2 }),
      ],
      [
        board(1300, 100, { id: 'long', price: 210, quantity: 1 }),
        board(700, 100, { id: 'short', price: 120, quantity: 2 }),
      ],
      {},
      5,
    );
    const layout = searchLayout(of, { clock, solver });
    expect(checkLayout(of, layout)).toEqual([]);
    expect(layout.unplaced.map(({ part: id, count }) => [id, count])).toEqual([['sill', 2]]);
    expect([layout.cost, layout.lowerBound, layout.optimal]).toEqual([450, 450, true]);
    const silent: Bounds = { know: () => undefined, heard: () => [] };
    expect(
      searchLayout({ ...of, effort: { seconds: 0.3 } }, { clock, solver, bounds: silent }),
    ).toMatchObject({ cost: 450, optimal: false });
  });

  test('a bound that nobody proves is not claimed; one that is told is', () => {
    const of = shelves(0.4);
    const silent: Bounds = { know: () => undefined, heard: () => [] };
    const alone = searchLayout(of, { clock, solver, bounds: silent });
    expect(alone.lowerBound).toBeLessThanOrEqual(alone.cost);
    let told: readonly Proven[] = [
      { group: 0, bound: 540, proof: 'exact', targets: [], out: null },
    ];
    const telling: Bounds = {
      know: () => undefined,
      heard: () => {
        const now = told;
        told = [];
        return now;
      },
    };
    const found = searchLayout(of, { clock, solver, bounds: telling });
    expect([found.cost, found.lowerBound, found.boundProof, found.optimal]).toEqual([
      540,
      540,
      expect.stringMatching(/exact|area/),
      true,
    ]);
  });

  test('groups of which nothing is known are left alone, and so are those that are proven', () => {
    const of = shelves(1);
    const nothing = proverFor(of, STANDARD_GOALS, control);
    for (const _step of nothing.steps());
    expect(nothing.heard()).toEqual([]);
    const dear = proverFor(of, STANDARD_GOALS, control);
    const best: Known[] = [{ cost: 630, missing: 0, patterns: [] }];
    dear.know(best);
    for (const _step of dear.steps());
    const heard = dear.heard();
    const bound = Math.max(...heard.map((each) => each.bound));
    // The numbers that are enough for 540 are told as what to aim at.
    expect(bound).toBe(540);
    expect(heard.flatMap(({ targets }) => targets)).toContainEqual(
      expect.objectContaining({ counts: [2, 1], cost: 540 }),
    );
    // With them come patterns that hold all: what is to be laid first.
    const target = heard.flatMap(({ targets }) => targets).find(({ cost }) => cost === 540);
    const held = of.parts.map((_part, index) =>
      sum((target?.patterns ?? []).map(({ counts }) => at(counts, index))),
    );
    expect(held).toEqual(of.parts.map(({ quantity }) => quantity));
    // What is known to be laid makes no bound too high.
    const told = proverFor(of, STANDARD_GOALS, control);
    told.know([{ cost: 630, missing: 0, patterns: target?.patterns ?? [] }]);
    for (const _step of told.steps());
    expect(Math.max(...told.heard().map((each) => each.bound))).toBe(540);
  });
});
