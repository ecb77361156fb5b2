import { describe, expect, test } from '@jest/globals';
import { planFor } from '../../test/boxes.js';
import { animalById } from '../animals/index.js';
import { buildBox, checkBox, familyById } from '../families/index.js';
import { must } from '../lists/index.js';
import { fromMm } from '../measure/index.js';
import type { BoxPlan, Finish, PanelWood, Place } from '../plan/index.js';
import { plainText } from '../text/index.js';
import type { Check } from './check.js';

interface Change {
  animals?: readonly string[];
  sizes?: Record<string, number>;
  angles?: Record<string, number>;
  choices?: Record<string, string>;
  /** For every role, or one. */
  wood?: Partial<PanelWood>;
  woodOf?: Record<string, Partial<PanelWood>>;
  place?: Partial<Place>;
  finish?: readonly Finish[];
}

const of = (family: string, animal: string, thickness = 19, change: Change = {}): BoxPlan => {
  const start = planFor(
    must(familyById(family), family),
    must(animalById(animal), animal),
    thickness,
    change.wood,
  );
  return {
    ...start,
    animals: change.animals ?? start.animals,
    sizes: { ...start.sizes, ...change.sizes },
    angles: { ...start.angles, ...change.angles },
    choices: { ...start.choices, ...change.choices },
    wood: Object.fromEntries(
      Object.entries(start.wood).map(([role, wood]) => [
        role,
        { ...wood, ...change.woodOf?.[role] },
      ]),
    ),
    place: { ...start.place, ...change.place },
    finish: change.finish ?? start.finish,
  };
};
const checksOf = (plan: BoxPlan): Check[] => {
  const built = buildBox(plan);
  if (!built.ok) throw new Error(built.refusals.map(({ message }) => plainText(message)).join(' '));
  return checkBox(plan, built.box);
};
const found = (plan: BoxPlan, id: string): string =>
  checksOf(plan).find((check) => check.id === id)?.severity ?? 'none';

const small = (change: Change = {}) => of('slant-roof', 'black-capped-chickadee', 19, change);
const shelf = (change: Change = {}) => of('open-front', 'european-robin', 19, change);
const owl = (change: Change = {}) => of('owl', 'barn-owl-eu', 19, change);
const bats = (change: Change = {}) => of('bat', 'crevice-bats-na', 19, change);
const pole = (change: Change = {}) => of('pole-bat', 'crevice-bats-na', 19, change);
const tube = (change: Change = {}) => of('tube', 'black-capped-chickadee', 19, change);
const house = (change: Change = {}) => of('colony', 'house-sparrow', 19, change);
const planed = { faceA: 'planed', faceB: 'planed' } as const;
const coat = (change: Partial<Finish>): Finish => ({
  where: 'outside',
  what: 'stain',
  base: 'water',
  shade: null,
  ...change,
});

