import { describe, expect, test } from '@jest/globals';
import { board, job, knot, part, points, rectangle } from '../../../test/layouts.js';
import { testSolver } from '../../../test/solver.js';
import { settingsNeeded } from '../../cuts/index.js';
import type { LayoutJob } from '../../job/index.js';
import { at, must, sum } from '../../lists/index.js';
import { fromMm } from '../../measure/index.js';
import { checkLayout } from '../checker/check.js';
import { STANDARD_GOALS } from '../goals.js';
import { assembleLayout } from './assemble.js';
import { type FilledBoard, weigh } from './construct.js';
import { FewerCuts, type FewerCutsSetting, SAME_VALUE } from './fewer-cuts.js';
import type { Group } from './group.js';
import { rebuilt, revalued } from './moves.js';
import { noise } from './noise.js';
import { prepare } from './prepare.js';
import { isBetter, patternOf } from './standing.js';

const solver = await testSolver();
const goals = STANDARD_GOALS;

const groupOf = (of: LayoutJob): Group => must(prepare(of, goals).groups[0], 'the group');

/** A board of a kind with exactly so many copies of each part. */
function filled(of: LayoutJob, group: Group, copies: readonly number[], kind = 0): FilledBoard {
  const pile = at(group.piles, kind);
  const filling = pile.filler.fill({ copies, values: group.values }, 4, pile.ends);
  expect(filling.used).toEqual(copies);
  return weigh(pile, filling, of.saw, goals);
}

/** The last phase, without an end of its time. */
function madeLessWork(
  of: LayoutJob,
  group: Group,
  settings: FewerCutsSetting['settings'] = () => 0,
): void {
  const work = new FewerCuts(group, {
    job: of,
    goals,
    random: noise(3),
    halted: () => false,
    isLate: () => false,
    secondsLeft: () => 5,
    settings,
  });
  for (const _step of work.steps(solver));
}

const work = ({ best: { boards } }: Group) => ({
  boards: boards.length,
  patterns: new Set(boards.map(patternOf)).size,
  cuts: sum(boards.map(({ cuts }) => cuts)),
});

describe('less work for no more money and wood', () => {
  const pair = job(
    [
      part('long', rectangle(850, 140), { quantity: 2 }),
      part('short', rectangle(800, 140), { quantity: 2 }),
    ],
    [board(1900, 140, { id: 'picket', quantity: 4, price: 340 })],
    { kerf: fromMm(3) },
  );

  test('two boards that are cut alike go before two that are not', () => {
    const group = groupOf(pair);
    const boards = [filled(pair, group, [2, 0]), filled(pair, group, [0, 2])];
    group.best = { boards, missing: new Int32Array(2) };
    expect(work(group)).toMatchObject({ boards: 2, patterns: 2 });
    madeLessWork(pair, group);
    expect(work(group)).toMatchObject({ boards: 2, patterns: 1 });
    expect(group.best.boards.map(({ filling }) => filling.used)).toEqual([
      [1, 1],
      [1, 1],
    ]);
  });

  test('what lies on two free offcuts goes on one, and the other is not touched', () => {
    const of = job(
      [part('front', rectangle(600, 140), { quantity: 2 })],
      [board(2600, 140, { id: 'offcut', quantity: 2, price: 0, offcut: true })],
      { kerf: fromMm(3) },
    );
    const group = groupOf(of);
    const boards = [filled(of, group, [1]), filled(of, group, [1])];
    group.best = { boards, missing: new Int32Array(1) };
    madeLessWork(of, group);
    expect(group.best.boards.map(({ filling }) => filling.used)).toEqual([[2]]);
  });

  test('nothing is changed where that costs more, keeps less or leaves more out', () => {
    // On one board the pieces of both would keep 90 mm less of what a maker may use again.
    const of = job(
      [part('front', rectangle(600, 140), { quantity: 2 })],
      [
        board(620, 140, { id: 'short', quantity: 2, price: 100 }),
        board(1300, 140, { id: 'long', quantity: 1, price: 201 }),
      ],
      { kerf: fromMm(3) },
    );
    const group = groupOf(of);
    const boards = [filled(of, group, [1]), filled(of, group, [1])];
    group.best = { boards, missing: new Int32Array(1) };
    madeLessWork(of, group);
    expect(group.best.boards).toEqual(boards);
  });
});

describe('on a maker’s job', () => {
  const of = job(
    [
      part('front', rectangle(240, 140), { quantity: 2 }),
      part('side', points([0, 0], [260, 0], [230, 140], [0, 140]), { quantity: 4 }),
      part('floor', rectangle(110, 110), { quantity: 2, grain: 'any' }),
      part('cleat', rectangle(180, 45), { quantity: 4 }),
    ],
    [
      board(1800, 140, { id: 'picket', quantity: 20, price: 340 }),
      board(1800, 140, { id: 'knotty', quantity: 3, price: 220, defects: [knot(700, 60, 12)] }),
      board(700, 140, { id: 'offcut', quantity: 2, price: 0, offcut: true }),
    ],
    { kerf: fromMm(3) },
  );

  test.each([11, 12, 13, 14])(
    'cost, what is left out and what is kept stay as they are, the work does not grow (%p)',
    (seed) => {
      const prepared = prepare(of, goals);
      const group = must(prepared.groups[0], 'the group');
      const setting = { job: of, goals, random: noise(seed), halted: () => false };
      group.best = must(revalued(group, setting), 'a first layout');
      for (let round = 0; round < 12; round += 1) {
        const next = rebuilt(group, setting);
        if (!next) continue;
        group.pool.learn(next.boards);
        if (isBetter(next, group.best, of, goals)) group.best = next;
      }
      const before = { cost: group.cost, missing: group.missing };
      const used = sum(group.best.boards.map((each) => each.used));
      const assembled = () => assembleLayout({ ...prepared, job: of, goals }, 0);
      const effort = () => {
        const { boards, patterns, cuts } = work(group);
        return ((boards * 100 + patterns) * 1000 + settingsNeeded(of, assembled())) * 1000 + cuts;
      };
      const asked = effort();
      madeLessWork(of, group, (construction) => {
        const { best } = group;
        group.best = construction;
        const needed = settingsNeeded(of, assembled());
        group.best = best;
        return needed;
      });
      expect(checkLayout(of, assembled())).toEqual([]);
      expect(effort()).toBeLessThanOrEqual(asked);
      expect([group.cost, group.missing]).toEqual([before.cost, before.missing]);
      expect(sum(group.best.boards.map((each) => each.used))).toBeLessThanOrEqual(
        used * (1 + SAME_VALUE),
      );
    },
  );
});
