import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { fromMm } from '../measure/index.js';
import type { BoardsAtHand } from './find-wood.js';
import { ripSticks } from './rip-sticks.js';

const board = (thick: number, wide: number, more: Partial<BoardsAtHand> = {}): BoardsAtHand => ({
  material: 'spruce',
  thickness: fromMm(thick),
  width: fromMm(wide),
  length: fromMm(2400),
  faceA: 'planed',
  faceB: 'planed',
  price: null,
  offcut: false,
  grained: true,
  defects: [],
  quantity: 2,
  ...more,
});
const kerf = fromMm(3);
const post = { thickness: fromMm(38), width: fromMm(38) };

describe('sticks ripped from wider boards', () => {
  test('worked: 38 × 38 posts from a board of 38 × 184 with a kerf of 3: 4 × 38 + 3 × 3 = 161, four posts and four cuts', () => {
    expect(ripSticks(post, [board(38, 184)], kerf)).toMatchObject([
      { sticks: 4, kerfs: 4, wood: { thickness: fromMm(38), width: fromMm(38) } },
    ]);
    // 4 × 38 + 3 × 3 exactly: the last cut is not needed.
    expect(ripSticks(post, [board(38, 161)], kerf)).toMatchObject([{ sticks: 4, kerfs: 3 }]);
  });

  test('a batten may stand on either side of its cross-section', () => {
    const batten = { thickness: fromMm(25), width: fromMm(50) };
    expect(ripSticks(batten, [board(50, 150)], kerf)).toMatchObject([
      { sticks: 5, wood: { thickness: fromMm(50), width: fromMm(25) } },
    ]);
  });

  test('not from sheets, poisoned boards, sticks that are as wide already, or other thicknesses', () => {
    const none = [
      board(38, 300, { material: 'plywood' }),
      board(38, 300, { treatment: 'creosoted' }),
      board(38, 38),
      board(25, 300),
      board(38, 300, { quantity: 0 }),
    ];
    expect(ripSticks(post, none, kerf)).toEqual([]);
  });

  test('what is ripped and its kerfs are never more than the board is wide', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 40, max: 300 }),
        fc.integer({ min: 10, max: 60 }),
        (wide, strip) => {
          const stick = { thickness: fromMm(38), width: fromMm(strip) };
          for (const { sticks, kerfs, wood } of ripSticks(stick, [board(38, wide)], kerf)) {
            const used = sticks * (wood.width ?? 0) + (sticks - 1) * kerf;
            expect(used).toBeLessThanOrEqual(fromMm(wide));
            expect(used + kerf + (wood.width ?? 0)).toBeGreaterThan(fromMm(wide));
            expect(kerfs - sticks === 0 || kerfs - sticks === -1).toBe(true);
          }
        },
      ),
    );
  });
});
