import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import Module, { type Manifold, type ManifoldToplevel } from 'manifold-3d';
import { anyPlan, mended, startFor } from '../../test/plans.js';
import { buildBox, FAMILIES, familyById } from '../families/index.js';
import { at, must, sum } from '../lists/index.js';
import { fromMm, toMm } from '../measure/index.js';
import {
  fastenerById,
  type PanelCopy,
  type PanelInstance,
  type PanelSet,
} from '../panels/index.js';
import { type BoxPlan, HANGING_WAYS } from '../plan/index.js';
import { add, cross, dot, scale, subtract, type Vec3 } from '../solid/index.js';
import { plainText } from '../text/index.js';
import type { AssemblyStep, StepJoint } from './assembly/steps.js';
import { type Body, bodiesOf, chordOf, inBox, keyOf } from './bodies.js';
import type { Hole } from './holes/hole.js';
import { letterAt } from './letters.js';
import { type BuildPlan, planBuild, stepKey, USUAL_BUILD } from './plan-build.js';

let modeller: ManifoldToplevel;
beforeAll(async () => {
  modeller = await Module();
  modeller.setup();
});

const boxOf = (plan: BoxPlan): PanelSet => {
  const built = buildBox(plan);
  if (!built.ok) throw new Error(plainText(at(built.refusals, 0).message));
  return built.box;
};
const start = (family: string): BoxPlan => startFor(must(familyById(family), family));
const keyOfCopy = ({ panel, instance }: PanelCopy): string => `${panel}:${instance}`;

/** The same solid as the independent modeller has it: the hull of its corners, in millimetres. */
const hullOf = ({ solid }: PanelInstance): Manifold =>
  modeller.Manifold.hull(solid.vertices.map(([x, y, z]) => [toMm(x), toMm(y), toMm(z)]));

const volume = (solid: Manifold): number => solid.volume();

/** A driver’s bit before a head: a prism of eight sides, 3 mm about the axis, from 0.5 to 30 mm behind it. */
function driverAt(head: Vec3, direction: Vec3): Manifold {
  const u = cross(direction, Math.abs(direction[2]) > 0.9 ? [1, 0, 0] : [0, 0, 1]);
  const unitU = scale(u, 1 / Math.hypot(...u));
  const v = cross(direction, unitU);
  const ring = (behind: number): [number, number, number][] =>
    Array.from({ length: 8 }, (_unused, index) => {
      const turn = (index * Math.PI) / 4;
      const point = add(
        add(scale(head, 1 / 320), scale(direction, -behind)),
        add(scale(unitU, 3 * Math.cos(turn)), scale(v, 3 * Math.sin(turn))),
      );
      return [point[0], point[1], point[2]];
    });
  return modeller.Manifold.hull([...ring(0.5), ...ring(30)]);
}

const isDriven = ({ fastener }: StepJoint): boolean => /^(screw|nail)-/.test(fastener ?? '');

/** The holes under the heads of one joint’s fasteners: those behind which the other panel begins. */
const headsOf = (build: BuildPlan, joint: StepJoint, bodies: ReadonlyMap<string, Body>): Hole[] => {
  const from = must(joint.drivenFrom, 'the panel it is driven from');
  const into = must(
    joint.between.find((each) => keyOfCopy(each) !== keyOfCopy(from)),
    'the panel it is driven into',
  );
  const [outer, inner] = [from, into].map((copy) => must(bodies.get(keyOfCopy(copy)), copy.panel));
  return build.holes.filter((hole) => {
    if (keyOfCopy(hole) !== keyOfCopy(from) || hole.depth !== 'through') return false;
    if (hole.for !== 'clearance' && hole.for !== 'pilot') return false;
    const [own, next] = [outer, inner].map((body) => body && chordOf(body, hole.point, hole.axis));
    return !!own && !!next && Math.abs(next[0] - own[1]) < fromMm(0.4);
  });
};

