import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { stepClock } from '../../test/clock.js';
import { board, job, layout, part, placed, rectangle } from '../../test/layouts.js';
import { drawnLayouts } from '../../test/sawing.js';
import { checkLayout, searchLayout } from '../layout/index.js';
import { at, must } from '../lists/index.js';
import { fromMm, toMm } from '../measure/index.js';
import { leftToSaw, planAgain, type Sawing, wantedParts } from './again.js';
import { cutAtHand, cutsInOrder } from './at-hand.js';
import { planCuts } from './plan-cuts.js';
import {
  type Copy,
  madeParts,
  type NamedPlan,
  NO_PROGRESS,
  namedPlan,
  type Progress,
  partsIn,
  progressProblems,
  sawnBoards,
} from './progress.js';

const nameOf = ({ part: id, copy }: Copy) => `${id} ${copy}`;
const placedIn = ({ boards }: NamedPlan): string[] =>
  boards.flatMap((each) => partsIn(each, 'p0').map(nameOf));
const wantedOf = ({ parts }: Sawing['job']): string[] =>
  parts.flatMap(({ id, quantity }) =>
    Array.from({ length: quantity }, (_n, copy) => `${id} ${copy}`),
  );

function planned(of: Sawing['job'], laid: Parameters<typeof planCuts>[1]): NamedPlan {
  const result = planCuts(of, laid);
  if (!result.ok) throw new Error('not planned');
  return namedPlan(result.plan);
}
/** The plan that follows, on what is left alone. */
function again(sawing: Sawing, made: readonly Copy[] = []) {
  const left = leftToSaw(sawing, { made });
  const found = searchLayout(left.job, { clock: stepClock(left.job.effort.seconds, 40) });
  expect(checkLayout(left.job, found)).toEqual([]);
  const result = planAgain(sawing, left, found);
  if (!result.ok) throw new Error('not planned again');
  return { left, found, result, plan: namedPlan(result.plan) };
}

