import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { board, job, knot, part, placed, points, rectangle } from '../../../test/layouts.js';
import type { LayoutJob } from '../../job/index.js';
import { at, sum } from '../../lists/index.js';
import { fromMm, toMm } from '../../measure/index.js';
import { checkLayout } from '../checker/check.js';
import { BoardFiller } from './fill-board.js';
import { clustersOf } from './group.js';
import { noise } from './noise.js';
import { lyingPins, PinnedBoards } from './pinned-boards.js';
import { searchSteps } from './search.js';
import { shapesOf } from './shapes.js';
import { suitedShapes } from './suited-shapes.js';

describe('parts and boards that have to do with each other', () => {
  const partners = fc.array(
    fc.array(fc.integer({ min: 0, max: 5 }), { maxLength: 3 }).map((kinds) => new Set(kinds)),
    { maxLength: 9 },
  );

  test('every part that fits a board is in one cluster, with every board that it fits', () => {
    fc.assert(
      fc.property(partners, (fits) => {
        const clusters = clustersOf(fits);
        fits.forEach((kinds, index) => {
          const own = clusters.filter(({ parts }) => parts.includes(index));
          expect(own).toHaveLength(kinds.size > 0 ? 1 : 0);
          for (const kind of kinds) expect(at(own, 0).kinds).toContain(kind);
        });
      }),
    );
  });

  test('no board is in two clusters, and a cluster cannot be parted', () => {
    fc.assert(
      fc.property(partners, (fits) => {
        const clusters = clustersOf(fits);
        const kinds = clusters.flatMap((cluster) => cluster.kinds);
        expect(new Set(kinds).size).toBe(kinds.length);
        for (const { parts } of clusters) {
          // From its first part every other is reached over shared boards.
          const reached = new Set([at(parts, 0)]);
          for (let grew = true; grew; ) {
            grew = false;
            for (const each of parts) {
              const shares = [...reached].some((known) =>
                [...at(fits, known)].some((kind) => at(fits, each).has(kind)),
              );
              if (reached.has(each) || !shares) continue;
              reached.add(each);
              grew = true;
            }
          }
          expect(reached.size).toBe(parts.length);
        }
      }),
    );
  });
});

describe('boards on which pieces are fixed by hand', () => {
  const pinned = job(
    [part('a', rectangle(200, 80), { quantity: 4 })],
    [board(1000, 80, { quantity: 3, price: 250 })],
    { kerf: fromMm(3), endTrim: fromMm(10) },
  );
  const pins = [
    { ...placed('a', 300, 0), stock: 'board', piece: 1 },
    { ...placed('a', 700, 0, { copy: 1 }), stock: 'board', piece: 1 },
  ];
  const boards = new PinnedBoards({ ...pinned, pinned: pins });
  const filler = new BoardFiller(at(pinned.stock, 0), [], [], pinned.saw, 1);

  test('are paid for once, however many pieces lie on them', () => {
    expect([...boards]).toHaveLength(1);
    expect(boards.paid).toBe(250);
    expect(boards.has(at(pinned.stock, 0), 1)).toBe(true);
    expect(boards.has(at(pinned.stock, 0), 0)).toBe(false);
  });

  test('are piles of their own with what is free between the pieces, a kerf away; the others are one pile', () => {
    const piles = boards.pilesOf(0, filler);
    expect(piles.map(({ left, price }) => [left, price])).toEqual([
      [1, 0],
      [2, 250],
    ]);
    const ends = piles.map((pile) => pile.ends.map((end) => end.map(toMm)));
    expect(ends).toEqual([
      [
        [10, 297],
        [503, 697],
        [903, 990],
      ],
      [[10, 990]],
    ]);
  });

  test('a piece turned by a quarter lies as long as it is wide', () => {
    const turned = { ...placed('a', 5, 6, { turn: 90 }), stock: 'board', piece: 0 };
    const [lying] = lyingPins([turned], pinned);
    expect(lying && [lying.length, lying.width].map(toMm)).toEqual([80, 200]);
  });
});

