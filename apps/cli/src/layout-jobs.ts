import { animalById } from '@spare-knot/core/animals';
import { buildBox, familyById } from '@spare-knot/core/families';
import { jobForBoxes, type LayoutJob, STANDARD_SAW, type Stock } from '@spare-knot/core/job';
import { must } from '@spare-knot/core/lists';
import { fromInches, fromMm } from '@spare-knot/core/measure';
import { type PanelWood, startPlan } from '@spare-knot/core/plan';

/** Jobs as makers have them, for the benchmark: animals, boards and batch sizes of Osier Landing and its neighbours, all made up. */
const wood = (
  thickness: number,
  width: number,
  material = 'western-red-cedar',
  faceB: 'rough' | 'planed' = 'rough',
): PanelWood => ({
  thickness,
  width,
  material,
  faceA: 'rough',
  faceB,
});
const board = (
  id: string,
  quantity: number,
  of: PanelWood,
  length: number,
  price: number,
  more: Partial<Stock> = {},
): Stock => ({
  id,
  quantity,
  material: of.material,
  thickness: of.thickness,
  width: must(of.width, 'width'),
  length,
  faceA: of.faceA,
  faceB: of.faceB,
  price,
  offcut: false,
  grained: of.material !== 'plywood',
  defects: [],
  ...more,
});
const round = (
  x: number,
  y: number,
  radius: number,
  kind: Stock['defects'][number]['kind'] = 'knot-sound',
) =>
  ({
    kind,
    zone: { kind: 'circle', centre: [fromMm(x), fromMm(y)], radius: fromMm(radius) },
  }) as const;

const picket = wood(fromInches(5 / 8), fromInches(5.5));
const roof = wood(fromInches(3 / 4), fromInches(7.25), 'eastern-white-pine', 'planed');
const ten = wood(fromInches(3 / 4), fromInches(9.25), 'western-red-cedar', 'planed');
const sawn = wood(fromMm(19), fromMm(150), 'spruce');
const sawnWide = wood(fromMm(19), fromMm(225), 'spruce');
const pallet = wood(fromMm(22), fromMm(145), 'pallet-wood', 'planed');
const ply = wood(fromMm(18), fromMm(1220), 'plywood', 'planed');

interface Asked {
  name: string;
  family: string;
  animal: string;
  boxes: number;
  body: PanelWood;
  roof: PanelWood;
  stock: readonly Stock[];
  choices?: Record<string, string>;
  sizes?: Record<string, number>;
  saw?: Partial<typeof STANDARD_SAW>;
  seconds?: number;
}

const pickets = (quantity: number) => board('picket', quantity, picket, fromInches(72), 340);
const longPickets = (quantity: number) =>
  board('picket-8ft', quantity, picket, fromInches(96), 470);
const roofs = (quantity: number) => board('roof', quantity, roof, fromInches(96), 1475);
const knotty = (quantity: number) =>
  board('picket-knots', quantity, picket, fromInches(72), 220, {
    defects: [round(300, 60, 11), round(790, 66, 11), round(1500, 90, 9, 'knot-loose')],
  });
const split = board('picket-split', 2, picket, fromInches(72), 200, {
  defects: [
    {
      kind: 'split',
      zone: {
        kind: 'rect',
        corner: [fromMm(1700), fromMm(40)],
        width: fromMm(128),
        height: fromMm(30),
      },
    },
  ],
});
const offcut = board('picket-end', 3, picket, fromMm(420), 0, { offcut: true });
const outside = { measure: 'outside', walls: 'between', access: 'screwed' };
const small = { width: fromInches(5.5), depth: fromInches(5.5) };