describe('planning again in the middle of the sawing', () => {
  const of = job(
    [part('a', rectangle(300, 140), { quantity: 3 }), part('b', rectangle(100, 140))],
    [board(1000, 140, { quantity: 2 })],
  );
  const laid = {
    ...layout([]),
    boards: [
      {
        stock: 'board',
        piece: 0,
        placements: [placed('a', 0, 0), placed('a', 303, 0, { copy: 1 }), placed('b', 606, 0)],
        offcuts: [],
      },
      { stock: 'board', piece: 1, placements: [placed('a', 0, 0, { copy: 2 })], offcuts: [] },
    ],
  };
  const plan = planned(of, laid);

  /** All cuts up to the one that gives a panel. */
  function until(id: string): string[] {
    const order = cutsInOrder(plan);
    const gives = order.findIndex((key) => {
      const [index, cut] = key.split(':');
      const on = at(plan.boards, Number(index));
      return on.cuts
        .find((each) => each.id === cut)
        ?.gives.some((piece) =>
          on.pieces.some(
            ({ id: named, is }) =>
              named === piece && is && typeof is === 'object' && nameOf(is) === id,
          ),
        );
    });
    return order.slice(0, gives + 1);
  }
  const leafOf = (id: string): string =>
    must(
      plan.boards.flatMap(({ pieces }, index) =>
        pieces.flatMap(({ id: named, is }) =>
          is && typeof is === 'object' && nameOf(is) === id ? [`${index}:${named}`] : [],
        ),
      )[0],
      id,
    );

  test('a panel that was cut short is laid anew; what holds panels goes on by its own cuts, under the same names', () => {
    const done = until('a 0');
    const spoilt = {
      piece: leafOf('a 0'),
      left: [[0, 0, fromMm(296), fromMm(140)]],
      defects: [],
    } as const;
    const progress: Progress = { done, ruined: [spoilt] };
    expect(progressProblems(plan.boards, progress)).toEqual([]);
    const { left, result, plan: next } = again({ job: of, plan, progress });
    const made = madeParts(plan.boards, progress).map(nameOf);
    expect(made).not.toContain('a 0');
    expect([...made, ...placedIn(next)].sort()).toEqual(wantedOf(of).sort());
    // Nothing but the panel that went wrong, and what lay on boards that nobody had touched, is laid out again.
    expect(left.job.parts.every(({ id }) => id === 'a')).toBe(true);
    left.kept.forEach(({ key }, index) => {
      expect(result.renamed.get(key)).toBe(`${index}:p0`);
    });
    expect(wantedParts({ job: of, plan, progress }).map(nameOf)).toEqual(['a 0']);
    expect(
      wantedParts(
        { job: of, plan: next, progress: NO_PROGRESS },
        { made: madeParts(plan.boards, progress) },
      ),
    ).toEqual([]);
    expect(result.job.kept).toHaveLength(left.kept.length);
    expect(left.job.stock.every(({ price }) => price === 0)).toBe(true);
  });

  test('its wood is used where something fits in it', () => {
    const one = job(
      [part('a', rectangle(300, 140)), part('b', rectangle(100, 140), { quantity: 2 })],
      [board(420, 140)],
    );
    const before = planned(one, {
      ...layout([]),
      boards: [
        {
          stock: 'board',
          piece: 0,
          placements: [placed('a', 0, 0), placed('b', 303, 0)],
          offcuts: [],
        },
      ],
    });
    const done = cutsInOrder(before);
    const spoilt = must(
      at(before.boards, 0).pieces.find(({ is }) => is && typeof is === 'object' && is.part === 'a'),
      'a',
    );
    const left = [[0, 0, fromMm(150), fromMm(140)]] as const;
    const progress: Progress = { done, ruined: [{ piece: `0:${spoilt.id}`, left, defects: [] }] };
    const { plan: next, result } = again({ job: one, plan: before, progress });
    // Wanted are an a and a second b: what is left of the one gives the other.
    expect(placedIn(next)).toEqual(['b 1']);
    expect(result.job.stock.find(({ id }) => id === at(next.boards, 0).stock)?.from?.piece).toBe(
      `0:${spoilt.id}`,
    );
  });

  test('a second thing that goes wrong is planned on from the first; what was made in both stays made', () => {
    const first: Progress = {
      done: until('a 0'),
      ruined: [{ piece: leafOf('a 0'), left: [], defects: [] }],
    };
    const one = again({ job: of, plan, progress: first });
    const made = madeParts(plan.boards, first);
    const order = cutsInOrder(one.plan);
    const half: Progress = { done: order.slice(0, 1), ruined: [] };
    const hand = must(cutAtHand(one.plan, half), 'a cut');
    const second: Progress = {
      ...half,
      ruined: [{ piece: `${hand.board}:${hand.piece.id}`, left: [], defects: [] }],
    };
    expect(progressProblems(one.plan.boards, second)).toEqual([]);
    expect(cutAtHand(one.plan, second)?.piece.id === hand.piece.id).toBe(false);
    const two = again({ job: one.result.job, plan: one.plan, progress: second }, made);
    const all = [...made, ...madeParts(one.plan.boards, second)].map(nameOf);
    const unplaced = two.found.unplaced.reduce((sum, { count }) => sum + count, 0);
    expect(new Set([...all, ...placedIn(two.plan)]).size).toBe(
      all.length + placedIn(two.plan).length,
    );
    expect(all.length + placedIn(two.plan).length + unplaced).toBe(wantedOf(of).length);
  });

  test('wherever it goes wrong, nothing is made twice, nothing is lost, and kept pieces come apart as before', () => {
    fc.assert(
      fc.property(drawnLayouts, fc.nat(), fc.nat(), (drawn, stop, which) => {
        if (!drawn) return;
        const before = planned(drawn.job, drawn.layout);
        const order = cutsInOrder(before);
        const done = order.slice(0, stop % (order.length + 1));
        const there = sawnBoards(before.boards, { done, ruined: [] }).flatMap(({ index, inHand }) =>
          inHand.flatMap(({ id, is }) => (is === 'waste' ? [] : [`${index}:${id}`])),
        );
        const progress: Progress = {
          done,
          ruined: [{ piece: at(there, which % there.length), left: [], defects: [] }],
        };
        const sawing = { job: drawn.job, plan: before, progress };
        const { left, found, plan: next } = again(sawing);
        const made = madeParts(before.boards, progress).map(nameOf);
        const placedAgain = placedIn(next);
        expect(new Set([...made, ...placedAgain]).size).toBe(made.length + placedAgain.length);
        const unplaced = found.unplaced.reduce((sum, { count }) => sum + count, 0);
        expect(made.length + placedAgain.length + unplaced).toBe(wantedOf(drawn.job).length);
        expect(progressProblems(next.boards, { done: cutsInOrder(next), ruined: [] })).toEqual([]);
        expect(new Set(cutsInOrder(next)).size).toBe(
          next.boards.reduce((sum, { cuts }) => sum + cuts.length, 0),
        );
        left.kept.forEach(({ board: on, piece }, index) => {
          expect(partsIn(at(next.boards, index), 'p0')).toEqual(partsIn(on, piece.id));
          if (piece.wood) expect(at(next.boards, index).pieces[0]?.wood).toEqual(piece.wood);
        });
      }),
      { numRuns: 15 },
    );
  });

  test('an offcut that is on the rack is no wood of the sawing, and what still holds one stays as it is', () => {
    const withOffcut = planned(of, {
      ...laid,
      boards: [
        {
          ...at(laid.boards, 0),
          offcuts: [{ x: fromMm(709), y: 0, length: fromMm(291), width: fromMm(140) }],
        },
      ],
    });
    const order = cutsInOrder(withOffcut);
    const all = leftToSaw({ job: of, plan: withOffcut, progress: { done: order, ruined: [] } }, {});
    expect(all.kept).toEqual([]);
    expect(all.job.stock.map(({ id }) => id)).toEqual(['board']);
    const early = leftToSaw(
      { job: of, plan: withOffcut, progress: { done: order.slice(0, 1), ruined: [] } },
      {},
    );
    expect(early.job.stock.every(({ from }) => from === undefined)).toBe(true);
    expect(toMm(of.saw.kerf)).toBeGreaterThan(0);
  });
});
