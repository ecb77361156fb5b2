import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { stepClock } from '../../../../test/clock.js';
import { board, job, part, points, rectangle } from '../../../../test/layouts.js';
import { testSolver } from '../../../../test/solver.js';
import type { LayoutJob } from '../../../job/index.js';
import { at, sum } from '../../../lists/index.js';
import { fromMm } from '../../../measure/index.js';
import { checkLayout } from '../../checker/check.js';
import { STANDARD_GOALS } from '../../goals.js';
import type { Layout } from '../../layout.js';
import { noise } from '../noise.js';
import { prepare } from '../prepare.js';
import { searchLayout } from '../search.js';
import type { Block } from './block.js';
import { BlockPacker } from './block-packer.js';
import { complements } from './complement.js';
import { add, less, Packing } from './counts.js';
import { enoughWood } from './enough-wood.js';

const solver = await testSolver();

describe('copies packed into numbers', () => {
  test('say how many there are, and whether two together are more than are wanted', () => {
    const counts = fc.array(
      fc.record({
        demand: fc.integer({ min: 0, max: 40 }),
        a: fc.double({ min: 0, max: 1, noNaN: true }),
        b: fc.double({ min: 0, max: 1, noNaN: true }),
      }),
      { minLength: 1, maxLength: 40 },
    );
    fc.assert(
      fc.property(counts, (types) => {
        const packing = new Packing(types.map(({ demand }) => demand));
        const some = (share: 'a' | 'b') =>
          types.map((each) => Math.round(each.demand * each[share]));
        const packed = (list: readonly number[]) =>
          list.reduce((all, count, type) => add(all, packing.of(type, count)), packing.of(0, 0));
        const [a, b] = [some('a'), some('b')];
        expect(a.map((_count, type) => packing.copies(packed(a), type))).toEqual(a);
        expect(packing.fits(packed(a), packed(b))).toBe(
          types.every(({ demand }, type) => at(a, type) + at(b, type) <= demand),
        );
        const both = add(packed(a), packed(b));
        expect([...less(both, packed(b))]).toEqual([...packed(a)]);
      }),
    );
  });
});

type Piece = readonly [long: number, wide: number];

/** A board sawn apart by cuts right through, each at a whole millimetre. */
function sawn(size: Piece, pieces: number, random: () => number): Piece[] {
  const cuts: Piece[] = [size];
  for (let tries = 0; cuts.length < pieces && tries < 200; tries += 1) {
    const index = Math.floor(random() * cuts.length);
    const [long, wide] = at(cuts, index);
    const place = 40 + Math.floor(random() * 400);
    const across = random() < 0.7;
    const rest = (across ? long : wide) - 3 - place;
    if (rest < 40) continue;
    const halves: Piece[] = across
      ? [
          [place, wide],
          [rest, wide],
        ]
      : [
          [long, place],
          [long, rest],
        ];
    cuts.splice(index, 1, ...halves);
  }
  return cuts;
}

/** What the search comes to, ended as soon as it is proven; the clock counts steps. */
function proven(of: LayoutJob): Layout {
  let optimal = false;
  return searchLayout(of, {
    clock: stepClock(of.effort.seconds, 40_000),
    solver,
    stopped: () => optimal,
    onBetter: (layout) => {
      optimal = layout.optimal;
    },
  });
}

/** Boards of 1800 × 190 sawn apart, with one more on the rack than they were. */
function sawnJob(seed: number, boards: number, short: number) {
  const random = noise(seed);
  const pieces = Array.from({ length: boards }, () => sawn([1800, 190], 8, random)).flat();
  return job(
    pieces.map(([long, wide], index) =>
      part(`p${index}`, rectangle(long - Math.floor(short * random()), wide)),
    ),
    [board(1800, 190, { quantity: boards + 1 })],
    {},
    4,
  );
}

describe('boards filled block by block', () => {
  test.each([1, 2, 3, 4, 5, 6, 7, 8])(
    'boards sawn apart by chance are put together again to the last kerf, %i',
    (seed) => {
      const of = sawnJob(seed, 3, 0);
      const found = proven(of);
      expect(checkLayout(of, found)).toEqual([]);
      expect(found.unplaced).toEqual([]);
      expect([found.cost, found.optimal]).toEqual([300, true]);
    },
  );

  test('a row of blocks never takes more of a part than there is, nor more of a board', () => {
    for (let seed = 20; seed < 32; seed += 1) {
      const of = sawnJob(seed, 2, 12);
      const group = at(prepare(of, STANDARD_GOALS).groups, 0);
      const piles = group.piles.map((pile) => ({ ...pile, left: 2 }));
      const packer = new BlockPacker(piles, group.parts, group.copies, of.saw, of.parts.length);
      expect(packer.slack).toBeGreaterThanOrEqual(0);
      let most = 0;
      for (let turn = 0; turn < 12; turn += 1) {
        const { boards, isWhole } = packer.next(() => false);
        const used = of.parts.map((_part, index) =>
          sum(boards.map(({ filling }) => at(filling.used, index))),
        );
        expect(used.every((count) => count <= 1)).toBe(true);
        expect(isWhole).toBe(sum(used) === of.parts.length);
        for (const { filling } of boards)
          for (const { shape, x, y } of filling.pieces) {
            expect(x).toBeGreaterThanOrEqual(0);
            expect(x + shape.length).toBeLessThanOrEqual(fromMm(1800));
            expect(y + shape.width).toBeLessThanOrEqual(fromMm(190));
          }
        most = Math.max(most, sum(used));
      }
      expect(most).toBeGreaterThan(0);
    }
  });

  test('two slopes against one another are one piece: five pairs and a rectangle fill a board that their boxes would not', () => {
    // 240 and 200 long, the slope over 145 of width: two share a cut that takes a kerf square to it.
    const slope = Math.hypot(40, 145) / 145;
    const pair = 240 + 200 + 3 * slope;
    const long = Math.ceil(5 * (pair + 3) + 110);
    const of = job(
      [
        part('side', points([0, 0], [240, 0], [200, 145], [0, 145]), {
          quantity: 10,
          outside: 'rough',
          inside: 'planed',
        }),
        part('floor', rectangle(110, 145)),
      ],
      [board(long, 145, { faceB: 'planed', quantity: 2 })],
      {},
      3,
    );
    const group = at(prepare(of, STANDARD_GOALS).groups, 0);
    const piles = group.piles.map((pile) => ({ ...pile, left: 1 }));
    const packer = new BlockPacker(piles, group.parts, group.copies, of.saw, 2);
    let whole = false;
    for (let turn = 0; turn < 24 && !whole; turn += 1) whole = packer.next(() => false).isWhole;
    expect(whole).toBe(true);
    const found = proven(of);
    expect(checkLayout(of, found)).toEqual([]);
    expect([found.unplaced, found.cost]).toEqual([[], 100]);
  });
});

