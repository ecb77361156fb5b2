import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import Module from 'manifold-3d';
import {
  board,
  expectClosed,
  expectClosedSolid,
  expectCopiesAlike,
  expectHolesInside,
  expectMirrorImages,
  expectSound,
  mirrorPairs,
  pivotsOf,
  planFor,
} from '../../test/boxes.js';
import { animalFor, anyPlan, mended, startFor } from '../../test/plans.js';
import { inBraces, lengthsIn } from '../../test/texts.js';
import { ANIMALS, animalById } from '../animals/index.js';
import { at, must } from '../lists/index.js';
import { fromMm, toMm } from '../measure/index.js';
import { instanceVolume, measuresOf, type PanelSet } from '../panels/index.js';
import { applying, type BoxPlan } from '../plan/index.js';
import type { Vec3 } from '../solid/index.js';
import { plainText } from '../text/index.js';
import { FAMILIES } from './list.js';
import { buildBox, checkBox, familyById } from './registry.js';

describe.each(FAMILIES.map((family) => [family.id, family] as const))(
  '%s: any combination',
  (_id, family) => {
    test('builds a sound, closed box, or is refused with the reason', () => {
      let sound = 0;
      fc.assert(
        fc.property(
          anyPlan(family, false),
          fc.integer({ min: 0, max: 600 }),
          fc.constantFrom(true, true, true, false),
          (asked, turn, mend) => {
            const plan = mend ? mended(family, asked) : asked;
            const built = buildBox(plan);
            if (!built.ok) {
              expect(built.refusals.length).toBeGreaterThan(0);
              for (const refusal of built.refusals) {
                // A fault of the family itself is a refusal too, but none that may ever be met.
                expect(refusal.field).not.toBe('family');
                expect(plainText(refusal.message).length).toBeGreaterThan(20);
              }
              return;
            }
            sound += 1;
            expectSound(built.box);
            expectClosed(built.box, turn / 100, built.box.cavities.length > 6 ? 90 : 300);
            for (const panel of built.box.panels) {
              panel.instances.forEach(expectClosedSolid);
              expectCopiesAlike(panel);
              expectHolesInside(panel);
            }
            const roles = applying(family.roles, plan.choices).map((role) => role.id);
            for (const panel of built.box.panels) expect(roles).toContain(panel.role);
            for (const derived of built.derived) expect(Number.isFinite(derived.value)).toBe(true);
          },
        ),
        { numRuns: Number(process.env.SPARE_KNOT_RUNS ?? 12) },
      );
      // A property that refuses everything proves nothing.
      expect(sound).toBeGreaterThan(0);
    });

    test('sizes anywhere in their range never break it', () => {
      fc.assert(
        fc.property(anyPlan(family, true), (plan) => {
          const built = buildBox(plan);
          if (built.ok) expectSound(built.box);
          else {
            expect(built.refusals.map(({ field }) => field)).not.toContain('family');
            expect(plainText(at(built.refusals, 0).message).length).toBeGreaterThan(20);
          }
        }),
        { numRuns: Number(process.env.SPARE_KNOT_RUNS ?? 8) },
      );
    });

    test('left and right of equal boards are mirror images, on both faces', () => {
      let pairs = 0;
      fc.assert(
        fc.property(anyPlan(family, false), (plan) => {
          const twins = Object.keys(plan.wood).filter(
            (role) => role.includes('right') && plan.wood[role.replace('right', 'left')],
          );
          const alike = Object.fromEntries(
            twins.map((role) => [
              role,
              must(plan.wood[role.replace('right', 'left')], role.replace('right', 'left')),
            ]),
          );
          // A wall that swings is narrower than its twin by its play.
          const tight = 'play' in plan.sizes ? { ...plan.sizes, play: 0 } : plan.sizes;
          const wood = { ...plan.wood, ...alike };
          // A side that swings has a gap over it that its twin may lack.
          const screwed = family.choices
            .find(({ id }) => id === 'access')
            ?.options.some(({ id }) => id === 'screwed');
          const sound = mended(family, { ...plan, sizes: tight, wood });
          const choices = { ...sound.choices, ...(screwed && { access: 'screwed' }) };
          const built = buildBox({ ...sound, choices });
          if (!built.ok) return;
          const found = mirrorPairs(built.box);
          pairs += found.length;
          found.forEach(expectMirrorImages);
        }),
        { numRuns: Number(process.env.SPARE_KNOT_RUNS ?? 8) },
      );
      const handed = family.roles.some(({ id }) => id.includes('right'));
      expect(pairs > 0).toBe(handed);
    });

    test('a size out of its range, and a panel without wood, are refused at their field', () => {
      const start = startFor(family);
      for (const parameter of family.parameters.filter(
        (each) => !each.applies || each.applies(start.choices),
      )) {
        const key = parameter.kind === 'angle' ? 'angles' : 'sizes';
        const built = buildBox({
          ...start,
          [key]: { ...start[key], [parameter.id]: parameter.max + 1000 },
        });
        expect(built.ok ? [] : built.refusals.map((refusal) => refusal.field)).toContain(
          parameter.id,
        );
      }
      const role = must(
        applying(family.roles, start.choices).find((each) => !each.offBoard),
        'role',
      );
      const without = buildBox({
        ...start,
        wood: { ...start.wood, [role.id]: { ...must(start.wood[role.id], role.id), thickness: 0 } },
      });
      expect(without.ok ? [] : without.refusals.map((refusal) => refusal.field)).toContain(
        `wood.${role.id}`,
      );
    });

    test('every size on the drawings is one of its sizes, measured between different points', () => {
      const start = startFor(family);
      const built = buildBox(start);
      if (!built.ok) throw new Error(JSON.stringify(built.refusals));
      for (const dimension of family.dimensions(start, built.box)) {
        const parameter = family.parameters.find((each) => each.id === dimension.size);
        expect(parameter?.kind).toBe('length');
        if (dimension.side !== 'leader')
          expect(
            Math.abs(
              Math.abs(dimension.to - dimension.from) -
                must(start.sizes[dimension.size], dimension.size),
            ),
          ).toBeLessThanOrEqual(2);
      }
    });
  },
);

