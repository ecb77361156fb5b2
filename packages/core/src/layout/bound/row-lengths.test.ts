import { describe, expect, test } from '@jest/globals';
import { board, circle, job, knot, part, points, rectangle } from '../../../test/layouts.js';
import { must } from '../../lists/index.js';
import { fromMm } from '../../measure/index.js';
import { RowLengths } from './row-lengths.js';

const alone = <T>(list: readonly T[]): T[][] => list.map((each) => [each]);

/** What a kerf square to their slopes takes along the board. */
const SLOPED = 3 * Math.hypot(1, 40 / 145);

/** The least length of a row of parts on a board 145 wide, in millimetres; good faces one way up. */
function least(parts: readonly ReturnType<typeof part>[], counts: readonly number[]): number {
  const kind = board(3000, 145, { faceB: 'planed' });
  const { saw } = job(parts, [kind]);
  const demands = parts.map((each) => ({ part: each, copies: each.quantity }));
  return must(RowLengths.of(alone(demands), kind, saw).bounds[0], 'rows').least(counts) / fromMm(1);
}

const handed = { quantity: 6, outside: 'rough', inside: 'planed' } as const;
/** 240 long below and 200 above: the slope stands at its right end, and after half a turn at its left. */
const left = part('left', points([0, 0], [240, 0], [200, 145], [0, 145]), handed);
const right = part('right', points([0, 0], [200, 0], [240, 145], [0, 145]), handed);
const plain = part('plain', rectangle(100, 145), handed);

