import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import Module from 'manifold-3d';
import { answersOf, expectSound } from '../../../test/boxes.js';
import { ANIMALS, animalById } from '../../animals/index.js';
import { at, must } from '../../lists/index.js';
import { fromInches, fromMm, toMm } from '../../measure/index.js';
import {
  instanceVolume,
  measuresOf,
  type Panel,
  type PanelSet,
  panelChanges,
} from '../../panels/index.js';
import { type BoxPlan, type PanelWood, startPlan } from '../../plan/index.js';
import { areaOf } from '../../plane/index.js';
import { cross, subtract, type Vec3 } from '../../solid/index.js';
import { plainText } from '../../text/index.js';
import { buildBox, checkBox } from '../registry.js';
import { slantRoof } from './family.js';

const board = (mm: number): PanelWood => ({
  thickness: fromMm(mm),
  width: null,
  material: 'western-red-cedar',
  faceA: 'rough',
  faceB: 'rough',
});
const chickadee = must(animalById('black-capped-chickadee'), 'black-capped-chickadee');

interface Choice {
  sizes?: Record<string, number>;
  angles?: Record<string, number>;
  choices?: Record<string, string>;
  wood?: Record<string, PanelWood>;
}

/** The chickadee's box of 16 mm boards, with the given choices in millimetres and degrees in place of the standard ones. */
const plan = (choice: Choice = {}, thickness = 16): BoxPlan => {
  const start = startPlan(slantRoof, chickadee, board(thickness));
  const ticks = Object.fromEntries(
    Object.entries(choice.sizes ?? {}).map(([id, mm]) => [id, fromMm(mm)]),
  );
  return {
    ...start,
    sizes: { ...start.sizes, ...ticks },
    angles: { ...start.angles, ...choice.angles },
    choices: { ...start.choices, walls: 'between', access: 'screwed', ...choice.choices },
    wood: { ...start.wood, ...choice.wood },
  };
};

const built = (from: BoxPlan): PanelSet => {
  const result = buildBox(from);
  if (!result.ok)
    throw new Error(
      result.refusals.map((refusal) => `${refusal.field}: ${refusal.message}`).join('\n'),
    );
  return result.box;
};
const panel = (box: PanelSet, id: string): Panel =>
  must(
    box.panels.find((candidate) => candidate.id === id),
    'one of the panels',
  );
const derived = (from: BoxPlan, id: string): number => {
  const result = buildBox(from);
  return result.ok
    ? (result.derived.find((value) => value.id === id)?.value ?? Number.NaN)
    : Number.NaN;
};

const SCHOOL_CHOICES = fc.record(
  Object.fromEntries(
    slantRoof.choices.map((choice) => [choice.id, fc.constantFrom(...answersOf(choice))]),
  ) as Record<string, fc.Arbitrary<string>>,
);
const mm = (min: number, max: number) =>
  fc.integer({ min: min * 10, max: max * 10 }).map((tenths) => tenths / 10);
const SIZE_CHOICES = fc.record({
  width: mm(140, 300),
  depth: mm(140, 300),
  frontHeight: mm(260, 500),
  overhangFront: mm(0, 120),
  overhangSide: mm(0, 60),
  overhangRear: mm(0, 30),
  floorRecess: mm(0, 20),
  backAbove: mm(0, 80),
  backBelow: mm(0, 80),
  drainSize: mm(5, 20),
  ventSize: mm(3, 12),
});
const WOOD_CHOICES = fc.record({
  front: mm(12, 38).map(board),
  back: mm(12, 38).map(board),
  'side-left': mm(12, 38).map(board),
  'side-right': mm(12, 38).map(board),
  floor: mm(12, 38).map(board),
  roof: mm(12, 38).map(board),
});
const ANY_PLAN = fc
  .tuple(
    SCHOOL_CHOICES,
    SIZE_CHOICES,
    mm(0, 90),
    fc.double({ min: 2, max: 35, noNaN: true }),
    WOOD_CHOICES,
  )
  .map(([choices, sizes, rise, slope, wood]) =>
    plan({
      choices,
      angles: { slope },
      wood,
      sizes: {
        ...sizes,
        backHeight: sizes.frontHeight + rise,
        entranceWidth: 32,
        entranceUpright: 30,
        entranceHeight: 120,
      },
    }),
  );

