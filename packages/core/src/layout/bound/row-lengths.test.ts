import { describe, expect, test } from '@jest/globals';
import { board, job, part, points, rectangle } from '../../../test/layouts.js';
import { must } from '../../lists/index.js';
import { fromMm } from '../../measure/index.js';
import { RowLengths } from './row-lengths.js';

/** The least length of a row of parts on a board 145 wide, in millimetres; good faces one way up. */
function least(parts: readonly ReturnType<typeof part>[], counts: readonly number[]): number {
  const kind = board(3000, 145, { faceB: 'planed' });
  const { saw } = job(parts, [kind]);
  const demands = parts.map((each) => ({ part: each, copies: each.quantity }));
  return must(RowLengths.of(demands, kind, saw).bounds[0], 'rows').least(counts) / fromMm(1);
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
    expect(least([left, right], [2, 0])).toBeCloseTo(240 + 200 + 3, 1);
    // Square ends together: both slopes outwards, and the board ends square.
    expect(least([left, right], [1, 1])).toBeCloseTo(2 * 240 + 3, 1);
    expect(least([left, right], [2, 2])).toBeCloseTo(2 * (240 + 200 + 3) + 3, 1);
  });

  test('an odd one reaches as far as it is long', () => {
    expect(least([left, plain], [1, 1])).toBeCloseTo(240 + 100 + 3, 1);
    expect(least([left, plain], [3, 1])).toBeCloseTo(443 + 240 + 100 + 2 * 3, 1);
  });

  test('a shortest row is told piece by piece, of the parts that lie in it alone', () => {
    const kind = board(3000, 145, { faceB: 'planed' });
    const demands = [left, plain].map((each) => ({ part: each, copies: each.quantity }));
    const { laid } = RowLengths.of(demands, kind, job([left, plain], [kind]).saw);
    const order = must(must(laid, 'rows').order([2, 1]), 'order');
    expect(order.map(({ part: index }) => index).sort()).toEqual([0, 0, 1]);
    // The two of one hand stand slope to slope: one is turned by half.
    const turns = order.filter(({ part: index }) => index === 0).map(({ turn }) => turn);
    expect(turns.sort()).toEqual([0, 180]);
    const strip = part('strip', rectangle(400, 60), handed);
    const more = [left, strip].map((each) => ({ part: each, copies: each.quantity }));
    expect(
      RowLengths.of(more, kind, job([left, strip], [kind]).saw).laid?.order([1, 1]),
    ).toBeNull();
  });

  test('a bevel makes both faces count: on each alone every piece could be the shorter', () => {
    const bevelled = part('bevelled', rectangle(200, 145), {
      underside: rectangle(216, 145),
      quantity: 8,
    });
    const kind = board(3000, 145);
    const { bounds, laid } = RowLengths.of(
      [{ part: bevelled, copies: 8 }],
      kind,
      job([bevelled], [kind]).saw,
    );
    const lengths = bounds.map((row) => row.least([8]) / fromMm(1));
    expect(Math.min(...lengths)).toBeCloseTo(8 * 200 + 7 * 3, 1);
    expect(Math.max(...lengths)).toBeCloseTo(8 * 208 + 7 * 3, 1);
    expect(must(laid, 'rows').least([8]) / fromMm(1)).toBeGreaterThanOrEqual(
      Math.max(...lengths) - 0.1,
    );
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
});
