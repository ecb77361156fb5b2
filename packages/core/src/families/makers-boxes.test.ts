import { describe, expect, test } from '@jest/globals';
import {
  boardsFor,
  built,
  type Change,
  inches,
  laidOut,
  makersSolver,
  near,
  panel,
  start,
  stock,
  stops,
} from '../../test/makers.js';
import { layoutJob, STANDARD_SAW } from '../job/index.js';
import { checkLayout, searchLayout } from '../layout/index.js';
import { at, must, sum } from '../lists/index.js';
import { fromInches, fromMm } from '../measure/index.js';
import { measuresOf, type PanelSet } from '../panels/index.js';
import type { PanelWood } from '../plan/index.js';
import { buildBox } from './registry.js';

/** Boxes as makers build them, from their makers' own numbers. Every figure is common practice, no source. */

describe('lumber decides', () => {
  const widths: Record<string, number> = {
    roof: 7.25,
    'side-left': 5.5,
    'side-right': 5.5,
    front: 3.5,
    back: 3.5,
    floor: 3.5,
  };
  const lumber = () =>
    built(start('square-cut', 'mountain-bluebird'), {
      wood: (role) => ({
        thickness: fromInches(0.75),
        ...(widths[role] && { width: fromInches(widths[role] ?? 0) }),
      }),
      sizes: {
        frontHeight: fromInches(11),
        overhangSide: fromInches(1.5),
        ventSize: fromInches(0.5),
        drainSize: fromInches(0.25),
        backBelow: 0,
        entranceWidth: fromInches(25 / 16),
        entranceUpright: fromInches(25 / 16),
        entranceHeight: fromInches(7.5 - 0.75),
      },
      choices: {
        vents: 'gap-ends',
        floor: 'gap',
        floorAt: 'flush',
        access: 'screwed',
        entrance: 'round',
        entranceTo: 'centre',
      },
    });

  test('roof 8 × 7 1/4, sides 11 × 5 1/2, front and back 10 1/2 × 3 1/2, floor 3 1/2 square with a gap at both ends', () => {
    const { box } = lumber();
    near(inches(box, 'roof'), [8, 7.25]);
    near(inches(box, 'side-left'), [11, 5.5]);
    near(inches(box, 'side-right'), [11, 5.5]);
    near(inches(box, 'front'), [10.5, 3.5]);
    near(inches(box, 'back'), [10.5, 3.5]);
    near(inches(box, 'floor'), [3.5, 3.5]);
    const hole = panel(box, 'front').features.find(({ kind }) => kind === 'entrance');
    if (hole?.kind !== 'entrance' || hole.shape !== 'round') throw new Error('no round entrance');
    near([hole.centre[0] / 320 / 25.4, hole.diameter / 320 / 25.4], [7.5, 25 / 16]);
    expect(
      box.panels.flatMap(({ edges }) => edges).every(({ tilt }) => Math.abs(tilt) < 1e-9),
    ).toBe(true);
  });

  test('two hundred of them come off 8 ft boards with a chop saw alone, eight sides to a board, at the bound', () => {
    const { plan } = lumber();
    const boards = [
      stock('1x4', 3.5, 8, 900),
      stock('1x6', 5.5, 8, 1500),
      stock('1x8', 7.25, 8, 2000),
    ];
    const saw = { ...STANDARD_SAW, kerf: fromInches(1 / 8), rip: false };
    const made = layoutJob({
      name: '',
      plan,
      boxes: 200,
      stock: boards,
      saw,
      seconds: 3600,
      pinned: [],
    });
    if (!made.ok) throw new Error('no job');
    let asked = 0;
    const layout = searchLayout(made.job, {
      clock: () => 0,
      solver: makersSolver(),
      stopped: () => ++asked > 200_000,
    });
    expect(layout.unplaced).toEqual([]);
    expect(checkLayout(made.job, layout)).toEqual([]);
    const sides = layout.boards.filter(({ stock: of }) => of === '1x6');
    expect(sides.map(({ placements }) => placements.length)).toEqual(Array(50).fill(8));
    // Roofs: eleven of 8 in and their kerfs come out of 96 in, so nineteen boards for two hundred.
    expect(layout.boards.filter(({ stock: of }) => of === '1x8')).toHaveLength(Math.ceil(200 / 11));
    expect([layout.cost, layout.optimal]).toEqual([layout.lowerBound, true]);
    expect(sum(layout.boards.map(({ placements }) => placements.length))).toBe(1200);
  });
});

