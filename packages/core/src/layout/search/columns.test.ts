import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { stepClock } from '../../../test/clock.js';
import {
  board,
  circle,
  job,
  knot,
  layout,
  part,
  placed,
  points,
  rectangle,
} from '../../../test/layouts.js';
import { testSolver } from '../../../test/solver.js';
import type { LayoutJob, Part, Stock } from '../../job/index.js';
import { at, must } from '../../lists/index.js';
import { fromMm, type Ticks } from '../../measure/index.js';
import type { Point } from '../../plane/index.js';
import { plainText } from '../../text/index.js';
import { leastCost, leastCostByColumns } from '../bound/least-cost.js';
import { nextSum } from '../bound/next-sum.js';
import { relax } from '../bound/relaxed.js';
import { RelaxedMaster } from '../bound/relaxed-master.js';
import { RelaxedProgramme } from '../bound/relaxed-programme.js';
import { checkLayout } from '../checker/check.js';
import { STANDARD_GOALS } from '../goals.js';
import type { Layout } from '../layout.js';
import type { LinearSolver } from '../solver/linear.js';
import { countCuts, usedCost } from '../summary.js';
import { BoardFiller } from './fill-board.js';
import { searchLayout } from './search.js';
import { shapesOf } from './shapes.js';

let solver: LinearSolver;
beforeAll(async () => {
  solver = await testSolver();
});

const run = (of: LayoutJob, steps = 300): Layout => {
  const found = searchLayout(
    { ...of, effort: { seconds: 30 } },
    { clock: stepClock(30, steps), solver },
  );
  expect(checkLayout(of, found)).toEqual([]);
  return found;
};
/** What steps come to. */
function ended<T>(steps: Generator<void, T, void>): T {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/** Parts of a job as the bound is asked for them. */
const question = (of: LayoutJob) => ({
  demands: of.parts.map((each) => ({ part: each, copies: each.quantity })),
  stock: of.stock,
  saw: of.saw,
  left: 0,
  fits: () => true,
});

describe('published instances', () => {
  test('one-dimensional cutting stock, raws of 100: 97 × 45, 610 × 36, 395 × 31, 211 × 14 take 453 raws [Chvátal, Linear Programming (1983), chapter 13]', () => {
    const pieces = [
      [45, 97],
      [36, 610],
      [31, 395],
      [14, 211],
    ] as const;
    const of = job(
      pieces.map(([length, quantity]) => part(`p${length}`, rectangle(length, 40), { quantity })),
      [board(100, 40, { quantity: 600, price: 1 })],
      { kerf: 0, rip: false, keep: { length: fromMm(100), width: fromMm(100) } },
      20,
    );
    const found = run(of);
    expect(found.unplaced).toEqual([]);
    expect([found.cost, found.lowerBound, found.optimal]).toEqual([453, 453, true]);
  });

  test('two-dimensional through cuts, first instance, sheet 15 × 10: the most valuable set is worth 244 [Christofides and Whitlock (1977), from memory]', () => {
    // Length, width, value, most copies; no turning.
    const pieces = [
      [8, 4, 66, 2],
      [3, 7, 35, 1],
      [8, 2, 24, 3],
      [3, 4, 17, 5],
      [3, 3, 11, 2],
      [3, 2, 8, 2],
      [2, 1, 2, 1],
    ] as const;
    const saw = { ...job([], []).saw, kerf: 0 };
    const stock = board(150, 100);
    const parts = pieces.map(([length, width, , quantity], index) =>
      part(`p${index}`, rectangle(10 * length, 10 * width), { quantity }),
    );
    const shapes = parts.flatMap(
      (each, index) =>
        shapesOf(each, index, stock, saw) as Exclude<ReturnType<typeof shapesOf>, string>,
    );
    const filler = new BoardFiller(stock, shapes, [], saw, parts.length);
    const filling = filler.fill(
      { copies: pieces.map((piece) => piece[3]), values: pieces.map((piece) => piece[2]) },
      64,
      [[0, fromMm(150)]],
    );
    expect(filling.value).toBe(244);
  });
});

/** A board sawn at random into panels by through cuts with kerf; every cut makes two pieces until they are small enough. */
function sawn(
  random: () => number,
  length: Ticks,
  width: Ticks,
  kerf: Ticks,
  least: Ticks,
): { length: Ticks; width: Ticks }[] {
  const across = length >= 2 * least + kerf;
  const along = width >= 2 * least + kerf;
  if ((!across && !along) || random() < 0.12) return [{ length, width }];
  if (across && (!along || random() < 0.7)) {
    const at = least + Math.floor(random() * (length - 2 * least - kerf));
    return [
      ...sawn(random, at, width, kerf, least),
      ...sawn(random, length - at - kerf, width, kerf, least),
    ];
  }
  const at = least + Math.floor(random() * (width - 2 * least - kerf));
  return [
    ...sawn(random, length, at, kerf, least),
    ...sawn(random, length, width - at - kerf, kerf, least),
  ];
}

/** A job whose boards were sawn to its panels and nothing else: as many boards as were sawn are enough, and no fewer are. */
function knownJob(seed: number, boards: number, rip: boolean): LayoutJob {
  let state = seed;
  const random = () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 2 ** 32;
  };
  const kerf = fromMm(3);
  const [length, width] = [fromMm(1200), fromMm(140)];
  const pieces = Array.from({ length: boards }, () =>
    sawn(random, length, width, kerf, rip ? fromMm(60) : fromMm(140)),
  ).flat();
  const parts: Part[] = pieces
    .map((piece) => ({ piece, order: random() }))
    .sort((a, b) => a.order - b.order)
    .map(({ piece }, index) => {
      const outline: Point[] = [
        [0, 0],
        [piece.length, 0],
        [piece.length, piece.width],
        [0, piece.width],
      ];
      return part(`p${index}`, outline);
    });
  const stock: Stock = board(1200, 140, { quantity: boards + 3, price: 100 });
  return job(parts, [stock], { kerf, rip }, 2);
}

