import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import Module from 'manifold-3d';
import { expectSound } from '../../../test/boxes.js';
import { ANIMALS, animalById } from '../../animals/index.js';
import { at, must } from '../../lists/index.js';
import { fromMm, toMm } from '../../measure/index.js';
import { instanceVolume, measuresOf, panelNames } from '../../panels/index.js';
import { type BoxPlan, type PanelWood, startPlan } from '../../plan/index.js';
import { plainText } from '../../text/index.js';
import { buildBox, checkBox } from '../registry.js';
import { creviceBat } from './family.js';

const planed = (mm: number, material = 'larch'): PanelWood => ({
  thickness: fromMm(mm),
  width: null,
  material,
  faceA: 'planed',
  faceB: 'planed',
});
const bats = must(animalById('crevice-bats-na'), 'crevice-bats-na');
const plan = (
  sizes: Record<string, number> = {},
  choices: Record<string, string> = {},
  slope = 15,
  thickness = 12,
): BoxPlan => {
  const start = startPlan(creviceBat, bats, planed(thickness));
  return {
    ...start,
    sizes: {
      ...start.sizes,
      ...Object.fromEntries(Object.entries(sizes).map(([id, mm]) => [id, fromMm(mm)])),
    },
    choices: { ...start.choices, ...choices },
    angles: { slope },
  };
};
const boxOf = (of: BoxPlan) => {
  const built = buildBox(of);
  if (!built.ok) throw new Error(JSON.stringify(built.refusals));
  return built.box;
};
const ANY = fc
  .record({
    crevices: fc.constantFrom('1', '2', '3', '4'),
    vents: fc.constantFrom('slot', 'none'),
    grip: fc.constantFrom('kerfs', 'rough'),
    crevice: fc.integer({ min: 15, max: 30 }),
    thickness: fc.integer({ min: 9, max: 25 }),
    slope: fc.integer({ min: 0, max: 35 }),
    width: fc.integer({ min: 160, max: 700 }),
  })
  .map(({ crevices, vents, grip, crevice, thickness, slope, width }) =>
    plan({ crevice, width }, { crevices, vents, grip }, slope, thickness),
  );

describe('the crevice bat box', () => {
  test('of thin sheet it is refused where a screw would go into an edge; from 18 mm on it is built', () => {
    const of = (mm: number) => buildBox(startPlan(creviceBat, bats, planed(mm, 'plywood')));
    for (const mm of [9, 12, 15]) {
      const built = of(mm);
      if (built.ok) throw new Error(`built of ${mm} mm`);
      expect(at(built.refusals, 0).field).toMatch(/^wood\./);
      expect(plainText(at(built.refusals, 0).message)).toContain('takes no screw in its edge');
    }
    expect(of(18).ok).toBe(true);
  });

  test('three crevices of 20 between 12 mm boards: cheeks 108 wide', () => {
    const box = boxOf(plan({ crevice: 20 }, { crevices: '3' }));
    // 12 front + 20 + 12 + 20 + 12 + 20 + 12 back.
    expect(
      toMm(
        measuresOf(
          must(
            box.panels.find((panel) => panel.id === 'side-left'),
            'one of the panels',
          ),
        ).blankWidth,
      ),
    ).toBe(108);
    expect(box.cavities).toHaveLength(3);
    expect(box.cavities.map((cavity) => toMm(cavity.origin[1]))).toEqual([0, 32, 64]);
    expect(box.openings.filter((opening) => opening.kind === 'crevice')).toHaveLength(3);
  });

  test('is sound whatever the choices, and every roosting face is scored or rough', () => {
    fc.assert(
      fc.property(ANY, (of) => {
        const box = boxOf(of);
        expectSound(box);
        for (const panel of box.panels.filter((each) =>
          ['front', 'back', 'partition'].includes(each.role),
        )) {
          const faces =
            panel.role === 'partition' ? (['inside', 'outside'] as const) : (['inside'] as const);
          for (const face of faces) {
            const scored = panel.features.some(
              (feature) => feature.kind === 'groove' && feature.face === face,
            );
            expect(scored || panel[face] === 'rough').toBe(true);
          }
        }
      }),
      { numRuns: 60 },
    );
  });

  test('an independent solid modeller finds the same volumes, no overlap, and every crevice empty', async () => {
    const modeller = await Module();
    modeller.setup();
    const { Manifold } = modeller;
    fc.assert(
      fc.property(ANY, (of) => {
        const box = boxOf(of);
        const hulls = box.panels.map((panel) =>
          Manifold.hull(
            at(panel.instances, 0).solid.vertices.map(
              (vertex) => vertex.map(toMm) as [number, number, number],
            ),
          ),
        );
        const union = Manifold.union(hulls);
        const sum =
          box.panels.reduce((total, panel) => total + instanceVolume(at(panel.instances, 0)), 0) /
          320 ** 3;
        expect(Math.abs(union.volume() / sum - 1)).toBeLessThan(1e-3);
        for (const { origin, width, depth, heightFront, heightBack } of box.cavities) {
          const [w, y, d] = [toMm(width) / 2, toMm(origin[1]), toMm(depth)];
          const room = Manifold.hull(
            [-w, w].flatMap((x): [number, number, number][] => [
              [x, y, 0],
              [x, y + d, 0],
              [x, y, toMm(heightFront)],
              [x, y + d, toMm(heightBack)],
            ]),
          );
          expect(Math.abs(room.subtract(union).volume() / room.volume() - 1)).toBeLessThan(1e-3);
          room.delete();
        }
        for (const each of [...hulls, union]) each.delete();
      }),
      { numRuns: 15 },
    );
  });

  test('every animal of the family gets a box that breaks no rule of its own', () => {
    for (const animal of ANIMALS.filter((each) => each.family === 'bat')) {
      const start = startPlan(creviceBat, animal, planed(18));
      expect(
        checkBox(start, boxOf(start))
          .filter((check) => check.severity !== 'kept')
          .map((check) => `${animal.id}: ${plainText(check.text)}`),
      ).toEqual([]);
    }
  });

  test('planed faces left unscored are a stop, and each remedy mends its rule', () => {
    const bad = plan(
      { crevice: 30, landing: 60, width: 200, frontHeight: 400 },
      { grip: 'rough' },
      15,
      18,
    );
    const broken = checkBox(bad, boxOf(bad)).filter((check) => check.severity !== 'kept');
    expect(broken.map((check) => check.id).sort()).toEqual([
      'crevice',
      'grip',
      'height',
      'landing',
      'width',
    ]);
    for (const check of broken) {
      const mended = at(check.remedies, 0).apply(bad);
      expect(checkBox(mended, boxOf(mended)).find((again) => again.id === check.id)?.severity).toBe(
        'kept',
      );
    }
  });

  test('a slot under the roof is refused at its field', () => {
    expect(buildBox(plan({ ventAbove: 560 }))).toMatchObject({
      ok: false,
      refusals: [{ field: 'ventAbove' }],
    });
  });
});

test('panels that share a role are told apart by name', () => {
  const names = panelNames(creviceBat, boxOf(plan({}, { crevices: '3', vents: 'slot' })));
  expect([...names.values()]).toEqual([
    'Front, lower',
    'Front, upper',
    'Partition 1',
    'Partition 2',
    'Back',
    'Left cheek',
    'Right cheek',
    'Roof',
  ]);
});

test('thin boards under a steep roof still meet it', () => {
  expectSound(
    boxOf(
      plan({ crevice: 29, width: 160 }, { crevices: '4', vents: 'slot', grip: 'kerfs' }, 33, 10),
    ),
  );
});
