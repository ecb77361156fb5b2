import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { planFor } from '../../test/boxes.js';
import { board, job, part, rectangle } from '../../test/layouts.js';
import { testSolver } from '../../test/solver.js';
import { animalById } from '../animals/index.js';
import { brokenRules, buildBox, owlBox, slantRoof, squareCut } from '../families/index.js';
import { layoutJob, STANDARD_SAW, type Stock } from '../job/index.js';
import { checkLayout, type LinearSolver, totalOf } from '../layout/index.js';
import { at, must, sum } from '../lists/index.js';
import { fromInches, fromMm } from '../measure/index.js';
import { quickLayout } from './quick-layout.js';
import { type BuyQuestion, type WhatToBuy, whatToBuy } from './what-to-buy.js';

let solver: LinearSolver;
beforeAll(async () => {
  solver = await testSolver();
});

const offer = (
  id: string,
  [thickness, width, length]: readonly [number, number, number],
  price: number,
  more: Partial<Stock> = {},
): Stock => ({
  id,
  quantity: 1000,
  material: 'western-red-cedar',
  thickness: fromInches(thickness),
  width: fromInches(width),
  length: fromInches(length),
  faceA: 'rough',
  faceB: 'rough',
  price,
  offcut: false,
  grained: true,
  defects: [],
  ...more,
});
const PINE = { material: 'eastern-white-pine', faceA: 'planed', faceB: 'planed' } as const;
const picket = offer('picket', [5 / 8, 5.5, 72], 340);
const cedar = offer('cedar', [3 / 4, 7.25, 96], 2040);
const pine = offer('pine', [3 / 4, 7.25, 96], 1190, PINE);
const treated = offer('treated', [3 / 4, 9.25, 96], 100, { material: 'osb' });
const yard = [picket, cedar, pine, treated];

const plan = planFor(slantRoof, must(animalById('black-capped-chickadee'), 'the chickadee'));
const question: BuyQuestion = { plan, boxes: 6, saw: STANDARD_SAW, stock: [], yard };

/** The answer, and the shares that were told on the way. */
function ask(of: BuyQuestion): { answer: WhatToBuy; shares: number[] } {
  const steps = whatToBuy(of, solver);
  const shares: number[] = [];
  for (;;) {
    const step = steps.next();
    if (step.done) return { answer: step.value, shares };
    shares.push(step.value);
  }
}

describe('what to buy for six boxes', () => {
  let six: ReturnType<typeof ask>;
  beforeAll(() => {
    six = ask(question);
  });

  test('picket for the body, a pine board for the roof; each way is a valid layout at its price', () => {
    const { answer, shares } = six;
    const best = at(answer.ways, 0);
    expect(best.list.map(({ stock }) => stock).sort()).toEqual(['picket', 'pine']);
    expect(best.plan.wood.front).toMatchObject({ material: 'western-red-cedar', faceA: 'rough' });
    expect(answer.lowerBound).toBeLessThanOrEqual(best.layout.cost);
    expect(answer.ways.length).toBeGreaterThan(2);
    for (const way of answer.ways) {
      expect(totalOf(way.list)).toBe(way.layout.cost);
      expect(way.layout.cost).toBeGreaterThanOrEqual(way.layout.lowerBound);
      const built = buildBox(way.plan);
      if (!built.ok) throw new Error('a way that cannot be built');
      expect(brokenRules(way.plan, built.box)).toEqual({ stops: 0, warnings: way.warnings });
      const made = layoutJob({ ...question, plan: way.plan, name: '', seconds: 1, pinned: [] });
      if (!made.ok) throw new Error('a way without a job');
      expect(
        checkLayout(made.job, { ...quickLayout(made.job, 1), ...way.layout, unplaced: [] }),
      ).toEqual([]);
    }
    for (const way of answer.dearer) expect(way.lowerBound).toBeGreaterThan(best.layout.cost);
    expect(shares.every((share, index) => share >= (shares[index - 1] ?? 0) && share <= 1)).toBe(
      true,
    );
  });

  test('board that is refused for boxes is bought for no price', () => {
    const { answer } = six;
    const bought = answer.ways.flatMap(({ list }) => list.map(({ stock }) => stock));
    expect(bought).not.toContain('treated');
    expect(ask({ ...question, yard: [treated] }).answer).toMatchObject({ ways: [], impossible: 0 });
  });

  test('what is paid already is used before anything is bought', () => {
    const paid = { ...picket, id: 'paid', quantity: 9, price: 0 };
    const { answer } = ask({ ...question, stock: [paid] });
    const { layout, list } = at(answer.ways, 0);
    expect(layout.boards.some(({ stock }) => stock === 'paid')).toBe(true);
    expect(totalOf(list)).toBeLessThan(at(six.answer.ways, 0).layout.cost);
  });

  test('a dear 1×8 gives way to a cheap one, and prices decide between picket and cedar', () => {
    const dearPicket = { ...picket, price: 99_00 };
    const { answer } = ask({ ...question, yard: [dearPicket, cedar, pine] });
    expect(at(answer.ways, 0).list.map(({ stock }) => stock)).not.toContain('picket');
  });

  test('a sheet is weighed against boards, and a square-cut box is given widths that it can take', () => {
    const owl = planFor(owlBox, must(animalById('barn-owl-na'), 'the owl'));
    const sheet = offer('ply', [15 / 32, 48, 96], 5400, {
      material: 'plywood',
      grade: 'exterior',
      grained: false,
      faceA: 'planed',
      faceB: 'planed',
    } as Partial<Stock>);
    const stick = { material: 'spruce', faceA: 'planed', faceB: 'planed' } as const;
    const sticks = [
      offer('two-by-two', [1.5, 1.5, 96], 430, stick),
      offer('batten', [0.75, 1.5, 96], 230, stick),
    ];
    const { answer } = ask({ ...question, plan: owl, boxes: 1, yard: [sheet, ...sticks, pine] });
    expect(at(answer.ways, 0).list.map(({ stock }) => stock)).toContain('ply');
    const square = planFor(squareCut, must(animalById('black-capped-chickadee'), 'the chickadee'));
    const wide = offer('wide', [3 / 4, 9.25, 96], 2690);
    const of = ask({ ...question, plan: square, boxes: 1, yard: [cedar, wide] }).answer;
    expect(of.ways.length).toBeGreaterThan(0);
  });
});