describe('a pole bat box of half-inch boards', () => {
  test('front and back 6 1/8 × 36, pointed 5 in down; sides 5 1/8 × 31, sawn square', () => {
    const half = fromInches(0.5);
    const sticks: Record<string, Partial<PanelWood>> = {
      post: { thickness: fromInches(3.5), width: fromInches(3.5) },
      spacer: { thickness: fromInches(13 / 16), width: fromInches(1) },
    };
    const { box } = built(start('pole-bat', 'crevice-bats-na'), {
      wood: (role) => sticks[role] ?? { thickness: half },
      sizes: { height: fromInches(31), rise: fromInches(5), notch: 0, postBelow: fromInches(12) },
      choices: { walls: 'over', sideTops: 'square', grip: 'rough', vents: 'none' },
    });
    near(inches(box, 'front'), [36, 6.125]);
    near(inches(box, 'back'), [36, 6.125]);
    near(inches(box, 'side-left'), [31, 5.125]);
    // From the shoulder to the point: half of 6 1/8 across, 5 up, 58.51° from level, 5.863 in along the slope.
    const { outline } = panel(box, 'front');
    const heights = [...new Set(outline.map(([x]) => Math.round(x / 32)))].sort((a, b) => a - b);
    near([at(heights, -1) / 254, at(heights, -2) / 254], [36, 31], 0.01);
    const slopes = panel(box, 'front').edges.filter(({ mitre }) => mitre > 1 && mitre < 89);
    expect(slopes).toHaveLength(2);
    for (const { length } of slopes) near([length / 320 / 25.4], [5.863], 0.002);
    expect(panel(box, 'side-left').edges.every(({ tilt }) => Math.abs(tilt) < 1e-9)).toBe(true);
    near([at(box.cavities, 0).depth / 320 / 25.4], [13 / 16]);
  });
});

describe('a ridge box of 140 × 18 boards', () => {
  const ridge = (sizes: Record<string, number>, more: Change = {}) =>
    built(start('ridge-roof', 'black-capped-chickadee'), {
      wood: (role) =>
        ['front', 'back', 'side-left', 'side-right'].includes(role)
          ? { thickness: fromMm(18) }
          : {},
      sizes: { width: fromMm(140), depth: fromMm(140), entranceHeight: fromMm(120), ...sizes },
      angles: more.angles ?? {},
      choices: { measure: 'outside', walls: 'over', landing: 'none', ...more.choices },
    });
  /** Apex, both shoulders and the width of the front, in millimetres. */
  const gable = ({ box }: { box: PanelSet }): number[] => {
    const { outline } = panel(box, 'front');
    const ys = outline.map(([, y]) => y);
    const [left, right] = [Math.min(...ys), Math.max(...ys)];
    const shoulders = outline.filter(([x, y]) => x > 0 && (y === left || y === right));
    return [Math.max(...outline.map(([x]) => x)), ...shoulders.map(([x]) => x), right - left].map(
      (ticks) => ticks / 320,
    );
  };

  test('apex 250 and shoulders 180 typed: 45°, and the sides follow', () => {
    const made = ridge(
      { apexHeight: fromMm(250), shoulderHeight: fromMm(180), ventSize: fromMm(6) },
      { choices: { gableBy: 'apex', vents: 'gap-sides' } },
    );
    near(gable(made), [250, 180, 180, 140], 0.05);
    const roof = panel(made.box, 'roof-left');
    const [n] = roof.instances.map(({ outsideNormal }) => outsideNormal);
    near(
      [Math.abs(must(n, 'a normal')[0]), Math.abs(must(n, 'a normal')[2])],
      [Math.SQRT1_2, Math.SQRT1_2],
      1e-6,
    );
    // The side's inside stands 18 mm in from the shoulder, as much higher at 45°, less the gap.
    const side = panel(made.box, 'side-left');
    near(
      [Math.max(...[...side.outline, ...side.underside].map(([x]) => x)) / 320],
      [180 + 18 - 6],
      0.05,
    );
  });

  test('the same gable by its sides and pitch', () => {
    const by = ridge(
      { sideHeight: fromMm(180 + 18) },
      { angles: { pitch: 45 }, choices: { gableBy: 'sides', vents: 'holes' } },
    );
    near(gable(by), [250, 180, 180, 140], 0.05);
  });

  test('shoulders as high as the apex, or slopes too flat, are refused at their field', () => {
    const from = start('ridge-roof', 'black-capped-chickadee');
    const refusals = (apex: number, shoulder: number) => {
      const made = buildBox({
        ...from,
        sizes: { ...from.sizes, apexHeight: fromMm(apex), shoulderHeight: fromMm(shoulder) },
        choices: { ...from.choices, gableBy: 'apex' },
      });
      return made.ok ? [] : made.refusals.map(({ field }) => field);
    };
    expect(refusals(250, 250)).toEqual(['shoulderHeight']);
    expect(refusals(250, 240)).toEqual(['apexHeight']);
  });
});

