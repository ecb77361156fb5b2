import { describe, expect, test } from '@jest/globals';
import { planFor } from '../../../test/boxes.js';
import { animalById } from '../../animals/index.js';
import { buildBox, familyById } from '../../families/index.js';
import { at, entry, must } from '../../lists/index.js';
import { fromMm } from '../../measure/index.js';
import { FASTENERS, fastenerFor, measuresOf, type PanelSet } from '../../panels/index.js';
import type { BoxPlan } from '../../plan/index.js';
import { plainText } from '../../text/index.js';
import { outsideArea } from '../surfaces.js';
import { hardwareOf } from './hardware-of.js';

const chickadee = must(animalById('black-capped-chickadee'), 'black-capped-chickadee');
const slant = must(familyById('slant-roof'), 'slant-roof');
const start = planFor(slant, chickadee, 19);
const built = (plan: BoxPlan): PanelSet => {
  const result = buildBox(plan);
  if (!result.ok) throw new Error(JSON.stringify(result.refusals));
  return result.box;
};
const lines = (plan: BoxPlan) =>
  new Map(hardwareOf(plan, built(plan)).map((line) => [line.id, line]));
const withChoices = (choices: Record<string, string>): BoxPlan => ({
  ...start,
  choices: { ...start.choices, ...choices },
});

const PAINT = { where: 'outside', what: 'paint', base: 'water', shade: null } as const;

describe('fasteners', () => {
  test('never come through, and bite six diameters wherever the wood allows it [ANSI/AWC NDS, from memory]', () => {
    for (let through = 6; through <= 40; through += 1) {
      for (let depth = 6; depth <= 150; depth += 3) {
        for (const kind of ['screw', 'nail'] as const) {
          const chosen = fastenerFor(kind, fromMm(through), fromMm(depth));
          const allowed = FASTENERS.filter(
            (each) =>
              each.kind === kind &&
              each.length > fromMm(through) &&
              each.length <= fromMm(through + depth - 3),
          );
          if (!chosen) {
            expect(allowed).toEqual([]);
            continue;
          }
          expect(chosen.fastener.length).toBeLessThanOrEqual(fromMm(through + depth - 3));
          const could = allowed.some((each) => each.length - fromMm(through) >= 6 * each.diameter);
          expect(chosen.enough).toBe(could);
        }
      }
    }
  });
});

describe('what a box takes beside its wood', () => {
  test('screws are as many as the pilot holes that are drilled, and none is longer than its joint', () => {
    const box = built(start);
    const pilots = box.panels.reduce(
      (sum, panel) =>
        sum +
        panel.features.filter((feature) => feature.kind === 'pilot').length *
          panel.instances.length,
      0,
    );
    const screws = hardwareOf(start, box)
      .filter((line) => line.id.startsWith('screw'))
      .reduce((sum, line) => sum + line.quantity, 0);
    expect(screws).toBe(pilots);
    expect(screws).toBeGreaterThan(12);
  });

  test('a side that swings turns on two plain nails and is latched by one', () => {
    const side = lines(withChoices({ access: 'side', walls: 'over' }));
    expect([side.get('pivot')?.quantity, side.get('latch')?.quantity, side.has('hinge')]).toEqual([
      2,
      1,
      false,
    ]);
    const roof = lines(withChoices({ access: 'roof' }));
    expect([roof.get('hinge')?.quantity, roof.get('hook')?.quantity, roof.has('pivot')]).toEqual([
      2,
      1,
      false,
    ]);
    const strip = lines(withChoices({ roof: 'strip', access: 'roof' }));
    expect([strip.has('strip'), strip.has('hinge')]).toEqual([true, false]);
  });

  test('staves are glued even where screws alone hold the box, and the plies’ edges are coated by themselves', () => {
    const narrow = withChoices({ fastening: 'screws', wide: 'glued' });
    const wood = Object.fromEntries(
      Object.entries(narrow.wood).map(([role, own]) => [
        role,
        role === 'roof' ? { ...own, width: fromMm(110) } : own,
      ]),
    );
    const glue = entry(lines({ ...narrow, wood }), 'glue');
    expect(glue.quantity).toBeGreaterThan(0);
    expect(plainText(glue.why)).toContain('between staves');
    const sheets = Object.fromEntries(
      Object.entries(narrow.wood).map(([role, own]) => [
        role,
        { ...own, material: 'plywood', thickness: fromMm(18) },
      ]),
    );
    const coat = (where: string) =>
      entry(
        lines({
          ...narrow,
          wood: sheets,
          finish: [{ where, what: 'paint', base: 'water', shade: null }],
        }),
        'finish',
      );
    expect(coat('edges').quantity).toBeLessThan(coat('outside').quantity);
    expect(plainText(coat('edges').why)).toContain('plies’ edges');
  });

  test('glue and finish follow the choices', () => {
    expect(lines(withChoices({ fastening: 'screws' })).has('glue')).toBe(false);
    expect(entry(lines(withChoices({ fastening: 'nails' })), 'glue').quantity).toBeGreaterThan(0);
    expect(lines(start).has('finish')).toBe(false);
    expect(entry(lines({ ...start, finish: [PAINT] }), 'finish').quantity).toBeGreaterThan(0);
  });

  test('the outside of a box is what its parts show, less what they cover of each other', () => {
    const box = built(
      withChoices({ roof: 'flat', vents: 'holes', floor: 'holes', floorAt: 'flush' }),
    );
    const { cavities } = box;
    const { width, depth, heightFront } = at(cavities, 0);
    const t = fromMm(19);
    // Walls all round, the floor's underside; the roof's top, edges and what stands out of it.
    const outerWidth = width + 2 * t;
    const outerDepth = depth + 2 * t;
    const walls = 2 * (outerWidth + outerDepth) * (heightFront + t) + outerWidth * outerDepth;
    expect(outsideArea(box)).toBeGreaterThan(walls);
    expect(outsideArea(box)).toBeLessThan(walls + 4 * outerWidth * (outerDepth + fromMm(90)));
  });
});