describe('jobs with a known optimum', () => {
  test.each([1, 2, 3, 4, 5, 6])(
    'boards crosscut at random and shuffled are put together again (%i)',
    (seed) => {
      const found = run(knownJob(seed * 7919, 3, false), 600);
      expect([found.cost, found.lowerBound, found.optimal]).toEqual([300, 300, true]);
    },
  );

  test('boards sawn both ways: never a bound above what is known, and never more than one board over', () => {
    for (let seed = 1; seed <= 5; seed += 1) {
      const found = run(knownJob(seed * 104_729, 2, true), 30);
      expect(found.unplaced).toEqual([]);
      expect(found.lowerBound).toBeLessThanOrEqual(200);
      expect(found.cost).toBeLessThanOrEqual(300);
    }
  });
});

describe('bounds', () => {
  test('no bound exceeds what some layout costs, and the programmes are never worse than the area', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.integer({ min: 60, max: 500 }),
            fc.integer({ min: 40, max: 140 }),
            fc.integer({ min: 1, max: 6 }),
          ),
          {
            minLength: 1,
            maxLength: 5,
          },
        ),
        fc.array(
          fc.tuple(
            fc.integer({ min: 600, max: 2000 }),
            fc.integer({ min: 140, max: 200 }),
            fc.integer({ min: 0, max: 900 }),
          ),
          {
            minLength: 1,
            maxLength: 3,
          },
        ),
        (pieces, boards) => {
          const of = job(
            pieces.map(([length, width, quantity], index) =>
              part(`p${index}`, rectangle(length, width), { quantity }),
            ),
            boards.map(([length, width, price], index) =>
              board(length, width, { id: `b${index}`, price, quantity: 30 }),
            ),
            {},
            0.1,
          );
          const found = searchLayout(of, { clock: stepClock(of.effort.seconds, 20) });
          expect(found.unplaced).toEqual([]);
          const asked = question(of);
          const area = leastCost(asked);
          const columns = ended(
            leastCostByColumns(
              asked,
              new RelaxedProgramme(relax(asked, false), solver, () => false),
            ),
          ).cost;
          expect(area).toBeLessThanOrEqual(columns);
          expect(columns).toBeLessThanOrEqual(found.cost);
          const exact = RelaxedMaster.of(relax(asked, false))?.solve(solver, 1)?.cost;
          if (exact !== undefined) {
            expect(exact).toBeGreaterThanOrEqual(columns - 1);
            expect(exact).toBeLessThanOrEqual(found.cost);
          }
        },
      ),
      { numRuns: 16 },
    );
  });

  test('the next sum of prices is reached by boards that are there', () => {
    const stock = [
      board(100, 100, { id: 'a', price: 340, quantity: 2 }),
      board(100, 100, { id: 'b', price: 500, quantity: 1 }),
    ];
    expect([1, 340, 341, 501, 681, 841, 1181].map((least) => nextSum(least, stock))).toEqual([
      340, 340, 500, 680, 840, 1180, 1181,
    ]);
  });

  test('only boards that a part really fits on count for it: wide roofs make the wide boards needed', () => {
    const of = job(
      [
        part('wall', rectangle(300, 140), { quantity: 4 }),
        part('roof', rectangle(250, 200), { quantity: 4 }),
      ],
      [
        board(1250, 140, { id: 'narrow', price: 100, quantity: 9 }),
        board(1250, 200, { id: 'wide', price: 300, quantity: 9 }),
      ],
      {},
      2,
    );
    const found = run(of);
    expect([found.cost, found.lowerBound, found.optimal]).toEqual([400, 400, true]);
  });
});

