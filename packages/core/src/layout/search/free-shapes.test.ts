import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { stepClock } from '../../../test/clock.js';
import { board, circle, job, knot, part, points, rectangle } from '../../../test/layouts.js';
import { testSolver } from '../../../test/solver.js';
import type { LayoutJob } from '../../job/index.js';
import { at, must } from '../../lists/index.js';
import { fromMm, toMm } from '../../measure/index.js';
import { checkLayout } from '../checker/check.js';
import type { Layout } from '../layout.js';
import type { LinearSolver } from '../solver/linear.js';
import { searchLayout } from './search.js';

let solver: LinearSolver;
beforeAll(async () => {
  solver = await testSolver();
});

const JIGSAW = { throughCuts: false, kerf: fromMm(1.5) };
const laid = (of: LayoutJob): Layout => {
  const found = searchLayout(of, { clock: stepClock(of.effort.seconds, 150), solver });
  expect(checkLayout(of, found)).toEqual([]);
  return found;
};

describe('a saw that turns inside the wood', () => {
  // Four pieces round a middle: the plainest arrangement that no row of straight cuts from edge to edge can part.
  const wheel = (throughCuts: boolean) =>
    job(
      [part('a', rectangle(180, 118.5), { quantity: 4, grain: 'any' })],
      [board(300, 300, { quantity: 4, grained: false })],
      { ...JIGSAW, throughCuts },
      0.5,
    );

  test('lays four pieces round a middle on one sheet, where through cuts need two', () => {
    const found = laid(wheel(false));
    expect(found).toMatchObject({ cost: 100, lowerBound: 100, optimal: true, unplaced: [] });
    expect(new Set(at(found.boards, 0).placements.map(({ turn }) => turn % 180))).toEqual(
      new Set([0, 90]),
    );
    expect(laid(wheel(true)).cost).toBe(200);
    // What one saw can cut the other cannot: the rule that says so is the one about through cuts.
    expect(checkLayout(wheel(true), found).map(({ rule }) => rule)).toContain(6);
  });

  test('keeps the kerf: a tenth of a millimetre too little sends a piece to the next sheet', () => {
    const tight = (size: number) =>
      job(
        [part('a', rectangle(180, 118.5), { quantity: 4, grain: 'any' })],
        [board(size, size, { quantity: 4, grained: false })],
        JIGSAW,
        0.3,
      );
    expect(laid(tight(300)).boards).toHaveLength(1);
    expect(laid(tight(299.9)).boards).toHaveLength(2);
  });

  test('lays pieces round the corner that is gone and round a knot inside the sheet', () => {
    const gone = {
      kind: 'rot',
      zone: { kind: 'polygon', points: points([200, 300], [300, 200], [300, 300]) },
    } as const;
    const found = laid(
      job(
        [
          part('long', rectangle(190, 95), { quantity: 2, grain: 'any', knots: 'none' }),
          part('small', rectangle(90, 90), { quantity: 2, grain: 'any', knots: 'none' }),
        ],
        [board(300, 300, { quantity: 2, grained: false, defects: [gone, knot(150, 150, 3)] })],
        JIGSAW,
        0.6,
      ),
    );
    expect(found.unplaced).toEqual([]);
    expect(found.boards).toHaveLength(1);
  });

  test('slopes and bevels lie against one another, and a hole takes a loose knot away', () => {
    const side = part('side', points([0, 0], [260, 0], [235, 140], [0, 140]), { quantity: 4 });
    const front = part('front', rectangle(230, 108), {
      underside: points([0, 0], [233, 0], [233, 108], [0, 108]),
      clear: [circle(160, 54, 28)],
      cutAway: [circle(160, 54, 16)],
    });
    const found = laid(
      job(
        [side, front],
        [board(1300, 140, { quantity: 3, defects: [knot(165, 54, 12, 'knot-loose')] })],
        JIGSAW,
        0.5,
      ),
    );
    expect(found.unplaced).toEqual([]);
    expect(found.boards).toHaveLength(1);
    const there = must(
      at(found.boards, 0).placements.find((each) => each.part === 'front'),
      'there',
    );
    expect(Math.abs(toMm(there.x) + 160 - 165)).toBeLessThan(6);
  });

  test('any job: a valid layout, never dearer than the one with through cuts', () => {
    const millimetres = (least: number, greatest: number) =>
      fc.integer({ min: least, max: greatest });
    const pieces = fc.array(
      fc.record({
        length: millimetres(60, 260),
        width: millimetres(50, 180),
        lean: millimetres(0, 20),
        quantity: millimetres(1, 4),
      }),
      { minLength: 2, maxLength: 4 },
    );
    fc.assert(
      fc.property(pieces, fc.boolean(), fc.constantFrom(0, 1.5, 3), (sizes, grained, kerf) => {
        const of = (throughCuts: boolean) =>
          job(
            sizes.map(({ length, width, lean, quantity }, index) =>
              part(`p${index}`, points([0, 0], [length + lean, 0], [length, width], [0, width]), {
                quantity,
                grain: grained ? 'along' : 'any',
              }),
            ),
            [board(600, 400, { quantity: 12, grained, defects: [knot(300, 200, 10, 'nail')] })],
            { throughCuts, kerf: fromMm(kerf) },
            0.05,
          );
        const free = laid(of(false));
        const through = laid(of(true));
        expect(free.unplaced.length).toBeLessThanOrEqual(through.unplaced.length);
        // Both bounds hold for either saw that may cut as it likes.
        expect(free.lowerBound).toBeLessThanOrEqual(through.cost);
        expect(free.cost).toBeLessThanOrEqual(through.cost);
      }),
      { numRuns: 4 },
    );
  });
});
