import { beforeEach, describe, expect, test } from '@jest/globals';
import { board, job, knot, part, points, rectangle } from '../../../test/layouts.js';
import { at, sum } from '../../lists/index.js';
import { fromMm } from '../../measure/index.js';
import { checkLayout } from '../checker/check.js';
import { STANDARD_GOALS } from '../goals.js';
import { assembleLayout } from './assemble.js';
import { type Construction, construct } from './construct.js';
import { obstaclesOf } from './defects.js';
import { BoardFiller } from './fill-board.js';
import { clustersOf, Group } from './group.js';
import { type MoveSetting, rebuilt, revalued } from './moves.js';
import { noise } from './noise.js';
import { PinnedBoards } from './pinned-boards.js';
import { isBetter } from './standing.js';
import { suitedShapes } from './suited-shapes.js';

const of = job(
  [
    part('front', rectangle(240, 140), { quantity: 6 }),
    part('side', points([0, 0], [260, 0], [230, 140], [0, 140]), { quantity: 12 }),
    part('floor', rectangle(110, 110), { quantity: 6, grain: 'any' }),
  ],
  [
    board(1800, 140, { id: 'picket', quantity: 20, price: 340 }),
    board(1800, 140, { id: 'knotty', quantity: 6, price: 220, defects: [knot(700, 60, 12)] }),
  ],
  { kerf: fromMm(3) },
);
const pinned = new PinnedBoards(of);
const { shapes, partners, misfits } = suitedShapes(of);
const fillers = of.stock.map(
  (stock, kind) =>
    new BoardFiller(stock, at(shapes, kind), obstaclesOf(stock.defects), of.saw, of.parts.length),
);
const copies = Int32Array.from(of.parts, ({ quantity }) => quantity);

let group: Group;
let setting: MoveSetting;
beforeEach(() => {
  const [cluster] = clustersOf(partners);
  if (!cluster) throw new Error('nothing fits');
  const piles = cluster.kinds.flatMap((kind) => pinned.pilesOf(kind, at(fillers, kind)));
  group = new Group(of, cluster.parts, piles, partners, copies, STANDARD_GOALS);
  setting = { job: of, goals: STANDARD_GOALS, random: noise(7), halted: () => false };
  group.best = construct(of, piles, group, 1, STANDARD_GOALS, () => false);
});

/** Every copy is on a board or missing, and no pile is overdrawn. */
function expectWhole({ boards, missing }: Construction): void {
  of.parts.forEach(({ quantity }, index) => {
    const laid = sum(boards.map(({ filling }) => at(filling.used, index)));
    expect(laid + at(missing, index)).toBe(quantity);
  });
  for (const pile of group.piles)
    expect(boards.filter((each) => each.pile === pile).length).toBeLessThanOrEqual(pile.left);
}

describe('moves of the search', () => {
  test('boards taken apart and laid out again lose no piece and take no board twice', () => {
    for (let round = 0; round < 30; round += 1) {
      const next = rebuilt(group, setting);
      if (!next) throw new Error('there are boards to take apart');
      expectWhole(next);
      if (isBetter(next, group.best, of, STANDARD_GOALS)) group.best = next;
    }
    expect(group.missing).toBe(0);
  });

  test('everything anew too, and parts on badly filled boards become worth more', () => {
    const before = Float64Array.from(group.values);
    for (let round = 0; round < 8; round += 1) {
      const next = revalued(group, setting);
      if (next) expectWhole(next);
    }
    expect(group.values.some((value, index) => value !== at(before, index))).toBe(true);
    expect(group.values.every((value) => value > 0 && Number.isFinite(value))).toBe(true);
  });

  test('with nothing on boards there is nothing to take apart', () => {
    group.best = { boards: [], missing: group.copies };
    expect(rebuilt(group, setting)).toBeNull();
  });
});

describe('which of two is better', () => {
  test('fewer panels without a place go before everything, then the cost, then what is left', () => {
    const best = group.best;
    const dear = { ...best, boards: best.boards.map((each) => ({ ...each })) };
    const first = at(best.boards, 0);
    const without: Construction = {
      boards: best.boards.slice(1),
      missing: Int32Array.from(first.filling.used),
    };
    expect(isBetter(best, without, of, STANDARD_GOALS)).toBe(true);
    expect(isBetter(without, best, of, STANDARD_GOALS)).toBe(false);
    expect(isBetter(best, dear, of, STANDARD_GOALS)).toBe(false);
    const cheaper = { ...first, pile: { ...first.pile, price: first.pile.price - 1 } };
    const saved = { ...best, boards: [cheaper, ...best.boards.slice(1)] };
    expect(isBetter(saved, best, of, STANDARD_GOALS)).toBe(true);
    const tidy = { ...first, used: first.used * 0.5 };
    expect(
      isBetter({ ...best, boards: [tidy, ...best.boards.slice(1)] }, best, of, STANDARD_GOALS),
    ).toBe(true);
  });

  test('fewest cuts go before the cost only where they are wanted first', () => {
    const first = at(group.best.boards, 0);
    const fewer = {
      ...first,
      cuts: first.cuts - 1,
      pile: { ...first.pile, price: first.pile.price + 9 },
    };
    const changed = { ...group.best, boards: [fewer, ...group.best.boards.slice(1)] };
    const cuts = { ...STANDARD_GOALS, first: 'cuts' } as const;
    expect(isBetter(changed, group.best, of, cuts)).toBe(true);
    expect(isBetter(changed, group.best, of, STANDARD_GOALS)).toBe(false);
  });
});

describe('a layout put together', () => {
  test('is valid, names every copy once, and costs what its boards cost', () => {
    const layout = assembleLayout(
      { job: of, goals: STANDARD_GOALS, pinned, groups: [group], misfits },
      0.5,
    );
    expect(checkLayout(of, layout)).toEqual([]);
    const named = layout.boards.flatMap(({ placements }) =>
      placements.map(({ part: id, copy }) => `${id}/${copy}`),
    );
    expect(new Set(named).size).toBe(named.length);
    expect(named).toHaveLength(24);
    const prices = new Map(of.stock.map(({ id, price }) => [id, price ?? 0]));
    expect(layout.cost).toBe(sum(layout.boards.map(({ stock }) => prices.get(stock) ?? 0)));
    expect(layout.lowerBound).toBeLessThanOrEqual(layout.cost);
    expect(layout.seconds).toBe(0.5);
  });

  test('lists what has no place with its reason', () => {
    group.best = { boards: [], missing: group.copies };
    const { unplaced, optimal } = assembleLayout(
      { job: of, goals: STANDARD_GOALS, pinned, groups: [group], misfits },
      0,
    );
    expect(unplaced.map(({ part: id, count }) => [id, count])).toEqual([
      ['front', 6],
      ['side', 12],
      ['floor', 6],
    ]);
    expect(optimal).toBe(false);
  });
});
