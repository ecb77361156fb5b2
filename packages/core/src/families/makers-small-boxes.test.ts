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
import { fitOffers } from '../advice/index.js';
import { STANDARD_SAW } from '../job/index.js';
import { at, sum } from '../lists/index.js';
import { atan2, cos, fromInches, fromMm, tan } from '../measure/index.js';
import { buildBox, checkBox } from './registry.js';

/** Small boxes under one slope as makers build them, from their makers' own numbers. Every figure is common practice, no source. */

describe('a picket box under a planed roof, with a tray', () => {
  const picket = () =>
    built(start('slant-roof', 'black-capped-chickadee'), {
      wood: (role) =>
        role === 'roof'
          ? { thickness: fromInches(0.75), width: fromInches(7.25) }
          : { thickness: fromInches(5 / 8), width: fromInches(5.5) },
      sizes: {
        width: fromInches(4),
        depth: fromInches(4.25),
        frontHeight: fromInches(9),
        backHeight: fromInches(9) + Math.round(fromInches(5.5) * tan(10)),
        overhangSide: fromInches(1),
        overhangRear: 0,
        entranceHeight: fromInches(6),
      },
      choices: {
        walls: 'between',
        access: 'front',
        roof: 'over',
        rearEdge: 'plumb',
        tray: 'tray',
        vents: 'holes',
      },
    });

  test('sides 5 1/2, front 4 wide between, floor 4 × 4 1/4, 10° from two heights; roof flush behind', () => {
    const { plan, box } = picket();
    near([at(inches(box, 'side-left'), 1), at(inches(box, 'back'), 1)], [5.5, 4]);
    // The front swings between the sides, with its play at both edges; its floor stays clear of it by the play too.
    near([at(inches(box, 'front'), 1)], [4 - (2 * (plan.sizes.play ?? 0)) / 8128]);
    near([at(inches(box, 'floor'), 1)], [4]);
    near([at(inches(box, 'floor'), 0)], [4.25 - (plan.sizes.playOverFloor ?? 0) / 8128]);
    near([at(box.cavities, 0).width / 8128, at(box.cavities, 0).depth / 8128], [4, 4.25]);
    near([at(inches(box, 'roof'), 1)], [4 + 1.25 + 2]);
    const rear = panel(box, 'roof').edges.filter(
      ({ tilt }) => Math.abs(Math.abs(tilt) - 10) < 0.02,
    );
    expect(rear).toHaveLength(1);
    // Nothing of the roof stands out behind the back, and it ends in the back's outer plane.
    const behind = Math.max(
      ...at(panel(box, 'roof').instances, 0).solid.vertices.map(([, y]) => y),
    );
    expect(behind).toBe(fromInches(4.25 + 5 / 8));
  });

  test('the tray lies loose on the plate, lifts out past the front, and the room begins on it', () => {
    const { box } = picket();
    const [tray, floor] = ['tray', 'floor'].map((id) =>
      at(panel(box, id).instances, 0).solid.vertices.map(([, , z]) => z),
    );
    expect([Math.max(...(tray ?? [])), Math.min(...(tray ?? []))]).toEqual([0, -fromInches(5 / 8)]);
    expect(Math.max(...(floor ?? []))).toBe(-fromInches(5 / 8));
    expect(box.joints.find(({ between }) => between.includes('tray'))).toMatchObject({
      between: ['tray', 'floor'],
      kind: 'loose',
      fastening: null,
    });
    near([at(inches(box, 'tray'), 1)], [4 - 4 / 25.4], 0.05);
  });

  test('it breaks no rule that stops, and comes off one picket and a short piece of 1 × 8', () => {
    const { plan, box } = picket();
    expect(stops(plan, box)).toEqual([]);
    expect(laidOut(plan)).toBeGreaterThan(0);
    const picketBoard = { ...stock('picket', 5.5, 6, 340), thickness: fromInches(5 / 8) };
    expect(boardsFor(plan, 1, [picketBoard, stock('1x8', 7.25, 1, 300)])).toEqual({
      boards: ['1x8', 'picket'],
      optimal: true,
    });
  });
});

