import { beforeAll, describe, expect, test } from '@jest/globals';
import { stepClock } from '../../test/clock.js';
import { board, job, knot, part, placed, rectangle } from '../../test/layouts.js';
import { testSolver } from '../../test/solver.js';
import type { LayoutJob, PinnedPlacement } from '../job/index.js';
import { at, must } from '../lists/index.js';
import { plainText } from '../text/index.js';
import { checkLayout } from './checker/check.js';
import { movedToPins, sortPins, whyNot } from './pins.js';
import { searchLayout } from './search/search.js';
import type { LinearSolver } from './solver/linear.js';

let solver: LinearSolver;
beforeAll(async () => {
  solver = await testSolver();
});

const pin = (
  id: string,
  x: number,
  y: number,
  more: Partial<PinnedPlacement> = {},
): PinnedPlacement => ({
  ...placed(id, x, y),
  stock: 'board',
  piece: 0,
  ...more,
});
const base = job(
  [part('a', rectangle(200, 100), { quantity: 4 })],
  [board(1000, 100, { quantity: 3, defects: [knot(900, 50, 8, 'nail')] })],
  {},
  0.3,
);
const withPins = (...pinned: PinnedPlacement[]): LayoutJob => ({ ...base, pinned });

describe('pins', () => {
  test('those that hold together are kept; each other one is told with the rule it breaks', () => {
    const {
      job: { pinned: kept },
      broken,
    } = sortPins(
      withPins(
        pin('a', 100, 0),
        pin('a', 250, 0, { copy: 1 }),
        pin('a', 850, 0, { copy: 2 }),
        pin('a', 100, 0, { copy: 9, piece: 1 }),
        pin('a', 100, 0, { stock: 'gone', copy: 3 }),
        pin('b', 0, 0),
        pin('a', 400, 0, { copy: 1, piece: 2 }),
      ),
    );
    expect(kept.map(({ copy, piece }) => [copy, piece])).toEqual([
      [0, 0],
      [1, 2],
    ]);
    expect(broken.map(({ reason }) => plainText(reason))).toEqual([
      expect.stringContaining('less than a kerf'),
      expect.stringMatching(/reaches over the edge|nail/),
      expect.stringContaining('only 4'),
      expect.stringContaining('not there any more'),
      expect.stringContaining('no panel “b”'),
    ]);
  });

  test('a piece may not lie on a nail, over the edge or on another pin, and is told so', () => {
    const said = (others: PinnedPlacement[], asked: PinnedPlacement) =>
      plainText(whyNot(base, others, asked) ?? []);
    expect(said([], pin('a', 750, 0))).toContain('nail');
    expect(said([], pin('a', 5, 3))).toContain('reaches over the edge');
    expect(said([pin('a', 0, 0)], pin('a', 150, 0, { copy: 1 }))).toContain('less than a kerf');
    expect(whyNot(base, [pin('a', 0, 0)], pin('a', 203, 0, { copy: 1 }))).toBeNull();
  });

  test('the rest flows round what is pinned, and a bound still holds', () => {
    const of = withPins(pin('a', 300, 0), pin('a', 520, 0, { copy: 2, piece: 1 }));
    const found = searchLayout(of, { clock: stepClock(1, 60), solver });
    expect(checkLayout(of, found)).toEqual([]);
    expect(found.unplaced).toEqual([]);
    expect(found.cost).toBe(200);
    expect(found.lowerBound).toBeLessThanOrEqual(200);
    const free = searchLayout(base, { clock: stepClock(1, 60), solver });
    expect(free.cost).toBe(100);
  });

  test('until the search has answered, a piece is shown where it was pinned, once, and no kept offcut under it', () => {
    const six = { ...base, parts: [part('a', rectangle(200, 100), { quantity: 6 })] };
    const before = searchLayout(six, { clock: stepClock(1, 60), solver });
    const laid = must(
      before.boards.find((board) => board.placements.some((each) => each.copy === 2)),
      'laid',
    );
    const free = must(
      before.boards.find((board) => board !== laid),
      'free',
    );
    const moved = pin('a', 640, 0, { copy: 2, piece: free.piece, turn: 180 });
    const shown = movedToPins(before, [moved]);
    const homes = shown.boards.filter((board) =>
      board.placements.some((each) => each.part === 'a' && each.copy === 2),
    );
    expect(homes.map((board) => board.piece)).toEqual([free.piece]);
    expect(at(homes, 0).placements.find((each) => each.copy === 2)).toMatchObject({
      x: moved.x,
      y: moved.y,
      turn: 180,
    });
    expect(at(homes, 0).offcuts).toEqual([]);
    expect(shown.boards.flatMap((board) => board.placements)).toHaveLength(6);
    // Moved twice is moved once, and the layout that has the piece there already is left as it is.
    expect(movedToPins(shown, [moved])).toBe(shown);
    expect(movedToPins(before, [])).toBe(before);
    // A board that is not drawn yet cannot show it: it stays where it was.
    expect(movedToPins(before, [pin('a', 0, 0, { stock: 'other' })])).toBe(before);
  });

  test('what is left of a board with a pinned piece goes back to the rack like any other', () => {
    const one = {
      ...base,
      parts: [part('a', rectangle(200, 100))],
      stock: [board(1000, 100)],
      pinned: [pin('a', 0, 0)],
    };
    const found = searchLayout(one, { clock: stepClock(1, 60), solver });
    expect(checkLayout(one, found)).toEqual([]);
    expect(
      at(found.boards, 0).offcuts.map(({ x, length, width }) =>
        [x, length, width].map((each) => each / 320),
      ),
    ).toEqual([[203, 797, 100]]);
  });
});
