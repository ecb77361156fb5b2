import { findWood } from '@spare-knot/core/advice';
import { animalById } from '@spare-knot/core/animals';
import {
  type NewBatch,
  type NewBoard,
  type NewSpares,
  type NewSupply,
  NO_MAKING,
  NO_WISHES,
} from '@spare-knot/core/api';
import type { OwnedSaw } from '@spare-knot/core/cuts';
import { colonyHouse, creviceBat, type Family, owlBox, slantRoof } from '@spare-knot/core/families';
import { STANDARD_SAW } from '@spare-knot/core/job';
import { must } from '@spare-knot/core/lists';
import { fromInches, fromMm } from '@spare-knot/core/measure';
import { type BoxPlan, panelWoodOf, startPlan } from '@spare-knot/core/plan';
import type { Defect } from '@spare-knot/core/wood';

const round = (kind: Defect['kind'], x: number, y: number, radius: number): Defect => ({
  kind,
  zone: { kind: 'circle', centre: [fromInches(x), fromInches(y)], radius: fromInches(radius) },
});
const strip = (
  kind: Defect['kind'],
  x: number,
  y: number,
  width: number,
  height: number,
): Defect => ({
  kind,
  zone: {
    kind: 'rect',
    corner: [fromInches(x), fromInches(y)],
    width: fromInches(width),
    height: fromInches(height),
  },
});

const board = (
  name: string,
  quantity: number,
  thickness: number,
  width: number,
  length: number,
  more: Partial<NewBoard>,
): NewBoard => ({
  name,
  quantity,
  material: 'western-red-cedar',
  thickness: fromInches(thickness),
  width: fromInches(width),
  length: fromInches(length),
  faceA: 'rough',
  faceB: 'rough',
  price: null,
  offcut: false,
  grained: true,
  defects: [],
  ...more,
});

/** Boards that walls and roofs are sawn from. */
const lumber = (): NewBoard[] => [
  board('Picket', 9, 5 / 8, 5.5, 72, { price: 340 }),
  board('Picket, knot at 31', 1, 5 / 8, 5.5, 72, {
    price: 250,
    defects: [round('knot-sound', 31.1, 2.6, 0.45)],
  }),
  board('Picket, split end', 1, 5 / 8, 5.5, 72, {
    price: 220,
    defects: [strip('split', 68.5, 1.8, 3.5, 1.2), round('knot-sound', 22, 4.4, 0.35)],
  }),
  board('Roof board', 3, 3 / 4, 7.25, 96, {
    price: 1475,
    material: 'eastern-white-pine',
    faceB: 'planed',
    defects: [],
  }),
  board('Ten-inch cedar', 6, 3 / 4, 9.25, 96, { price: 2380, faceB: 'planed' }),
  board('Boat-shop cedar', 4, 7 / 8, 8, 61, {
    price: 2150,
    defects: [round('knot-loose', 14, 5.5, 0.5), strip('wane', 0, 7.4, 20, 0.6)],
  }),
  board('Pallet slat', 14, 22 / 25.4, 95 / 25.4, 1150 / 25.4, {
    material: 'pallet-wood',
    stamp: 'HT',
    faceB: 'planed',
    defects: [
      round('nail', 3.1, 1, 0.12),
      round('nail', 3.1, 2.7, 0.12),
      round('nail', 42.2, 1, 0.12),
      round('nail', 42.2, 2.7, 0.12),
    ],
  }),
];

/** Sticks behind joints, rungs and battens. */
const sticks = (): NewBoard[] => [
  board('Two-by-two, spruce', 8, 1.5, 1.5, 96, {
    material: 'spruce',
    faceA: 'planed',
    faceB: 'planed',
    price: 420,
  }),
  board('Lath', 20, 1 / 4, 0.5, 48, {
    material: 'spruce',
    faceA: 'rough',
    faceB: 'planed',
    price: 60,
  }),
  board('Batten, one by two', 10, 3 / 4, 1.5, 96, {
    material: 'spruce',
    faceA: 'rough',
    faceB: 'planed',
    price: 210,
  }),
];

