import { describe, expect, test } from '@jest/globals';
import { board, job, knot, part, points, rectangle } from '../../../test/layouts.js';
import type { LayoutJob } from '../../job/index.js';
import { at, must } from '../../lists/index.js';
import { fromMm } from '../../measure/index.js';
import { checkLayout } from '../checker/check.js';
import { STANDARD_GOALS } from '../goals.js';
import { boardTree } from '../separation/board-tree.js';
import { treeStages } from '../separation/tree-stages.js';
import type { Piece } from './filling.js';
import { noise } from './noise.js';
import { prepare } from './prepare.js';
import { searchSteps } from './search.js';
import { stagesOf as stagesOn } from './stages.js';

/** Rectangles by their corner and size in millimetres. */
function laid(...boxes: readonly (readonly [number, number, number, number])[]): Piece[] {
  const of = job(
    boxes.map(([, , length, width], index) => part(`p${index}`, rectangle(length, width))),
    [board(3000, 1500)],
  );
  const { piles } = must(prepare(of, STANDARD_GOALS).groups[0], 'the group');
  return boxes.map(([x, y], index) => {
    const ways = must(piles[0], 'the board').filler.ways;
    const shape = must(
      ways.find((way) => way.part === index),
      'a way of lying',
    );
    return { shape, x: fromMm(x), y: fromMm(y) };
  });
}

const BOARD = { length: fromMm(3000), width: fromMm(1500) };
const stagesOf = (pieces: readonly Piece[]) => stagesOn(pieces, BOARD);

describe('in how many stages pieces come off a board', () => {
  test('one by itself in none, a row of them in one', () => {
    expect(stagesOf(laid([0, 0, 100, 50]))).toBe(0);
    expect(stagesOf(laid([0, 0, 100, 50], [110, 0, 300, 140], [420, 20, 90, 60]))).toBe(1);
  });

  test('strips that are cut across at different places in two, whatever is trimmed off a piece by itself', () => {
    const strips = [
      [0, 0, 100, 50],
      [110, 0, 300, 40],
      [0, 60, 300, 80],
      [310, 60, 100, 70],
    ] as const;
    expect(stagesOf(laid(...strips))).toBe(2);
  });

  test('a strip over a piece of a strip is a stage more, and two pieces in it another', () => {
    const strip = [
      [0, 0, 400, 50],
      [0, 60, 150, 120],
      [160, 60, 240, 50],
      [160, 120, 240, 60],
    ] as const;
    expect(stagesOf(laid(...strip))).toBe(3);
    const two = [...strip.slice(0, 3), [160, 120, 110, 60], [280, 120, 120, 50]] as const;
    expect(stagesOf(laid(...two))).toBe(4);
  });

  test('slopes against one another in one', () => {
    const of = job(
      [part('slope', points([0, 0], [200, 0], [150, 100], [0, 100]), { grain: 'any' })],
      [board(600, 100)],
    );
    const ways = must(prepare(of, STANDARD_GOALS).groups[0]?.piles[0], 'the board').filler.ways;
    const [one, other] = [0, 180].map((turn) =>
      must(
        ways.find((way) => way.turn === turn),
        'a way of lying',
      ),
    );
    const pair = [must(one, 'one'), must(other, 'other')].map((shape, index) => ({
      shape,
      x: fromMm(index * 165),
      y: 0,
    }));
    expect(stagesOf(pair)).toBe(1);
  });
});

describe('sheets in so many stages', () => {
  /** Panels of many sizes out of sheets, which come apart anyhow where nothing is asked. */
  const panels = (seed: number): LayoutJob => {
    const random = noise(seed);
    const size = (from: number, to: number) => Math.round(from + (to - from) * random());
    return job(
      Array.from({ length: 7 }, (_unused, index) =>
        part(`p${index}`, rectangle(size(150, 600), size(90, 400)), {
          quantity: 1 + (index % 3),
          grain: 'any',
        }),
      ),
      [board(1220, 820, { id: 'sheet', quantity: 9, price: 3000, grained: false })],
      { kerf: fromMm(3) },
    );
  };
  const searched = (of: LayoutJob, stages: 2 | 3 | null) => {
    const steps = searchSteps(of, { clock: () => 0, goals: { ...STANDARD_GOALS, stages } });
    let layout = must(steps.next().value, 'a first answer');
    for (let step = 0; step < 4; step += 1) layout = steps.next().value ?? layout;
    return layout;
  };
  const stagesOfAll = (of: LayoutJob, stages: 2 | 3 | null): number => {
    const layout = searched(of, stages);
    expect(checkLayout(of, layout)).toEqual([]);
    expect(layout.unplaced).toEqual([]);
    return Math.max(
      ...layout.boards.map((each) => treeStages(boardTree(of, at(of.stock, 0), each))),
    );
  };

  test.each([1, 2, 3])(
    'all is laid and comes apart in no more, as the cuts are planned (%p)',
    (seed) => {
      const of = panels(seed);
      expect(stagesOfAll(of, 2)).toBeLessThanOrEqual(2);
      expect(stagesOfAll(of, 3)).toBeLessThanOrEqual(3);
    },
  );

  test('knots on the sheet do not change that', () => {
    const of = panels(6);
    const defects = [knot(300, 200, 25), knot(800, 500, 30), knot(500, 700, 20)];
    const knotty = { ...of, stock: of.stock.map((sheet) => ({ ...sheet, defects })) };
    expect(stagesOfAll(knotty, 2)).toBeLessThanOrEqual(2);
    expect(stagesOfAll(knotty, 3)).toBeLessThanOrEqual(3);
  });

  test('where nothing is asked some need more: the wish is what keeps them apart', () => {
    expect(Math.max(...[1, 2].map((seed) => stagesOfAll(panels(seed), null)))).toBeGreaterThan(3);
  });
});
