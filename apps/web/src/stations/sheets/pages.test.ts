import { describe, expect, test } from '@jest/globals';
import { at } from '@spare-knot/core/lists';
import fc from 'fast-check';
import { type Block, paginate } from './pages';

const ROOM = { height: 240, listHead: 18, listFoot: 20 };
const blocks = (most: number) =>
  fc
    .array(fc.double({ min: 4, max: most, noNaN: true }), { maxLength: 30 })
    .map((heights) => heights.map((height, of): Block<number> => ({ of, height })));

describe('sheets of paper', () => {
  test('hold every line and every drawing once and in order, none over its foot', () => {
    fc.assert(
      fc.property(blocks(60), blocks(200), (lines, drawings) => {
        const pages = paginate(lines, drawings, ROOM);
        expect(pages.flatMap((page) => page.lines)).toEqual(lines.map(({ of }) => of));
        expect(pages.flatMap((page) => page.drawings)).toEqual(drawings.map(({ of }) => of));
        for (const page of pages) {
          const list = page.lines.reduce((sum, line) => sum + at(lines, line).height, 0);
          const drawn = page.drawings.reduce((sum, each) => sum + at(drawings, each).height, 0);
          const head = page.lines.length > 0 ? ROOM.listHead + ROOM.listFoot : 0;
          expect(list + drawn + head).toBeLessThanOrEqual(ROOM.height + 1e-9);
        }
        expect(pages.filter(({ isFirst }) => isFirst)).toHaveLength(1);
        expect(pages.filter(({ isLast }) => isLast)).toHaveLength(1);
      }),
    );
  });

  test('a drawing stands under the list where there is room, and on a sheet of its own where it is higher than any', () => {
    const line = { of: 'front', height: 20 };
    expect(paginate([line], [{ of: 'board', height: 100 }], ROOM)).toHaveLength(1);
    const high = paginate(
      [line],
      [
        { of: 'sheet', height: 500 },
        { of: 'board', height: 10 },
      ],
      ROOM,
    );
    expect(high.map(({ drawings }) => drawings)).toEqual([[], ['sheet'], ['board']]);
  });

  test('without anything laid out there is one sheet with the list', () => {
    expect(paginate([], [], ROOM)).toEqual([
      { lines: [], drawings: [], isFirst: true, isLast: true },
    ]);
  });
});