describe('a box of recycled fence boards with a lip', () => {
  const fence = () =>
    built(start('slant-roof', 'house-wren'), {
      wood: () => ({ thickness: fromInches(5 / 8) }),
      sizes: {
        overhangFront: fromInches(4),
        overhangSide: fromInches(1.5),
        lip: fromMm(5),
        latchAbove: fromInches(1.5),
      },
      angles: { lowerBevel: 15 },
      choices: { access: 'side', opensAt: 'right', lowerEdges: 'bevelled', latch: 'screws' },
    });

  test('front and sides drip on the outside, and the right side hangs 5 mm lower', () => {
    const { plan, box } = fence();
    const low = (id: string) =>
      Math.min(...at(panel(box, id).instances, 0).solid.vertices.map(([, , z]) => z));
    expect(low('side-left') - low('side-right')).toBe(fromMm(5));
    expect(low('front')).toBe(low('side-left'));
    for (const id of ['front', 'side-left', 'side-right']) {
      const tilted = panel(box, id).edges.filter(({ tilt }) => Math.abs(tilt + 15) < 0.02);
      expect([id, tilted.length]).toEqual([id, 1]);
      // The outer face is the longer one, by the thickness × tan 15°.
      const { outline, underside } = panel(box, id);
      const least = (points: typeof outline) => Math.min(...points.map(([x]) => x));
      near(
        [(least(underside) - least(outline)) / 320],
        [(panel(box, id).thickness / 320) * tan(15)],
        0.01,
      );
    }
    expect(stops(plan, box)).toEqual([]);
    expect(laidOut(plan)).toBeGreaterThan(0);
  });

  test('two locking screws, one through the front and one through the back, square to it', () => {
    const { box } = fence();
    const latches = box.panels.flatMap(({ id, features }) =>
      features.flatMap((each) => (each.kind === 'latch' ? [{ id, each }] : [])),
    );
    expect(latches.map(({ id }) => id)).toEqual(['front', 'back']);
    for (const { each } of latches) expect('axis' in each).toBe(false);
  });
});

describe('a duck box with a split side', () => {
  const duck = () =>
    built(start('slant-roof', 'wood-duck'), {
      sizes: { splitAt: fromInches(9), slit: fromInches(1 / 4), backBelow: fromInches(2) },
      choices: { sideIn: 'two', entrance: 'oval', floor: 'holes', mount: 'rod' },
    });

  test('a door below, a fixed part above, a slit between them; the door swings', () => {
    const { plan, box } = duck();
    const heights = (id: string) =>
      at(panel(box, id).instances, 0).solid.vertices.map(([, , z]) => z);
    expect(Math.max(...heights('side-right'))).toBe(fromInches(9));
    expect(Math.min(...heights('side-above'))).toBe(fromInches(9.25));
    const held = (id: string) =>
      box.joints.filter(({ between }) => between.includes(id)).map(({ kind }) => kind);
    expect(new Set(held('side-above'))).toEqual(new Set(['butt']));
    expect(new Set(held('side-right'))).toEqual(new Set());
    const swing = checkBox(plan, box).find(({ id }) => id === 'swing');
    expect(swing?.severity).toBe('kept');
  });

  test('an oval from two cuts, five drains; a hole for a rod and one for a nail in the back', () => {
    const { box } = duck();
    const mounts = panel(box, 'back').features.filter(({ kind }) => kind === 'mount');
    expect(mounts).toHaveLength(2);
    const hole = panel(box, 'front').features.find(({ kind }) => kind === 'entrance');
    expect(hole).toMatchObject({ shape: 'oval' });
    expect(panel(box, 'floor').features.filter(({ kind }) => kind === 'drain')).toHaveLength(5);
  });
});