describe('saving wood', () => {
  test('slopes interlock across a board too narrow for two sides and too wide for one', () => {
    // Head to tail along one edge takes 285.8 + 311.1 and a kerf for two; from both edges of the board less.
    const side = part('side', points([0, 0], [311.1, 0], [285.8, 127], [0, 127]), {
      quantity: 4,
      knots: 'none',
    });
    const headToTail = 2 * (285.8 + 311.1) + 3 * 3;
    const found = run(job([side], [board(headToTail - 25, 235, { quantity: 2 })], {}, 1));
    expect(found.unplaced).toEqual([]);
    expect(found.boards).toHaveLength(1);
    expect(new Set(at(found.boards, 0).placements.map(({ y }) => y)).size).toBe(2);
    // On a board no wider than the side there is no room for that.
    expect(
      run(job([side], [board(headToTail - 25, 127, { quantity: 2 })], {}, 0.5)).boards,
    ).toHaveLength(2);
  });
});

test('two bevels of just the tilt that the saw comes to share a cut', () => {
  // 200 long on one face and 216 on the other, 16 thick: 45°. Head to head they take 216, 200 and a kerf along the slope.
  const bevelled = part('side', rectangle(200, 100), {
    underside: rectangle(216, 100),
    quantity: 2,
  });
  const found = run(job([bevelled], [board(416 + 3 * Math.SQRT2 + 0.5, 100)], { maxTilt: 45 }, 1));
  expect(found.unplaced).toEqual([]);
  const blunt = run(job([bevelled], [board(416 + 3 * Math.SQRT2 + 0.5, 100)], { maxTilt: 44 }, 1));
  expect(blunt.unplaced).toMatchObject([{ part: 'side', count: 2 }]);
});

test('the strip over a bevelled panel that ends just before the board does is no longer than the board', () => {
  const bevelled = part('side', rectangle(300, 100), { underside: rectangle(316, 100) });
  const found = run(
    job([bevelled], [board(317, 220)], { keep: { length: fromMm(100), width: fromMm(60) } }, 0.5),
  );
  expect(checkLayout(job([bevelled], [board(317, 220)]), found)).toEqual([]);
  expect(at(found.boards, 0).offcuts.map(({ length }) => length)).toEqual([fromMm(317)]);
});