describe('worked examples', () => {
  test('a bevelled front 16 mm thick at 10°: long point − short point = 16 tan 10° = 2.821 mm', () => {
    const front = panel(
      built(plan({ choices: { slope: 'angle' }, angles: { slope: 10 } })),
      'front',
    );
    const { longPoint, shortPoint } = measuresOf(front);
    expect(toMm(longPoint - shortPoint)).toBeCloseTo(2.821, 2);
    const top = must(
      front.edges.find((edge) => Math.abs(edge.tilt) > 1),
      'top',
    );
    expect(top.tilt).toBeCloseTo(10, 6); // the inside face reaches further out
    expect(top.mitre).toBeCloseTo(0, 6);
  });

  test('a side 140 deep, 235 and 260 high slopes at atan(25/140) = 10.125°', () => {
    const of = plan({
      sizes: { depth: 140, frontHeight: 235, backHeight: 260 },
      choices: { measure: 'outside', slope: 'heights' },
    });
    expect(derived(of, 'slope')).toBeCloseTo(10.125, 3);
    const side = panel(built(of), 'side-left');
    expect(measuresOf(side)).toEqual({
      blankLength: fromMm(260),
      blankWidth: fromMm(140),
      longPoint: fromMm(260),
      shortPoint: fromMm(235),
    });
    expect(Math.max(...side.edges.map((edge) => edge.mitre))).toBeCloseTo(10.125, 3);
    expect(side.edges.every((edge) => Math.abs(edge.tilt) < 1e-6)).toBe(true);
  });

  test('heights of 9 1/4 and 10 1/4 in over 5 1/2 in give 10.305°', () => {
    const of = plan({
      sizes: { depth: 139.7, frontHeight: 234.95, backHeight: 260.35 },
      choices: { measure: 'outside', slope: 'heights' },
    });
    expect(derived(of, 'slope')).toBeCloseTo(10.305, 3);
  });

  test('a roof over a run of 200 at 15° is 207.055 mm down the slope', () => {
    // Room 120 deep + front 16 + overhang 64 = 200.
    const of = plan({
      sizes: { depth: 120, overhangFront: 64 },
      choices: { measure: 'inside', slope: 'angle', roof: 'butt' },
      angles: { slope: 15 },
    });
    expect(toMm(derived(of, 'roofSlopeLength'))).toBeCloseTo(207.055, 2);
    const underside = panel(built(of), 'roof').underside.map((point) => point[0]);
    expect(toMm(Math.max(...underside) - Math.min(...underside))).toBeCloseTo(207.055, 2);
  });

  test('a corner clipped 20 mm at 45° is a cut of 28.284 mm', () => {
    const floor = panel(
      built(plan({ sizes: { drainSize: 20 }, choices: { floor: 'clipped' } })),
      'floor',
    );
    const clipped = floor.edges.filter((edge) => Math.abs(edge.mitre - 45) < 1e-6);
    expect(clipped).toHaveLength(4);
    for (const edge of clipped) expect(toMm(edge.length)).toBeCloseTo(28.284, 2);
  });

  test('an octagon from a square s with corners clipped c each way has the area s² − 2c²', () => {
    const floor = panel(
      built(
        plan({
          sizes: { width: 120, depth: 120, drainSize: 20 },
          choices: { floor: 'clipped', measure: 'inside' },
        }),
      ),
      'floor',
    );
    expect(areaOf(floor.outline) / 320 ** 2).toBeCloseTo(120 ** 2 - 2 * 20 ** 2, 3);
  });

  test('5/8 stock in place of 3/4, outside kept: floor, front and back are 1/4 in wider', () => {
    const choice: Choice = {
      sizes: { width: 139.7, depth: 139.7 },
      choices: { measure: 'outside', walls: 'between' },
    };
    const changes = panelChanges(built(plan(choice, 19.05)), built(plan(choice, 15.875)));
    for (const id of ['front', 'back', 'floor']) {
      const width = must(
        changes.find((change) => change.panel === id && change.measure === 'width'),
        'width',
      );
      expect(width.after - width.before).toBe(fromInches(1 / 4));
    }
    expect(
      changes.some((change) => change.panel === 'side-left' && change.measure === 'width'),
    ).toBe(false);
  });

  test('a room 102 deep at 10° is 17.985 mm higher at the back', () => {
    const cavity = at(
      built(
        plan({
          sizes: { width: 102, depth: 102 },
          choices: { measure: 'inside', slope: 'angle' },
          angles: { slope: 10 },
        }),
      ).cavities,
      0,
    );
    expect(toMm(cavity.heightBack - cavity.heightFront)).toBeCloseTo(17.985, 2);
  });

  test('the entrance’s height is to the centre or to the sill, as chosen', () => {
    const heightTo = (entranceTo: string) =>
      at(
        built(plan({ sizes: { entranceWidth: 30, entranceHeight: 150 }, choices: { entranceTo } }))
          .cavities,
        0,
      ).sill;
    expect(heightTo('sill')).toBe(fromMm(150));
    expect(heightTo('centre')).toBe(fromMm(135));
  });
});

