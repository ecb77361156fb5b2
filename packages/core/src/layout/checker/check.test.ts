import { describe, expect, test } from '@jest/globals';
import {
  board,
  circle,
  job,
  knot,
  layout,
  part,
  placed,
  points,
  rectangle,
} from '../../../test/layouts.js';
import type { LayoutJob } from '../../job/index.js';
import { at } from '../../lists/index.js';
import { fromMm } from '../../measure/index.js';
import { plainText } from '../../text/index.js';
import type { Layout } from '../layout.js';
import { checkLayout } from './check.js';

const rules = (of: LayoutJob, given: Layout) =>
  [...new Set(checkLayout(of, given).map((violation) => violation.rule))].sort();
const two = (x: number, y: number, more = {}) =>
  layout([placed('a', 0, 0), placed('b', x, y, more)]);

describe('the validity rules', () => {
  const a = part('a', rectangle(100, 100));
  const b = part('b', rectangle(80, 60));

  test('1: thickness within half a millimetre, and an allowed material', () => {
    expect(
      rules(
        job([part('a', rectangle(50, 50), { thickness: fromMm(16.5) })], [board(300, 100)]),
        layout([placed('a', 0, 0)]),
      ),
    ).toEqual([]);
    expect(
      rules(
        job([part('a', rectangle(50, 50), { thickness: fromMm(16.6) })], [board(300, 100)]),
        layout([placed('a', 0, 0)]),
      ),
    ).toEqual([1]);
    expect(
      rules(
        job([part('a', rectangle(50, 50), { materials: ['oak'] })], [board(300, 100)]),
        layout([placed('a', 0, 0)]),
      ),
    ).toEqual([1]);
  });

  test('2: inside the board on both faces, less the end trim', () => {
    const of = job([a], [board(300, 100)]);
    expect(rules(of, layout([placed('a', 200, 0)]))).toEqual([]);
    expect(rules(of, layout([placed('a', 200.1, 0)]))).toEqual([2]);
    expect(rules(of, layout([placed('a', 0, 0.1)]))).toEqual([2]);
    expect(
      rules(job([a], [board(300, 100)], { endTrim: fromMm(10) }), layout([placed('a', 5, 0)])),
    ).toContain(2);
    const bevelled = part('a', rectangle(100, 100), {
      underside: points([0, 0], [110, 0], [110, 100], [0, 100]),
    });
    expect(rules(job([bevelled], [board(105, 100)]), layout([placed('a', 0, 0)]))).toContain(2);
  });

  test('3: a kerf between parts, none along the board’s own edge', () => {
    const of = job([a, b], [board(300, 100)]);
    expect(rules(of, two(103, 0))).toEqual([]);
    expect(rules(of, two(102.9, 0))).toContain(3);
    expect(rules(of, two(50, 20))).toContain(3);
  });

  test('3: edges bevelled the same way share one tilted cut of kerf / cos t; opposite bevels keep a kerf on each face', () => {
    const lean = 16 * Math.tan((20 * Math.PI) / 180);
    const shorter = part('a', rectangle(100, 100), {
      underside: points([0, 0], [100 - lean, 0], [100 - lean, 100], [0, 100]),
    });
    const longer = part('b', points([lean, 0], [80, 0], [80, 100], [lean, 100]), {
      underside: rectangle(80, 100),
    });
    // b's underside begins `lean` before its outline: the two bevels are parallel.
    const of = job([shorter, longer], [board(300, 100)]);
    const shared = 100 - lean + 3 / Math.cos((20 * Math.PI) / 180);
    expect(rules(of, layout([placed('a', 0, 0), placed('b', shared, 0)]))).toEqual([]);
    expect(rules(of, layout([placed('a', 0, 0), placed('b', shared - 0.2, 0)]))).toContain(3);
    const wrong = { ...of, parts: [part('a', rectangle(100, 100)), longer] };
    expect(rules(wrong, layout([placed('a', 0, 0), placed('b', shared, 0)]))).toContain(3);
  });

  test('3 and 6: two sloped sides head to tail share the sloped cut', () => {
    const side = part('a', points([0, 0], [260, 0], [235, 140], [0, 140]), { quantity: 2 });
    const of = job([side], [board(600, 140)]);
    const cut = 3 / Math.cos(Math.atan(25 / 140));
    const tail = (x: number) =>
      layout([placed('a', 0, 0), placed('a', x, 0, { copy: 1, turn: 180 })]);
    expect(rules(of, tail(235 + cut))).toEqual([]);
    expect(rules(of, tail(235 + cut - 0.1))).toContain(3);
    expect(rules(job([side], [board(600, 140)], { maxMitre: 8 }), tail(235 + cut))).toEqual([6, 7]);
  });

  test('4: grain, faces and quantities', () => {
    const of = job([b], [board(300, 100)]);
    expect(rules(of, layout([placed('b', 0, 0, { turn: 90 })]))).toEqual([4]);
    expect(
      rules(
        job([b], [board(300, 100, { grained: false })]),
        layout([placed('b', 0, 0, { turn: 90 })]),
      ),
    ).toEqual([]);
    const inside = part('a', rectangle(100, 100), { inside: 'rough' });
    const oneRough = job([inside], [board(300, 100, { faceB: 'planed' })]);
    expect(rules(oneRough, layout([placed('a', 0, 0)]))).toEqual([4]);
    expect(rules(oneRough, layout([placed('a', 0, 0, { flipped: true })]))).toEqual([]);
    expect(rules(of, layout([placed('b', 0, 0, { copy: 1 })]))).toContain(4);
    expect(rules(of, layout([placed('b', 0, 0), placed('b', 100, 0)]))).toContain(4);
  });

  test('5: knots and holes', () => {
    const front = part('a', rectangle(100, 100), {
      clear: [circle(60, 50, 28)],
      cutAway: [circle(60, 50, 16)],
    });
    const on = (defect: ReturnType<typeof knot>, of = front) =>
      rules(job([of], [board(300, 100, { defects: [defect] })]), layout([placed('a', 0, 0)]));
    expect(on(knot(20, 20, 5))).toEqual([]);
    expect(on(knot(20, 20, 5, 'knot-loose'))).toEqual([5]);
    expect(on(knot(60, 50, 10, 'hole'))).toEqual([]); // the entrance takes it away
    expect(on(knot(60, 50, 17, 'hole'))).toEqual([5]);
    expect(on(knot(60, 75, 5))).toEqual([5]); // in the clear zone
    expect(on(knot(60, 50, 12))).toEqual([]);
    expect(on(knot(20, 20, 5), { ...front, knots: 'none' })).toEqual([5]);
    expect(on(knot(105, 50, 5, 'nail'))).toEqual([]); // touches along an edge only
    expect(on(knot(104.9, 50, 5, 'nail'))).toEqual([5]);
  });

  test('6: a pinwheel has no first through cut', () => {
    const arm = (id: string) => part(id, rectangle(97, 47), { grain: 'any' });
    const of = job([arm('a'), arm('b'), arm('c'), arm('d')], [board(147, 147)], {
      kerf: fromMm(3),
    });
    const wheel = layout([
      placed('a', 0, 0),
      placed('b', 100, 0, { turn: 90 }),
      placed('c', 50, 100),
      placed('d', 0, 50, { turn: 90 }),
    ]);
    expect(rules(of, wheel)).toEqual([6]);
    expect(rules({ ...of, saw: { ...of.saw, throughCuts: false } }, wheel)).toEqual([]);
  });

  test('6: without a rip every part reaches both long edges', () => {
    const of = job([a, b], [board(300, 100)], { rip: false });
    expect(rules(of, two(103, 0))).toEqual([6]);
    expect(
      rules(
        job([a, part('b', rectangle(80, 99.6))], [board(300, 100)], { rip: false }),
        two(103, 0),
      ),
    ).toEqual([]);
  });

  test('7: mitre and tilt within the saw', () => {
    const lean = 16 * Math.tan((30 * Math.PI) / 180);
    const bevelled = part('a', rectangle(100, 100), {
      underside: points([0, 0], [100 + lean, 0], [100 + lean, 100], [0, 100]),
    });
    expect(rules(job([bevelled], [board(300, 100)]), layout([placed('a', 0, 0)]))).toEqual([]);
    expect(
      rules(job([bevelled], [board(300, 100)], { maxTilt: 20 }), layout([placed('a', 0, 0)])),
    ).toEqual([7]);
    const clipped = part('a', points([20, 0], [100, 0], [100, 100], [0, 100], [0, 20]));
    expect(
      rules(job([clipped], [board(300, 100)], { maxMitre: 40 }), layout([placed('a', 0, 0)])),
    ).toEqual([7]);
  });

  test('8: pieces once, missing copies counted with a reason, pins where they were', () => {
    const of = job([part('a', rectangle(100, 100), { quantity: 2 })], [board(300, 100)]);
    expect(rules(of, layout([placed('a', 0, 0)]))).toEqual([8]);
    expect(
      rules(
        of,
        layout([placed('a', 0, 0)], { unplaced: [{ part: 'a', count: 1, reason: ['no room'] }] }),
      ),
    ).toEqual([]);
    expect(
      rules(of, layout([placed('a', 0, 0)], { unplaced: [{ part: 'a', count: 1, reason: [''] }] })),
    ).toEqual([8]);
    const twice = layout([placed('a', 0, 0)]);
    expect(
      rules(of, {
        ...twice,
        boards: [
          ...twice.boards,
          { ...at(twice.boards, 0), placements: [placed('a', 0, 0, { copy: 1 })] },
        ],
      }),
    ).toEqual([8]);
    const pinned = { ...of, pinned: [{ ...placed('a', 50, 0), stock: 'board', piece: 0 }] };
    expect(rules(pinned, layout([placed('a', 50, 0), placed('a', 153, 0, { copy: 1 })]))).toEqual(
      [],
    );
    expect(rules(pinned, layout([placed('a', 0, 0), placed('a', 153, 0, { copy: 1 })]))).toEqual([
      8,
    ]);
  });

  test('9: offcuts inside the board, a kerf from parts, no smaller than is kept', () => {
    const of = job([a], [board(400, 100)]);
    const kept = (x: number, y: number, length: number, width: number) => {
      const base = layout([placed('a', 0, 0)]);
      return {
        ...base,
        boards: [
          {
            ...at(base.boards, 0),
            offcuts: [{ x: fromMm(x), y: fromMm(y), length: fromMm(length), width: fromMm(width) }],
          },
        ],
      };
    };
    expect(rules(of, kept(103, 0, 297, 100))).toEqual([]);
    expect(rules(of, kept(102, 0, 298, 100))).toEqual([9]);
    expect(rules(of, kept(103, 0, 298, 100))).toEqual([9]);
    expect(rules(of, kept(300, 0, 100, 100))).toEqual([9]);
  });

  test('a violation names its place', () => {
    const [violation] = checkLayout(job([a, b], [board(300, 100)]), two(102, 0));
    expect(violation).toMatchObject({ rule: 3, path: 'boards[0].placements[1]' });
    expect(plainText(violation?.message ?? [])).toContain('kerf');
  });
});
