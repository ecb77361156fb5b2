import { describe, expect, test } from '@jest/globals';
import {
  boardsFor,
  built,
  inches,
  laidOut,
  near,
  panel,
  start,
  stops,
  woodsOf,
} from '../../test/makers.js';
import { at, sum } from '../lists/index.js';
import { atan2, fromInches, fromMm } from '../measure/index.js';
import { measuresOf, type PanelSet } from '../panels/index.js';
import { checkBox } from './registry.js';

/** Owl boxes and ridge boxes as makers build them, from their makers' own numbers. Every figure is common practice, no source. */

const copies = ({ panels }: PanelSet, ...roles: string[]) =>
  panels
    .filter(({ role }) => roles.includes(role))
    .flatMap((each) => each.instances.map(() => each));
const sheetArea = (box: PanelSet, ...roles: string[]): number =>
  sum(
    copies(box, ...roles).map((each) => {
      const { blankLength, blankWidth } = measuresOf(each);
      return (blankLength / 320) * (blankWidth / 320);
    }),
  );

const NINE = {
  thickness: fromMm(9),
  material: 'plywood',
  grade: 'exterior',
  faceA: 'planed',
  faceB: 'planed',
} as const;

describe('a deep owl box of 9 mm ply on battens, under cover', () => {
  const STICKS = ['batten', 'lid-batten', 'bearer', 'rim'];
  const deep = () =>
    built(start('owl', 'barn-owl-eu'), {
      wood: (role) => (STICKS.includes(role) ? { thickness: fromMm(19), width: fromMm(38) } : NINE),
      sizes: {
        width: fromMm(500),
        depth: fromMm(400),
        frontHeight: fromMm(700),
        entranceHeight: fromMm(450),
        overhangFront: fromMm(0),
        overhangSide: fromMm(0),
        platformWide: fromMm(500),
        platformDeep: fromMm(283),
      },
      angles: { slope: 0 },
      choices: {
        frame: 'battens',
        platform: 'platform',
        rim: 'rim',
        access: 'lid',
        lid: 'lift-off',
      },
    });

  test('eighteen battens in five lengths, 8.15 m in all; a little over half a sheet of ply', () => {
    const { plan, box } = deep();
    const sticks = copies(box, ...STICKS);
    expect(sticks).toHaveLength(18);
    const lengths = sticks.map((each) => Math.round(measuresOf(each).longPoint / 320));
    expect(new Set(lengths).size).toBe(5);
    // The bill of the sticks is the sum of its own list: about six metres was what a published plan asked for.
    near([sum(lengths) / 1000], [8.15], 0.02);
    const PANELS = ['front', 'back', 'side-left', 'side-right', 'floor', 'roof', 'platform'];
    const share = sheetArea(box, ...PANELS) / (1220 * 2440);
    expect(share).toBeGreaterThan(0.5);
    expect(share).toBeLessThan(0.75);
    // One sheet carries all of it.
    const boards = boardsFor(plan, 1, woodsOf(plan)).boards;
    expect(boards.filter((id) => id === 'front')).toHaveLength(1);
  });

  test('sill 450; every screw goes through a face into a batten; under cover 9 mm stands', () => {
    const { plan, box } = deep();
    expect(at(box.cavities, 0).sill).toBe(fromMm(450));
    const under = { ...plan, place: { ...plan.place, cover: 'under-cover' as const } };
    expect(checkBox(under, box).filter(({ severity }) => severity === 'stop')).toEqual([]);
  });
});