test('every animal of the table gets a box of its family that breaks no rule', () => {
  for (const animal of ANIMALS) {
    const family = must(familyById(animal.family), 'family');
    const plan = planFor(
      family,
      animal,
      animal.family === 'owl' || animal.family === 'bat' ? 15 : 19.05,
    );
    const built = buildBox(plan);
    if (!built.ok) throw new Error(`${animal.id}: ${JSON.stringify(built.refusals)}`);
    expectSound(built.box);
    const broken = checkBox(plan, built.box).filter((check) => check.severity !== 'kept');
    expect(broken.map((check) => `${animal.id}: ${plainText(check.text)}`)).toEqual([]);
  }
});

describe('held against an independent solid modeller', () => {
  test('of every family: volumes agree, solids share nothing but grooves, and every room is empty but for its frame', async () => {
    const modeller = await Module();
    modeller.setup();
    const { Manifold } = modeller;
    for (const family of FAMILIES) {
      fc.assert(
        fc.property(anyPlan(family, false), (plan) => {
          const built = buildBox(plan);
          if (!built.ok) return;
          const { box } = built;
          const instances = box.panels.flatMap((panel) =>
            panel.instances.map((instance) => ({ panel, instance })),
          );
          const hulls = instances.map(({ instance }) =>
            Manifold.hull(
              instance.solid.vertices.map((vertex) => vertex.map(toMm) as [number, number, number]),
            ),
          );
          instances.forEach(({ instance }, index) => {
            expect(
              Math.abs(at(hulls, index).volume() / (instanceVolume(instance) / 320 ** 3) - 1),
            ).toBeLessThan(1e-3);
          });
          const union = Manifold.union(hulls);
          const sum = hulls.reduce((total, each) => total + each.volume(), 0);
          const grooved = box.panels.some((panel) =>
            panel.features.some(
              (feature) =>
                feature.kind === 'groove' &&
                (feature.purpose === 'dado' || feature.purpose === 'notch'),
            ),
          );
          if (!grooved) expect(Math.abs(union.volume() / sum - 1)).toBeLessThan(1e-3);
          const framed = box.panels.filter((panel) =>
            ['post', 'batten', 'lid-batten', 'ladder', 'spacer'].includes(panel.role),
          );
          const inRoom = framed.reduce(
            (total, panel) =>
              total +
              panel.instances.reduce(
                (more, instance) => more + instanceVolume(instance) / 320 ** 3,
                0,
              ),
            0,
          );
          for (const cavity of box.cavities) {
            const [x, y, z] = cavity.origin.map(toMm) as [number, number, number];
            const [w, d] = [toMm(cavity.width) / 2, toMm(cavity.depth)];
            const room = Manifold.hull([
              ...[-w, w].flatMap((side): [number, number, number][] => [
                [x + side, y, z],
                [x + side, y + d, z],
                [x + side, y, z + toMm(cavity.heightFront)],
                [x + side, y + d, z + toMm(cavity.heightBack)],
              ]),
              ...(cavity.ridge === undefined
                ? []
                : [y, y + d].map((at): [number, number, number] => [
                    x,
                    at,
                    z + toMm(must(cavity.ridge, 'ridge')),
                  ])),
            ]);
            const taken = room.volume() - room.subtract(union).volume();
            expect(taken).toBeLessThan(inRoom + room.volume() * 1e-3);
            room.delete();
          }
          for (const each of [...hulls, union]) each.delete();
        }),
        { numRuns: 6 },
      );
    }
  });
});

