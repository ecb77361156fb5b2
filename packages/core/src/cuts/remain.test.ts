import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { board, job, knot, layout, part, placed, points, rectangle } from '../../test/layouts.js';
import { drawnLayouts } from '../../test/sawing.js';
import { checkLayout, type Layout, searchLayout } from '../layout/index.js';
import { at, must } from '../lists/index.js';
import { fromMm, toMm } from '../measure/index.js';
import { largestRectangle } from './largest-rectangle.js';
import { planCuts } from './plan-cuts.js';
import { type NamedBoard, namedBoards, progressProblems } from './progress.js';
import { remainingJob } from './remain.js';

const of = job(
  [part('a', rectangle(300, 140), { quantity: 4 }), part('b', rectangle(200, 100))],
  [board(1000, 140, { quantity: 3, defects: [knot(700, 30, 10)] })],
);
const laid: Layout = {
  ...layout([]),
  boards: [
    {
      stock: 'board',
      piece: 0,
      placements: [placed('a', 0, 0), placed('a', 303, 0, { copy: 1 })],
      offcuts: [],
    },
    {
      stock: 'board',
      piece: 2,
      placements: [placed('a', 0, 0, { copy: 2 }), placed('b', 303, 0)],
      offcuts: [],
    },
  ],
};
function boardsOf(given: Layout): NamedBoard[] {
  const planned = planCuts(of, given);
  if (!planned.ok) throw new Error('not planned');
  return namedBoards(planned.plan);
}
const boards = boardsOf(laid);
/** The cut of a board that gives a copy of a part, and those before it. */
function upTo(index: number, id: string, copy = 0): string[] {
  const { cuts, pieces } = at(boards, index);
  const leaf = must(
    pieces.find(({ is }) => is && typeof is === 'object' && is.part === id && is.copy === copy),
    id,
  );
  const before = (piece: string): string[] => {
    const cut = cuts.find(({ gives }) => gives.includes(piece));
    return cut ? [...before(cut.of), `${index}:${cut.id}`] : [];
  };
  return before(leaf.id);
}
const wanted = (left: ReturnType<typeof remainingJob>) =>
  Object.fromEntries(left.parts.map(({ id, quantity }) => [id, quantity]));