describe('a whole box out of one 1 × 6', () => {
  /** Sawn fifteen sixteenths thick: 5 1/2 less two of them is the floor's 3 5/8. */
  const thick = 15 / 16;
  const [front, back] = [9.25, 10.25];
  const slope = atan2(back - front, 5.5);
  const whole = () =>
    built(start('slant-roof', 'black-capped-chickadee'), {
      wood: () => ({
        thickness: fromInches(thick),
        width: fromInches(5.5),
        faceA: 'rough',
        faceB: 'planed',
      }),
      sizes: {
        width: fromInches(5.5 - 2 * thick),
        depth: fromInches(5.5),
        frontHeight: fromInches(front),
        backHeight: fromInches(back),
        ventSize: fromInches(0.25),
        overhangSide: 0,
        // The roof is 10 1/2 down the slope: what front and room leave of it stands out.
        overhangFront: Math.round(
          (fromInches(10.5) - fromInches(thick) * tan(slope)) * cos(slope) -
            fromInches(5.5 + thick),
        ),
        backBelow: fromInches(1),
        backAbove:
          fromInches(13.625 - 1 - (back + 0.25)) - Math.round(fromInches(thick) / cos(slope)),
        entranceHeight: fromInches(6),
      },
      choices: {
        measure: 'inside',
        walls: 'over',
        access: 'screwed',
        vents: 'gap-sides',
        faces: 'but-back',
        grip: 'kerfs',
      },
    });

  test('front 9 1/2, sides 10 1/4 to 9 1/4, back 13 5/8, floor 3 5/8, roof 10 1/2, all 5 1/2 wide', () => {
    const { plan, box } = whole();
    near(inches(box, 'front'), [9.5, 5.5]);
    near(inches(box, 'side-left'), [10.25, 5.5]);
    near(inches(box, 'back'), [13.625, 5.5]);
    near([...inches(box, 'floor')].sort(), [3.625, 5.5], 0.002);
    near(inches(box, 'roof'), [10.5, 5.5]);
    const outsides = box.panels.map(({ role, outside, inside }) => `${role} ${outside} ${inside}`);
    expect(outsides).toContain('back any rough');
    expect(outsides).toContain('front rough any');
    expect(stops(plan, box)).toEqual([]);
    expect(laidOut(plan)).toBeGreaterThan(0);
  });

  test('it fits in 60 in with its kerfs', () => {
    const { plan } = whole();
    const board = {
      ...stock('1x6', 5.5, 5, 500),
      thickness: fromInches(thick),
      faceB: 'planed' as const,
    };
    expect(boardsFor(plan, 1, [board]).boards).toEqual(['1x6']);
  });
});

describe('an open front under a roof let in at 15°, back and roof wider than the box', () => {
  test('the back stands out at both sides, the floor is short at one end, the groove leans 15°', () => {
    const { plan, box } = built(start('open-front', 'american-robin'), {
      wood: () => ({ thickness: fromInches(0.75) }),
      sizes: {
        backWider: fromInches(1),
        overhangSide: fromInches(1),
        backAbove: fromInches(1),
        overhangFront: fromInches(2.5),
        letIn: fromInches(0.25),
      },
      angles: { slope: 15 },
      choices: { walls: 'over', roof: 'groove', slope: 'angle', floor: 'gap-back' },
    });
    const width = (id: string) => at(inches(box, id), 1);
    near([width('back') - width('front'), width('roof') - width('front')], [2, 2]);
    const ys = at(panel(box, 'floor').instances, 0).solid.vertices.map(([, y]) => y);
    const { depth } = at(box.cavities, 0);
    near(
      [Math.min(...ys) / 320, (depth - Math.max(...ys)) / 320],
      [0, (plan.sizes.drainSize ?? 0) / 320],
    );
    const groove = panel(box, 'back').features.find((each) => each.kind === 'groove');
    if (groove?.kind !== 'groove') throw new Error('no groove');
    near([groove.tilt ?? 0, groove.depth / 8128], [15, 0.25]);
    expect(stops(plan, box)).toEqual([]);
    expect(laidOut(plan)).toBeGreaterThan(0);
  });
});

describe('a box for parrots', () => {
  test('the lid falls 20 mm; ladders inside and out', () => {
    const { plan, box } = built(start('slant-roof', 'common-starling'), {
      wood: (role) => (role.endsWith('ladder') ? { thickness: fromMm(10), width: fromMm(20) } : {}),
      sizes: {
        frontHeight: fromMm(600),
        backHeight: fromMm(620),
        entranceHeight: fromMm(480),
        rungSpacing: fromMm(60),
      },
      choices: { slope: 'heights', grip: 'ladder', outside: 'ladder' },
    });
    const { heightFront, heightBack, sill } = at(box.cavities, 0);
    expect(Math.round((heightBack - heightFront) / 320)).toBe(20);
    const rungs = (role: string) =>
      box.panels.flatMap((each) => (each.role === role ? [...each.instances] : []));
    const apart = (role: string) => {
      const lows = rungs(role)
        .map(({ solid }) => Math.min(...solid.vertices.map(([, , z]) => z)))
        .sort((a, b) => a - b);
      return lows.slice(1).map((low, index) => (low - at(lows, index)) / 320);
    };
    for (const role of ['ladder', 'outer-ladder']) {
      const wanted = Math.floor((sill / 320 - 20 - 20 - 4) / 60) + 1;
      expect(rungs(role)).toHaveLength(wanted);
      near(apart(role), Array(wanted - 1).fill(60));
    }
    expect(stops(plan, box)).toEqual([]);
    expect(laidOut(plan)).toBeGreaterThan(0);
  });
});