const built = (plan: BoxPlan): PanelSet => {
  const result = buildBox(plan);
  if (!result.ok) throw new Error(JSON.stringify(result.refusals));
  return result.box;
};
const derivedOf = (plan: BoxPlan, id: string): number => {
  const result = buildBox(plan);
  return result.ok
    ? (result.derived.find((each) => each.id === id)?.value ?? Number.NaN)
    : Number.NaN;
};

describe('worked examples of the families', () => {
  test('pivots stand exactly opposite each other, whatever swings, and there is wood for both', () => {
    let swung = 0;
    for (const family of FAMILIES.filter((each) =>
      each.choices.some((choice) => choice.id === 'access'),
    )) {
      fc.assert(
        fc.property(anyPlan(family, false), fc.constantFrom('side', 'front'), (asked, access) => {
          const result = buildBox(
            mended(family, { ...asked, choices: { ...asked.choices, access } }),
          );
          if (!result.ok) return;
          const pivots = pivotsOf(result.box);
          if (pivots.length === 0) return;
          swung += 1;
          expect(pivots).toHaveLength(2);
          const [a, b] = pivots as [Vec3, Vec3];
          // The axis lies level, along one of the box's own directions.
          expect(a.filter((value, axis) => Math.abs(value - at(b, axis)) <= 2)).toHaveLength(2);
          expect(Math.abs(a[2] - b[2])).toBeLessThanOrEqual(2);
        }),
        { numRuns: 45 },
      );
    }
    expect(swung).toBeGreaterThan(10);
  });

  test('the wall that screws alone hold is the one that the checks name, and is held', () => {
    const named = {
      front: 'its front',
      'side-left': 'its left side',
      'side-right': 'its right side',
      'slab-front': 'its front slab',
    };
    for (const [id, choice, off] of [
      ['slant-roof', { walls: 'over' }, 'front'],
      ['slant-roof', { walls: 'between', opensAt: 'left' }, 'side-left'],
      ['ridge-roof', { walls: 'over' }, 'front'],
      ['square-cut', { opensAt: 'right' }, 'side-right'],
      ['log', {}, 'slab-front'],
    ] as const) {
      const family = must(familyById(id), 'family');
      const start = planFor(family, animalFor(family), 19.05);
      const plan: BoxPlan = {
        ...start,
        choices: { ...start.choices, ...choice, access: 'screwed' },
      };
      const box = built(plan);
      const check = must(
        checkBox(plan, box).find((each) => each.id === 'access'),
        'check',
      );
      expect(inBraces(check.text)).toContain(named[off]);
      const joints = box.joints.filter(
        ({ between, kind }) => between.includes(off) && kind === 'screwed',
      );
      expect(joints.length).toBeGreaterThan(1);
      for (const { fastening } of joints) expect(fastening).toMatchObject({ enough: true });
    }
  });

  test('a wall that swings begins 1/16 in or 1.5 mm clear of each neighbour, and a panel narrower than its twin by both', () => {
    for (const [animal, each] of [
      ['black-capped-chickadee', 25.4 / 16],
      ['great-tit', 1.5],
    ] as const) {
      const family = must(familyById('slant-roof'), 'family');
      const start = planFor(family, must(animalById(animal), animal), 19);
      const choices = { ...start.choices, walls: 'over', access: 'side', opensAt: 'right' };
      const plan: BoxPlan = { ...start, choices };
      const box = built(plan);
      const wide = (id: string) =>
        toMm(
          measuresOf(
            must(
              box.panels.find((panel) => panel.id === id),
              id,
            ),
          ).blankWidth,
        );
      expect(wide('side-left') - wide('side-right')).toBeCloseTo(2 * each, 2);
      expect(checkBox(plan, box).find(({ id }) => id === 'play')?.severity).toBe('kept');
    }
  });

  test('a log’s slabs are screwed where the round is thin: the screw is as long as the wood there wants, not at its middle', () => {
    const family = must(familyById('log'), 'log');
    const plan = planFor(family, must(animalById('eurasian-nuthatch'), 'eurasian-nuthatch'));
    const box = built(plan);
    const slab = must(
      box.panels.find((panel) => panel.id === 'slab-front'),
      'slab',
    );
    const { fastening } = must(
      box.joints.find(
        ({ between }) => between.includes('slab-front') && between.includes('slab-left'),
      ),
      'fastening',
    );
    expect(must(fastening, 'fastening').enough).toBe(true);
    expect(must(fastening, 'fastening').length).toBeLessThan(slab.thickness);
  });

  test('a lapped ridge is fastened where the hole comes out in the face of the slope, not in its bevel', () => {
    const family = must(familyById('ridge-roof'), 'ridge-roof');
    const start = planFor(family, animalFor(family), 9);
    const box = built({
      ...start,
      choices: { ...start.choices, ridge: 'lapped' },
      angles: { pitch: 30 },
    });
    const lap = box.panels.filter((panel) => panel.role.startsWith('roof-'));
    lap.forEach(expectHolesInside);
    // Bored square to the slope, at the ridge's height there is wood enough for a row along it.
    const pilots = lap.flatMap((panel) =>
      panel.features.filter((feature) => feature.kind === 'pilot'),
    );
    expect(pilots.length).toBeGreaterThanOrEqual(4);
  });

  test('a slot across the top leaves a side’s pivots no wood in the front until they are set lower', () => {
    const family = must(familyById('slant-roof'), 'slant-roof');
    const start = planFor(family, must(animalById('eastern-bluebird'), 'eastern-bluebird'), 19.05);
    const plan: BoxPlan = {
      ...start,
      choices: {
        ...start.choices,
        access: 'side',
        walls: 'over',
        vents: 'holes',
        entrance: 'slot',
      },
      sizes: { ...start.sizes, entranceUpright: fromMm(40), pivotBelow: fromMm(25.4) },
    };
    const refused = buildBox(plan);
    expect(refused).toMatchObject({ ok: false, refusals: [{ field: 'pivotBelow' }] });
    const needed = refused.ok ? 0 : (lengthsIn(at(refused.refusals, 0).message)[0] ?? 0);
    // What it names as enough is enough, and hardly more than enough.
    expect(buildBox({ ...plan, sizes: { ...plan.sizes, pivotBelow: fromMm(needed + 1) } }).ok).toBe(
      true,
    );
    expect(buildBox({ ...plan, sizes: { ...plan.sizes, pivotBelow: fromMm(needed - 1) } }).ok).toBe(
      false,
    );
  });

  test('the entrance has the animal’s own shape wherever the family makes it', () => {
    expect(
      planFor(must(familyById('owl'), 'owl'), must(animalById('barn-owl-na'), 'barn-owl-na'), 12)
        .choices.entrance,
    ).toBe('round');
    expect(
      planFor(must(familyById('owl'), 'owl'), must(animalById('barn-owl-eu'), 'barn-owl-eu'), 12)
        .choices.entrance,
    ).toBe('square');
    expect(
      planFor(
        must(familyById('slant-roof'), 'slant-roof'),
        must(animalById('wood-duck'), 'wood-duck'),
      ).choices.entrance,
    ).toBe('oval');
  });

  test('ridge roof, half width 100 at 45°: each slope 141.421 mm to the ridge, mitred at 45°', () => {
    const family = must(familyById('ridge-roof'), 'ridge-roof');
    const start = planFor(family, animalFor(family), 18);
    const plan: BoxPlan = {
      ...start,
      sizes: { ...start.sizes, width: fromMm(200 - 36), overhangSide: 0 },
      choices: { ...start.choices, ridge: 'mitred', measure: 'inside' },
      angles: { pitch: 45 },
    };
    expect(toMm(derivedOf(plan, 'slopeLength'))).toBeCloseTo(141.421, 2);
    const slope = must(
      built(plan).panels.find((panel) => panel.id === 'roof-left'),
      'slope',
    );
    const under = slope.underside.map((point) => point[1]);
    expect(toMm(Math.max(...under) - Math.min(...under))).toBeCloseTo(141.421, 2);
    expect(Math.max(...slope.edges.map((edge) => Math.abs(edge.tilt)))).toBeCloseTo(45, 4);
  });

  test('pole box, half width 3 1/16 in, rise 5 in: slope 5.863 in long, 58.51° from level', () => {
    const family = must(familyById('pole-bat'), 'pole-bat');
    const start = planFor(family, animalFor(family), 19.05);
    // A 3 1/2 in post, crevices of 9/16 in and 3/4 in walls: 1 3/4 + 9/16 + 3/4 = 3 1/16.
    const inch = 8128;
    const plan: BoxPlan = {
      ...start,
      sizes: { ...start.sizes, rise: 5 * inch, notch: 0 },
      wood: {
        ...start.wood,
        post: board(88.9, { width: 3.5 * inch }),
        spacer: board((9 / 16) * 25.4, { width: inch }),
      },
    };
    expect(derivedOf(plan, 'pitch')).toBeCloseTo(58.51, 2);
    expect(derivedOf(plan, 'slopeLength') / inch).toBeCloseTo(5.863, 3);
  });

  test('a square in a round of 230 with 22 left at the corners is (230 − 44)/√2 = 131.522 mm', () => {
    const family = must(familyById('log'), 'log');
    const start = planFor(family, animalFor(family));
    const plan: BoxPlan = {
      ...start,
      sizes: { ...start.sizes, diameter: fromMm(230), wall: fromMm(22), entranceWidth: fromMm(32) },
    };
    expect(toMm(derivedOf(plan, 'room'))).toBeCloseTo(131.522, 2);
    expect(toMm(at(built(plan).cavities, 0).width)).toBeCloseTo(131.522, 2);
  });

  test('a three-quarter panel on an axis 1 in below its upper edge needs 0.0680 in above it, read off the solids', () => {
    const family = must(familyById('slant-roof'), 'slant-roof');
    const start = planFor(family, must(animalById('eastern-bluebird'), 'eastern-bluebird'), 19.05);
    const plan: BoxPlan = {
      ...start,
      sizes: { ...start.sizes, pivotBelow: fromMm(25.4) },
      choices: { ...start.choices, access: 'side', walls: 'over', vents: 'holes' },
    };
    const check = must(
      checkBox(plan, built(plan)).find((each) => each.id === 'swing'),
      'check',
    );
    expect(check.severity).toBe('kept');
    // 0.0680 in = 1.727 mm.
    expect(inBraces(check.text)).toContain('rises {1.727}');
  });

  test('a square-cut box takes its sizes from its boards: 7 1/4 in sides less two 3/4 in boards leave 5 3/4 in', () => {
    const family = must(familyById('square-cut'), 'square-cut');
    const start = planFor(
      family,
      must(animalById('black-capped-chickadee'), 'black-capped-chickadee'),
      19.05,
    );
    const widths: Record<string, number> = {
      front: 139.7,
      back: 139.7,
      floor: 139.7,
      'side-left': 184.15,
      'side-right': 184.15,
      roof: 234.95,
    };
    const plan: BoxPlan = {
      ...start,
      wood: Object.fromEntries(
        Object.entries(start.wood).map(([role, wood]) => [
          role,
          widths[role] ? { ...wood, width: fromMm(must(widths[role], role)) } : wood,
        ]),
      ),
    };
    const box = built(plan);
    expect([toMm(at(box.cavities, 0).width), toMm(at(box.cavities, 0).depth)]).toEqual([
      139.7, 146.05,
    ]);
    for (const panel of box.panels)
      for (const edge of panel.edges)
        expect([edge.tilt, edge.mitre].map((value) => Math.abs(value) < 1e-9)).toEqual([
          true,
          true,
        ]);
    for (const [role, width] of Object.entries(widths))
      expect(
        measuresOf(
          must(
            box.panels.find((panel) => panel.role === role),
            'one of the panels',
          ),
        ).blankWidth,
      ).toBe(fromMm(width));
    const narrow = buildBox({
      ...plan,
      wood: { ...plan.wood, roof: { ...must(plan.wood.roof, 'roof'), width: fromMm(184.15) } },
    });
    expect(narrow).toMatchObject({ ok: false, refusals: [{ field: 'wood.roof' }] });
  });

  test('twenty-four martin rooms, back to back, are built with their shared walls as copies', () => {
    const family = must(familyById('colony'), 'colony');
    const start = planFor(family, animalFor(family));
    const box = built({
      ...start,
      choices: { ...start.choices, columns: '4', rows: '3', sides: 'two', roof: 'flat' },
    });
    expect(box.cavities).toHaveLength(24);
    expect(
      box.panels
        .filter((panel) => panel.role === 'partition')
        .reduce((sum, panel) => sum + panel.instances.length, 0),
    ).toBe(18);
    expect(box.panels.filter((panel) => panel.role === 'partition').length).toBeLessThanOrEqual(2);
  });
});