const ASKED: readonly Asked[] = [
  {
    name: 'one chickadee box',
    family: 'slant-roof',
    animal: 'black-capped-chickadee',
    boxes: 1,
    body: picket,
    roof,
    stock: [pickets(6), roofs(2)],
    choices: outside,
    sizes: small,
  },
  {
    name: 'six, pickets and a roof board',
    family: 'slant-roof',
    animal: 'black-capped-chickadee',
    boxes: 6,
    body: picket,
    roof,
    stock: [pickets(12), roofs(3)],
    choices: outside,
    sizes: small,
  },
  {
    name: 'six, knots, a split and ends',
    family: 'slant-roof',
    animal: 'black-capped-chickadee',
    boxes: 6,
    body: picket,
    roof,
    stock: [pickets(12), knotty(3), split, offcut, roofs(3)],
    choices: outside,
    sizes: small,
  },
  {
    name: 'eight, two lengths of picket',
    family: 'slant-roof',
    animal: 'prothonotary-warbler',
    boxes: 8,
    body: picket,
    roof,
    stock: [pickets(14), longPickets(10), roofs(4)],
    choices: outside,
    sizes: small,
  },
  {
    name: 'ten bluebird boxes, ten-inch boards',
    family: 'slant-roof',
    animal: 'eastern-bluebird',
    boxes: 10,
    body: ten,
    roof: ten,
    stock: [
      board('ten', 14, ten, fromInches(96), 2380),
      board('ten-6ft', 10, ten, fromInches(72), 1690),
    ],
  },
  {
    name: 'five great tit boxes, sawn 150 and 225',
    family: 'slant-roof',
    animal: 'great-tit',
    boxes: 5,
    body: sawn,
    roof: sawnWide,
    stock: [
      board('sawn', 12, sawn, fromMm(2400), 620),
      board('sawn-wide', 4, sawnWide, fromMm(3000), 1240),
    ],
  },
  {
    name: 'four robins, open fronts, pallets',
    family: 'open-front',
    animal: 'european-robin',
    boxes: 4,
    body: pallet,
    roof: sawnWide,
    stock: [
      board('pallet', 30, pallet, fromMm(1200), 100, {
        defects: [
          round(60, 40, 3, 'nail'),
          round(60, 105, 3, 'nail'),
          round(1140, 40, 3, 'nail'),
          round(1140, 105, 3, 'nail'),
        ],
      }),
      board('sawn-wide', 3, sawnWide, fromMm(3000), 1240),
    ],
  },
  {
    name: 'six, chop saw only',
    family: 'slant-roof',
    animal: 'black-capped-chickadee',
    boxes: 6,
    body: picket,
    roof,
    stock: [
      pickets(20),
      board('narrow', 20, { ...picket, width: fromInches(4.25) }, fromInches(72), 290),
      roofs(6),
    ],
    choices: outside,
    sizes: { ...small, overhangSide: fromInches(7 / 8) },
    saw: { rip: false },
  },
  {
    name: 'two swallow ridge boxes',
    family: 'ridge-roof',
    animal: 'tree-swallow',
    boxes: 2,
    body: sawn,
    roof: sawnWide,
    stock: [
      board('sawn', 8, sawn, fromMm(2400), 620),
      board('sawn-wide', 4, sawnWide, fromMm(3000), 1240),
    ],
  },
  {
    name: 'a bat box out of a sheet',
    family: 'bat',
    animal: 'crevice-bats-na',
    boxes: 1,
    body: ply,
    roof: ply,
    stock: [board('ply', 2, ply, fromMm(2440), 4200)],
  },
];

const LARGE: Asked = {
  name: 'two hundred boxes, 1,200 panels',
  family: 'slant-roof',
  animal: 'black-capped-chickadee',
  boxes: 200,
  body: picket,
  roof,
  stock: [
    pickets(160),
    longPickets(90),
    knotty(50),
    board('picket-10ft', 40, picket, fromInches(120), 610),
    roofs(50),
    board('roof-12ft', 30, roof, fromInches(144), 2190),
  ],
  choices: outside,
  sizes: small,
  seconds: 20,
};

function jobOf(asked: Asked): LayoutJob {
  const family = must(familyById(asked.family), 'family');
  const start = startPlan(family, must(animalById(asked.animal), 'animalById'), asked.body);
  const roofs = Object.keys(start.wood).filter((role) => role.startsWith('roof'));
  const plan = {
    ...start,
    sizes: { ...start.sizes, ...asked.sizes },
    choices: { ...start.choices, ...asked.choices },
    wood: { ...start.wood, ...Object.fromEntries(roofs.map((role) => [role, asked.roof])) },
  };
  const built = buildBox(plan);
  if (!built.ok) throw new Error(`${asked.name}: ${JSON.stringify(built.refusals)}`);
  return jobForBoxes(
    asked.name,
    plan,
    built.box,
    asked.boxes,
    asked.stock,
    { ...STANDARD_SAW, ...asked.saw },
    asked.seconds ?? 10,
  );
}

/** The jobs of up to ten boxes, and the large one. */
export const smallJobs = (): LayoutJob[] => ASKED.map(jobOf);
export const largeJob = (): LayoutJob => jobOf(LARGE);
