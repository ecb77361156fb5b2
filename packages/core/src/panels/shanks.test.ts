import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { planFor, solidOf } from '../../test/boxes.js';
import { animalFor, anyPlan, mended, startFor } from '../../test/plans.js';
import { buildBox, FAMILIES, familyById } from '../families/index.js';
import { must } from '../lists/index.js';
import { fromMm } from '../measure/index.js';
import { add, cross, distanceTo, dot, scale, subtract, type Vec3 } from '../solid/index.js';
import { fastenerById } from './fasteners.js';
import type { PanelInstance, PanelSet } from './panel-set.js';
import { type Shank, Shanks, shankDistance } from './shanks.js';

const ticks = fc.integer({ min: -30_000, max: 30_000 });
const point: fc.Arbitrary<Vec3> = fc.tuple(ticks, ticks, ticks);
const shank = (from: Vec3, to: Vec3): Shank => ({ from, to, radius: 600 });

describe('the distance between two shanks', () => {
  test('is the least between points of the two, as a fine comb of points finds it', () => {
    fc.assert(
      fc.property(point, point, point, point, (a, b, c, d) => {
        fc.pre(Math.hypot(...subtract(a, b)) > 100 && Math.hypot(...subtract(c, d)) > 100);
        const steps = 60;
        const on = (from: Vec3, to: Vec3, step: number): Vec3 =>
          add(from, scale(subtract(to, from), step / steps));
        let least = Number.POSITIVE_INFINITY;
        for (let i = 0; i <= steps; i += 1)
          for (let j = 0; j <= steps; j += 1)
            least = Math.min(least, Math.hypot(...subtract(on(a, b, i), on(c, d, j))));
        const found = shankDistance(shank(a, b), shank(c, d));
        const coarse = (Math.hypot(...subtract(a, b)) + Math.hypot(...subtract(c, d))) / steps;
        expect(found).toBeLessThanOrEqual(least + 1e-6);
        expect(found).toBeGreaterThanOrEqual(least - coarse);
      }),
    );
  });

  test('two that cross, and one that would touch a placed one', () => {
    const level = shank([0, 0, 0], [10_000, 0, 0]);
    expect(shankDistance(level, shank([5000, -5000, 300], [5000, 5000, 300]))).toBeCloseTo(300);
    const shanks = new Shanks();
    shanks.place([level]);
    expect(shanks.isFree(shank([5000, -5000, 1800], [5000, 5000, 1800]))).toBe(false);
    expect(shanks.isFree(shank([5000, -5000, 1900], [5000, 5000, 1900]))).toBe(true);
  });
});

/** Where a ray enters the wood of a panel, from a point outside it or on its face. */
function entering(instance: PanelInstance, from: Vec3, direction: Vec3): Vec3 {
  const reached = solidOf(instance).faces.flatMap(({ plane }) => {
    const rate = dot(plane.normal, direction);
    return rate < -1e-9 ? [-distanceTo(plane, from) / rate] : [];
  });
  return add(from, scale(direction, Math.max(...reached)));
}

/** Shanks read off the pilot holes of a finished box: square to the face, as long as the fastener that is named there. */
const shanksOf = (box: PanelSet): Shank[] =>
  box.panels.flatMap((panel) =>
    panel.instances.flatMap((instance) =>
      panel.features.flatMap((feature): Shank[] => {
        if (feature.kind !== 'pilot') return [];
        const { frame, outsideNormal } = instance;
        const [x, y] = feature.centre;
        const across = cross(outsideNormal, frame.x);
        const on = add(frame.origin, add(scale(frame.x, x), scale(across, y)));
        const { length, diameter } = must(fastenerById(feature.fastener ?? ''), 'a fastener');
        const direction = scale(outsideNormal, feature.face === 'inside' ? 1 : -1);
        const from = entering(instance, add(on, scale(direction, -fromMm(500))), direction);
        return [{ from, to: add(from, scale(direction, length)), radius: diameter / 2 }];
      }),
    ),
  );

