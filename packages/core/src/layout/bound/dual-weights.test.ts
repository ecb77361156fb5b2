import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { board, circle, job, knot, part, points, rectangle } from '../../../test/layouts.js';
import type { LayoutJob, Part, Stock } from '../../job/index.js';
import { at } from '../../lists/index.js';
import { fromMm } from '../../measure/index.js';
import { checkLayout } from '../checker/check.js';
import { searchLayout } from '../search/search.js';
import { dualWeightsFor, withSlices } from './dual-weights.js';
import { leastCost } from './least-cost.js';
import { RowLengths } from './row-lengths.js';
import type { Demand } from './weights.js';

/** Each copy as a demand of its own, so that what a search left out needs no counting. */
const demandsOf = (parts: readonly Part[]): Demand[] =>
  parts.map((each) => ({ part: each, copies: each.quantity }));
const least = (
  parts: readonly Part[],
  stock: readonly Stock[],
  of: LayoutJob = job(parts, stock),
) => leastCost({ demands: demandsOf(parts), stock, saw: of.saw, left: 0 });

const millimetres = (low: number, high: number) => fc.integer({ min: low, max: high });

/** Panels of every shape, some with a hole inside them, some with a notch at their edge. */
const anyPart = fc
  .record({
    length: millimetres(50, 300),
    width: millimetres(40, 180),
    lean: millimetres(0, 30),
    bevel: millimetres(0, 8),
    quantity: millimetres(1, 5),
    grain: fc.constantFrom('along', 'any') as fc.Arbitrary<'along' | 'any'>,
    hole: fc.constantFrom('none', 'none', 'inside', 'edge'),
    knots: fc.constantFrom('sound', 'none') as fc.Arbitrary<'sound' | 'none'>,
  })
  .map(({ length, width, lean, bevel, quantity, grain, hole, knots }) => {
    const zones =
      hole === 'inside'
        ? [circle(length / 2, width / 2, width / 4)]
        : hole === 'edge'
          ? [circle(0, width / 2, width / 4)]
          : [];
    return (id: string) =>
      part(id, points([0, 0], [length + lean, 0], [length, width], [0, width]), {
        underside: points([0, 0], [length + lean + bevel, 0], [length + bevel, width], [0, width]),
        quantity,
        grain,
        knots,
        cutAway: zones,
      });
  });

const anyStock = fc
  .record({
    length: millimetres(350, 900),
    width: fc.oneof(millimetres(90, 200), millimetres(180, 420)),
    grained: fc.boolean(),
    defects: fc.array(
      fc.record({
        x: fc.double({ min: 0, max: 1, noNaN: true }),
        y: fc.double({ min: 0, max: 1, noNaN: true }),
        radius: millimetres(5, 60),
        wide: fc.boolean(),
        kind: fc.constantFrom('split', 'rot', 'nail', 'knot-sound') as fc.Arbitrary<'split'>,
      }),
      { maxLength: 3 },
    ),
  })
  .map(({ length, width, grained, defects }) =>
    board(length, width, {
      grained,
      quantity: 6,
      defects: defects.map(({ x, y, radius, wide, kind }) =>
        wide
          ? {
              kind,
              zone: {
                kind: 'rect' as const,
                corner: [fromMm(x * length), fromMm((y * width) / 2)] as const,
                width: fromMm(radius),
                height: fromMm(width / 2),
              },
            }
          : knot(x * length, y * width, radius, kind),
      ),
    }),
  );

