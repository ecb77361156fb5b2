import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { board, part, rectangle } from '../../../test/layouts.js';
import type { Stock } from '../../job/index.js';
import { at, sum } from '../../lists/index.js';
import { cheapestCover, least } from './cover.js';
import { nextSum } from './next-sum.js';
import { bestRelaxed, maximalPatterns } from './relaxed-patterns.js';
import type { DualWeights } from './weights.js';

/** Every way to take at most so many of each. */
function* choices(most: readonly number[]): Generator<number[]> {
  const [first, ...rest] = most;
  if (first === undefined) {
    yield [];
    return;
  }
  for (let count = 0; count <= first; count += 1)
    for (const others of choices(rest)) yield [count, ...others];
}

const weight = fc.integer({ min: 1, max: 12 });
const pile = fc.record({
  price: fc.integer({ min: 1, max: 9 }),
  quantity: fc.integer({ min: 0, max: 3 }),
  holds: fc.integer({ min: 4, max: 20 }),
});
const stockOf = (piles: readonly { price: number; quantity: number }[]): Stock[] =>
  piles.map(({ price, quantity }, index) =>
    board(1000, 100, { id: `kind ${index}`, price, quantity }),
  );

describe('sums of prices', () => {
  test('the next sum is the least that any choice of boards comes to, against every choice', () => {
    fc.assert(
      fc.property(
        fc.array(pile, { minLength: 1, maxLength: 4 }),
        fc.integer({ min: 1, max: 40 }),
        (piles, lowest) => {
          const stock = stockOf(piles);
          const sums = [...choices(piles.map(({ quantity }) => quantity))].map((counts) =>
            sum(counts.map((count, index) => count * at(piles, index).price)),
          );
          const reached = sums.filter((each) => each >= lowest);
          const wanted = reached.length > 0 ? Math.min(...reached) : lowest;
          // Sums beyond the dearest board over the lowest are not looked for.
          expect(nextSum(lowest, stock)).toBe(
            wanted <= lowest + Math.max(...piles.map(({ price }) => price)) ? wanted : lowest,
          );
        },
      ),
    );
  });
});

describe('covering a need', () => {
  test('costs what the cheapest of all choices costs that holds it, and nothing is promised where none does', () => {
    fc.assert(
      fc.property(
        fc.array(pile, { minLength: 1, maxLength: 4 }),
        fc.integer({ min: 1, max: 60 }),
        (piles, need) => {
          const stock = stockOf(piles);
          const measure: DualWeights = { weights: [], capacities: piles.map(({ holds }) => holds) };
          const holding = [...choices(piles.map(({ quantity }) => quantity))].filter(
            (counts) => sum(counts.map((count, index) => count * at(piles, index).holds)) >= need,
          );
          const costs = holding.map((counts) =>
            sum(counts.map((count, index) => count * at(piles, index).price)),
          );
          const bound = cheapestCover(stock, [measure], [need]);
          expect(bound).toBe(costs.length > 0 ? Math.min(...costs) : 0);
        },
      ),
    );
  });

  test('copies that may be left over are the heaviest', () => {
    const demands = [2, 3].map((copies, index) => ({
      part: part(`p${index}`, rectangle(100, 50)),
      copies,
    }));
    expect(least(demands, [5, 2], 0)).toBe(16);
    expect(least(demands, [5, 2], 1)).toBe(11);
    expect(least(demands, [5, 2], 3)).toBe(4);
    expect(least(demands, [5, 2], 9)).toBe(0);
  });
});

const knapsack = fc.integer({ min: 1, max: 4 }).chain((parts) =>
  fc.record({
    values: fc.array(fc.integer({ min: 1, max: 9 }), { minLength: parts, maxLength: parts }),
    copies: fc.array(fc.integer({ min: 0, max: 3 }), { minLength: parts, maxLength: parts }),
    measures: fc.array(fc.array(weight, { minLength: parts, maxLength: parts }), {
      minLength: 1,
      maxLength: 3,
    }),
    capacity: fc.integer({ min: 3, max: 30 }),
  }),
);
const fits = (counts: readonly number[], measures: readonly DualWeights[], capacity: number) =>
  measures.every(
    ({ weights }) => sum(counts.map((count, part) => count * at(weights, part))) <= capacity,
  );
const measuresOf = (weights: readonly (readonly number[])[]): DualWeights[] =>
  weights.map((each) => ({ weights: each, capacities: [] }));

/** Beside what the measures allow: so many copies together. */
const mostCopies = fc.integer({ min: 0, max: 12 });

describe('relaxed patterns', () => {
  test('the best is worth what the best of all sets is worth that every measure allows', () => {
    fc.assert(
      fc.property(knapsack, mostCopies, ({ values, copies, measures: weights, capacity }, most) => {
        const measures = measuresOf(weights);
        const allows = (counts: readonly number[]) => sum(counts) <= most;
        const all = [...choices(copies)].filter(
          (counts) => fits(counts, measures, capacity) && allows(counts),
        );
        const worth = (counts: readonly number[]) =>
          sum(counts.map((count, part) => count * at(values, part)));
        const found = bestRelaxed(values, copies, {
          measures,
          capacity: measures.map(() => capacity),
          allows,
        });
        expect(found.value).toBe(Math.max(...all.map(worth)));
        expect(worth(found.counts)).toBe(found.value);
        expect(fits(found.counts, measures, capacity) && allows(found.counts)).toBe(true);
        expect(found.most).toBeGreaterThanOrEqual(found.value);
      }),
    );
  });

  test('maximal patterns are all those to which no copy can be added, each once', () => {
    fc.assert(
      fc.property(knapsack, mostCopies, ({ copies, measures: weights, capacity }, most) => {
        const measures = measuresOf(weights);
        const allows = (counts: readonly number[]) => sum(counts) <= most;
        const all = [...choices(copies)].filter(
          (counts) => fits(counts, measures, capacity) && allows(counts),
        );
        const maximal = all.filter((counts) =>
          counts.every(
            (count, part) =>
              count >= at(copies, part) ||
              !allows([...counts, 1]) ||
              !fits(
                counts.map((each, other) => (other === part ? each + 1 : each)),
                measures,
                capacity,
              ),
          ),
        );
        const found = maximalPatterns(
          copies,
          { measures, capacity: measures.map(() => capacity), allows },
          1000,
        );
        const sorted = (patterns: readonly (readonly number[])[]) =>
          patterns.map((counts) => counts.join()).sort();
        expect(sorted(found ?? [])).toEqual(sorted(maximal));
      }),
    );
  });

  test('too many are none at all, rather than some', () => {
    const copies = [3, 3, 3, 3];
    const measures: DualWeights[] = [{ weights: [1, 1, 1, 1], capacities: [] }];
    expect(maximalPatterns(copies, { measures, capacity: [6], allows: () => true }, 5)).toBeNull();
  });
});