/** Every copy comes once; what is driven is driven into what is there; no head is covered, by the independent modeller’s word. */
function expectBuilt(build: BuildPlan, box: PanelSet): number {
  const solids = new Map<string, Manifold>(
    box.panels.flatMap(({ id, instances }) =>
      instances.map((each, index) => [`${id}:${index}`, hullOf(each)] as const),
    ),
  );
  const bodies = new Map<string, Body>(bodiesOf(box).map((body) => [keyOf(body), body]));
  const there: string[] = [];
  let heads = 0;
  for (const step of build.steps) {
    there.push(...step.add.map(keyOfCopy));
    for (const joint of step.joints) {
      for (const copy of joint.between) expect(there).toContain(keyOfCopy(copy));
      const isNew = joint.between.some((copy) =>
        step.add.some((each) => keyOfCopy(each) === keyOfCopy(copy)),
      );
      expect(isNew).toBe(true);
      if (!isDriven(joint)) continue;
      for (const hole of headsOf(build, joint, bodies)) {
        heads += 1;
        const driver = driverAt(hole.point, hole.axis);
        for (const key of there) {
          if (key === keyOfCopy(hole)) continue;
          const common = volume(must(solids.get(key), key).intersect(driver));
          if (common > 0.5)
            throw new Error(
              `a head in ${hole.panel} is covered by ${key}: ${common.toFixed(1)} mm³`,
            );
        }
      }
    }
  }
  expect([...there].sort()).toEqual([...solids.keys()].sort());
  return heads;
}

/** What moves comes after all that stays, but for a piece that would then find no way in: a tray under a roof that is fastened. */
function expectMovingLast(plan: BoxPlan, box: PanelSet, { steps }: BuildPlan): void {
  const keys = steps.map(stepKey);
  steps.forEach((step, place) => {
    if (!step.moves || steps.slice(place).every(({ moves }) => moves)) return;
    const key = stepKey(step);
    const order = [...keys.filter((each) => each !== key), key];
    const { problems } = planBuild(plan, box, 1, { ...USUAL_BUILD, order });
    expect(problems.map(({ severity }) => severity)).toContain('stop');
  });
}

/** Screws and nails of the panel set’s joints, and of the steps. */
function expectTotals(build: BuildPlan, box: PanelSet): void {
  const joints = build.steps.flatMap((step) => step.joints);
  const driven = joints.filter(isDriven);
  expect(sum(driven.map(({ count }) => count))).toBe(
    sum(box.joints.map(({ fastening }) => fastening?.count ?? 0)),
  );
  const pairs = driven.map(({ between }) => between.map(keyOfCopy).sort().join('|'));
  expect(new Set(pairs).size).toBe(pairs.length);
  for (const { item, forOneBox, forAll, spare } of build.hardware) {
    expect(forOneBox).toBe(
      sum(joints.filter(({ fastener }) => fastener === item).map(({ count }) => count)),
    );
    expect(forAll).toBe(forOneBox * build.boxes);
    expect(spare).toBeGreaterThanOrEqual(0);
  }
}