describe('what counts', () => {
  const two = [
    board(1000, 100, { id: 'long', price: 150, quantity: 3 }),
    board(500, 100, { id: 'short', price: 100, quantity: 6 }),
  ];
  test('offcuts in one long piece rather than two short ones, at the same price', () => {
    const of = job(
      [part('a', rectangle(200, 100), { quantity: 2 })],
      [board(1000, 100, { quantity: 2, price: 100 })],
      {},
      0.3,
    );
    const found = run(of);
    expect(found.boards).toHaveLength(1);
    expect(at(found.boards, 0).offcuts.map((offcut) => offcut.length)).toEqual([fromMm(594)]);
    expect(usedCost(of, found)).toBe(41); // 406 of 1000 mm used of a board for 100
  });

  test('with cuts first, never more cuts than with cost first', () => {
    const of = job(
      [
        part('a', rectangle(230, 60), { quantity: 6 }),
        part('b', rectangle(230, 36), { quantity: 6 }),
      ],
      two,
      {},
      0.6,
    );
    const [byCost, byCuts] = (['cost', 'cuts'] as const).map((first) =>
      searchLayout(of, {
        clock: stepClock(of.effort.seconds, 100),
        solver,
        goals: { ...STANDARD_GOALS, first },
      }),
    );
    expect(checkLayout(of, must(byCuts, 'byCuts'))).toEqual([]);
    expect(countCuts(of, must(byCuts, 'byCuts'))).toBeLessThanOrEqual(
      countCuts(of, must(byCost, 'byCost')),
    );
    expect(must(byCost, 'byCost').cost).toBeLessThanOrEqual(must(byCuts, 'byCuts').cost);
  });

  test('a strip over pieces of one width is one rip; ends flush with the board need no cut', () => {
    const of = job([part('a', rectangle(300, 80), { quantity: 3 })], [board(906, 100)], {
      kerf: fromMm(3),
    });
    const row = layout([
      placed('a', 0, 0),
      placed('a', 303, 0, { copy: 1 }),
      placed('a', 606, 0, { copy: 2 }),
    ]);
    expect(checkLayout(of, row)).toEqual([]);
    expect(countCuts(of, row)).toBe(3);
  });
});

describe('bad jobs', () => {
  test('a thousand knots, no kerf, a kerf wider than a part, a thickness that is missing: everything else is placed', () => {
    const knots = Array.from({ length: 1000 }, (_unused, index) =>
      knot(10 + ((index * 37) % 980), 5 + ((index * 53) % 90), 1, 'nail'),
    );
    const clean = board(1000, 100, { id: 'clean', price: 100 });
    const of = job(
      [part('a', rectangle(200, 100), { quantity: 4 })],
      [board(1000, 100, { id: 'knots', defects: knots, price: 1 }), clean],
      {},
      0.5,
    );
    expect(run(of).unplaced).toEqual([]);
    expect(
      run(job([part('a', rectangle(250, 100), { quantity: 4 })], [clean], { kerf: 0 })).unplaced,
    ).toEqual([]);
    expect(
      run(job([part('a', rectangle(20, 100), { quantity: 3 })], [clean], { kerf: fromMm(40) }))
        .unplaced,
    ).toEqual([]);
    const thick = run(
      job(
        [part('a', rectangle(200, 100)), part('b', rectangle(200, 100), { thickness: fromMm(22) })],
        [clean],
      ),
    );
    expect(thick.unplaced).toMatchObject([{ part: 'b', count: 1 }]);
    expect(plainText(at(thick.unplaced, 0).reason)).toContain('22 mm');
    expect(at(thick.boards, 0).placements).toHaveLength(1);
  });

  test('an entrance swallows the knot that lies where it will be', () => {
    const front = part('front', rectangle(240, 100), {
      knots: 'none',
      cutAway: [circle(170, 50, 16)],
    });
    const found = run(job([front], [board(245, 100, { defects: [knot(172, 50, 10)] })]));
    expect(found.unplaced).toEqual([]);
  });
});
