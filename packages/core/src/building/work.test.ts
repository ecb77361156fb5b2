import { describe, expect, test } from '@jest/globals';
import { startFor } from '../../test/plans.js';
import { buildBox, FAMILIES } from '../families/index.js';
import { sum } from '../lists/index.js';
import { planBuild } from './plan-build.js';
import { minutesLeft, workOf } from './work.js';
import { paceOf, type TimedWork, workKey } from './work-done.js';

describe('work at the bench', () => {
  test.each(FAMILIES.map((family) => [family.id, family] as const))(
    '%s: every step of every box is a piece of work of its own, each bit in each side is one',
    (_id, family) => {
      const plan = startFor(family);
      const built = buildBox(plan);
      if (!built.ok) throw new Error(family.id);
      const build = planBuild(plan, built.box, 3);
      const work = workOf(build, built.box);
      expect(new Set(work.map(workKey)).size).toBe(work.length);
      expect(work.filter(({ kind }) => kind === 'assemble')).toHaveLength(3 * build.steps.length);
      expect(work.filter(({ kind }) => kind === 'finish')).toHaveLength(
        sum(build.finish.map(({ coats }) => coats)),
      );
      // All of it left takes what the plan says, but for changes of bits and caulk, which are no work of their own.
      const all = minutesLeft(work, () => false, {});
      expect(all.bore).toBeLessThanOrEqual(3 * build.times.drilling + 1e-6);
      expect(all.assemble).toBeLessThanOrEqual(3 * build.times.assembly + 1e-6);
      expect(all.finish).toBeCloseTo(3 * build.times.finish);
      expect(minutesLeft(work, () => true, {})).toEqual({ bore: 0, assemble: 0, finish: 0 });
    },
  );

  const minute = 60_000;
  const told = (...minutes: number[]): TimedWork[] =>
    minutes.map((at) => ({ kind: 'assemble', planned: 2, at: at * minute }));

  test('takes what it took: the median of the times between, over what was planned', () => {
    // 3, 5, 4 minutes where 2 were planned.
    expect(paceOf([told(0, 3, 8, 12)])).toEqual({ assemble: { factor: 2, of: 3 } });
    // In whatever order it is read.
    expect(paceOf([told(12, 0, 8, 3)])).toEqual({ assemble: { factor: 2, of: 3 } });
  });

  test('what was told together was done together', () => {
    // Three pieces of work of 2 minutes at the 12th minute, 6 minutes after the press before: as planned.
    expect(paceOf([told(0, 2, 4, 6, 12, 12, 12)])).toEqual({ assemble: { factor: 1, of: 4 } });
  });

  test('breaks tell nothing, nor do fewer than three', () => {
    expect(paceOf([told(0, 3, 8)])).toEqual({});
    expect(paceOf([told(0, 3, 8, 60, 60.01, 64)])).toEqual({ assemble: { factor: 2, of: 3 } });
    // From one batch to the next is no work.
    expect(paceOf([told(0, 3, 8), told(9)])).toEqual({});
  });

  test('longer work may take longer than a break', () => {
    const coat = (at: number): TimedWork => ({ kind: 'finish', planned: 30, at: at * minute });
    expect(paceOf([[coat(0), coat(45), coat(90), coat(135)]])).toEqual({
      finish: { factor: 1.5, of: 3 },
    });
  });

  test('a shop that takes twice as long is told twice the minutes', () => {
    const family = FAMILIES[0];
    if (!family) throw new Error('no family');
    const plan = startFor(family);
    const built = buildBox(plan);
    if (!built.ok) throw new Error(family.id);
    const choices = { school: 'back-first' as const, order: null, bits: null };
    const usual = planBuild(plan, built.box, 2, choices).times;
    const slow = planBuild(plan, built.box, 2, { ...choices, pace: paceOf([told(0, 4, 8, 12)]) });
    expect(slow.times.assembly).toBeCloseTo(2 * usual.assembly);
    expect(slow.times.drilling).toBeCloseTo(usual.drilling);
  });
});
