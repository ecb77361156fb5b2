import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { testSolver } from '../../../test/solver.js';
import { at } from '../../lists/index.js';
import { BoardByBoard, type Fillable } from './board-by-board.js';
import { tightestPrices } from './tightest-prices.js';

const solver = await testSolver();
const never = () => false;

/** Whether the boards can hold all, every pattern tried on every board. */
function canHold(demand: readonly number[], boards: readonly Fillable[]): boolean {
  if (demand.every((count) => count <= 0)) return true;
  const [first, ...others] = boards;
  return (
    first?.patterns.some((counts) =>
      canHold(
        demand.map((count, part) => count - at(counts, part)),
        others,
      ),
    ) ?? false
  );
}

const pattern = fc.array(fc.integer({ min: 0, max: 3 }), { minLength: 3, maxLength: 3 });
const question = fc.record({
  demand: fc.array(fc.integer({ min: 0, max: 6 }), { minLength: 3, maxLength: 3 }),
  kinds: fc.array(
    fc.record({
      boards: fc.integer({ min: 1, max: 2 }),
      patterns: fc.array(pattern, { minLength: 1, maxLength: 5 }),
    }),
    { minLength: 1, maxLength: 3 },
  ),
  values: fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 3, maxLength: 3 }),
});

describe('boards filled one after the other', () => {
  test('at any prices, those with least to spare among them: all is laid where it can be, and nothing is said to be impossible that is not', () => {
    const seen = { held: 0, refused: 0 };
    fc.assert(
      fc.property(question, ({ demand, kinds, values }) => {
        const boards = kinds.flatMap((kind) => Array.from({ length: kind.boards }, () => kind));
        const can = canHold(demand, boards);
        seen[can ? 'held' : 'refused'] += 1;
        const tight = tightestPrices(demand, kinds, solver);
        for (const prices of [values, values.map(() => 0), ...(tight ? [tight] : [])]) {
          const filled = new BoardByBoard(demand, boards, prices, 1e6, never).fill();
          if (!can) {
            expect(filled).toBe('none');
            continue;
          }
          if (filled === null || filled === 'none') throw new Error('it can be held');
          const laid = demand.map((_count, part) =>
            filled.reduce((total, counts) => total + at(counts, part), 0),
          );
          expect(laid).toEqual(demand);
          filled.forEach((counts, board) => {
            const { patterns } = at(boards, board);
            expect(
              patterns.some((whole) => counts.every((count, part) => count <= at(whole, part))),
            ).toBe(true);
          });
        }
      }),
      { numRuns: 400 },
    );
    expect(Math.min(seen.held, seen.refused)).toBeGreaterThan(40);
  });

  test('with more parts than one number tells apart nothing is taken for something else', () => {
    const only = (...parts: readonly number[]) =>
      Array.from({ length: 54 }, (_unused, part) => Number(parts.includes(part)));
    const but = (...parts: readonly number[]) => only(...parts).map((count) => 1 - count);
    const boards = [{ patterns: [but(0, 53), but(53)] }, { patterns: [only(53)] }];
    const filled = new BoardByBoard(but(), boards, only(), 1000, never).fill();
    expect(filled).toEqual([but(53), only(53)]);
  });

  test('what was cut short is left open', () => {
    const boards = Array.from({ length: 6 }, () => ({
      patterns: [
        [2, 1],
        [1, 2],
      ],
    }));
    const fill = (nodes: number, halted = never) =>
      new BoardByBoard([9, 10], boards, [0, 0], nodes, halted).fill();
    expect(fill(3)).toBeNull();
    expect(fill(1000)).toBe('none');
  });

  test('under its tightest prices a full set of boards has nothing to spare', () => {
    // Two boards that hold 3 of the first or 2 of the second: 3 and 2 fill them.
    const kind = {
      boards: 2,
      patterns: [
        [3, 0],
        [0, 2],
      ],
    };
    const prices = tightestPrices([3, 2], [kind], solver) ?? [];
    const held = Math.max(3 * at(prices, 0), 2 * at(prices, 1));
    expect(3 * at(prices, 0) + 2 * at(prices, 1)).toBeCloseTo(2 * held, 6);
    expect(held).toBeGreaterThan(0);
  });
});
