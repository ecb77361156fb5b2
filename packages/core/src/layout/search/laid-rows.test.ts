import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { board, job, part, points, rectangle } from '../../../test/layouts.js';
import { testSolver } from '../../../test/solver.js';
import { at, must, sum } from '../../lists/index.js';
import { asLaid, merge, relax } from '../bound/relaxed.js';
import { RelaxedMaster } from '../bound/relaxed-master.js';
import { maximalPatterns } from '../bound/relaxed-patterns.js';
import { STANDARD_GOALS } from '../goals.js';
import { checkLayout, searchLayout } from '../index.js';
import { construct } from './construct.js';
import { LaidRows } from './laid-rows.js';
import { prepare } from './prepare.js';

const solver = await testSolver();
const never = () => false;

/** Five of 300 × 90 and five of 300 × 45 on a board of just five times 300 with four kerfs, and dearer ones. */
const of = job(
  [
    part('host', rectangle(300, 90), { quantity: 5 }),
    part('strip', rectangle(300, 45), { quantity: 5 }),
  ],
  [board(1512, 145, { id: 'short', price: 100 }), board(2000, 145, { id: 'long', price: 180 })],
);
const [group] = prepare(of, STANDARD_GOALS).groups.map((each) => {
  each.best = construct(of, each.piles, each, 1, STANDARD_GOALS, never);
  return each;
});

const listed = () => {
  const close = relax(must(group, 'a group').question(), true);
  return must(RelaxedMaster.of(asLaid(close)), 'patterns');
};

describe('listed rows as they are laid', () => {
  test('strips lie in a lane over the row, end to end', () => {
    const rows = new LaidRows(listed(), of, STANDARD_GOALS);
    const { board: laid, isWhole } = rows.propose(must(group, 'a group'), {
      kind: 0,
      counts: [5, 5],
    });
    expect(isWhole).toBe(true);
    expect(laid.filling.pieces.length).toBe(10);
    expect(new Set(laid.filling.pieces.slice(5).map(({ y }) => y)).size).toBe(1);
    // One strip more has no room, and as many as find some are laid.
    expect(rows.propose(must(group, 'a group'), { kind: 0, counts: [5, 6] }).isWhole).toBe(false);
  });

  test('pricing takes in what the boards are worth more for, until nothing more is', () => {
    const own = must(group, 'a group');
    const rows = new LaidRows(listed(), of, STANDARD_GOALS);
    own.pool.learn(own.best.boards);
    const before = own.pool.size;
    let rounds = 0;
    while (rows.price(own, own.pool, solver, never)) rounds += 1;
    expect(rounds).toBeLessThan(20);
    expect(own.pool.size).toBeGreaterThanOrEqual(before);
    const chosen = must(own.pool.choose(solver, 1), 'a choice');
    expect([sum(chosen.missing), sum(chosen.boards.map(({ pile }) => pile.price))]).toEqual([
      0, 100,
    ]);
  });

  test('the layout is found, kept to by the checker, and proven', () => {
    let now = 0;
    const clock = () => {
      now += 1;
      return now;
    };
    const found = searchLayout(of, { clock, solver });
    expect([found.cost, found.optimal, checkLayout(of, found)]).toEqual([100, true, []]);
  });
});

test('a list that is halted is none, however few patterns each board has', () => {
  const close = relax(must(group, 'a group').question(), true);
  let asked = 0;
  const halted = () => {
    asked += 1;
    return asked > 1;
  };
  expect(RelaxedMaster.of(close, halted)).toBeNull();
  // Once for each kind of board, not only after so many patterns of one.
  expect(asked).toBe(2);
});

