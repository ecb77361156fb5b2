import { describe, expect, test } from '@jest/globals';
import { expectSound } from '../../test/boxes.js';
import { built, laidOut, near, panel, start, stops } from '../../test/makers.js';
import { layoutJob, STANDARD_SAW } from '../job/index.js';
import { at, sum } from '../lists/index.js';
import { fromInches, fromMm } from '../measure/index.js';
import { measuresOf, stavesOf } from '../panels/index.js';
import { buildBox } from './registry.js';

/** Houses of many rooms and log boxes as makers build them. Every figure is common practice, no source. */

describe('a terrace of three rooms', () => {
  test('three rooms side by side, three entrances, a drain and a vent in each', () => {
    const { plan, box } = built(start('colony', 'house-sparrow'), {
      choices: { columns: '3', rows: '1', sides: 'one' },
    });
    expect(box.cavities).toHaveLength(3);
    const holes = (kind: string) => box.openings.filter((opening) => opening.kind === kind).length;
    expect([holes('entrance'), holes('drain'), holes('vent-hole')]).toEqual([3, 3, 3]);
    expect(panel(box, 'partition').instances).toHaveLength(2);
    expect(stops(plan, box)).toEqual([]);
    expect(laidOut(plan)).toBeGreaterThan(0);
  });
});

describe('a martin house of twelve rooms 7 × 6 × 12, in two halves back to back', () => {
  const house = () =>
    built(start('colony', 'purple-martin'), {
      wood: (role) =>
        role === 'frame'
          ? { thickness: fromInches(3.5), width: fromInches(1.5) }
          : { thickness: fromInches(0.75), width: fromInches(9.25) },
      sizes: {
        roomWidth: fromInches(7),
        roomHeight: fromInches(6),
        roomDepth: fromInches(12),
        overhangRear: 0,
      },
      choices: { columns: '3', rows: '2', sides: 'halves', access: 'screwed', wide: 'glued' },
    });

  test('two halves of six rooms, every panel of one half a copy of the other’s, the pole’s room between', () => {
    const { box } = house();
    expect(box.cavities).toHaveLength(12);
    for (const { width, depth } of box.cavities) near([width / 8128, depth / 8128], [7, 12]);
    for (const id of ['front', 'back', 'side-left', 'side-right', 'roof'])
      expect([id, panel(box, id).instances.length]).toEqual([id, 2]);
    const ys = panel(box, 'back').instances.map(({ solid }) =>
      Math.max(...solid.vertices.map(([, y]) => y)),
    );
    const far = panel(box, 'back').instances.map(({ solid }) =>
      Math.min(...solid.vertices.map(([, y]) => y)),
    );
    near([(Math.max(...far) - Math.min(...ys)) / 8128], [3.5]);
  });

  test('panels wider than the board are glued up of staves; no rule stops it', () => {
    const { plan, box } = house();
    const floor = panel(box, 'floor');
    expect(measuresOf(floor).blankWidth).toBeGreaterThan(fromInches(9.25));
    expect(stavesOf(floor, fromInches(9.25))?.length).toBeGreaterThan(1);
    expect(stops(plan, box)).toEqual([]);
    expect(laidOut(plan)).toBeGreaterThan(0);
  });
});

describe('a house whose skin is half-inch ply', () => {
  const skin = (corners: string) => {
    const from = start('colony', 'purple-martin');
    const ply = {
      thickness: fromInches(0.5),
      material: 'plywood',
      grade: 'exterior',
      faceA: 'planed',
      faceB: 'planed',
    } as const;
    const SKIN = ['front', 'back', 'side-left', 'side-right', 'roof'];
    const wood = Object.fromEntries(
      Object.entries(from.wood).map(([role, own]) => [
        role,
        SKIN.includes(role) ? { ...own, ...ply } : own,
      ]),
    );
    return { ...from, wood, choices: { ...from.choices, corners, sides: 'one', grip: 'kerfs' } };
  };

  test('sticks in the outer corners of each row take its screws; without them it is refused', () => {
    const plan = skin('sticks');
    const made = buildBox(plan);
    if (!made.ok) throw new Error(JSON.stringify(made.refusals));
    expectSound(made.box);
    const { box } = made;
    const thin = new Set(
      box.panels.filter(({ thickness }) => thickness === fromInches(0.5)).map(({ id }) => id),
    );
    for (const { between, fastening } of box.joints)
      if (fastening) expect(between.every((id) => thin.has(id))).toBe(false);
    const rows = new Set(box.cavities.map(({ origin }) => origin[2])).size;
    const sticks = box.panels.filter(({ role }) => role === 'batten');
    expect(sum(sticks.map(({ instances }) => instances.length))).toBe(4 * rows);
    const bare = buildBox(skin('edges'));
    expect(bare.ok ? '' : at(bare.refusals, 0).field).toMatch(/^wood\./);
  });
});

describe('a box of a log', () => {
  test('four slabs of a 230 mm round, a floor out of its core, a lid of another log: nothing of it comes from boards', () => {
    const { plan, box } = built(start('log', 'great-tit'), {
      sizes: { diameter: fromMm(230), wall: fromMm(22) },
      choices: { floorFrom: 'core', lidFrom: 'log', access: 'lid' },
    });
    const { width, depth } = at(box.cavities, 0);
    // (d − 2w)/√2, plain geometry.
    near([width / 320, depth / 320], Array(2).fill((230 - 44) / Math.SQRT2), 0.05);
    expect(box.panels.map(({ fromLog }) => fromLog)).toEqual(Array(6).fill(true));
    const job = layoutJob({
      name: '',
      plan,
      boxes: 1,
      stock: [],
      saw: STANDARD_SAW,
      seconds: 1,
      pinned: [],
    });
    expect(job.ok && job.job.parts).toEqual([]);
    const lid = box.joints.filter(({ between }) => between.includes('roof'));
    expect(lid.map(({ kind }) => kind)).toEqual(Array(4).fill('screwed'));
    expect(stops(plan, box)).toEqual([]);
  });
});