describe('two blocks that hold all between them', () => {
  const size = (long: number, wide: number) => ({ long: fromMm(long), wide: fromMm(wide) });
  const bins = [
    { ...size(600, 400), count: 1 },
    { ...size(500, 400), count: 1 },
  ];

  test('are found by what is missing, whichever way round, and only where both have room', () => {
    const type = fc.integer({ min: 0, max: 3 });
    const blockOf = fc.record({
      counts: fc.array(type, { minLength: 3, maxLength: 3 }),
      long: fc.constantFrom(300, 500, 550, 600, 650),
    });
    const seen = { found: 0, none: 0 };
    fc.assert(
      fc.property(fc.array(blockOf, { minLength: 1, maxLength: 12 }), (made) => {
        const demand = [2, 3, 1];
        const packing = new Packing(demand);
        const marks = [1_000_003, 50_021, 777];
        const markOf = (counts: readonly number[]) =>
          sum(counts.map((count, index) => count * at(marks, index)));
        const blocks = made.map(
          ({ counts, long }): Block => ({
            ...size(long, 400),
            waste: 0,
            copies: counts.reduce(
              (all, count, index) =>
                add(all, packing.of(index, Math.min(count, at(demand, index)))),
              packing.of(0, 0),
            ),
            mark: markOf(counts.map((count, index) => Math.min(count, at(demand, index)))),
            pieces: sum(counts.map((count, index) => Math.min(count, at(demand, index)))),
            made: { item: 0 },
          }),
        );
        const whole = { mark: markOf(demand), pieces: sum(demand) };
        const holdsAll = (one: Block, other: Block) =>
          demand.every(
            (count, index) =>
              packing.copies(one.copies, index) + packing.copies(other.copies, index) === count,
          );
        const can = blocks.some((one) =>
          blocks.some(
            (other) => one.long <= fromMm(600) && other.long <= fromMm(500) && holdsAll(one, other),
          ),
        );
        const found = complements(blocks, [0, 1], () => true, bins, packing, whole);
        seen[found ? 'found' : 'none'] += 1;
        expect(found !== null).toBe(can);
        const [first, second] = found ?? [];
        if (!first || !second) return;
        expect([first.bin, second.bin]).toEqual([0, 1]);
        expect(first.block.long).toBeLessThanOrEqual(fromMm(600));
        expect(second.block.long).toBeLessThanOrEqual(fromMm(500));
        expect(holdsAll(first.block, second.block)).toBe(true);
      }),
      { numRuns: 3000 },
    );
    expect(Math.min(seen.found, seen.none)).toBeGreaterThan(10);
  });
});

describe('numbers of boards with wood enough', () => {
  test('are those of all choices that cost less and hold the need, but for what holds more than another', () => {
    const kind = fc.record({
      price: fc.integer({ min: 0, max: 9 }),
      area: fc.integer({ min: 1, max: 9 }),
      left: fc.integer({ min: 0, max: 3 }),
    });
    fc.assert(
      fc.property(
        fc.array(kind, { minLength: 1, maxLength: 3 }),
        fc.integer({ min: 1, max: 30 }),
        fc.integer({ min: 0, max: 12 }),
        fc.integer({ min: 1, max: 30 }),
        (kinds, need, from, below) => {
          const found = enoughWood(kinds, need, { from, below }, 1000);
          const costOf = (counts: readonly number[]) =>
            sum(counts.map((count, index) => count * at(kinds, index).price));
          for (const counts of found) {
            expect(costOf(counts)).toBeLessThan(below);
            expect(costOf(counts)).toBeGreaterThanOrEqual(from);
            expect(
              sum(counts.map((count, index) => count * at(kinds, index).area)),
            ).toBeGreaterThanOrEqual(need);
            counts.forEach((count, index) => {
              expect(count).toBeLessThanOrEqual(at(kinds, index).left);
            });
          }
          // The cheapest of all choices is the first of them.
          const choices = kinds.reduce<number[][]>(
            (lists, { left }) =>
              lists.flatMap((list) =>
                Array.from({ length: left + 1 }, (_unused, count) => [...list, count]),
              ),
            [[]],
          );
          const costs = choices
            .filter(
              (counts) =>
                costOf(counts) < below &&
                costOf(counts) >= from &&
                sum(counts.map((count, index) => count * at(kinds, index).area)) >= need,
            )
            .map(costOf);
          expect(found[0] ? costOf(found[0]) : null).toBe(
            costs.length > 0 ? Math.min(...costs) : null,
          );
        },
      ),
    );
  });
});