/** Ends of earlier boards, and sheets. */
const endsAndSheets = (): NewBoard[] => [
  board('Picket end', 1, 5 / 8, 5.5, 16.5, { offcut: true }),
  board('Roof end', 1, 3 / 4, 7.25, 13, {
    offcut: true,
    material: 'eastern-white-pine',
    faceA: 'planed',
    faceB: 'planed',
    assumed: ['faces'],
  }),
  board('Half-inch ply', 3, 15 / 32, 48, 96, {
    material: 'plywood',
    faceA: 'planed',
    faceB: 'planed',
    grained: false,
    grade: 'exterior',
    price: 5200,
  }),
  board('Ply, corner gone', 1, 18 / 25.4, 1220 / 25.4, 2440 / 25.4, {
    material: 'plywood',
    faceA: 'planed',
    faceB: 'planed',
    grained: false,
    grade: 'exterior',
    price: 4200,
    defects: [
      {
        kind: 'hole',
        zone: {
          kind: 'polygon',
          points: [
            [fromMm(2140), 0],
            [fromMm(2440), 0],
            [fromMm(2440), fromMm(260)],
          ],
        },
      },
    ],
  }),
];

/** What is taken for the batch that is being sawn. */
const winterCedar = (): NewBoard =>
  board('Winter cedar', 2, 3 / 4, 9.25, 72, { price: 1890, faceB: 'planed' });

/** The rack of Osier Landing, in inches. */
export const demoBoards = (): NewBoard[] => [...lumber(), ...sticks(), ...endsAndSheets()];

/** The saws that stand in the boathouse. */
export const demoSaws = (): OwnedSaw[] => [
  {
    name: 'mitre saw',
    kind: 'mitre',
    kerf: STANDARD_SAW.kerf,
    capacity: fromInches(12),
    maxMitre: 50,
    maxTilt: 45,
    tiltsTo: 'both',
    handMin: fromMm(200),
    hasStop: true,
    mitreOff: 0,
    tiltOff: 0.5,
  },
  {
    name: 'table saw',
    kind: 'table',
    kerf: STANDARD_SAW.kerf,
    capacity: fromInches(12),
    maxMitre: 50,
    maxTilt: 45,
    tiltsTo: 'right',
    handMin: fromMm(200),
    hasStop: false,
    mitreOff: 0,
    tiltOff: 0,
  },
];

/** What lies in the drawers of the boathouse, counted at the end of the autumn. */
export function demoSupplies(): NewSupply[] {
  const screws = (size: string, count: number, price: number): NewSupply => ({
    item: `screw-${size}`,
    name: `Exterior screw ${size.replace('x', ' × ')} mm`,
    unit: 'pieces',
    drive: 'star',
    weather: 'galvanised',
    count,
    pack: 200,
    price,
  });
  const poured = (name: string, unit: 'ml' | 'm', count: number, pack: number, price: number) => ({
    item: name,
    name,
    unit,
    drive: '',
    weather: null,
    count,
    pack,
    price,
  });
  return [
    screws('3.5x30', 85, 890),
    screws('4x40', 96, 1150),
    screws('4x45', 310, 1240),
    screws('4x50', 40, 1320),
    poured('Exterior glue', 'ml', 320, 500, 980),
    poured('Exterior caulk', 'm', 6, 12, 640),
    poured('Linseed oil', 'ml', 700, 1000, 1450),
  ];
}

/** The batch that is being sawn, and its wood. */
export function demoSawn(): { batch: NewBatch; boards: NewBoard[] } {
  const cedar = winterCedar();
  const swallow = must(animalById('tree-swallow'), 'tree-swallow');
  return {
    batch: batch(
      'Two for the slipway swallows',
      2,
      startPlan(slantRoof, swallow, panelWoodOf(cedar)),
    ),
    boards: [cedar],
  };
}