describe('any slant-roof box', () => {
  test('panels do not overlap, declared joints share a face, and outlines agree with the solids', () => {
    fc.assert(
      fc.property(ANY_PLAN, (of) => {
        const result = buildBox(of);
        if (!result.ok) {
          expect(plainText(at(result.refusals, 0).message).length).toBeGreaterThan(20);
          return;
        }
        expectSound(result.box);
      }),
      { numRuns: 150 },
    );
  });

  test('left and right sides of equal boards are mirror images', () => {
    const box = built(plan());
    const mirrored = (points: Panel['outline'], width: number) =>
      points.map(([x, y]) => `${x},${width - y}`).sort();
    const [left, right] = [panel(box, 'side-left'), panel(box, 'side-right')];
    expect(mirrored(left.outline, measuresOf(left).blankWidth)).toEqual(
      right.outline.map(([x, y]) => `${x},${y}`).sort(),
    );
  });

  test('every animal of the family gets a box that breaks no rule of its own', () => {
    for (const animal of ANIMALS.filter((each) => each.family === 'slant-roof')) {
      const start = startPlan(slantRoof, animal, board(19.05));
      const broken = checkBox(start, built(start)).filter((check) => check.severity !== 'kept');
      expect(broken.map((check) => `${animal.id}: ${plainText(check.text)}`)).toEqual([]);
    }
  });

  test('each remedy mends the rule it stands beside', () => {
    const planed: PanelWood = { ...board(19), faceA: 'planed', faceB: 'planed' };
    const bad = plan({
      sizes: {
        entranceWidth: 45,
        entranceHeight: 120,
        width: 90,
        floorRecess: 0,
        overhangFront: 5,
      },
      wood: { front: planed },
      choices: { measure: 'inside' },
    });
    const broken = checkBox(bad, built(bad)).filter((check) => check.severity !== 'kept');
    expect(broken.map((check) => check.id).sort()).toEqual([
      'entrance-height',
      'entrance-size',
      'floor',
      'grip',
      'overhang',
      'recess',
    ]);
    expect(broken.find((check) => check.id === 'grip')?.severity).toBe('stop');
    for (const check of broken) {
      const mended = at(check.remedies, 0).apply(bad);
      expect(checkBox(mended, built(mended)).find((again) => again.id === check.id)?.severity).toBe(
        'kept',
      );
    }
  });

  test.each([
    [{ sizes: { width: 70 }, choices: { measure: 'outside' } }, 'width'],
    [{ sizes: { frontHeight: 300, backHeight: 250 }, choices: { slope: 'heights' } }, 'backHeight'],
    [{ sizes: { entranceHeight: 400 } }, 'entranceHeight'],
    [{ sizes: { entranceWidth: 100, entranceHeight: 120 } }, 'entranceWidth'],
    [{ sizes: { drainSize: 39, width: 100, depth: 100 } }, 'drainSize'],
    [{ sizes: { width: -5 } }, 'width'],
    [{ wood: { roof: { ...board(0) } } }, 'wood.roof'],
  ] as const)('%j is refused at %s', (choice, field) => {
    const result = buildBox(plan(choice as Choice));
    expect(result.ok).toBe(false);
    if (!result.ok) expect(result.refusals.map((refusal) => refusal.field)).toContain(field);
  });
});