describe('rows of parts that all cross the middle of the board', () => {
  test('squares keep a kerf', () => {
    expect(least([plain], [3])).toBeCloseTo(3 * 100 + 2 * 3, 1);
  });

  test('two of one hand lie slope to slope, one of each hand cannot', () => {
    expect(least([left, right], [2, 0])).toBeCloseTo(240 + 200 + SLOPED, 1);
    // Square ends together: both slopes outwards, and the board ends square.
    expect(least([left, right], [1, 1])).toBeCloseTo(2 * 240 + 3, 1);
    expect(least([left, right], [2, 2])).toBeCloseTo(2 * (240 + 200 + SLOPED) + 3, 1);
  });

  test('an odd one reaches as far as it is long', () => {
    expect(least([left, plain], [1, 1])).toBeCloseTo(240 + 100 + 3, 1);
    expect(least([left, plain], [3, 1])).toBeCloseTo(440 + SLOPED + 240 + 100 + 2 * 3, 1);
  });

  test('a shortest row is told piece by piece, of the parts that lie in it alone', () => {
    const kind = board(3000, 145, { faceB: 'planed' });
    const demands = [left, plain].map((each) => ({ part: each, copies: each.quantity }));
    const { laid } = RowLengths.of(alone(demands), kind, job([left, plain], [kind]).saw);
    const order = must(must(laid, 'rows').order([2, 1]), 'order');
    expect(order.map(({ part: index }) => index).sort()).toEqual([0, 0, 1]);
    // The two of one hand stand slope to slope: one is turned by half.
    const turns = order.filter(({ part: index }) => index === 0).map(({ shape }) => shape.turn);
    expect(turns.sort()).toEqual([0, 180]);
    const strip = part('strip', rectangle(400, 60), handed);
    const more = [left, strip].map((each) => ({ part: each, copies: each.quantity }));
    const beside = RowLengths.of(alone(more), kind, job([left, strip], [kind]).saw).laid;
    expect(beside?.order([1, 1])?.map((each) => each.part)).toEqual([0]);
  });

  test('a bevel makes both faces count: on each alone every piece could be the shorter', () => {
    const bevelled = part('bevelled', rectangle(200, 145), {
      underside: rectangle(216, 145),
      quantity: 8,
    });
    const kind = board(3000, 145);
    const { bounds, laid } = RowLengths.of(
      [[{ part: bevelled, copies: 8 }]],
      kind,
      job([bevelled], [kind]).saw,
    );
    const lengths = bounds.map((row) => row.least([8]) / fromMm(1));
    // Bevel to bevel, at 45°, a kerf takes more along the board.
    expect(Math.max(...lengths)).toBeCloseTo(8 * 208 + 3 * 3 + 4 * 3 * Math.SQRT2, 0);
    expect(must(laid, 'rows').least([8]) / fromMm(1)).toBeGreaterThanOrEqual(
      Math.max(...lengths) - 0.1,
    );
    // Beside a square one the longer face counts alone.
    const square = part('square', rectangle(100, 145), { quantity: 1 });
    const mixed = RowLengths.of(
      [[{ part: bevelled, copies: 1 }], [{ part: square, copies: 1 }]],
      kind,
      job([bevelled, square], [kind]).saw,
    );
    const both = mixed.bounds.map((row) => row.least([1, 1]) / fromMm(1));
    expect(Math.max(...both)).toBeCloseTo(216 + 100 + 3, 1);
  });

  test('narrower ones lean past one another against both edges, and what can lie abreast is left out', () => {
    const narrow = part('narrow', points([0, 0], [240, 0], [200, 100], [0, 100]), handed);
    // On the lines that both cross, 55 to 100 from one edge and 45 to 90 from the other, each is shorter than in its middle.
    const pair = least([narrow], [2]);
    expect(pair).toBeLessThan(240 + 200 + 3);
    expect(pair).toBeGreaterThan(2 * 200 + 3);
    const strip = part('strip', rectangle(400, 60), handed);
    expect(least([plain, strip], [2, 3])).toBeCloseTo(2 * 100 + 3, 1);
  });

  test('what cannot lie over a defect anywhere across the board slides on past it', () => {
    const across = part('across', rectangle(300, 120), { quantity: 4, knots: 'none' });
    const kind = (x: number, y: number) =>
      board(1200, 145, { defects: [knot(x, y, 10, 'knot-loose')] });
    const past = (x: number, y: number) =>
      must(
        RowLengths.past(
          [[{ part: across, copies: 4 }]],
          kind(x, y),
          job([across], [kind(x, y)]).saw,
        ).bounds[0],
        'rows',
      );
    // In the middle: nothing can lie before it, three behind it can.
    expect(past(100, 72).least([1]) / fromMm(1)).toBeCloseTo(110 + 300, 0);
    expect(past(100, 72).allows([3], fromMm(1200))).toBe(true);
    expect(past(100, 72).allows([4], fromMm(1300))).toBe(false);
    // At the edge there is room beside it: as if it were not there.
    expect(past(100, 5).least([4]) / fromMm(1)).toBeCloseTo(4 * 300 + 3 * 3, 0);
    // It lies between two without costing more than its width.
    expect(past(311, 72).least([2]) / fromMm(1)).toBeCloseTo(321 + 300, 0);
  });

  test('two defects that leave room beside neither are slid past together, what lies beside one of them is not', () => {
    const across = part('across', rectangle(300, 100), { quantity: 4, knots: 'none' });
    const past = (...heights: readonly number[]) => {
      const kind = board(1200, 145, {
        defects: heights.map((y) => knot(100, y, 10, 'knot-loose')),
      });
      const classes = [[{ part: across, copies: 4 }]];
      const { saw } = job([across], [kind]);
      return must(RowLengths.past(classes, kind, saw).bounds[0], 'rows').least([2]) / fromMm(1);
    };
    // Of 45 mm of room the one takes the lower two thirds and the other the upper.
    expect(past(20, 125)).toBeCloseTo(110 + 2 * 300 + 3, 0);
    expect(past(20)).toBeCloseTo(2 * 300 + 3, 0);
    expect(past(125)).toBeCloseTo(2 * 300 + 3, 0);
  });

  test('a sound knot is slid past by what must be clear, a loose one by all but a hole that takes it in', () => {
    const least = (of: ReturnType<typeof part>, defect: ReturnType<typeof knot>) => {
      const kind = board(1200, 120, { defects: [defect], faceB: 'planed' });
      const { saw } = job([of], [kind]);
      const rows = RowLengths.past([[{ part: of, copies: 2 }]], kind, saw);
      return must(rows.bounds[0], 'rows').least([1]) / fromMm(1);
    };
    const handed = { quantity: 2, outside: 'rough', inside: 'planed' } as const;
    const screwed = part('screwed', rectangle(300, 120), {
      clear: [circle(50, 60, 10)],
      ...handed,
    });
    // Its screw lies 50 from one end or from the other, the knot in the screw's way or not.
    expect(least(screwed, knot(50, 60, 5))).toBeCloseTo(300, 0);
    expect(least(screwed, knot(250, 60, 5))).toBeCloseTo(300, 0);
    const both = part('both', rectangle(300, 120), {
      clear: [circle(50, 60, 10), circle(250, 60, 10)],
      ...handed,
    });
    expect(least(both, knot(55, 60, 5))).toBeCloseTo(55 + 15 - 50 + 300, 0);
    expect(least(both, knot(55, 90, 5))).toBeCloseTo(300, 0);
    const front = part('front', rectangle(300, 120), { cutAway: [circle(100, 60, 20)], ...handed });
    expect(least(front, knot(150, 60, 5, 'knot-loose'))).toBeGreaterThan(300 + 30);
    expect(least(front, knot(150, 60, 5, 'knot-loose'))).toBeLessThanOrEqual(300 + 50);
    for (const x of [100, 200])
      expect(least(front, knot(x, 60, 5, 'knot-loose'))).toBeCloseTo(300, 0);
    expect(least(front, knot(105, 60, 25, 'knot-loose'))).toBeCloseTo(130 + 300, 0);
  });

  test('clipped corners pass one another only where the cut between them has room right across the board', () => {
    const rowsOf = (long: number, through: boolean) => {
      const clipped = part(
        'clipped',
        points([0, 0], [long, 0], [long, 62], [long - 13, 75], [13, 75], [0, 62]),
        { quantity: 6 },
      );
      const kind = board(3000, 145);
      const { saw } = job([clipped], [kind], { throughCuts: through });
      const { bounds, laid } = RowLengths.of([[{ part: clipped, copies: 6 }]], kind, saw);
      return [must(bounds[0], 'rows'), must(laid, 'rows')].map((row) => row.least([6]) / fromMm(1));
    };
    const [least = 0, laid = 0] = rowsOf(50, true);
    expect(least).toBeLessThan(6 * 50 + 5 * 3 - 5);
    expect(laid).toBeGreaterThan(least + 1);
    expect(laid).toBeLessThanOrEqual(6 * 50 + 5 * 3);
    // Longer ones leave it room, and a saw that turns inside the wood needs none.
    for (const [bound = 0, row = 0] of [rowsOf(300, true), rowsOf(50, false)])
      expect(row).toBeCloseTo(bound, 3);
  });

  test('two that just miss the middle cannot lie abreast, for the kerf between them', () => {
    const half = part('half', rectangle(200, 71.5), {
      quantity: 4,
      outside: 'rough',
      inside: 'planed',
    });
    expect(least([half], [2])).toBeGreaterThan(2 * 200);
    const narrower = part('narrower', rectangle(200, 71), { quantity: 4 });
    const kind = board(3000, 145, { faceB: 'planed' });
    expect(
      RowLengths.of([[{ part: narrower, copies: 4 }]], kind, job([narrower], [kind]).saw).bounds,
    ).toEqual([]);
  });
});
