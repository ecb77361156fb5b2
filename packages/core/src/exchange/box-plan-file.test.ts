import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { planFor } from '../../test/boxes.js';
import { animalById } from '../animals/index.js';
import { buildBox, FAMILIES, familyById } from '../families/index.js';
import { at, must } from '../lists/index.js';
import type { BoxPlan } from '../plan/index.js';
import { plainText } from '../text/index.js';
import { planDocument, readBoxPlan, writeBoxPlan } from './box-plan-file.js';
import { writePanelSet } from './panel-set-file.js';

type Loose = Record<string, Record<string, unknown>>;

const startOf = (id: string): BoxPlan => {
  const family = must(familyById(id), 'family');
  return planFor(family, must(animalById(family.example), 'animalById'));
};
const written = (id = 'slant-roof') =>
  JSON.parse(JSON.stringify(writeBoxPlan(startOf(id)))) as Loose;
const read = (file: unknown) => readBoxPlan(JSON.stringify(file));
const problems = (file: unknown): string[] => {
  const found = read(file);
  return found.ok ? [] : found.problems.map(({ path, message }) => `${path}: ${message}`);
};

describe('a box plan in a file of its second version', () => {
  test.each(FAMILIES.map(({ id }) => id))('%s comes back as it went out', (id) => {
    expect(read(written(id))).toEqual({ ok: true, value: { plan: startOf(id), notes: [] } });
  });

  test.each([
    [
      'choices.columns',
      'colony',
      (file: Loose) => Object.assign(must(file.choices, 'choices'), { columns: 'abc' }),
    ],
    [
      'choices.roof',
      'slant-roof',
      (file: Loose) => Object.assign(must(file.choices, 'choices'), { roof: 'thatch' }),
    ],
    [
      'choices.porch',
      'slant-roof',
      (file: Loose) => Object.assign(must(file.choices, 'choices'), { porch: 'yes' }),
    ],
    [
      'sizes.frontAboveFloor',
      'slant-roof',
      (file: Loose) => Object.assign(must(file.sizes, 'sizes'), { frontAboveFloor: 90 }),
    ],
    ['sizes.width', 'slant-roof', (file: Loose) => delete must(file.sizes, 'sizes').width],
    ['angles.slope', 'slant-roof', (file: Loose) => delete must(file.angles, 'angles').slope],
    ['choices.vents', 'slant-roof', (file: Loose) => delete must(file.choices, 'choices').vents],
    [
      'wood.porch',
      'slant-roof',
      (file: Loose) =>
        Object.assign(must(file.wood, 'wood'), { porch: must(file.wood, 'wood').front }),
    ],
    ['animals[0]', 'slant-roof', (file: Loose) => Object.assign(file, { animals: ['dragon'] })],
    [
      'fasteners.roof',
      'slant-roof',
      (file: Loose) => Object.assign(must(file.fasteners, 'fasteners'), { roof: 'spike' }),
    ],
    [
      'fasteners.porch',
      'slant-roof',
      (file: Loose) => Object.assign(must(file.fasteners, 'fasteners'), { porch: null }),
    ],
    ['family', 'slant-roof', (file: Loose) => Object.assign(file, { family: 'castle' })],
  ] as const)('names what is not known or missing at %s', (path, family, change) => {
    const file = written(family);
    change(file);
    const found = problems(file);
    expect(found.map((line) => line.split(': ')[0])).toEqual([path]);
  });

  test('is refused where a key is not of the format', () => {
    expect(problems({ ...written(), porch: 1 })[0]).toContain('porch');
    expect(problems({ ...written(), version: 3 })[0]).toMatch(/^version: found version 3/);
  });

  test('a size beyond its range is kept, and refused when the box is built', () => {
    const file = written();
    must(file.sizes, 'sizes').width = 5000;
    const found = read(file);
    if (!found.ok) throw new Error(JSON.stringify(found.problems));
    const built = buildBox(found.value.plan);
    expect(built.ok ? [] : built.refusals.map(({ field }) => field)).toEqual(['width']);
  });

  test('inside another document its problems keep their paths', () => {
    const file = written('colony');
    must(file.choices, 'choices').columns = 'abc';
    const parsed = planDocument.safeParse(file);
    expect(parsed.error?.issues.map(({ path }) => path.join('.'))).toEqual(['choices.columns']);
  });
});

