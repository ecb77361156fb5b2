import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { FAMILIES } from '@spare-knot/core/families';
import { run } from './run.js';

const folder = new URL('../../../examples/', import.meta.url);
const text = (path: string) => readFileSync(new URL(path, folder), 'utf8');
const spareKnot = (line: string, typed = '') =>
  run(
    line.split(' '),
    (path) => (path === '-' ? typed : text(path)),
    () => 0,
  );

/** The rack that each example is for. */
const RACKS: Record<string, string> = {
  'slant-roof': 'pickets',
  'square-cut': 'pickets',
  'ridge-roof': 'pickets',
  log: 'pickets',
  tube: 'pickets',
  'open-front': 'pallets',
  owl: 'sheets',
  bat: 'sheets',
  'roost-shelf': 'sheets',
  'pole-bat': 'offcuts',
  colony: 'offcuts',
};

describe('the examples', () => {
  test('are one plan for every family', () => {
    const plans = readdirSync(new URL('plans/', folder)).map((name) => name.split('.')[0]);
    expect(plans.sort()).toEqual(FAMILIES.map(({ id }) => id).sort());
    expect(Object.keys(RACKS).sort()).toEqual(plans);
  });

  test.each(Object.entries(RACKS))(
    '%s: read without a word, broken in no rule that stops it, and laid out whole on %s',
    (family, rack) => {
      const plan = `plans/${family}.plan.json`;
      const checks = spareKnot(`checks ${plan}`);
      expect([checks.code, checks.messages]).toEqual([0, []]);
      const severities = (JSON.parse(checks.output) as { severity: string }[]).map(
        (each) => each.severity,
      );
      expect(severities).toContain('kept');
      expect(severities).not.toContain('stop');
      const build = spareKnot(`build ${plan} --boxes 3`);
      expect(build.code).toBe(0);
      const { boxes, assembly } = JSON.parse(build.output) as {
        boxes: number;
        assembly: unknown[];
      };
      expect([boxes, assembly.length > 2]).toEqual([3, true]);
      const job = spareKnot(`job ${plan} rack-${rack}.csv --boxes 1 --seconds 1`);
      expect([job.code, job.messages]).toEqual([0, []]);
      // The clock stands still, so that the first answer is taken whatever the machine does.
      const asked = { ...JSON.parse(job.output), effort: { seconds: 0.001 } };
      const layout = run(['layout', '-'], () => JSON.stringify(asked), stepping());
      expect((JSON.parse(layout.output) as { unplaced: unknown[] }).unplaced).toEqual([]);
    },
  );
});

/** A clock that is a second on each time it is asked. */
function stepping(): () => number {
  let now = 0;
  return () => {
    now += 1000;
    return now;
  };
}