describe('what is bought and changes no panel', () => {
  test('caulk: under the roof once, along all seams on both sides; none unless asked for', () => {
    const metres = (caulk: string) => lines(withChoices({ caulk })).get('caulk')?.quantity ?? 0;
    expect(metres('none')).toBe(0);
    const box = built(start);
    const seams = (of: (between: readonly string[]) => boolean) =>
      box.joints
        .filter(({ between }) => of(between))
        .reduce((sum, { contact }) => sum + contact.length, 0);
    expect(metres('roof')).toBe(seams((between) => between.includes('roof')));
    expect(metres('all')).toBe(2 * seams(() => true));
  });

  test('what lifts or swings is never caulked shut, and what holds a roof from below takes no cover', () => {
    const lifts = withChoices({ access: 'roof', caulk: 'roof' });
    expect(lines(lifts).has('caulk')).toBe(false);
    const ridge = must(familyById('ridge-roof'), 'ridge-roof');
    const from = planFor(ridge, chickadee, 19);
    const off: BoxPlan = {
      ...from,
      sizes: { ...from.sizes, triangleHigh: fromMm(30) },
      choices: {
        ...from.choices,
        access: 'lift-off',
        cover: 'metal',
        caulk: 'roof',
        vents: 'gap-sides',
      },
    };
    const box = built(off);
    const slopes = box.panels.filter(({ role }) => role === 'roof-left' || role === 'roof-right');
    const area = slopes.reduce((total, each) => {
      const { blankLength, blankWidth } = measuresOf(each);
      return total + (blankLength / 3200) * (blankWidth / 3200);
    }, 0);
    expect(box.panels.some(({ role }) => role === 'roof-triangle')).toBe(true);
    expect(lines(off).get('cover')?.quantity).toBe(Math.ceil(area * 1.15));
    // Its ridge is caulked, the joint on which it lifts is not.
    const between = box.joints.filter((joint) =>
      joint.between.every((id) => slopes.some((slope) => slope.id === id)),
    );
    expect(lines(off).get('caulk')?.quantity).toBe(
      Math.round(between.reduce((total, { contact }) => total + contact.length, 0)),
    );
  });

  test('a cover for the roof is larger than it by its folds; a hole plate has the hole’s size', () => {
    const box = built(start);
    const roof = must(
      box.panels.find(({ id }) => id === 'roof'),
      'roof',
    );
    const { blankLength, blankWidth } = measuresOf(roof);
    const area = (blankLength / 3200) * (blankWidth / 3200);
    const cover = (choice: string) =>
      lines(withChoices({ cover: choice })).get('cover')?.quantity ?? 0;
    expect(cover('none')).toBe(0);
    expect(cover('metal')).toBe(Math.ceil(area * 1.15));
    expect(cover('shingles')).toBe(Math.ceil(area * 2));
    const hole = start.sizes.entranceWidth ?? 0;
    expect(lines(withChoices({ holePlate: 'plate' })).get(`plate-${hole}`)?.quantity).toBe(1);
  });

  test('screws are of the metal that was chosen', () => {
    const named = [...lines(withChoices({ metal: 'stainless' })).values()]
      .filter(({ id }) => id.startsWith('screw-'))
      .map(({ name }) => plainText(name));
    expect(named.length).toBeGreaterThan(0);
    for (const name of named) expect(name).toMatch(/, stainless$/);
  });

  test('where it hangs decides what fixes it: asked, never guessed; a heavy box takes more', () => {
    const fixing = (plan: BoxPlan, on: BoxPlan['place']['on']) =>
      lines({ ...plan, place: { ...plan.place, on } }).get('fixing');
    expect(fixing(start, null)).toBeUndefined();
    const named = (['tree', 'wall', 'post', 'pole', 'water', 'building'] as const).map((on) =>
      plainText(must(fixing(start, on), on).name),
    );
    expect(new Set(named).size).toBe(6);
    expect(fixing(start, 'tree')?.quantity).toBe(2);
    const owl = must(familyById('owl'), 'owl');
    const large = planFor(owl, must(animalById('barn-owl-eu'), 'owl'), 18, { material: 'plywood' });
    expect(fixing(large, 'tree')?.quantity).toBe(4);
    // Holes of its own have their own screws.
    const mounted = withChoices({ mount: 'ends' });
    const own = {
      ...mounted,
      sizes: { ...mounted.sizes, backAbove: fromMm(40), backBelow: fromMm(40) },
    };
    expect(fixing(own, 'tree')).toBeUndefined();
    expect(lines(own).get('mount')?.quantity).toBe(2);
  });

  test('two finishes: what the roof gets the body does not', () => {
    const box = built(start);
    const [body, roof] = ['outside', 'roof'].map((where) => ({ ...PAINT, where }));
    const both = hardwareOf({ ...start, finish: [body, roof].flatMap((coat) => coat ?? []) }, box);
    const of = (id: string) => both.find((line) => line.id === id)?.quantity ?? 0;
    const whole = hardwareOf({ ...start, finish: [PAINT] }, box).find(({ id }) => id === 'finish');
    expect(of('finish-2')).toBeGreaterThan(0);
    // Each of the two is rounded up to a millilitre.
    expect(Math.abs(of('finish') + of('finish-2') - (whole?.quantity ?? 0))).toBeLessThanOrEqual(2);
  });
});