describe('parts taken for one another', () => {
  const handed = { quantity: 4, outside: 'rough', inside: 'planed' } as const;
  // Mirror images, which may not be turned over.
  const parts = [
    part('left', points([0, 0], [240, 0], [200, 145], [0, 145]), handed),
    part('right', points([0, 0], [200, 0], [240, 145], [0, 145]), handed),
  ];
  const sloped = 3 * Math.hypot(1, 40 / 145);
  const four = 2 * (240 + 200 + sloped) + 3;
  const of = job(parts, [board(four + 0.1, 145, { faceB: 'planed', quantity: 2 })]);
  const own = must(prepare(of, STANDARD_GOALS).groups[0], 'a group');
  const master = must(RelaxedMaster.of(asLaid(merge(relax(own.question(), true), [0, 0]))), 'all');

  test('lie each in a shape of its own, whichever the row was listed with', () => {
    const rows = new LaidRows(master, of, STANDARD_GOALS);
    for (const counts of [
      [4, 0],
      [0, 4],
      [2, 2],
    ])
      expect(rows.propose(own, { kind: 0, counts }).isWhole).toBe(true);
    // A slope of one hand has none of the other to lie against.
    expect(rows.propose(own, { kind: 0, counts: [3, 1] }).isWhole).toBe(false);
  });

  test('are proposed as their row is made, of what is left', () => {
    for (const left of [
      [4, 4],
      [0, 4],
      [2, 2],
    ]) {
      const counts = master.asRow({ kind: 0, counts: [4, 0] }, left);
      expect(sum(counts)).toBe(4);
      counts.forEach((count, index) => {
        expect(count).toBeLessThanOrEqual(at(left, index));
        expect(count % 2).toBe(0);
      });
    }
    const filled = master.fillBoards(solver, [2], never);
    if (filled === null || filled === 'none') throw new Error('two boards hold all');
    expect(parts.map((_part, index) => sum(filled.map(({ counts }) => at(counts, index))))).toEqual(
      [4, 4],
    );
  });
});

describe('the dearest of listed patterns', () => {
  const parts = [
    part('a', rectangle(300, 145), { quantity: 3 }),
    part('b', rectangle(290, 145), { quantity: 3 }),
    part('c', rectangle(170, 100), { quantity: 3 }),
  ];
  const asked = {
    demands: parts.map((each) => ({ part: each, copies: each.quantity })),
    stock: [board(1000, 145)],
    saw: of.saw,
    left: 0,
    fits: () => true,
  };
  const three = (most: number) =>
    fc.array(fc.integer({ min: 0, max: most }), { minLength: 3, maxLength: 3 });

  test.each([
    ['each part by itself', [0, 1, 2]],
    ['two parts taken for one another', [0, 0, 2]],
  ])('is worth what the best is worth of what is left: %s', (_name, classOf) => {
    const relaxation = merge(relax(asked, true), classOf);
    const master = must(RelaxedMaster.of(relaxation), 'patterns');
    const kind = at(relaxation.kinds, 0);
    const patterns = must(maximalPatterns(kind.copies, kind, 1000), 'patterns');
    fc.assert(
      fc.property(three(9), three(3), fc.integer({ min: 0, max: 20 }), (values, left, above) => {
        // What is left of the class, the dearest first.
        const best = Math.max(
          ...patterns.map((counts) =>
            sum(
              counts.map((count, index) => {
                const { members } = at(relaxation.wanted, index);
                const each = members.flatMap((member) =>
                  new Array<number>(at(left, member)).fill(at(values, member)),
                );
                return sum(each.sort((a, b) => b - a).slice(0, count));
              }),
            ),
          ),
        );
        const found = master.dearest(0, { values, left, above }, () => true, 2);
        const worths = found.map((counts) =>
          sum(counts.map((count, index) => count * at(values, index))),
        );
        expect(worths[0] ?? null).toBe(best > above ? best : null);
        expect(worths).toEqual([...worths].sort((a, b) => b - a));
        for (const counts of found)
          counts.forEach((count, index) => {
            expect(count).toBeLessThanOrEqual(at(left, index));
          });
      }),
    );
  });
});