describe('which part lies on which board', () => {
  test('is told by thickness and wood, and why not by what stands against it', () => {
    const thick = part('thick', rectangle(100, 50), { thickness: fromMm(30) });
    const large = part('large', rectangle(5000, 50));
    const good = part('good', rectangle(100, 50));
    const { partners, misfits, shapes } = suitedShapes(
      job([thick, large, good], [board(1000, 80)]),
    );
    expect(partners.map((kinds) => [...kinds])).toEqual([[], [], [0]]);
    expect(misfits.map(([why]) => why)).toEqual([null, 'too large', null]);
    expect(new Set(at(shapes, 0).map((shape) => shape.part))).toEqual(new Set([2]));
  });

  test('boards that differ in length alone hold what is short enough, each as if it were asked by itself', () => {
    const parts = [
      part('long', rectangle(600, 50)),
      part('turned', rectangle(300, 70), { grain: 'any' }),
      part('sloped', points([0, 0], [260, 0], [230, 80], [0, 80])),
    ];
    const kinds = [200, 250, 290, 599, 600, 1000].map((length) =>
      board(length, 80, { id: `b${length}` }),
    );
    const of = job(parts, [...kinds, board(250, 60, { id: 'narrow', defects: [knot(20, 20, 5)] })]);
    const { shapes, partners } = suitedShapes(of);
    const each = of.stock.map((kind) =>
      of.parts.flatMap((one, index) => {
        const ways = shapesOf(one, index, kind, of.saw);
        return typeof ways === 'string' ? [] : ways;
      }),
    );
    expect(shapes).toEqual(each);
    expect(partners.map((own) => [...own])).toEqual([
      [4, 5],
      [0, 1, 2, 3, 4, 5].filter((kind) => at(each, kind).some((shape) => shape.part === 1)),
      [2, 3, 4, 5],
    ]);
  });
});

/** Sizes drawn by chance, the same each time. */
function drawn(count: number, from: number, to: number, seed: number): number[] {
  const random = noise(seed);
  return Array.from({ length: count }, () => Math.round(from + (to - from) * random()));
}

describe('a first answer where there is very much', () => {
  const first = (of: LayoutJob) => {
    const { value } = searchSteps(of, { clock: () => 0 }).next();
    if (!value) throw new Error('there is always a first answer');
    expect(checkLayout(of, value)).toEqual([]);
    return value;
  };

  test('of 300 kinds of panels all are laid, though only some of them are tried on each board', () => {
    const widths = drawn(300, 40, 135, 2);
    const parts = drawn(300, 80, 580, 1).map((length, index) =>
      part(`p${index}`, rectangle(length, at(widths, index)), { quantity: 1 + (index % 2) }),
    );
    const of = job(parts, [board(2400, 140, { id: 'plank', quantity: 200, price: 340 })]);
    const { unplaced, boards } = first(of);
    expect(unplaced).toEqual([]);
    expect(sum(boards.map(({ placements }) => placements.length))).toBe(450);
  });

  test('of 500 kinds of boards none is too many: what fits no cheap one is laid on a dear one', () => {
    const lengths = drawn(499, 300, 900, 3);
    const kinds = lengths.map((length, index) =>
      board(length, 140, { id: `b${index}`, price: 50 + (index % 90) }),
    );
    const of = job(
      [
        part('front', rectangle(240, 140), { quantity: 30 }),
        part('back', rectangle(1100, 140), { quantity: 2 }),
      ],
      [...kinds, board(2400, 140, { id: 'dear', quantity: 3, price: 9000 })],
    );
    const { unplaced, boards } = first(of);
    expect(unplaced).toEqual([]);
    expect(boards.filter(({ stock }) => stock === 'dear')).toHaveLength(1);
  });
});
