import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { board, job, layout, part, placed, rectangle } from '../../test/layouts.js';
import { drawnLayouts } from '../../test/sawing.js';
import { at } from '../lists/index.js';
import { toMm } from '../measure/index.js';
import { areaOf } from '../plane/index.js';
import { boardCuts } from './board-cuts.js';
import { planCuts } from './plan-cuts.js';
import { namedPlan } from './progress.js';

describe('the cuts of a board as they are marked', () => {
  test('both coordinates from its left end and near edge, the kerf beyond the line', () => {
    const of = job([part('a', rectangle(300, 100))], [board(1000, 140)]);
    const laid = {
      ...layout([]),
      boards: [{ stock: 'board', piece: 0, placements: [placed('a', 0, 0)], offcuts: [] }],
    };
    const planned = planCuts(of, laid);
    if (!planned.ok) throw new Error('not planned');
    const cuts = boardCuts(namedPlan(planned.plan), 0, {
      kerf: of.saw.kerf,
      thickness: at(of.stock, 0).thickness,
    });
    const told = cuts.map(({ runs, beyond, line }) => ({
      runs,
      beyond,
      at: [...new Set(line.map(([x, y]) => Math.round(toMm(runs === 'along' ? y : x))))],
    }));
    expect(told).toEqual(
      expect.arrayContaining([
        { runs: 'across', beyond: 'right', at: [300] },
        { runs: 'along', beyond: 'far', at: [100] },
      ]),
    );
    expect(cuts.map(({ number }) => number)).toEqual([1, 2]);
  });

  test('every through cut of every board stands there once, as long as its kerf is wide', () => {
    fc.assert(
      fc.property(drawnLayouts, (drawn) => {
        if (!drawn) return;
        const planned = planCuts(drawn.job, drawn.layout);
        if (!planned.ok) throw new Error('not planned');
        const plan = namedPlan(planned.plan);
        plan.boards.forEach(({ stock, cuts }, index) => {
          const thickness = drawn.job.stock.find(({ id }) => id === stock)?.thickness ?? 0;
          const marked = boardCuts(plan, index, { kerf: drawn.job.saw.kerf, thickness });
          expect(marked).toHaveLength(cuts.filter(({ line }) => line).length);
          for (const { line, kerf, isTilted } of marked) {
            const run = Math.hypot(line[1][0] - line[0][0], line[1][1] - line[0][1]);
            const width = Math.abs(areaOf(kerf)) / run;
            expect(width).toBeGreaterThan(drawn.job.saw.kerf * 0.999);
            if (!isTilted) expect(width).toBeCloseTo(drawn.job.saw.kerf, 0);
          }
        });
      }),
      { numRuns: 6 },
    );
  });
});