/** Pairs of shanks that touch, from the outer face to their points. */
function touching(box: PanelSet): number {
  const shanks = shanksOf(box);
  let found = 0;
  for (const [index, a] of shanks.entries())
    for (const b of shanks.slice(index + 1))
      if (
        Math.hypot(...subtract(a.from, b.from)) < fromMm(250) &&
        shankDistance(a, b) < a.radius + b.radius
      )
        found += 1;
  return found;
}

describe('screws of a box', () => {
  test.each(FAMILIES.map((family) => [family.id, family] as const))(
    '%s: none meets another in the wood',
    (_id, family) => {
      let fastened = 0;
      for (const thickness of [12, 15.875, 19, 22]) {
        const plan = startFor(family, thickness);
        const built = buildBox(plan);
        if (!built.ok) continue;
        fastened += shanksOf(built.box).length;
        expect([family.id, thickness, touching(built.box)]).toEqual([family.id, thickness, 0]);
      }
      expect(fastened).toBeGreaterThan(8);
    },
  );

  test.each(FAMILIES.map((family) => [family.id, family] as const))(
    '%s: nor in any combination of its choices; each is slipped through the first panel and bites in the second',
    (_id, family) => {
      fc.assert(
        fc.property(anyPlan(family, false), (plan) => {
          const built = buildBox(mended(family, plan));
          if (!built.ok) return;
          expect(touching(built.box)).toBe(0);
          for (const { fastening } of built.box.joints) {
            if (!fastening) continue;
            const { diameter, kind } = must(fastenerById(fastening.fastener), 'fastener');
            expect(fastening.pilot).toBeLessThan(diameter);
            if (kind === 'screw') expect(fastening.clearance).toBeGreaterThanOrEqual(diameter);
            else expect(fastening.clearance).toBeNull();
          }
        }),
        { numRuns: Number(process.env.SPARE_KNOT_RUNS ?? 5) },
      );
    },
  );
});

test('a screw finds no place where every one is taken', () => {
  const shanks = new Shanks();
  for (let z = 0; z < fromMm(60); z += fromMm(4))
    shanks.place([shank([0, -9000, z], [0, 9000, z])]);
  expect(shanks.isFree(shank([-9000, 0, fromMm(30)], [9000, 0, fromMm(30)]))).toBe(false);
});

describe('thin sheet', () => {
  const STICKS = ['post', 'batten', 'bearer', 'lid-batten', 'ladder'];
  const owl = must(familyById('owl'), 'owl');

  test.each([
    ['posts', 9],
    ['posts', 12],
    ['battens', 9],
    ['battens', 12],
  ])(
    'an owl box on %s of %d mm ply: every fastener goes through a face into a stick',
    (frame, mm) => {
      const animal = animalFor(owl);
      const start = planFor(owl, animal, mm, { material: 'plywood' });
      const plan = { ...start, choices: { ...start.choices, frame, lid: 'screwed' } };
      const built = buildBox(plan);
      if (!built.ok) throw new Error(JSON.stringify(built.refusals));
      const roleOf = (id: string) =>
        must(
          built.box.panels.find((panel) => panel.id === id),
          id,
        ).role;
      const fastened = built.box.joints.filter(({ fastening }) => fastening);
      expect(fastened.length).toBeGreaterThan(8);
      for (const { between } of fastened)
        expect([between, between.some((id) => STICKS.includes(roleOf(id)))]).toEqual([
          between,
          true,
        ]);
      // Front and sides meet at an edge, and lean on the stick in their corner.
      const corner = built.box.joints.find(
        ({ between }) => between.includes('front') && between.includes('side-left'),
      );
      expect(corner).toMatchObject({ kind: 'butt', fastening: null });
    },
  );

  test('a box without sticks is refused at its wood below 18 mm, and built from there on', () => {
    const slant = must(familyById('slant-roof'), 'slant-roof');
    const of = (mm: number) => {
      const plan = planFor(slant, animalFor(slant), mm, { material: 'plywood' });
      return buildBox({ ...plan, choices: { ...plan.choices, access: 'screwed' } });
    };
    const thin = of(12);
    expect(thin).toMatchObject({
      ok: false,
      refusals: [{ field: expect.stringMatching(/^wood\./) }],
    });
    expect(of(18).ok).toBe(true);
  });
});