describe('held against an independent solid modeller', () => {
  test('volumes agree, solids have nothing in common, and the room is as large as the cavity says', async () => {
    const modeller = await Module();
    modeller.setup();
    const { Manifold } = modeller;
    const hull = (of: Panel['instances'][number]) =>
      Manifold.hull(
        of.solid.vertices.map((vertex) => vertex.map(toMm) as [number, number, number]),
      );
    fc.assert(
      fc.property(ANY_PLAN, (of) => {
        const result = buildBox(of);
        // A roof in a groove shares the groove's room with the back; the families' own test holds it.
        if (!result.ok || of.choices.roof === 'groove') return;
        const { box } = result;
        const copies = box.panels.flatMap(({ role, instances }) =>
          instances.map((instance) => ({ role, instance, body: hull(instance) })),
        );
        for (const { instance, body } of copies)
          expect(Math.abs(body.volume() / (instanceVolume(instance) / 320 ** 3) - 1)).toBeLessThan(
            1e-4,
          );
        const hulls = copies.map(({ body }) => body);
        const sum = hulls.reduce((total, each) => total + each.volume(), 0);
        const union = Manifold.union(hulls);
        expect(Math.abs(union.volume() / sum - 1)).toBeLessThan(1e-3);

        // The room: what stays of a block between floor, roof line and walls when every panel is taken away is the whole block.
        const { width, depth, heightFront, heightBack } = at(box.cavities, 0);
        const [w, d, front, back] = [
          toMm(width) / 2,
          toMm(depth),
          toMm(heightFront),
          toMm(heightBack),
        ];
        const room = Manifold.hull(
          [-w, w].flatMap((x): [number, number, number][] => [
            [x, 0, 0],
            [x, d, 0],
            [x, 0, front],
            [x, d, back],
          ]),
        );
        // Battens and ladder strips stand in the room; they take their own volume from it and no more.
        const within = copies
          .filter(({ role }) => role === 'batten' || role === 'ladder')
          .reduce((total, { body }) => total + body.volume(), 0);
        const left = room.volume() - within;
        expect(Math.abs(room.subtract(union).volume() / left - 1)).toBeLessThan(1e-3);
        // A skin half a millimetre thick round the room lies in wood except at the openings for vents and drains.
        const grown = Manifold.hull(
          [-w - 0.5, w + 0.5].flatMap((x): [number, number, number][] => [
            [x, -0.5, -0.5],
            [x, d + 0.5, -0.5],
            [x, -0.5, front + 0.5],
            [x, d + 0.5, back + 0.5],
          ]),
        );
        const open = grown.subtract(room).subtract(union).volume() / 0.5;
        const asked = box.openings
          .filter(
            (opening) =>
              opening.kind === 'vent-gap' ||
              (opening.kind === 'entrance' && of.choices.entrance === 'slot') ||
              (opening.kind === 'drain' && !of.choices.floor?.includes('holes')),
          )
          .reduce((area, opening) => area + spaceArea(opening.polygon) / 320 ** 2, 0);
        const corners = 4 * (toMm(width) + toMm(depth) + front + back);
        expect(open).toBeLessThan(asked * 1.05 + corners);
        expect(open).toBeGreaterThan(asked * 0.9 - corners);
        for (const each of [...hulls, union, room, grown]) each.delete();
      }),
      { numRuns: 40 },
    );
  });
});

function spaceArea(polygon: readonly Vec3[]): number {
  let sum: Vec3 = [0, 0, 0];
  for (let i = 1; i + 1 < polygon.length; i += 1) {
    const turn = cross(
      subtract(at(polygon, i), at(polygon, 0)),
      subtract(at(polygon, i + 1), at(polygon, 0)),
    );
    sum = [sum[0] + turn[0], sum[1] + turn[1], sum[2] + turn[2]];
  }
  return Math.hypot(...sum) / 2;
}
