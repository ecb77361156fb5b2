import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { board, job, part, placed, rectangle } from '../../../test/layouts.js';
import { at } from '../../lists/index.js';
import { fromMm, toMm } from '../../measure/index.js';
import { BoardFiller } from './fill-board.js';
import { clustersOf } from './group.js';
import { lyingPins, PinnedBoards } from './pinned-boards.js';
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
});