describe('fasteners of the maker’s own', () => {
  const start = startOf('slant-roof');
  const withLadder = (fastener: string): BoxPlan => ({
    ...start,
    fasteners: { default: null, ladder: fastener },
    choices: { ...start.choices, grip: 'ladder' },
  });

  test('are taken where they fit, and refused at their field where their points would come through', () => {
    const fits = buildBox(withLadder('screw-3x20'));
    if (!fits.ok) throw new Error(JSON.stringify(fits.refusals));
    const strips = fits.box.joints.filter(({ between }) => between.includes('ladder'));
    expect(new Set(strips.map(({ fastening }) => fastening?.fastener))).toEqual(
      new Set(['screw-3x20']),
    );
    // 6 mm of strip and 19 mm of front take no 45 mm.
    const long = buildBox(withLadder('screw-4x45'));
    const [refusal] = long.ok ? [] : long.refusals;
    expect(refusal?.field).toBe('fasteners.ladder');
    expect(plainText(refusal?.message ?? [])).toContain('45 mm');
  });
});

interface Before {
  plan: { family: string; schools: Record<string, string>; sizes: Record<string, number> };
  panels: [id: string, thickness: number, copies: number, outline: number[][]][];
}
const before: Before[] = JSON.parse(
  readFileSync(new URL('../../test/release-before/plans.json', import.meta.url), 'utf8'),
);

describe('files of the first version', () => {
  test.each(before.map((each, index) => [each.plan.family, index] as const))(
    'of %s (%i) give the very panels that they gave',
    (_family, index) => {
      const { plan, panels } = at(before, index);
      const found = read(plan);
      if (!found.ok) throw new Error(JSON.stringify(found.problems));
      const built = buildBox(found.value.plan);
      if (!built.ok) throw new Error(JSON.stringify(built.refusals));
      const set = JSON.parse(JSON.stringify(writePanelSet(built.box))) as {
        panels: { id: string; thickness: number; instances: unknown[]; outline: number[][] }[];
      };
      expect(
        set.panels.map(({ id, thickness, instances, outline }) => [
          id,
          thickness,
          instances.length,
          outline,
        ]),
      ).toEqual(panels);
    },
  );

  test('a finish they chose is a coat now, and a pallet’s stamp stands on its wood', () => {
    const painted = must(
      before.find(({ plan }) => plan.schools.finish === 'paint'),
      'painted',
    );
    const found = read(painted.plan);
    expect(found.ok && found.value.plan.finish).toEqual([
      { where: 'outside', what: 'paint', base: 'water', shade: null },
    ]);
    const pallet = JSON.parse(JSON.stringify(at(before, 0).plan));
    pallet.wood.front.material = 'pallet-wood';
    pallet.schools.palletStamp = 'ht';
    const stamped = read(pallet);
    if (!stamped.ok) throw new Error(JSON.stringify(stamped.problems));
    expect(stamped.value.plan.wood.front?.stamp).toBe('HT');
    expect(stamped.value.plan.wood.back?.stamp).toBeUndefined();
  });

  test('faces that they do not say are planed and assumed, and that is told', () => {
    const file = JSON.parse(JSON.stringify(at(before, 0).plan));
    delete file.wood.front.faceA;
    delete file.wood.front.faceB;
    const found = read(file);
    if (!found.ok) throw new Error(JSON.stringify(found.problems));
    expect(found.value.plan.wood.front).toMatchObject({
      faceA: 'planed',
      faceB: 'planed',
      assumed: ['faces'],
    });
    expect(found.value.plan.wood.back?.assumed).toBeUndefined();
    expect(found.value.notes.map(({ path }) => path)).toContain('wood.front');
  });

  test('what they leave out takes the usual, and that and strays are told; a stray opens no front', () => {
    const file = JSON.parse(JSON.stringify(at(before, 0).plan));
    delete file.sizes.ventSize;
    delete file.schools.vents;
    file.sizes.frontAboveFloor = 90;
    file.schools.porch = 'yes';
    const found = read(file);
    if (!found.ok) throw new Error(JSON.stringify(found.problems));
    const told = found.value.notes.map(({ path }) => path);
    expect(told).toEqual(
      expect.arrayContaining([
        'sizes.ventSize',
        'schools.vents',
        'sizes.frontAboveFloor',
        'schools.porch',
      ]),
    );
    const built = buildBox(found.value.plan);
    if (!built.ok) throw new Error(JSON.stringify(built.refusals));
    expect(built.box.openings.some(({ kind }) => kind === 'open-front')).toBe(false);
  });

  test('an answer that is none is an error at its path', () => {
    const file = JSON.parse(JSON.stringify(at(before, 0).plan));
    file.schools.roof = 'thatch';
    expect(problems(file)[0]).toMatch(/^schools\.roof: /);
  });
});
