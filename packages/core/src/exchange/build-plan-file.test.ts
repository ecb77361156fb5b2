import { describe, expect, test } from '@jest/globals';
import Papa from 'papaparse';
import { startFor } from '../../test/plans.js';
import { planBuild } from '../building/index.js';
import { buildBox, FAMILIES } from '../families/index.js';
import { at } from '../lists/index.js';
import { buildPlanSchema, writeBuildPlan } from './build-plan-file.js';
import { HOLE_COLUMNS, writeHolesCsv } from './holes-csv.js';

describe.each(FAMILIES.map((family) => [family.id, family] as const))(
  'the build plan of %s',
  (_id, family) => {
    const plan = startFor(family);
    const built = buildBox(plan);
    if (!built.ok) throw new Error(JSON.stringify(built.refusals));
    const build = planBuild(plan, built.box, 4);

    test('is written as its own schema reads it, copies named only where there are several', () => {
      const file = writeBuildPlan(build, built.box);
      expect(buildPlanSchema.parse(JSON.parse(JSON.stringify(file)))).toEqual(file);
      expect(file.holes).toHaveLength(build.holes.length);
      const several = new Set(
        built.box.panels.flatMap(({ id, instances }) => (instances.length > 1 ? [id] : [])),
      );
      for (const copy of file.assembly.flatMap(({ add }) => add))
        expect(several.has(typeof copy === 'string' ? copy : copy.panel)).toBe(
          typeof copy !== 'string',
        );
      const added = file.assembly.flatMap(({ add }) => add.map((each) => JSON.stringify(each)));
      expect(new Set(added).size).toBe(added.length);
    });

    test('its holes are a table with a line each', () => {
      const { data } = Papa.parse<Record<string, string>>(
        writeHolesCsv(build.holes, built.box.panels, (id) => id),
        { header: true },
      );
      expect(data).toHaveLength(build.holes.length);
      expect(Object.keys(at(data, 0))).toEqual([...HOLE_COLUMNS]);
      data.forEach((line, index) => {
        const hole = at(build.holes, index);
        expect(line.panel).toBe(hole.panel);
        expect(Number(line.first_mm)).toBeCloseTo(hole.from[0].distance / 320, 1);
        expect(line.depth_mm === 'through').toBe(hole.depth === 'through');
      });
    });
  },
);