/** Each hole lies where its two distances say, and in line with those it is drilled with. */
function expectHoles(build: BuildPlan, box: PanelSet): void {
  const bodies = new Map<string, Body>(bodiesOf(box).map((body) => [keyOf(body), body]));
  for (const hole of build.holes) {
    const body = must(bodies.get(keyOfCopy(hole)), hole.panel);
    const { panel } = body;
    if (typeof hole.face === 'string') {
      const deep = hole.face === 'outside' ? 0 : panel.thickness;
      const off = subtract(inBox(body, hole.at, deep), hole.point);
      // A slab off a round is entered through its bark, below the face of its blank.
      if (!panel.fromLog) expect(Math.hypot(...off)).toBeLessThan(fromMm(0.1));
      const polygon = hole.face === 'outside' ? panel.outline : panel.underside;
      for (const from of hole.from) {
        if (!('edge' in from)) throw new Error('a hole in a face is measured from edges');
        const a = at(polygon, from.edge);
        const b = at(polygon, (from.edge + 1) % polygon.length);
        const run = [b[0] - a[0], b[1] - a[1]] as const;
        const away =
          (run[0] * (hole.at[1] - a[1]) - run[1] * (hole.at[0] - a[0])) / Math.hypot(...run);
        expect(Math.abs(away - from.distance)).toBeLessThan(fromMm(0.1));
      }
    } else
      expect(hole.from).toEqual([
        { corner: hole.face.edge, distance: hole.at[0] },
        { face: 'outside', distance: hole.at[1] },
      ]);
    for (const other of hole.drillWith) {
      const inLine = build.holes.filter((each) => {
        const arm = subtract(each.point, hole.point);
        const aside = subtract(arm, scale(hole.axis, dot(arm, hole.axis)));
        return each.panel === other && Math.hypot(...aside) < fromMm(0.1);
      });
      expect(inLine.length).toBeGreaterThan(0);
    }
  }
  for (const panel of box.panels)
    for (const feature of panel.features) {
      if (!('centre' in feature) || feature.kind === 'pilot') continue;
      const drilled = build.holes.filter(
        (hole) =>
          hole.panel === panel.id && hole.for === feature.kind && hole.at === feature.centre,
      );
      expect(drilled).toHaveLength(panel.instances.length);
    }
}

describe.each(FAMILIES.map((family) => [family.id, family] as const))(
  '%s: any combination',
  (_id, family) => {
    test('is put together in an order in which every head is reached, and adds up', () => {
      let heads = 0;
      fc.assert(
        fc.property(
          anyPlan(family, false),
          fc.constantFrom('back-first', 'sides-first', 'layers'),
          (asked, school) => {
            const plan = mended(family, asked);
            const built = buildBox(plan);
            if (!built.ok) return;
            const build = planBuild(plan, built.box, 3, { ...USUAL_BUILD, school });
            const stops = build.problems.filter(({ severity }) => severity === 'stop');
            expect(stops.map(({ text }) => plainText(text))).toEqual([]);
            expectMovingLast(plan, built.box, build);
            heads += expectBuilt(build, built.box);
            expectTotals(build, built.box);
            expectHoles(build, built.box);
          },
        ),
        { numRuns: Number(process.env.SPARE_KNOT_RUNS ?? 8) },
      );
      expect(heads).toBeGreaterThan(0);
    });
  },
);

describe('the order of assembly', () => {
  const names = (steps: readonly AssemblyStep[]) => steps.map(({ add: [first] }) => first?.panel);
  const plan = start('slant-roof');
  const box = boxOf(plan);

  test('follows the school, and what swings comes last', () => {
    expect(names(planBuild(plan, box, 1).steps)).toEqual([
      'back',
      'floor',
      'side-left',
      'front',
      'roof',
      'side-right',
    ]);
    const sides = planBuild(plan, box, 1, { ...USUAL_BUILD, school: 'sides-first' }).steps;
    expect(names(sides).slice(0, 2).sort()).toEqual(['front', 'side-left']);
    expect(at(sides, -1).moves).toBe(true);
  });

  test('the maker’s own order is kept as it is', () => {
    const searched = planBuild(plan, box, 1).steps.map(stepKey);
    const kept = planBuild(plan, box, 1, { ...USUAL_BUILD, order: searched });
    expect(kept.problems.filter(({ severity }) => severity === 'stop')).toEqual([]);
    const bat = start('bat');
    const crevices = boxOf(bat);
    const layers = planBuild(bat, crevices, 1).steps.map(stepKey);
    const own = [...layers].reverse();
    const turned = planBuild(bat, crevices, 1, { ...USUAL_BUILD, order: own });
    expect(turned.steps.map(stepKey)).toEqual(own);
    expect(turned.steps).toHaveLength(layers.length);
  });

  test('an order that does not name every step is not taken', () => {
    const build = planBuild(plan, box, 1, { ...USUAL_BUILD, order: ['roof:0'] });
    expect(names(build.steps)[0]).toBe('back');
  });

  test('a piece that is put too late is named, with what to do', () => {
    const terrace = start('colony');
    const house = boxOf(terrace);
    const good = planBuild(terrace, house, 1).steps.map(stepKey);
    const isPartition = (key: string) => key.startsWith('partition');
    const late = [...good.filter((key) => !isPartition(key)), ...good.filter(isPartition)];
    const { problems } = planBuild(terrace, house, 1, { ...USUAL_BUILD, order: late });
    const said = problems.filter(({ severity }) => severity === 'stop');
    expect(said.length).toBeGreaterThan(0);
    for (const { text, panels } of said) {
      expect(plainText(text)).toMatch(/No driver reaches|does not go in any more/);
      expect(panels.length).toBeGreaterThan(0);
    }
  });
});