describe('measures', () => {
  test('what lies on a board never weighs more than the board holds, whatever the shapes, holes, defects and kerfs', () => {
    let [boards, rowsSeen] = [0, 0];
    fc.assert(
      fc.property(
        fc.array(anyPart, { minLength: 1, maxLength: 4 }),
        anyStock,
        fc.constantFrom(0, 1.5, 3.2),
        fc.constantFrom(0, 15),
        fc.boolean(),
        (makers, stock, kerf, endTrim, throughCuts) => {
          const parts = makers.map((make, index) => make(`p${index}`));
          const of = job(
            parts,
            [stock],
            { kerf: fromMm(kerf), endTrim: fromMm(endTrim), throughCuts },
            0.03,
          );
          const found = searchLayout(of, { clock: () => performance.now() });
          expect(checkLayout(of, found)).toEqual([]);
          const plain = dualWeightsFor(demandsOf(parts), [stock], of.saw);
          for (const measure of withSlices(plain, demandsOf(parts), stock, of.saw)) {
            for (const laid of found.boards) {
              boards += 1;
              const weight = laid.placements.reduce(
                (sum, { part: id }) =>
                  sum +
                  at(
                    measure.weights,
                    parts.findIndex((p) => p.id === id),
                  ),
                0,
              );
              expect(weight).toBeLessThanOrEqual(at(measure.capacities, 0) + 1e-9);
            }
          }
          const alone = demandsOf(parts).map((demand) => [demand]);
          const { bounds } = RowLengths.of(alone, { ...stock, defects: [] }, of.saw);
          const past = RowLengths.past(alone, stock, of.saw);
          for (const row of [...bounds, ...past.bounds])
            for (const laid of found.boards) {
              rowsSeen += 1;
              const counts = parts.map(
                ({ id }) => laid.placements.filter((placement) => placement.part === id).length,
              );
              expect(row.allows(counts, stock.length - 2 * of.saw.endTrim)).toBe(true);
            }
        },
      ),
      { numRuns: Number(process.env.SPARE_KNOT_RUNS ?? 50) },
    );
    expect(boards).toBeGreaterThan(75);
    expect(rowsSeen).toBeGreaterThan(15);
  });

  test('a board sawn to the last kerf is full, and not more than full, by area and by length', () => {
    const parts = [
      part('a', rectangle(297, 100), { quantity: 3 }),
      part('b', rectangle(147, 100), { quantity: 2 }),
    ];
    const measures = dualWeightsFor(
      demandsOf(parts),
      [board(3 * 297 + 2 * 147 + 4 * 3, 100)],
      job(parts, []).saw,
    );
    const full = measures.map(
      ({ weights, capacities }) => (3 * at(weights, 0) + 2 * at(weights, 1)) / at(capacities, 0),
    );
    for (const share of full) expect(share).toBeLessThanOrEqual(1);
    expect(Math.max(...full)).toBeGreaterThan(0.999);
  });

  test('pieces that are too wide for two to lie side by side, or too long for two in a row, need a board each', () => {
    const wide = [part('a', rectangle(90, 60), { quantity: 6 })];
    expect(least(wide, [board(100, 100, { quantity: 9, price: 10 })])).toBe(60);
    // Three strips: pieces over two of them wide count twice.
    const strips = [
      part('two', rectangle(200, 70), { quantity: 4 }),
      part('one', rectangle(200, 35), { quantity: 4 }),
    ];
    expect(
      least(strips, [board(200, 105, { quantity: 9, price: 10 })], job(strips, [], { kerf: 0 })),
    ).toBe(40);
    // The same across a sheet: by area three such sheets would do.
    const high = [part('a', rectangle(30, 56), { quantity: 9, grain: 'along' })];
    expect(
      least(high, [board(100, 100, { quantity: 9, price: 10 })], job(high, [], { kerf: 0 })),
    ).toBe(30);
  });

  test('wood that a defect takes is not counted, unless a hole may take the defect in', () => {
    // Ten pieces fill two clean boards; with a split end on each they need three.
    const plain = [part('a', rectangle(200, 100), { quantity: 10 })];
    const split = {
      kind: 'split',
      zone: { kind: 'rect', corner: [fromMm(812), 0], width: fromMm(200), height: fromMm(100) },
    } as const;
    const stock = (defects: Stock['defects']) => [
      board(1012, 100, { quantity: 9, price: 10, defects }),
    ];
    expect(least(plain, stock([]))).toBe(20);
    expect(least(plain, stock([split]))).toBe(30);
    // A loose knot no larger than the entrance may be sawn out with it; a larger one may not.
    const holed = [part('a', rectangle(200, 100), { quantity: 5, cutAway: [circle(100, 50, 30)] })];
    const tight = (radius: number) => [
      board(1012, 100, { quantity: 2, price: 10, defects: [knot(500, 50, radius, 'knot-loose')] }),
    ];
    expect(least(holed, tight(28))).toBe(10);
    expect(least(holed, tight(45))).toBe(20);
    // A notch at the edge may take part of any defect, so none counts.
    const notched = [part('a', rectangle(200, 100), { quantity: 5, cutAway: [circle(0, 50, 30)] })];
    expect(least(notched, tight(45))).toBe(10);
  });
});