/**
 * The least price of pieces cut along boards of several lengths, by a general solver over every way to fill a board: the cutting stock
 * problem with several stock lengths in Gilmore and Gomory's formulation (Operations Research 9, 1961, from memory).
 */
function leastByPatterns(
  pieces: readonly { length: number; wanted: number }[],
  boards: readonly { length: number; price: number }[],
  kerf: number,
): number {
  const fill = (room: number, from: number): number[][] => {
    const piece = pieces[from];
    if (!piece) return [[]];
    const most = Math.max(0, Math.floor((room + kerf) / (piece.length + kerf)));
    return Array.from({ length: most + 1 }, (_unused, count) => count).flatMap((count) =>
      fill(room - count * (piece.length + kerf), from + 1).map((rest) => [count, ...rest]),
    );
  };
  const patterns = boards.flatMap(({ length, price }) =>
    fill(length, 0).map((counts) => ({ counts, price })),
  );
  const solved = solver(
    {
      columns: patterns.map(({ price }) => ({ cost: price, most: 100, whole: true })),
      rows: pieces.map(({ wanted }, index) => ({
        terms: patterns.flatMap(({ counts }, column) =>
          at(counts, index) > 0 ? [[column, at(counts, index)] as const] : [],
        ),
        sense: 'at least' as const,
        limit: wanted,
      })),
    },
    20,
  );
  const { values } = must(solved, 'a solution');
  return Math.round(sum(patterns.map(({ price }, index) => price * Math.round(at(values, index)))));
}

describe('the least price of boards of several lengths', () => {
  test('is that of a general solver over all patterns, where nothing is ripped', () => {
    const drawn = fc.record({
      pieces: fc.array(
        fc.record({
          length: fc.integer({ min: 180, max: 700 }),
          wanted: fc.integer({ min: 1, max: 5 }),
        }),
        { minLength: 1, maxLength: 3 },
      ),
      boards: fc.uniqueArray(
        fc.record({
          length: fc.integer({ min: 1000, max: 2000 }),
          price: fc.integer({ min: 200, max: 900 }),
        }),
        { minLength: 2, maxLength: 3, selector: ({ length }) => length },
      ),
    });
    fc.assert(
      fc.property(drawn, ({ pieces, boards }) => {
        const parts = pieces.map(({ length, wanted }, index) =>
          part(`p${index}`, rectangle(length, 100), { quantity: wanted }),
        );
        const stock = boards.map(({ length, price }, index) =>
          board(length, 100, { id: `b${index}`, price, quantity: 30 }),
        );
        const found = quickLayout(job(parts, stock, { rip: false }, 3600), 60, solver);
        expect(found.unplaced).toEqual([]);
        const least = leastByPatterns(pieces, boards, 3);
        expect(found.lowerBound).toBeLessThanOrEqual(least);
        expect(found.cost).toBe(least);
      }),
      { numRuns: 25 },
    );
  });

  test('with a kerf between pieces: two of 500 do not come out of 1000', () => {
    const parts = [part('half', rectangle(500, 100), { quantity: 2 })];
    const stock = [
      board(1000, 100, { id: 'short', price: 300, quantity: 9 }),
      board(1003, 100, { id: 'long', price: 500, quantity: 9 }),
    ];
    const found = quickLayout(job(parts, stock, { rip: false, kerf: fromMm(3) }, 3600), 60, solver);
    expect([found.cost, found.boards.map(({ stock: of }) => of)]).toEqual([500, ['long']]);
  });
});