describe('a large owl box of half-inch ply on 2 × 2 posts', () => {
  const large = () =>
    built(start('owl', 'barred-owl'), {
      wood: (role) => {
        if (role === 'post') return { thickness: fromInches(1.5), width: fromInches(1.5) };
        if (role === 'ladder') return { thickness: fromInches(0.75), width: fromInches(1) };
        if (['perch-strip', 'perch-rod', 'low-board', 'lid-batten'].includes(role)) return {};
        return { ...NINE, thickness: fromInches(0.5) };
      },
      sizes: {
        // The sides cover front and back: 15 between them, and 16 less two sheets from front to back.
        width: fromInches(15),
        depth: fromInches(15),
        frontHeight: fromInches(24 - 0.5 - 0.5) + Math.round(fromInches(0.5) * (3 / 16)),
        floorRecess: fromInches(0.5),
        entranceWidth: fromInches(7),
        entranceUpright: fromInches(7),
        entranceHeight: fromInches(12),
        rungSpacing: fromInches(3.5),
      },
      angles: { slope: atan2(3, 16) },
      choices: {
        frame: 'posts',
        walls: 'between',
        entrance: 'arch',
        entranceTo: 'sill',
        access: 'flap',
        grip: 'ladder',
        perch: 'rod',
        standoff: 'board',
        lid: 'screwed',
        floor: 'four-holes',
      },
    });

  test('front 15 wide, sides 16 wide, 24 and 27 high, arch 7 wide, sill 12', () => {
    const { box } = large();
    near([at(inches(box, 'front'), 1)], [15]);
    const { longPoint, shortPoint, blankWidth } = measuresOf(panel(box, 'side-left'));
    near([blankWidth / 8128, shortPoint / 8128, longPoint / 8128], [16, 24, 27], 0.005);
    const hole = panel(box, 'front').features.find(({ kind }) => kind === 'entrance');
    expect(hole).toMatchObject({ shape: 'arch', width: fromInches(7) });
    near([at(box.cavities, 0).sill / 8128], [12]);
  });

  test('three strips, a flap, a perch of two strips and a rod, a low board; no rule stops it', () => {
    const { plan, box } = large();
    expect(copies(box, 'ladder')).toHaveLength(3);
    expect(
      [
        copies(box, 'flap'),
        copies(box, 'perch-strip'),
        copies(box, 'perch-rod'),
        copies(box, 'low-board'),
      ].map((list) => list.length),
    ).toEqual([1, 2, 1, 1]);
    expect(stops(plan, box)).toEqual([]);
    expect(laidOut(plan)).toBeGreaterThan(0);
  });
});

describe('a ridge box of 140 × 18 cedar whose roof lifts off', () => {
  const lifting = () =>
    built(start('ridge-roof', 'blue-tit'), {
      wood: () => ({ thickness: fromMm(18) }),
      sizes: {
        width: fromMm(140),
        depth: fromMm(140),
        apexHeight: fromMm(250),
        shoulderHeight: fromMm(180),
        entranceHeight: fromMm(125),
        triangleHigh: fromMm(38),
        ventSize: fromMm(6),
      },
      choices: {
        measure: 'outside',
        walls: 'over',
        gableBy: 'apex',
        access: 'lift-off',
        vents: 'gap-sides',
      },
    });

  test('two triangles hold the slopes; nothing else holds the roof but a bolt through each gable', () => {
    const { plan, box } = lifting();
    expect(copies(box, 'roof-triangle')).toHaveLength(2);
    for (const { between, kind } of box.joints) {
      const roofed = between.filter((id) => id.startsWith('roof'));
      if (roofed.length === 1) expect([between, kind]).toEqual([between, 'loose']);
    }
    const bolts = box.panels.flatMap(({ id, features }) =>
      features.flatMap(({ kind }) => (kind === 'latch' ? [id] : [])),
    );
    expect(bolts.sort()).toEqual(['back', 'front']);
    const access = checkBox(plan, box).find(({ id }) => id === 'access');
    expect(access?.severity).toBe('kept');
    expect(stops(plan, box)).toEqual([]);
    expect(laidOut(plan)).toBeGreaterThan(0);
  });
});

describe('a barn-shaped owl box with a three-piece shelf', () => {
  test('shelf and two brackets, all screws alike', () => {
    const { plan, box } = built(
      (() => {
        const plan = start('ridge-roof', 'screech-owl');
        return { ...plan, fasteners: { default: 'screw-3.5x35' } };
      })(),
      {
        sizes: { shelfDeep: fromMm(100), shelfWide: fromMm(150) },
        choices: { landing: 'shelf-braced', access: 'screwed', fastening: 'screws' },
      },
    );
    expect([copies(box, 'shelf'), copies(box, 'bracket')].map((list) => list.length)).toEqual([
      1, 2,
    ]);
    const kinds = new Set(
      box.joints.flatMap(({ fastening }) => (fastening ? [fastening.fastener] : [])),
    );
    expect([...kinds]).toEqual(['screw-3.5x35']);
    expect(stops(plan, box)).toEqual([]);
    expect(laidOut(plan)).toBeGreaterThan(0);
  });
});
