import { describe, expect, test } from '@jest/globals';
import { learnedCosts, type SawnPlan, timesOf } from './log.js';
import { USUAL_COSTS } from './plan-cuts.js';
import type { NamedStep } from './progress.js';

const step = (cuts: number, change: Partial<NamedStep> = {}, first = 0): NamedStep => ({
  tool: 'crosscut',
  saw: 'mitre saw',
  angle: 0,
  tilt: 0,
  stop: null,
  before: [],
  cuts: Array.from({ length: cuts }, (_none, index) => ({
    cut: `c${first + index}`,
    board: 0,
    faceUp: 'A' as const,
    fence: 'far' as const,
    end: null,
    hold: 'hand' as const,
  })),
  ...change,
});
/** Cuts one after the other, each so many minutes after the one before. */
const sawn = (steps: readonly NamedStep[], minutes: readonly number[]): SawnPlan => {
  let now = 0;
  return {
    plan: { steps },
    startedAt: 0,
    sawn: minutes.map((gap, index) => {
      now += gap * 60_000;
      return { cut: `0:c${index}`, at: now };
    }),
  };
};
const steps = [step(4), step(3, { tilt: 14 }, 4)];

describe('what was sawn, by the clock', () => {
  test('each setting with its minutes, a break left out', () => {
    const times = timesOf(sawn(steps, [1, 0.5, 0.5, 45, 6, 0.7, 0.7]));
    expect(times.map(({ taken }) => taken)).toEqual([2, expect.closeTo(7.4)]);
    expect(times.map(({ planned }) => planned)).toEqual([
      USUAL_COSTS.saw + 4 * USUAL_COSTS.cut,
      USUAL_COSTS.tilt + 3 * USUAL_COSTS.cut,
    ]);
    expect(timesOf(sawn(steps, [1])).map(({ taken }) => taken)).toEqual([1, null]);
  });

  test('cuts and changes are learned by their median, and only what was timed often enough', () => {
    const one = sawn(steps, [1, 0.6, 0.6, 0.6, 5.6, 0.6, 0.6]);
    expect(learnedCosts([one])).toEqual({ cut: { minutes: 0.6, of: 5 } });
    expect(learnedCosts([one, one, one])).toEqual({
      cut: { minutes: 0.6, of: 15 },
      tilt: { minutes: 5, of: 3 },
    });
    expect(learnedCosts([])).toEqual({});
  });

  test('cuts that were told together, when a connection was back, tell nothing', () => {
    const late = sawn(steps, [9, 0, 0, 0, 0, 0, 0]);
    expect(learnedCosts([late, late])).toEqual({});
    expect(timesOf(late).map(({ taken }) => taken)).toEqual([9, null]);
  });

  test('a change of more than one thing tells of none', () => {
    const both = [step(4), step(3, { tilt: 14, angle: 5 }, 4)];
    const one = sawn(both, [1, 0.6, 0.6, 0.6, 9, 0.6, 0.6]);
    expect(Object.keys(learnedCosts([one, one, one]))).toEqual(['cut']);
  });
});
