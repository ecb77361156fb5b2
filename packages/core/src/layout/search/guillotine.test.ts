import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { stepClock } from '../../../test/clock.js';
import { board, job, knot, part, rectangle } from '../../../test/layouts.js';
import type { LayoutJob, Part, Stock } from '../../job/index.js';
import { at } from '../../lists/index.js';
import { fromMm } from '../../measure/index.js';
import { checkLayout } from '../checker/check.js';
import type { Layout } from '../layout.js';
import { obstaclesOf } from './defects.js';
import { GuillotineFiller } from './guillotine.js';
import { searchLayout } from './search.js';
import { type Shape, shapesOf } from './shapes.js';

const sheet = (length: number, width: number, more: Partial<Stock> = {}) =>
  board(length, width, { grained: false, ...more });

/** What the filler lays on one sheet, weighed by area, as a layout that the checker can judge. */
function filled(
  parts: readonly Part[],
  stock: Stock,
  tries: number,
): { of: LayoutJob; layout: Layout; share: number } {
  const of = job(parts, [stock]);
  const shapes = parts.flatMap((each, index) => {
    const found = shapesOf(each, index, stock, of.saw);
    return Array.isArray(found) ? found : ([] as Shape[]);
  });
  const filler = new GuillotineFiller(shapes, obstaclesOf(stock.defects), of.saw, parts.length);
  const area = (each: Part) =>
    (at(each.outline, 1)[0] - at(each.outline, 0)[0]) *
    (at(each.outline, 2)[1] - at(each.outline, 1)[1]);
  const whole = { left: 0, right: stock.length, bottom: 0, top: stock.width };
  const { pieces, value } = filler.fill(
    whole,
    Int32Array.from(parts, (each) => each.quantity),
    parts.map(area),
    tries,
  );
  const next = parts.map(() => 0);
  const nextCopy = (part: number): number => {
    const copy = at(next, part);
    next[part] = copy + 1;
    return copy;
  };
  const placements = pieces.map(({ shape, x, y }) => ({
    part: at(parts, shape.part).id,
    copy: nextCopy(shape.part),
    x,
    y,
    turn: shape.turn,
    flipped: shape.flipped,
  }));
  expect(value).toBeCloseTo(
    pieces.reduce((sum, { shape }) => sum + area(at(parts, shape.part)), 0),
    3,
  );
  const unplaced = parts.flatMap((each, index) => {
    const count = each.quantity - at(next, index);
    return count > 0 ? [{ part: each.id, count, reason: ['the sheet is full'] }] : [];
  });
  const layout: Layout = {
    boards: placements.length > 0 ? [{ stock: stock.id, piece: 0, placements, offcuts: [] }] : [],
    unplaced,
    cost: placements.length > 0 ? 100 : 0,
    lowerBound: 0,
    boundProof: 'area',
    optimal: false,
    yield: value / (stock.length * stock.width),
    seconds: 0,
  };
  return { of, layout, share: value / (stock.length * stock.width) };
}

const millimetres = (least: number, greatest: number) => fc.integer({ min: least, max: greatest });
const anyParts = fc.array(
  fc.record({
    length: millimetres(60, 400),
    width: millimetres(60, 300),
    quantity: millimetres(1, 6),
  }),
  {
    minLength: 1,
    maxLength: 6,
  },
);
const anyDefects = fc.array(
  fc.record({ x: millimetres(0, 1200), y: millimetres(0, 800), radius: millimetres(3, 40) }),
  { maxLength: 4 },
);

describe('sheets filled by cuts that run right across', () => {
  test('whatever the parts and defects, the checker finds nothing wrong with what is laid', () => {
    let laid = 0;
    fc.assert(
      fc.property(anyParts, anyDefects, fc.constantFrom(1, 4), (sizes, defects, tries) => {
        const parts = sizes.map(({ length, width, quantity }, index) =>
          part(`p${index}`, rectangle(length, width), { quantity }),
        );
        const stock = sheet(1200, 800, {
          defects: defects.map(({ x, y, radius }) => knot(x, y, radius, 'hole')),
        });
        const { of, layout } = filled(parts, stock, tries);
        laid += layout.boards.length;
        // What the sheet costs and leaves is not this filler's to say.
        expect(checkLayout(of, layout).filter(({ path }) => path !== 'yield')).toEqual([]);
      }),
      { numRuns: 50 },
    );
    expect(laid).toBeGreaterThan(40);
  });

  test('a sheet that was sawn into equal pieces is put together again to the last kerf', () => {
    const stock = sheet(4 * 200 + 3 * 3, 3 * 150 + 2 * 3, { grained: true });
    const { layout } = filled([part('a', rectangle(200, 150), { quantity: 20 })], stock, 1);
    expect(at(layout.boards, 0).placements).toHaveLength(12);
  });

  test('more tries never fill a sheet less', () => {
    fc.assert(
      fc.property(anyParts, (sizes) => {
        const parts = sizes.map(({ length, width, quantity }, index) =>
          part(`p${index}`, rectangle(length, width), { quantity }),
        );
        expect(filled(parts, sheet(1000, 700), 8).share).toBeGreaterThanOrEqual(
          filled(parts, sheet(1000, 700), 1).share - 1e-9,
        );
      }),
      { numRuns: 24 },
    );
  });

  // A plywood owl box and its neighbours: many sizes that lanes of one height fill badly.
  test('parts of many sizes share sheets: fewer than lanes of equal height would take', () => {
    const sizes = [
      [440, 278],
      [490, 278],
      [489, 457],
      [82, 457],
      [200, 457],
      [207, 457],
      [457, 254],
      [329, 544],
    ] as const;
    const parts = sizes.map(([length, width], index) =>
      part(`p${index}`, rectangle(length, width), { quantity: 4 }),
    );
    const of = job(parts, [sheet(2440, 1220, { quantity: 9 })], { kerf: fromMm(3.2) }, 1.5);
    const found = searchLayout(of, { clock: stepClock(of.effort.seconds, 40) });
    expect(checkLayout(of, found)).toEqual([]);
    expect(found.unplaced).toEqual([]);
    // 3.96 m² of parts; a sheet has 2.98 m².
    expect(found.boards.length).toBe(2);
  });
});