describe('a tube box for pardalotes', () => {
  test('a pipe of 30 mm bore through the front, its hole as large as the pipe is outside', () => {
    const { plan, box } = built(start('tube', 'black-capped-chickadee'), {
      sizes: { bore: fromMm(30), pipeWall: fromMm(2), pipeOut: fromMm(80) },
      angles: { pipeFall: 0 },
    });
    expect((box.fittings ?? []).find(({ kind }) => kind === 'pipe')).toMatchObject({
      bore: fromMm(30),
      outside: fromMm(34),
    });
    const hole = panel(box, 'front').features.find(({ kind }) => kind === 'entrance');
    expect(hole).toMatchObject({ shape: 'round', diameter: fromMm(34) });
    expect(stops(plan, box)).toEqual([]);
    expect(laidOut(plan)).toBeGreaterThan(0);
  });
});

describe('a box of 15 mm softwood under a rubber hinge', () => {
  test('hole 25, sill 125, four eyes; the strip is hinge and cover, and the roof lifts', () => {
    const { plan, box } = built(start('slant-roof', 'blue-tit'), {
      wood: () => ({ thickness: fromMm(15), material: 'spruce' }),
      sizes: {
        entranceWidth: fromMm(25),
        entranceHeight: fromMm(125),
        width: fromMm(110),
        depth: fromMm(120),
      },
      choices: { roof: 'strip', access: 'roof', entranceTo: 'sill', mount: 'eyes' },
    });
    expect(at(box.cavities, 0).sill).toBe(fromMm(125));
    expect((box.fittings ?? []).map(({ kind }) => kind)).toEqual(Array(4).fill('eye'));
    expect(
      box.joints.find(({ between }) => ['roof', 'back'].every((id) => between.includes(id)))?.kind,
    ).toBe('strip');
    expect(stops(plan, box)).toEqual([]);
    expect(laidOut(plan)).toBeGreaterThan(0);
  });
});

describe('half-inch ply on battens', () => {
  const ply = {
    thickness: fromInches(0.5),
    material: 'plywood',
    grade: 'exterior',
    faceA: 'planed',
    faceB: 'planed',
  } as const;
  const onSticks = (family: string, wide: number, choices: Record<string, string>) =>
    built(start(family, 'screech-owl'), {
      wood: (role) => (role === 'batten' ? { thickness: fromMm(30), width: fromMm(wide) } : ply),
      choices: {
        corners: 'sticks',
        access: 'screwed',
        floor: 'four-holes',
        grip: 'kerfs',
        ...choices,
      },
    });

  test.each([
    ['slant-roof', 30, { roof: 'over', vents: 'holes', faces: 'any' }],
    ['ridge-roof', 45, { vents: 'holes' }],
  ])('%s: every screw goes through a face of ply into a batten', (family, wide, choices) => {
    const { plan, box } = onSticks(family, wide, choices);
    const battens = box.panels.filter(({ role }) => role === 'batten').map(({ id }) => id);
    const held = box.joints.filter(({ fastening }) => fastening !== null);
    expect(held.length).toBeGreaterThan(15);
    for (const { between } of held) expect(between.some((id) => battens.includes(id))).toBe(true);
    // Two screws at least on each of three edges or more of every wall, the floor and the roof.
    for (const { id, role } of box.panels) {
      const own = held.filter(({ between }) => between.includes(id));
      const screws = sum(own.map(({ fastening }) => fastening?.count ?? 0));
      if (role !== 'batten') expect([id, screws >= 6]).toEqual([id, true]);
    }
    expect(stops(plan, box)).toEqual([]);
    expect(laidOut(plan)).toBeGreaterThan(0);
  });

  test('the same without battens is refused, and so is a door of it on pivots', () => {
    const from = start('slant-roof', 'black-capped-chickadee');
    const refused = (choices: Record<string, string>) => {
      const wood = Object.fromEntries(
        Object.entries(from.wood).map(([role, own]) => [
          role,
          role === 'batten' ? own : { ...own, ...ply },
        ]),
      );
      const made = buildBox({
        ...from,
        wood,
        choices: { ...from.choices, grip: 'kerfs', faces: 'any', ...choices },
      });
      return made.ok ? [] : made.refusals.map(({ field }) => field);
    };
    expect(at(refused({ access: 'screwed' }), 0)).toMatch(/^wood\./);
    expect(refused({ corners: 'sticks', access: 'side', floor: 'holes' })).toContain('access');
    expect(refused({ corners: 'sticks', access: 'screwed', floor: 'clipped' })).toContain('floor');
  });
});