function plan(
  animal: string,
  body: NewBoard,
  roof: NewBoard,
  change: Partial<Pick<BoxPlan, 'sizes' | 'choices'>>,
): BoxPlan {
  const start = startPlan(slantRoof, must(animalById(animal), animal), panelWoodOf(body));
  return {
    ...start,
    sizes: { ...start.sizes, ...change.sizes },
    choices: { ...start.choices, ...change.choices },
    wood: { ...start.wood, roof: panelWoodOf(roof) },
  };
}

const named = (name: string): NewBoard =>
  must(
    demoBoards().find((each) => each.name === name),
    `the board “${name}”`,
  );

const batch = (name: string, boxes: number, of: BoxPlan): NewBatch => ({
  name,
  boxes,
  units: 'inch',
  division: 16,
  plan: of,
  saw: STANDARD_SAW,
  wishes: NO_WISHES,
  making: NO_MAKING,
});

/** The plan that a family begins with for an animal, on one kind of board. */
const started = (family: Family, animal: string, from: string): BoxPlan =>
  startPlan(family, must(animalById(animal), animal), panelWoodOf(named(from)));

/** Boxes that need more than boards: sheets and sticks are found for them on the rack. */
function largeBoxes(): NewBatch[] {
  const atHand = demoBoards();
  const owl = started(owlBox, 'barn-owl-na', 'Half-inch ply');
  const martins = started(colonyHouse, 'purple-martin', 'Ten-inch cedar');
  return [
    batch(
      'A house for the sail-loft bats',
      1,
      started(creviceBat, 'crevice-bats-na', 'Ply, corner gone'),
    ),
    batch('A barn owl box for the grain shed', 1, findWood(owl, atHand)),
    batch('Martin house for the slipway', 1, findWood(martins, atHand)),
  ];
}

function smallBoxes(): NewBatch[] {
  const [picket, roof, ten] = [named('Picket'), named('Roof board'), named('Ten-inch cedar')];
  return [
    batch('Two for the owl wood', 2, plan('saw-whet-owl', named('Boat-shop cedar'), ten, {})),
    batch(
      'Boxes over the slough',
      4,
      plan('prothonotary-warbler', picket, roof, {
        sizes: { width: fromInches(5.5), depth: fromInches(5.5) },
        choices: { measure: 'outside' },
      }),
    ),
    batch(
      'Swallows for the mooring posts',
      8,
      plan('tree-swallow', ten, roof, {
        sizes: { width: fromInches(6.5), depth: fromInches(6.25), overhangSide: fromInches(3 / 8) },
        choices: { measure: 'outside' },
      }),
    ),
    batch(
      'Six boxes for the rail trail',
      6,
      plan('black-capped-chickadee', picket, roof, {
        sizes: {
          width: fromInches(5.5),
          depth: fromInches(5.5),
          frontHeight: fromInches(9.25),
          backHeight: fromInches(10.25),
          overhangFront: fromInches(2.25),
          entranceHeight: fromInches(7),
          backAbove: fromInches(1),
        },
        choices: { measure: 'outside', walls: 'between', access: 'screwed' },
      }),
    ),
  ];
}

/** The batches of the winter, oldest first. */
export const demoBatches = (): NewBatch[] => [...largeBoxes(), ...smallBoxes()];

/** Panels that were made ahead for the swallows: three boxes but for their roofs and one front. */
export function demoSpares(): NewSpares[] {
  const swallows = demoBatches().find(({ name }) => name === 'Swallows for the mooring posts');
  if (!swallows) return [];
  const { plan, name } = swallows;
  const made = (panel: string, role: string, count: number, place: string) => ({
    panel,
    count,
    place,
    material: plan.wood[role]?.material ?? 'western-red-cedar',
  });
  return [
    {
      plan,
      planName: name,
      panels: [
        made('front', 'front', 2, 'bin by the window'),
        made('back', 'back', 3, 'bin by the window'),
        made('side-left', 'side', 4, 'shelf 2'),
        made('side-right', 'side', 3, 'shelf 2'),
        made('floor', 'floor', 5, 'tin under the bench'),
        made('roof', 'roof', 1, 'shelf 3'),
      ],
    },
  ];
}
