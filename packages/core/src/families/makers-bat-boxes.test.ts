import { describe, expect, test } from '@jest/globals';
import {
  boardsFor,
  built,
  inches,
  laidOut,
  near,
  panel,
  start,
  stock,
  stops,
} from '../../test/makers.js';
import { hardwareOf } from '../building/index.js';
import { at, sum } from '../lists/index.js';
import { fromInches } from '../measure/index.js';
import type { Panel } from '../panels/index.js';
import { buildBox, checkBox } from './registry.js';

/** Bat boxes as makers build them, from their makers' own numbers. Every figure is common practice, no source. */

const lowest = (of: Panel): number =>
  Math.min(...at(of.instances, 0).solid.vertices.map(([, , z]) => z));
const grooves = (of: Panel, purpose: string) =>
  of.features.flatMap((each) => (each.kind === 'groove' && each.purpose === purpose ? [each] : []));

describe('a crevice box from two wide boards, its cheeks ripped to 8 in', () => {
  const box = () =>
    built(start('bat', 'crevice-bats-na'), {
      wood: () => ({ thickness: fromInches(0.75) }),
      sizes: {
        width: fromInches(11.25),
        frontHeight: fromInches(22),
        cheekWidth: fromInches(8),
        ventAbove: fromInches(8),
        ventSize: fromInches(0.5),
        landing: fromInches(4),
        unevenBy: fromInches(0.75),
        scoreSpacing: fromInches(0.25),
        scoreWidth: fromInches(1 / 16),
        fastenerSpacing: fromInches(15),
      },
      angles: { slope: 15 },
      choices: {
        crevices: '4',
        creviceBy: 'cheeks',
        hang: 'flush',
        vents: 'cheeks',
        grip: 'kerfs',
        leastOnEdge: '3',
        fastening: 'screws',
      },
    });

  test('four crevices of 1 1/16, which the cheeks decide; one vent into each, 8 in up', () => {
    const { box: made } = box();
    expect(made.cavities).toHaveLength(4);
    near(
      made.cavities.map(({ depth }) => depth / 8128),
      Array(4).fill(17 / 16),
    );
    near([at(inches(made, 'side-left'), 1)], [8]);
    const vents = panel(made, 'side-left').features.flatMap((each) =>
      each.kind === 'vent' && each.shape === 'round' ? [each] : [],
    );
    near(
      vents.map(({ centre }) => centre[0] / 8128),
      Array(4).fill(8),
    );
    near(
      vents.map(({ diameter }) => diameter / 8128),
      Array(4).fill(0.5),
    );
  });

  test('partitions end lower one after the other, and all hang under the roof', () => {
    const { box: made } = box();
    const partitions = made.panels.filter(({ role }) => role === 'partition');
    near(
      partitions.map((each) => lowest(each) / 8128),
      [-0.75, -1.5, -2.25],
    );
    for (const { id } of partitions)
      expect(
        made.joints.some(({ between }) => between.includes('roof') && between.includes(id)),
      ).toBe(true);
  });

  test('fifteen screws a side, three in each of five boards', () => {
    const { box: made } = box();
    const screws = made.joints.flatMap(({ between, fastening }) =>
      between.includes('side-left') && !between.includes('roof') ? [fastening?.count ?? 0] : [],
    );
    expect(screws).toEqual([3, 3, 3, 3, 3]);
    expect(sum(screws)).toBe(15);
  });

  test('the whole of it comes out of two 1 × 12 of 8 ft', () => {
    const { plan } = box();
    const wide = { ...stock('1x12', 11.25, 8, 3000), quantity: 2 };
    expect(boardsFor(plan, 1, [wide]).boards).toEqual(['1x12', '1x12']);
  });

  test('scores every quarter inch; the crevices are deeper than the guides’, which warns and does not stop', () => {
    const { plan, box: made } = box();
    const [a, b] = grooves(panel(made, 'front'), 'grip');
    near([((b?.from[0] ?? 0) - (a?.from[0] ?? 0)) / 8128], [0.25]);
    const crevice = checkBox(plan, made).find(({ id }) => id === 'crevice');
    expect(crevice?.severity).toBe('warn');
    expect(stops(plan, made)).toEqual([]);
  });
});