describe('thinner boards than the plan’s', () => {
  const kept = (thick: number, measureDepth: string) => {
    const { box } = built(start('slant-roof', 'black-capped-chickadee'), {
      wood: () => ({ thickness: fromInches(thick) }),
      sizes: { width: fromInches(5.5), depth: fromInches(5.5) },
      choices: { measure: 'outside', measureDepth, walls: 'between', access: 'screwed' },
    });
    const { width, depth } = at(box.cavities, 0);
    return [
      width / 8128,
      depth / 8128,
      at(inches(box, 'front'), 1),
      at(inches(box, 'side-left'), 1),
    ];
  };

  test('5/8 instead of 3/4, the outside width kept: floor and front 1/4 wider; the depth kept inside or outside on its own', () => {
    // Outside both: front 5 1/2 − 2 × 3/4 = 4, sides 5 1/2 wide.
    near(kept(3 / 4, 'as-width'), [4, 4, 4, 5.5]);
    near(kept(5 / 8, 'as-width'), [4.25, 4.25, 4.25, 5.5]);
    near(kept(5 / 8, 'outside'), [4.25, 4.25, 4.25, 5.5]);
    // The depth inside: the room keeps its 5 1/2, the sides follow the boards.
    near(kept(3 / 4, 'inside'), [4, 5.5, 4, 7]);
    near(kept(5 / 8, 'inside'), [4.25, 5.5, 4.25, 6.75]);
  });
});

describe('a low front that comes off', () => {
  test('screws without glue hold it at its sides and floor; the rest is glued', () => {
    const { box } = built(start('open-front', 'european-robin'), {
      choices: { lowFront: 'screwed' },
    });
    const held = box.joints.map(({ between, kind }) => [between.includes('front'), kind] as const);
    expect(held.filter(([front]) => front).map(([, kind]) => kind)).toEqual([
      'screwed',
      'screwed',
      'screwed',
    ]);
    expect(held.filter(([front]) => !front).every(([, kind]) => kind === 'butt')).toBe(true);
  });
});

describe('two wren boxes out of one 1 × 6 of 6 ft', () => {
  test('a height a little too large costs a second board; Fit finds the one that saves it', () => {
    const { plan } = built(start('slant-roof', 'house-wren'), {
      wood: () => ({ thickness: fromInches(0.75), width: fromInches(5.5) }),
      sizes: {
        width: fromInches(4),
        depth: fromInches(4),
        frontHeight: fromInches(5.75),
        backHeight: fromInches(6.25),
        overhangSide: 0,
        overhangFront: fromInches(1.5),
        backAbove: 0,
        backBelow: fromInches(0.5),
        entranceHeight: fromInches(3.5),
      },
      choices: { walls: 'over', access: 'screwed', measure: 'inside', vents: 'holes' },
    });
    const board = stock('1x6', 5.5, 6, 900);
    const saw = { ...STANDARD_SAW, kerf: fromInches(1 / 8) };
    const steps = fitOffers({ plan, boxes: 2, stock: [board], saw, inches: true });
    let step = steps.next();
    while (!step.done) step = steps.next();
    const best = at(step.value, 0);
    expect([best.before, best.after]).toEqual([1800, 900]);
    expect(boardsFor(best.plan, 2, [board]).boards).toEqual(['1x6']);
  });
});