describe('holes', () => {
  const plan = start('slant-roof');
  const box = boxOf(plan);
  const build = planBuild(plan, box, 1);
  const of = (panel: string, use: string) =>
    build.holes.filter((hole) => hole.panel === panel && hole.for === use);

  test('pivots stand opposite each other, each with its pilot in the wall that swings', () => {
    const [front, back] = [of('front', 'pivot'), of('back', 'pivot')].map((list) => at(list, 0));
    const inner = of('side-right', 'pivot');
    expect(inner).toHaveLength(2);
    const { sizes } = plan;
    for (const hole of inner) {
      expect(hole.face).toHaveProperty('edge');
      expect(hole.size).toEqual({
        shape: 'round',
        diameter: Math.round((sizes.pivotSize ?? 0) * 0.7),
      });
      expect([...hole.drillWith].sort()).toEqual(['back', 'front']);
    }
    const [a, b] = [must(front, 'front').point, must(back, 'back').point];
    expect(Math.hypot(a[0] - b[0], a[2] - b[2])).toBeLessThan(fromMm(0.1));
  });

  test('a screw slips through the first panel and bites in the second', () => {
    for (const hole of of('front', 'clearance')) {
      const pilot = must(
        build.holes.find(
          (other) =>
            other.for === 'pilot' &&
            hole.drillWith.includes(other.panel) &&
            dot(other.axis, hole.axis) > 0.999 &&
            Math.hypot(other.point[0] - hole.point[0], other.point[2] - hole.point[2]) < 32,
        ),
        'pilot',
      );
      if (hole.size.shape !== 'round' || pilot.size.shape !== 'round') throw new Error('not round');
      expect(pilot.size.diameter).toBeLessThan(hole.size.diameter);
    }
    const nailed = { ...plan, choices: { ...plan.choices, fastening: 'nails' } };
    const nails = planBuild(nailed, boxOf(nailed), 1);
    expect(nails.holes.some((hole) => hole.for === 'clearance')).toBe(false);
    const ids = nails.steps.flatMap(({ joints }) => joints.map(({ fastener }) => fastener ?? ''));
    expect(ids.filter((id) => fastenerById(id)).every((id) => id.startsWith('nail'))).toBe(true);
  });

  test('a bit that nobody owns is named, with the nearest safe one', () => {
    const none = planBuild(plan, box, 1, {
      ...USUAL_BUILD,
      bits: [{ kind: 'spade', diameter: fromMm(50) }],
    });
    const said = none.problems.filter(({ id }) => id === 'bit').map(({ text }) => plainText(text));
    expect(said.join(' ')).toContain('None of your bits bores');
    expect(said.join(' ')).not.toContain('50 mm spade');
    const owned = planBuild(plan, box, 1, {
      ...USUAL_BUILD,
      bits: [{ kind: 'forstner', diameter: plan.sizes.entranceWidth ?? 0 }],
    });
    expect(owned.problems.filter(({ id }) => id === 'bit')).toEqual([]);
    expect(
      at(
        owned.holes.filter((hole) => hole.for === 'entrance'),
        0,
      ).bit.plain,
    ).toContain('forstner');
  });
});