/** The plan that breaks a rule, and the nearest one that does not. */
const DANGERS: readonly (readonly [
  id: string,
  severity: 'stop' | 'warn',
  why: string,
  broken: () => BoxPlan,
  near: () => BoxPlan,
])[] = [
  // Grip.
  [
    'grip',
    'stop',
    'a face that nobody has looked at',
    () => small({ woodOf: { front: { assumed: ['faces'] } } }),
    () => small(),
  ],
  [
    'grip',
    'stop',
    'an answer in blanks',
    () => small({ woodOf: { front: planed }, choices: { gripBy: '   ' } }),
    () => small({ woodOf: { front: planed }, choices: { grip: 'kerfs' } }),
  ],
  [
    'grip',
    'stop',
    'strips that nothing holds',
    () =>
      small({
        woodOf: { front: { ...planed, thickness: fromMm(9) } },
        choices: { grip: 'ladder', fastening: 'screws' },
      }),
    () =>
      small({
        woodOf: { front: { ...planed, thickness: fromMm(9) } },
        choices: { grip: 'ladder', fastening: 'screws-glue' },
      }),
  ],
  [
    'grip',
    'stop',
    'one roosting face planed',
    () => bats({ woodOf: { front: planed }, choices: { grip: 'rough' } }),
    () => bats({ choices: { grip: 'rough' } }),
  ],
  [
    'grip',
    'stop',
    'a partition rough on one face',
    () =>
      bats({
        woodOf: { partition: { faceB: 'planed' } },
        choices: { grip: 'rough', crevices: '2' },
      }),
    () => bats({ choices: { grip: 'rough', crevices: '2' } }),
  ],
  [
    'grip',
    'stop',
    'a planed post',
    () => pole({ woodOf: { post: planed }, choices: { grip: 'rough' } }),
    () => pole({ choices: { grip: 'rough' } }),
  ],
  [
    'scores-partition',
    'stop',
    'scores from both faces that nearly meet',
    () =>
      bats({
        woodOf: { partition: { thickness: fromMm(6) } },
        choices: { grip: 'kerfs', crevices: '2' },
      }),
    () =>
      bats({
        woodOf: { partition: { thickness: fromMm(9) } },
        choices: { grip: 'kerfs', crevices: '2' },
      }),
  ],
  // Entrance.
  [
    'entrance-size',
    'stop',
    'an oval as wide as it should be and too high',
    () =>
      small({
        choices: { entrance: 'oval' },
        sizes: { entranceWidth: fromMm(30), entranceUpright: fromMm(65) },
      }),
    () =>
      small({
        choices: { entrance: 'oval' },
        sizes: { entranceWidth: fromMm(30), entranceUpright: fromMm(30) },
      }),
  ],
  [
    'entrance-size',
    'stop',
    'a robin behind a hole',
    () => small({ animals: ['european-robin'] }),
    () => small(),
  ],
  [
    'entrance-size',
    'stop',
    'a chickadee behind an open front',
    () => shelf({ animals: ['black-capped-chickadee'] }),
    () => shelf({ animals: ['carolina-wren'] }),
  ],
  [
    'guest',
    'stop',
    'bats in a box for birds',
    () => small({ animals: ['crevice-bats-na'] }),
    () => small(),
  ],
  [
    'guest',
    'stop',
    'a bird in a box for bats',
    () => bats({ animals: ['house-wren'] }),
    () => bats(),
  ],
  [
    'animal',
    'warn',
    'an animal that nobody knows',
    () => small({ animals: ['snow-griffin'] }),
    () => small(),
  ],
  ['animal', 'warn', 'no animal at all', () => small({ animals: [] }), () => small()],
  [
    'platform',
    'stop',
    'a shallow box for barn owls without a platform',
    () => owl({ sizes: { frontHeight: fromMm(640) }, choices: { platform: 'none' } }),
    () => owl({ sizes: { frontHeight: fromMm(640) }, choices: { platform: 'platform' } }),
  ],
  [
    'perch',
    'warn',
    'a shelf before a small entrance',
    () =>
      of('ridge-roof', 'black-capped-chickadee', 19, {
        choices: { landing: 'shelf' },
        sizes: { shelfWide: fromMm(100) },
      }),
    () => of('ridge-roof', 'black-capped-chickadee'),
  ],
  // Thickness.
  [
    'walls',
    'warn',
    'a thin roof',
    () => small({ woodOf: { roof: { thickness: fromMm(9) } } }),
    () => small({ woodOf: { roof: { thickness: fromMm(15) } } }),
  ],
  [
    'walls',
    'warn',
    'a thin floor',
    () => small({ woodOf: { floor: { thickness: fromMm(9) } } }),
    () => small({ woodOf: { floor: { thickness: fromMm(15) } } }),
  ],
  [
    'walls',
    'warn',
    'ply of 9 mm outdoors',
    () =>
      of('owl', 'barn-owl-eu', 9, { wood: { material: 'plywood' }, place: { cover: 'outdoors' } }),
    () =>
      of('owl', 'barn-owl-eu', 9, {
        wood: { material: 'plywood' },
        place: { cover: 'under-cover' },
      }),
  ],
  // Wood and finish.
  [
    'wood',
    'stop',
    'pressure-treated boards',
    () => small({ wood: { treatment: 'pressure-treated' } }),
    () => small({ wood: { treatment: 'heat-treated' } }),
  ],
  [
    'wood',
    'stop',
    'creosote',
    () => small({ woodOf: { back: { treatment: 'creosote' } } }),
    () => small(),
  ],
  [
    'wood',
    'stop',
    'a treatment that nobody knows',
    () => small({ woodOf: { back: { treatment: 'dipped' } } }),
    () => small(),
  ],
  [
    'wood',
    'stop',
    'MDF',
    () => small({ woodOf: { floor: { material: 'mdf', thickness: fromMm(18) } } }),
    () => small({ woodOf: { floor: { material: 'oak' } } }),
  ],
  [
    'wood',
    'stop',
    'a wood that nobody knows',
    () => small({ woodOf: { floor: { material: 'mystery' } } }),
    () => small({ woodOf: { floor: { material: 'sweet-chestnut' } } }),
  ],
  [
    'wood',
    'stop',
    'a pallet stamped MB',
    () => small({ wood: { material: 'pallet-wood', stamp: 'MB' } }),
    () => small({ wood: { material: 'pallet-wood', stamp: 'HT' } }),
  ],
  [
    'wood',
    'stop',
    'interior plywood',
    () => owl({ wood: { material: 'plywood', grade: 'interior' } }),
    () => owl({ wood: { material: 'plywood', grade: 'exterior' } }),
  ],
  [
    'pallet',
    'warn',
    'a pallet whose stamp nobody saw',
    () => small({ wood: { material: 'pallet-wood' } }),
    () => small({ wood: { material: 'pallet-wood', stamp: 'HT' } }),
  ],
  [
    'sheet-grade',
    'warn',
    'plywood of unknown grade',
    () => owl({ wood: { material: 'plywood' } }),
    () => owl({ wood: { material: 'plywood', grade: 'marine' } }),
  ],
  [
    'sheet-edges',
    'warn',
    'bare edges of plywood outdoors',
    () => owl({ wood: { material: 'plywood' }, place: { cover: 'outdoors' } }),
    () => owl({ wood: { material: 'plywood' }, place: { cover: 'outdoors' }, finish: [coat({})] }),
  ],
  [
    'assumed',
    'warn',
    'wood that nobody has confirmed',
    () => small({ woodOf: { roof: { assumed: ['treatment'] } } }),
    () => small(),
  ],
  [
    'old-paint',
    'stop',
    'old paint',
    () => small({ woodOf: { back: { oldPaint: true } } }),
    () => small(),
  ],
  [
    'green-wood',
    'warn',
    'green wood',
    () => small({ wood: { grade: 'green' } }),
    () => small({ wood: { grade: null } }),
  ],
  [
    'finish-inside',
    'stop',
    'a finish inside',
    () => small({ finish: [coat({ where: 'inside' })] }),
    () => small({ finish: [coat({})] }),
  ],
  [
    'finish-oil',
    'stop',
    'oil on a bat box',
    () => bats({ finish: [coat({ what: 'oil', base: 'oil' })] }),
    () => bats({ finish: [coat({})] }),
  ],
  [
    'finish-shade',
    'warn',
    'a pale bat box where it is cold',
    () => bats({ finish: [coat({ shade: 'pale' })], place: { climate: 'cold' } }),
    () => bats({ finish: [coat({ shade: 'dark' })], place: { climate: 'cold' } }),
  ],
  // Air, water, room.
  [
    'air',
    'warn',
    'vents too small to be any',
    () =>
      small({
        choices: { vents: 'holes', access: 'screwed' },
        sizes: { ventSize: fromMm(4) },
      }),
    () =>
      small({
        choices: { vents: 'holes', access: 'screwed' },
        sizes: { ventSize: fromMm(10) },
      }),
  ],
  [
    'drain-size',
    'stop',
    'a gap in the floor that young fall through',
    () => small({ choices: { floor: 'gap' }, sizes: { drainSize: fromMm(20) } }),
    () => small({ choices: { floor: 'gap' }, sizes: { drainSize: fromMm(6) } }),
  ],
  [
    'floor',
    'warn',
    'a floor whose gaps take its room',
    () =>
      small({
        choices: { floor: 'gap', measure: 'inside' },
        sizes: { drainSize: fromMm(8), depth: fromMm(102), width: fromMm(102) },
      }),
    () =>
      small({
        choices: { floor: 'gap', measure: 'inside' },
        sizes: { drainSize: fromMm(8), depth: fromMm(119), width: fromMm(102) },
      }),
  ],
  [
    'overhang-side',
    'warn',
    'no roof over the gaps above the sides',
    () => small({ choices: { vents: 'gap-sides' }, sizes: { overhangSide: 0 } }),
    () => small({ choices: { vents: 'gap-sides' }, sizes: { overhangSide: fromMm(10) } }),
  ],
  [
    'overhang',
    'warn',
    'entrances behind that stand in the rain',
    () => house({ choices: { sides: 'two' }, sizes: { overhangRear: fromMm(10) } }),
    () => house({ choices: { sides: 'two' }, sizes: { overhangRear: fromMm(60) } }),
  ],
  [
    'company',
    'warn',
    'solitary birds wall to wall',
    () => house({ animals: ['great-tit'] }),
    () => house(),
  ],
  [
    'crevice',
    'warn',
    'crevices of 27 mm, which makers build and guides do not name',
    () => bats({ sizes: { crevice: fromMm(27) } }),
    () => bats({ sizes: { crevice: fromMm(25) } }),
  ],
  // Walls that swing.
  [
    'play',
    'warn',
    'a side as wide as its opening',
    () => small({ choices: { walls: 'over', access: 'side' }, sizes: { play: 0 } }),
    () => small({ choices: { walls: 'over', access: 'side' }, sizes: { play: fromMm(1) } }),
  ],
  [
    'play',
    'warn',
    'a front straight from the board of the floor it closes',
    () => of('square-cut', 'black-capped-chickadee', 19, { choices: { access: 'front' } }),
    () => of('square-cut', 'black-capped-chickadee', 19, { choices: { access: 'screwed' } }),
  ],
  [
    'play',
    'warn',
    'a front that fills the room between its sides',
    () =>
      small({
        choices: { walls: 'between', access: 'front', vents: 'gap-front' },
        sizes: { play: 0 },
      }),
    () =>
      small({
        choices: { walls: 'between', access: 'front', vents: 'gap-front' },
        sizes: { play: fromMm(1) },
      }),
  ],
  // Pipes.
  [
    'pipe-fall',
    'warn',
    'a pipe that lies level',
    () => tube({ angles: { pipeFall: 0 } }),
    () => tube({ angles: { pipeFall: 2 } }),
  ],
  [
    'pipe-swing',
    'warn',
    'a long pipe that meets the roof as the front swings out',
    () =>
      tube({
        sizes: { pipeOut: fromMm(120), overhangFront: fromMm(150) },
        choices: { access: 'front', walls: 'between', vents: 'gap-front' },
      }),
    () =>
      tube({
        sizes: { pipeOut: fromMm(20), overhangFront: fromMm(50) },
        choices: { access: 'front', walls: 'between', vents: 'gap-front' },
      }),
  ],
  [
    'short-grain-roof',
    'warn',
    'a thin roof far wider than it is long along its grain',
    () => small({ sizes: { width: fromMm(330) }, woodOf: { roof: { thickness: fromMm(16) } } }),
    () => small({ sizes: { width: fromMm(330) }, woodOf: { roof: { thickness: fromMm(21) } } }),
  ],
];

