import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { board, job, layout, part, placed, points, rectangle } from '../../test/layouts.js';
import { drawnLayouts } from '../../test/sawing.js';
import type { LayoutJob } from '../job/index.js';
import type { Layout } from '../layout/index.js';
import { at, must } from '../lists/index.js';
import { atan2, fromMm, toMm } from '../measure/index.js';
import { plainText } from '../text/index.js';
import { type CutPlan, planCuts, type Shop } from './plan-cuts.js';
import { HAND_MIN, sawsFor } from './saws.js';

function planned(of: LayoutJob, laid: Layout, shop: Shop = {}): CutPlan {
  const result = planCuts(of, laid, shop);
  if (!result.ok) throw new Error(result.problems.map(({ message }) => plainText(message)).join());
  return result.plan;
}

/** What a file tells of a setting. */
const told = ({ tool, saw, angle, tilt, stop }: CutPlan['steps'][number]) =>
  [tool, saw, angle, tilt, stop].join('|');

describe('from a layout to the last cut', () => {
  test('over random boxes of all families: every cut once, after the one that gives its piece, at its own angle and tilt; no short piece by hand', () => {
    fc.assert(
      fc.property(drawnLayouts, (drawn) => {
        if (!drawn) return;
        const plan = planned(drawn.job, drawn.layout);
        const made = new Set<string>();
        for (const [index, step] of plan.steps.entries()) {
          expect(told(step)).not.toBe(told(plan.steps[index - 1] ?? { ...step, saw: 'none' }));
          for (const { board: on, cut, hold, fence, faceUp } of step.cuts) {
            const { tree, stock } = at(plan.boards, on);
            const each = at(tree.cuts, cut);
            const giver = tree.cuts.findIndex(({ gives }) => gives.some((id) => id === each.of));
            if (giver >= 0) expect(made).toContain(`${on}:${giver}`);
            expect(made).not.toContain(`${on}:${cut}`);
            made.add(`${on}:${cut}`);
            if (each.kind === 'free') {
              expect([step.tool, hold, fence, faceUp]).toEqual(['free', 'clamp', null, null]);
              continue;
            }
            const { thickness } = must(
              drawn.job.stock.find(({ id }) => id === stock),
              'the board',
            );
            expect(
              Math.abs(atan2(Math.abs(each.cut.shift), thickness) - step.tilt),
            ).toBeLessThanOrEqual(0.05);
            const { faceA, faceB } = must(tree.pieces[each.of]?.wood, 'wood');
            const axis = fence === 'near' || fence === 'far' ? 0 : 1;
            const along = [...faceA, ...faceB].map((point) => point[axis]);
            if (hold === 'hand')
              expect(Math.max(...along) - Math.min(...along)).toBeGreaterThanOrEqual(HAND_MIN);
            const turned = atan2(
              Math.abs(each.cut.along[axis]),
              Math.abs(each.cut.along[1 - axis] ?? 0),
            );
            const angle = step.tool === 'rip' ? 90 - turned : turned;
            expect(Math.abs(angle - step.angle)).toBeLessThanOrEqual(0.05);
          }
        }
        expect(made.size).toBe(plan.boards.reduce((sum, { tree }) => sum + tree.cuts.length, 0));
        expect(plan.lowerBound).toBeLessThanOrEqual(plan.steps.length);
        expect(plan.steps.length).toBeLessThanOrEqual(plan.boardAfterBoard);
      }),
      { numRuns: 25 },
    );
  });

  const lengths = job(
    [
      part('long', rectangle(300, 140), { quantity: 4 }),
      part('short', rectangle(210, 140), { quantity: 4 }),
    ],
    [board(1029, 140, { quantity: 2 })],
  );
  const row = (piece: number, ...ids: string[]) => {
    let x = 0;
    return {
      stock: 'board',
      piece,
      offcuts: [],
      placements: ids.map((id, index) => {
        const each = placed(id, x, 0, { copy: 2 * piece + (index >= 2 ? 1 : 0) });
        x += (id === 'long' ? 300 : 210) + 3;
        return each;
      }),
    };
  };

  test('boards with the same lengths in another order share their stops, each set once', () => {
    const plan = planned(lengths, {
      ...layout([]),
      boards: [row(0, 'long', 'short', 'long', 'short'), row(1, 'short', 'long', 'short', 'long')],
    });
    const stops = plan.steps.map(({ stop }) => stop && toMm(stop));
    expect(stops.filter((stop) => stop === 300)).toHaveLength(1);
    expect(plan.steps.length).toBe(plan.lowerBound);
    expect(plan.boardAfterBoard).toBeGreaterThan(plan.steps.length);
  });

  test('the first cut at an angle or a tilt has a test piece, the later ones none', () => {
    const side = part('side', points([0, 0], [260, 0], [235, 140], [0, 140]), { quantity: 2 });
    const of = job([side], [board(900, 140, { quantity: 2 })]);
    const plan = planned(of, {
      ...layout([]),
      boards: [0, 1].map((piece) => ({
        stock: 'board',
        piece,
        placements: [placed('side', 0, 0, { copy: piece })],
        offcuts: [],
      })),
    });
    const turned = plan.steps.filter(({ angle }) => angle > 0);
    expect(turned.map(({ before }) => before.length)).toEqual([1]);
    expect(at(turned, 0).angle).toBeCloseTo(10.125, 2);
    expect(at(turned, 0).cuts).toHaveLength(2);
  });

  test('a blade that leans one way gets the board turned over for the other', () => {
    const end = (shift: number) =>
      part(`end ${shift}`, rectangle(300, 140), {
        underside: points([0, 0], [300 + shift, 0], [300 + shift, 140], [0, 140]),
      });
    const of = job([end(4), end(-4)], [board(900, 140, { quantity: 2 })]);
    const laid: Layout = {
      ...layout([]),
      boards: [4, -4].map((shift, piece) => ({
        stock: 'board',
        piece,
        placements: [placed(`end ${shift}`, 0, 0)],
        offcuts: [],
      })),
    };
    for (const tiltsTo of ['left', 'right', 'both'] as const) {
      const saws = sawsFor(of.saw).map((saw) => ({ ...saw, tiltsTo }));
      const tilted = planned(of, laid, { saws }).steps.filter(({ tilt }) => tilt > 0);
      expect(tilted).toHaveLength(1);
      const ups = at(tilted, 0).cuts.map(({ faceUp, fence }) => `${faceUp} ${fence}`);
      expect(new Set(ups).size).toBe(2);
    }
    const stiff = sawsFor(of.saw).map((saw) => ({ ...saw, maxTilt: 5 }));
    expect(planCuts(of, laid, { saws: stiff })).toMatchObject({ ok: false });
  });

  test('a board wider than the crosscut saw passes is ripped across; a short piece is clamped, and told', () => {
    const wide = job([part('panel', rectangle(600, 500))], [board(1200, 500, { grained: false })]);
    const [across] = planned(wide, layout([placed('panel', 0, 0)])).steps;
    expect(across).toMatchObject({ tool: 'rip', stop: fromMm(600) });
    const small = job([part('floor', rectangle(120, 140), { quantity: 2 })], [board(243, 140)]);
    const plan = planned(
      small,
      layout([placed('floor', 0, 0), placed('floor', 123, 0, { copy: 1 })]),
    );
    expect(plan.steps.flatMap(({ cuts }) => cuts.map(({ hold }) => hold))).toEqual(['clamp']);
  });
});