describe('boxes straight from their boards', () => {
  test('a kestrel box of 1 × 10 under a 1 × 12 roof: 3 in hole, four corner drains, one 6 ft board but for the roof', () => {
    const { plan, box } = built(start('slant-roof', 'american-kestrel'), {
      wood: (role) => ({
        thickness: fromInches(0.75),
        width: fromInches(role === 'roof' ? 11.25 : 9.25),
      }),
      sizes: {
        width: fromInches(7.75),
        depth: fromInches(8),
        overhangSide: fromInches(1),
        backBelow: fromInches(0.5),
        frontHeight: fromInches(13),
        backHeight: fromInches(14),
        entranceHeight: fromInches(9.5),
      },
      choices: { walls: 'over', floor: 'clipped' },
    });
    near([at(inches(box, 'front'), 1), at(inches(box, 'back'), 1)], [9.25, 9.25]);
    near([at(inches(box, 'roof'), 1)], [11.25]);
    const hole = panel(box, 'front').features.find(({ kind }) => kind === 'entrance');
    if (hole?.kind !== 'entrance' || hole.shape !== 'round') throw new Error('no round entrance');
    near([hole.diameter / 320 / 25.4], [3]);
    const clipped = panel(box, 'floor').edges.filter(({ mitre }) => Math.abs(mitre - 45) < 1e-6);
    expect(clipped).toHaveLength(4);
    expect(stops(plan, box)).toEqual([]);
    expect(laidOut(plan)).toBeGreaterThan(0);
    const used = boardsFor(plan, 1, [stock('1x10', 9.25, 6, 2200), stock('1x12', 11.25, 1, 600)]);
    expect(used).toEqual({ boards: ['1x10', '1x12'], optimal: true });
  });

  test('an open-front robin box at 30° from 22 mm pallet boards, 145 and 95 mm wide', () => {
    const slat = {
      material: 'spruce',
      thickness: fromMm(22),
      length: fromMm(1150),
      faceA: 'rough',
      faceB: 'rough',
    } as const;
    const { plan, box } = built(start('open-front', 'european-robin'), {
      wood: () => ({ thickness: fromMm(22), width: fromMm(145), material: 'spruce' }),
      sizes: { width: fromMm(95), depth: fromMm(95), overhangSide: 0 },
      angles: { slope: 30 },
      choices: { slope: 'angle' },
    });
    const tilts = ['side-left', 'side-right', 'roof'].map((id) =>
      Math.max(...panel(box, id).edges.map(({ tilt, mitre }) => Math.max(Math.abs(tilt), mitre))),
    );
    near(tilts, [30, 30, 30], 1e-6);
    for (const each of box.panels)
      expect(measuresOf(each).blankWidth).toBeLessThanOrEqual(fromMm(145));
    expect(stops(plan, box)).toEqual([]);
    expect(laidOut(plan)).toBeGreaterThan(0);
    const board = stock('', 0, 1, 80);
    const used = boardsFor(plan, 1, [
      { ...board, ...slat, id: 'wide', width: fromMm(145) },
      { ...board, ...slat, id: 'narrow', width: fromMm(95), price: 50 },
    ]);
    expect(used).toEqual({ boards: ['narrow', 'wide'], optimal: true });
  });
});
