import { describe, expect, test } from '@jest/globals';
import { board, job, part, rectangle } from '../../../test/layouts.js';
import { must } from '../../lists/index.js';
import { fromMm } from '../../measure/index.js';
import { RowLengths } from './row-lengths.js';
import { hasStrips, haveRoom } from './rows-beside.js';

const host = part('host', rectangle(300, 95), { quantity: 9 });
const full = part('full', rectangle(300, 145), { quantity: 9 });
const strip = part('strip', rectangle(290, 45), { quantity: 9 });
const kind = board(3000, 145);
const { saw } = job([host, full, strip], [kind]);
const rowsWith = (rip: boolean) =>
  RowLengths.of(
    [host, full, strip].map((each) => [{ part: each, copies: each.quantity }]),
    kind,
    { ...saw, rip },
  ).beside;

/** Whether so many hosts, full ones and strips find room on a board of this length. */
function fit(counts: readonly number[], length: number): boolean {
  const beside = must(rowsWith(true), 'rows');
  expect(hasStrips(beside, counts)).toBe(true);
  return haveRoom(beside, counts, kind, saw, fromMm(length));
}

describe('rows with strips beside them', () => {
  test('strips lie over what leaves them a lane', () => {
    expect(fit([3, 0, 3], 3 * 300 + 2 * 3)).toBe(true);
    expect(fit([3, 0, 3], 3 * 300 + 2 * 3 - 1)).toBe(false);
  });

  test('what has no room there is stacked behind the row, three abreast', () => {
    // Nothing is left beside full ones.
    expect(fit([0, 2, 3], 2 * 300 + 290 + 2 * 3)).toBe(true);
    expect(fit([0, 2, 3], 2 * 300 + 290 + 2 * 3 - 1)).toBe(false);
    expect(fit([0, 2, 4], 2 * 300 + 290 + 2 * 3)).toBe(false);
    // One over the host, three behind.
    expect(fit([1, 1, 4], 2 * 300 + 290 + 2 * 3)).toBe(true);
    expect(fit([1, 1, 5], 2 * 300 + 290 + 2 * 3)).toBe(false);
  });

  test('there are none without strips, nor where the saw does not rip', () => {
    expect(hasStrips(must(rowsWith(true), 'rows'), [2, 1, 0])).toBe(false);
    expect(rowsWith(false)).toBeNull();
  });
});