describe('what is left of a half-sawn job', () => {
  test('before the first cut it is the job itself', () => {
    expect(remainingJob(of, boards, { done: [], ruined: [] })).toEqual(of);
  });

  test('what is made is not asked for, a piece that still holds parts is kept, untouched boards keep their name', () => {
    const left = remainingJob(of, boards, { done: upTo(0, 'a'), ruined: [] });
    expect(wanted(left)).toEqual({ a: 2, b: 1 });
    expect(left.kept).toHaveLength(1);
    expect(left.stock.map(({ id, quantity }) => [id, quantity])).toEqual([['board', 2]]);
  });

  test('with all, the kept piece is offered as wood and its parts asked for again', () => {
    const left = remainingJob(of, boards, { done: upTo(0, 'a'), ruined: [] }, { all: true });
    expect(left.kept).toBeUndefined();
    expect(wanted(left)).toEqual({ a: 3, b: 1 });
    const piece = must(
      left.stock.find(({ offcut }) => offcut),
      'the piece',
    );
    expect([toMm(piece.length), toMm(piece.width), piece.price, piece.endTrim]).toEqual([
      697, 140, 0, 0,
    ]);
    expect(piece.from?.rect.map(toMm)).toEqual([303, 0, 697, 140]);
    // The knot at 700 lies 397 from the piece's end.
    expect(piece.defects).toEqual([knot(397, 30, 10)]);
  });

  test('a ruined panel is asked for again; what is left of it is an offcut with what was found in it', () => {
    const done = upTo(0, 'a');
    const leaf = must(
      at(boards, 0).pieces.find(({ is }) => is && typeof is === 'object' && is.copy === 0),
      'leaf',
    );
    const split = {
      kind: 'split',
      zone: { kind: 'rect', corner: [fromMm(20), 0], width: fromMm(30), height: fromMm(20) },
    } as const;
    const left = remainingJob(of, boards, {
      done,
      ruined: [
        {
          piece: `0:${leaf.id}`,
          left: [
            [fromMm(10), 0, fromMm(250), fromMm(140)],
            [0, 0, fromMm(5), fromMm(140)],
          ],
          defects: [split],
        },
      ],
    });
    expect(wanted(left)).toEqual({ a: 3, b: 1 });
    const offered = left.stock.filter(({ offcut }) => offcut);
    // The sliver is smaller than any part.
    expect(offered.map(({ length }) => toMm(length))).toEqual([250]);
    expect(at(offered, 0).defects).toEqual([
      {
        kind: 'split',
        zone: { kind: 'rect', corner: [fromMm(10), 0], width: fromMm(30), height: fromMm(20) },
      },
    ]);
  });

  test('pins stay with boards that nobody touched, numbered anew', () => {
    const pin = { ...placed('a', 0, 0, { copy: 3 }), stock: 'board', piece: 1 };
    const gone = { ...placed('a', 0, 0), stock: 'board', piece: 0 };
    const left = remainingJob({ ...of, pinned: [gone, pin] }, boards, {
      done: upTo(0, 'a'),
      ruined: [],
    });
    expect(left.pinned).toEqual([{ ...pin, piece: 0, copy: 1 }]);
  });

  test('a progress that cannot be is named: cuts that are not there, too early, twice', () => {
    const [first = '', second = ''] = upTo(0, 'a', 1);
    const messages = (done: string[], ruined: string[] = []) =>
      progressProblems(boards, {
        done,
        ruined: ruined.map((piece) => ({ piece, left: [], defects: [] })),
      });
    expect(messages([first])).toEqual([]);
    expect(messages(['9:c1'])).toMatchObject([
      { path: 'done[0]', message: expect.stringContaining('no cut') },
    ]);
    expect(messages([second])).toMatchObject([
      { path: 'done[0]', message: expect.stringContaining('not given yet') },
    ]);
    expect(messages([first, first])).toMatchObject([{ path: 'done[1]' }]);
    expect(messages([], ['0:p2'])).toMatchObject([{ path: 'ruined[0].piece' }]);
    expect(messages([first], ['0:p0'])).toMatchObject([
      { message: expect.stringContaining('was cut by') },
    ]);
    expect(messages([first], ['0:p2', '0:p2']).map(({ path }) => path)).toContain(
      'ruined[1].piece',
    );
  });

  test('sawn to any point, nothing made is asked for, the rest can be laid out and keeps the rules', () => {
    fc.assert(
      fc.property(drawnLayouts, fc.nat(), fc.boolean(), (drawn, stop, all) => {
        if (!drawn) return;
        const result = planCuts(drawn.job, drawn.layout);
        if (!result.ok) throw new Error('not planned');
        const named = namedBoards(result.plan);
        const order = result.plan.steps.flatMap(({ cuts }) =>
          cuts.map(({ board: on, cut }) => `${on}:c${cut + 1}`),
        );
        const done = order.slice(0, stop % (order.length + 1));
        const left = remainingJob(drawn.job, named, { done, ruined: [] }, { all });
        const made = named.flatMap(({ pieces, cuts }, index) =>
          pieces.filter(
            ({ id, is }) =>
              is &&
              typeof is === 'object' &&
              cuts.some((cut) => cut.gives.includes(id) && done.includes(`${index}:${cut.id}`)),
          ),
        );
        const total = (parts: typeof left.parts) =>
          parts.reduce((sum, { quantity }) => sum + quantity, 0);
        const kept = left.kept ?? [];
        if (all) expect(kept).toEqual([]);
        const holds = total(drawn.job.parts) - made.length - total(left.parts);
        expect(holds).toBeGreaterThanOrEqual(kept.length);
        if (kept.length === 0) expect(holds).toBe(0);
        for (const { from, endTrim } of left.stock) if (from) expect(endTrim).toBe(0);
        const again = searchLayout(
          { ...left, effort: { seconds: 0.05 } },
          { clock: () => 0, stopped: () => true },
        );
        expect(checkLayout(left, again)).toEqual([]);
      }),
      { numRuns: 12 },
    );
  });
});

describe('the largest rectangle of a piece', () => {
  test.each([
    ['a rectangle is its own', points([0, 0], [300, 0], [300, 140], [0, 140]), 300 * 140],
    // Of a triangle half, whatever its slope.
    ['half of a right triangle', points([0, 0], [300, 0], [0, 140]), (300 * 140) / 4],
    ['half of any triangle on its long side', points([0, 0], [300, 0], [90, 140]), (300 * 140) / 4],
    [
      'as long as the shorter side of a sloped panel, or as high as it can be',
      points([0, 0], [260, 0], [235, 140], [0, 140]),
      235 * 140,
    ],
  ])('%s', (_, face, size) => {
    const [, , length, width] = must(largestRectangle({ faceA: face, faceB: face }), 'a rectangle');
    expect((toMm(length) * toMm(width)) / size).toBeGreaterThan(0.999);
    expect((toMm(length) * toMm(width)) / size).toBeLessThan(1.0001);
  });

  test('is as wide as it must be, though a longer one is larger', () => {
    const wedge = {
      faceA: points([0, 0], [1000, 0], [1000, 10], [0, 110]),
      faceB: points([0, 0], [1000, 0], [1000, 10], [0, 110]),
    };
    const [, , , free = 0] = must(largestRectangle(wedge), 'a rectangle');
    expect(toMm(free)).toBeLessThan(60);
    const [x, y, length, width] = must(largestRectangle(wedge, fromMm(80)), 'a rectangle').map(
      toMm,
    );
    expect(x).toBeLessThan(0.5);
    expect(y).toBe(0);
    expect(width).toBeCloseTo(80, 1);
    expect(length).toBeCloseTo(300, 0);
    expect(largestRectangle(wedge, fromMm(120))).toBeNull();
  });

  test('lies on both faces', () => {
    const [faceA, faceB] = [rectangle(300, 140), points([20, 0], [310, 0], [310, 140], [20, 140])];
    expect(largestRectangle({ faceA, faceB })?.map(toMm)).toEqual([20, 0, 280, 140]);
    expect(largestRectangle({ faceA, faceB: [] })).toBeNull();
  });
});
