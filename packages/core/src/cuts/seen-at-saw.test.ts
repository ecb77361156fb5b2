import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { board, job, layout, part, placed, points } from '../../test/layouts.js';
import { drawnLayouts } from '../../test/sawing.js';
import { at, must } from '../lists/index.js';
import { fromMm, toMm } from '../measure/index.js';
import { areaOf, boundsOf } from '../plane/index.js';
import { cutAt, cutAtHand, cutsInOrder, lastCut } from './at-hand.js';
import { planCuts } from './plan-cuts.js';
import { NO_PROGRESS, namedPlan } from './progress.js';
import { seenAtSaw } from './seen-at-saw.js';

describe('the piece in hand as it lies at the saw', () => {
  test('over random boxes: the fence behind it, the mark where the stop stands, everything that comes of it inside', () => {
    fc.assert(
      fc.property(drawnLayouts, (drawn) => {
        if (!drawn) return;
        const planned = planCuts(drawn.job, drawn.layout);
        if (!planned.ok) throw new Error('not planned');
        const plan = namedPlan(planned.plan);
        plan.steps.forEach((step, index) => {
          step.cuts.forEach((how, place) => {
            const hand = cutAt(plan, index, place);
            const on = at(plan.boards, how.board);
            const { thickness } = must(
              drawn.job.stock.find(({ id }) => id === on.stock),
              'board',
            );
            const seen = seenAtSaw(on, hand, {
              tool: step.tool,
              kerf: drawn.job.saw.kerf,
              thickness,
            });
            if (step.stop !== null)
              expect(
                Math.abs(must(seen.measured, 'what is set').length - step.stop),
              ).toBeLessThanOrEqual(fromMm(0.1));
            if (step.tool === 'rip' && step.angle > 0) expect(seen.measured).toBeNull();
            const [left, fence, right, front] = seen.bounds;
            // What is said to lie at one side does: by the middles of both pieces that have a face up.
            const middle = (id: string | null | undefined) => {
              const leaves = seen.leaves.filter(({ piece }) => piece.id === id);
              return leaves.length === 1 ? boundsOf(at(leaves, 0).outline) : null;
            };
            const [first, second] = [middle(hand.gives[0]?.id), middle(hand.gives[1]?.id)];
            if (first && second && seen.firstAt) {
              const axis = seen.firstAt === 'left' || seen.firstAt === 'right' ? 0 : 1;
              const isLow = seen.firstAt === 'left' || seen.firstAt === 'fence';
              const place = (box: typeof first) => (box[axis] ?? 0) + (box[axis + 2] ?? 0);
              expect(place(first) < place(second)).toBe(isLow);
            }
            for (const [x, y] of seen.leaves.flatMap(({ outline }) => outline)) {
              expect(x).toBeGreaterThan(left - 20);
              expect(x).toBeLessThan(right + 20);
              expect(y).toBeGreaterThan(fence - 20);
              expect(y).toBeLessThan(front + 20);
            }
          });
        });
      }),
      { numRuns: 12 },
    );
  });

  const side = part('side', points([0, 0], [260, 0], [235, 140], [0, 140]));
  const of = job([side], [board(900, 140)]);
  const planned = planCuts(of, layout([placed('side', 0, 0)]));
  if (!planned.ok) throw new Error('not planned');
  const plan = namedPlan(planned.plan);

  test('a board turned over is seen from its other side, and is as large', () => {
    const hand = must(cutAtHand(plan, NO_PROGRESS), 'a cut');
    const on = at(plan.boards, 0);
    const all = (['A', 'B'] as const).flatMap((faceUp) =>
      (['near', 'far', 'low', 'high'] as const).map((fence) =>
        seenAtSaw(
          on,
          { ...hand, how: { ...hand.how, faceUp, fence } },
          { tool: 'crosscut', kerf: of.saw.kerf, thickness: fromMm(16) },
        ),
      ),
    );
    for (const seen of all)
      expect(Math.abs(areaOf(seen.upper)) / fromMm(1) ** 2).toBeCloseTo(900 * 140, 3);
    // From the left end along the long edge, or along the short one where the board is turned over.
    const marks = all.map(({ measured }) => measured && toMm(measured.length));
    expect(marks).toContain(260);
    expect(marks).toContain(235);
  });

  test('cuts come one after the other; the last one is the one to take back', () => {
    const order = cutsInOrder(plan);
    const first = at(order, 0);
    expect(cutAtHand(plan, NO_PROGRESS)?.key).toBe(first);
    expect(lastCut(plan, { done: [] })).toBeNull();
    expect(lastCut(plan, { done: [first] })).toBe(first);
    expect(cutAtHand(plan, { done: order, ruined: [] })).toBeNull();
  });
});