describe('a layered box of half-inch ply', () => {
  test('two crevices, a column in the middle, two struts: no screw goes into an edge of ply', () => {
    const { plan, box } = built(start('bat', 'crevice-bats-na'), {
      wood: (role) =>
        role === 'spacer' || role === 'strut'
          ? {}
          : {
              thickness: fromInches(0.5),
              material: 'plywood',
              grade: 'exterior',
              faceA: 'planed',
              faceB: 'planed',
            },
      choices: { ends: 'spacers', columns: 'middle', struts: 'two', grip: 'kerfs', vents: 'none' },
    });
    expect(box.cavities).toHaveLength(4);
    expect(panel(box, 'strut').instances).toHaveLength(2);
    const ofRole = (role: string) => box.panels.filter((each) => each.role === role);
    expect(sum(ofRole('spacer').map(({ instances }) => instances.length))).toBe(6);
    for (const { between, fastening } of box.joints)
      if (fastening && between.includes('roof'))
        expect(between.some((id) => id.startsWith('spacer'))).toBe(true);
    expect(stops(plan, box)).toEqual([]);
    expect(laidOut(plan)).toBeGreaterThan(0);
  });
});

describe('a pole bat box of half-inch ply on sticks', () => {
  const pole = () =>
    built(start('pole-bat', 'crevice-bats-na'), {
      wood: (role) => {
        if (role === 'post') return { thickness: fromInches(3.5), width: fromInches(3.5) };
        if (role === 'spacer') return { thickness: fromInches(13 / 16), width: fromInches(1) };
        if (role === 'corner' || role === 'rafter')
          return { thickness: fromInches(0.75), width: fromInches(0.75) };
        return {
          thickness: fromInches(0.5),
          material: 'plywood',
          grade: 'exterior',
          faceA: 'planed',
          faceB: 'planed',
        };
      },
      sizes: {
        height: fromInches(31),
        rise: fromInches(5),
        notch: 0,
        postBelow: fromInches(12),
        postPoint: fromInches(7),
        nicheDeep: fromInches(1),
        nicheLong: fromInches(7),
      },
      choices: {
        walls: 'over',
        sideTops: 'square',
        corners: 'sticks',
        niches: 'niches',
        foot: 'rod',
        postTop: 'point',
        vents: 'none',
      },
    });

  test('front and back 6 1/8 × 36, sides 5 1/8 × 31; the post’s point 7 in down, 76°', () => {
    const { plan, box } = pole();
    near(inches(box, 'front'), [36, 6.125]);
    near(inches(box, 'side-left'), [31, 5.125]);
    // 7 over half of 3 1/2: the point is 75.96° from level, so its saw cuts lie 75.96° from square to the post.
    const mitres = panel(box, 'post').edges.flatMap(({ mitre }) =>
      mitre > 1 && mitre < 89 ? [mitre] : [],
    );
    near(mitres, [75.96, 75.96], 0.01);
    expect(stops(plan, box)).toEqual([]);
    expect(laidOut(plan)).toBeGreaterThan(0);
  });

  test('its foot takes a rod: the hole is said with its distances, the rod is bought', () => {
    const { plan, box } = pole();
    const made = buildBox(plan);
    const hole = made.ok ? made.derived.find(({ id }) => id === 'rodHole') : undefined;
    expect(hole?.value).toBe(plan.sizes.rodSize);
    expect(hardwareOf(plan, box).map(({ id }) => id)).toContain('foot-rod');
  });

  test('niches 1 × 7, staggered in front and back, clear of each other and of the spacers', () => {
    const { box } = pole();
    const niches = grooves(panel(box, 'post'), 'niche');
    expect(niches.length).toBeGreaterThanOrEqual(3);
    expect(new Set(niches.map(({ face }) => face))).toEqual(new Set(['outside', 'inside']));
    near(
      niches.map(({ width, depth }) => width / depth),
      niches.map(() => 7),
    );
  });

  test('every screw goes through a face into a stick or the post', () => {
    const { box } = pole();
    const sticks = box.panels.filter(({ role }) =>
      ['corner', 'rafter', 'spacer', 'post'].includes(role),
    );
    for (const { between, fastening } of box.joints)
      if (fastening) expect(sticks.some(({ id }) => between.includes(id))).toBe(true);
    const counted = (role: string) =>
      sum(sticks.filter((each) => each.role === role).map(({ instances }) => instances.length));
    expect([counted('corner'), counted('rafter')]).toEqual([4, 4]);
  });
});