describe('dangers, one a plan', () => {
  test.each(DANGERS)(
    '%s is a %s: %s; the nearest sound plan is not blamed',
    (id, severity, _why, broken, near) => {
      expect(found(broken(), id)).toBe(severity);
      expect(['kept', 'none']).toContain(found(near(), id));
    },
  );

  test('a pipe that falls too little is not said to lie level', () => {
    const said = (fall: number) =>
      plainText(
        must(
          checksOf(tube({ angles: { pipeFall: fall } })).find(({ id }) => id === 'pipe-fall'),
          'the pipe',
        ).text,
      );
    expect(said(0)).toContain('lies level');
    expect(said(1)).toContain('falls outwards by no more than 1°');
  });

  test('a face that is named by itself as assumed counts as one that nobody has looked at', () => {
    for (const word of ['faceA', 'faceB', 'faces', 'face'])
      expect(found(small({ woodOf: { front: { assumed: [word] } } }), 'grip')).toBe('stop');
  });

  test('no rule speaks twice of one thing', () => {
    for (const [, , , broken, near] of DANGERS)
      for (const plan of [broken(), near()]) {
        const said = checksOf(plan).map(({ id, role }) => `${id} ${role}`);
        expect(said).toEqual([...new Set(said)]);
      }
  });

  test('every rule says its mark and its source, and gives no remedy that brings a stop', () => {
    for (const [, , , broken] of DANGERS) {
      const plan = broken();
      const before = checksOf(plan);
      const stops = before.filter(({ severity }) => severity === 'stop').map(({ id }) => id);
      for (const { source, remedies } of before) {
        expect(source.length).toBeGreaterThan(3);
        for (const { apply } of remedies)
          for (const after of checksOf(apply(plan)))
            if (after.severity === 'stop') expect(stops).toContain(after.id);
      }
    }
  });

  test('the roof may end where its board does', () => {
    const wide = fromMm(150);
    const short = small({ sizes: { overhangFront: fromMm(20) } });
    const check = checksOf(short).find(({ id }) => id === 'overhang');
    expect(check?.severity).toBe('warn');
    const limited = {
      ...short,
      choices: { ...short.choices, roofGrain: 'across' },
      wood: Object.fromEntries(
        Object.entries(short.wood).map(([role, wood]) => [role, { ...wood, width: wide }]),
      ),
    };
    const kept = checksOf(limited).find(({ id }) => id === 'overhang');
    expect(kept && plainText(kept.text)).toContain('as far as its board is wide');
    expect(kept?.severity).toBe('kept');
  });

  test('what is said is there: no mesh, no hinge, no joint through an entrance where there is none', () => {
    for (const plan of [small(), shelf(), owl(), bats(), pole(), house()]) {
      const said = checksOf(plan)
        .map(({ text }) => plainText(text))
        .join(' ');
      const built = buildBox(plan);
      if (!built.ok) throw new Error('not built');
      const { panels, joints } = built.box;
      if (!panels.some(({ features }) => features.some(({ kind }) => kind === 'mesh')))
        expect(said).not.toMatch(/Mesh under/);
      if (!panels.some(({ role }) => role === 'ladder')) expect(said).not.toMatch(/Strips under/);
      if (!joints.some(({ kind }) => kind === 'hinged' || kind === 'strip'))
        expect(said).not.toMatch(/on hinges/);
    }
  });
});