describe('hanging', () => {
  const plan = start('slant-roof');

  test.each(HANGING_WAYS)('%s: has its parts, and its holes stand free in the back', (way) => {
    const hung = { ...plan, hanging: way };
    const built = buildBox(hung);
    if (!built.ok) throw new Error(plainText(at(built.refusals, 0).message));
    const { hanging, hardware } = planBuild(hung, built.box, 1);
    expect(hanging.way).toBe(way);
    expect(hanging.parts.length).toBeGreaterThan(0);
    for (const hole of hanging.holes) {
      expect(hole.panel).toBe('back');
      expect(hole.face).toBe('inside');
    }
    for (const { id } of hanging.parts) expect(hardware.map(({ item }) => item)).not.toContain(id);
  });

  test('the pole is as long as the entrance is high, with what stands in the ground and above', () => {
    const place = { ...plan.place, on: 'pole' as const, height: fromMm(2000) };
    const hung = { ...plan, place, hanging: 'pole' };
    const { hanging } = planBuild(hung, boxOf(hung), 1);
    const said = plainText(at(hanging.parts, 0).name);
    const long = Number(/([\d.]+) m/.exec(said)?.[1]);
    expect(long).toBeGreaterThan(2.6);
    expect(long).toBeLessThan(2.95);
  });

  test('says what speaks against a way, and refuses one that nobody knows', () => {
    const place = { ...plan.place, on: 'tree' as const };
    const { hanging } = planBuild({ ...plan, place }, boxOf({ ...plan, place }), 1);
    const against = (way: string) =>
      must(
        hanging.ways.find((each) => each.way === way),
        way,
      ).against.map(plainText);
    expect(against('screws-inside')).toEqual([]);
    expect(against('hanger').join()).toContain('a tree');
    const odd = buildBox({ ...plan, hanging: 'hope' });
    expect(odd.ok ? [] : odd.refusals.map(({ field }) => field)).toEqual(['hanging']);
  });
});

test('letters go on past Z and leave out those that are misread', () => {
  const letters = Array.from({ length: 60 }, (_unused, place) => letterAt(place));
  expect(new Set(letters).size).toBe(60);
  expect(letters.join('')).not.toMatch(/[IOQ]/);
  expect(letters[0]).toBe('A');
  expect(letterAt(23)).toBe('AA');
});

test('soaked wood weighs more than dry, and fixings add to it', () => {
  const plan = start('slant-roof');
  const { weight } = planBuild(plan, boxOf(plan), 1);
  expect(weight.wet / weight.dry).toBeCloseTo(1.3 / 1.12, 6);
  expect(weight.withFixings).toBeGreaterThan(weight.wet);
});

test('a log’s lid is screwed on through counterbores, each on the axis of the hole that goes on from it', () => {
  const plan = start('log');
  const lid = { ...plan, choices: { ...plan.choices, access: 'lid', lidFrom: 'log' } };
  const box = boxOf(lid);
  const { holes, steps } = planBuild(lid, box, 1);
  const wide = holes.filter((hole) => hole.for === 'counterbore');
  expect(wide.length).toBeGreaterThan(3);
  for (const { point, axis, depth, size } of wide) {
    const on = must(
      holes.find((hole) => hole.for === 'clearance' && hole.point === point && hole.axis === axis),
      'the hole that goes on from it',
    );
    expect(size).toEqual({ shape: 'round', diameter: fromMm(25) });
    expect(depth).toBe(
      must(
        box.panels.find(({ id }) => id === on.panel),
        on.panel,
      ).thickness - fromMm(18),
    );
  }
  // Screwed from above into the slabs below: through what is left of the lid, and no longer than both.
  const screws = steps
    .flatMap(({ joints }) => joints)
    .filter(({ drivenFrom }) => drivenFrom?.panel === 'roof');
  expect(screws.length).toBeGreaterThan(0);
  for (const { fastener, kind } of screws) {
    expect(kind).toBe('screwed');
    const { length, diameter } = must(fastenerById(fastener ?? ''), fastener ?? '');
    expect(length - fromMm(18)).toBeGreaterThanOrEqual(6 * diameter);
  }
});
