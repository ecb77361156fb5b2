import { type Animal, animalById } from '../../animals/index.js';
import { checkRoom } from '../../checks/index.js';
import { fromInches, fromMm, type Ticks, toMm } from '../../measure/index.js';
import type { BuiltBox, Derived } from '../../panels/index.js';
import {
  type BoxPlan,
  length,
  missingWood,
  outOfRange,
  type PanelWood,
  type Parameter,
  type Refusal,
  type School,
  school,
} from '../../plan/index.js';
import type { Family } from '../family.js';
import { NEST_CAUTIONS } from '../shared/cautions.js';
import { suitRoom } from '../shared/defaults-for-room.js';
import { build as buildSlantRoof } from '../slant-roof/build.js';
import { dimensions as slantDimensions } from '../slant-roof/dimensions.js';
import {
  ROLES as SLANT_ROLES,
  PARAMETERS as SLANT_ROOF,
  SCHOOLS as SLANT_SCHOOLS,
} from '../slant-roof/parameters.js';

const KEPT_SIZES = [
  'overhangSide',
  'floorRecess',
  'drainSize',
  'backBelow',
  'entranceWidth',
  'entranceUpright',
  'entranceHeight',
  'ventSize',
  'pivotBelow',
];
const PARAMETERS: readonly Parameter[] = [
  length(
    'frontHeight',
    'Walls high',
    80,
    1200,
    230,
    'Length of every wall piece but the front, from the bottom to the roof.',
  ),
  ...SLANT_ROOF.filter((parameter) => KEPT_SIZES.includes(parameter.id)),
];
const KEPT_SCHOOLS = [
  'faces',
  'grip',
  'entrance',
  'entranceTo',
  'floorAt',
  'opensAt',
  'fastening',
  'finish',
];
const bySlant = (id: string): School => SLANT_SCHOOLS.find((each) => each.id === id)!;
const SCHOOLS: readonly School[] = [
  school('access', 'Opens for cleaning by', [
    [
      'front',
      'a front that swings',
      'The front pivots on two nails through the sides; a latch nail holds it shut.',
    ],
    ['screwed', 'screws', 'A side is held by screws alone, without glue.'],
  ]),
  {
    ...bySlant('floor'),
    options: bySlant('floor').options.filter((option) => option.id !== 'clipped'),
  },
  {
    ...bySlant('vents'),
    options: bySlant('vents').options.filter((option) => option.id !== 'gap-sides'),
  },
  ...KEPT_SCHOOLS.map(bySlant).map((each) =>
    each.id === 'entrance'
      ? { ...each, options: each.options.filter((option) => option.id !== 'slot') }
      : each,
  ),
];
const ROLES = SLANT_ROLES;

/** Boards of one width are the same to within half a millimetre. */
const SAME: Ticks = 160;
const show = (ticks: Ticks): string => `${Math.round(toMm(ticks) * 10) / 10} mm`;

/** The slant-roof plan that the boards' widths give, or which board has the wrong width. */
function fromBoards(plan: BoxPlan): BoxPlan | Refusal[] {
  const found: Refusal[] = [];
  const refuse = (role: string, message: string) => found.push({ field: `wood.${role}`, message });
  for (const role of ['front', 'back', 'side-left', 'side-right', 'floor', 'roof']) {
    if (!plan.wood[role]!.width)
      refuse(
        role,
        'Choose a board whose width is known: in this box the boards’ widths are the sizes.',
      );
  }
  if (found.length > 0) return found;
  const wide = (role: string): Ticks => plan.wood[role]!.width!;
  const thick = (role: string): Ticks => plan.wood[role]!.thickness;
  const depth = wide('side-left') - thick('front') - thick('back');
  const differs = (role: string, as: string) => Math.abs(wide(role) - wide(as)) > SAME;
  if (differs('back', 'front'))
    refuse(
      'back',
      `The back’s board is ${show(wide('back'))} wide and the front’s ${show(wide('front'))}: both fill the room’s width, so choose one width.`,
    );
  if (differs('floor', 'front'))
    refuse(
      'floor',
      `The floor’s board is ${show(wide('floor'))} wide and the front’s ${show(wide('front'))}: it fills the room’s width too, so choose one width.`,
    );
  if (differs('side-right', 'side-left'))
    refuse('side-right', 'Left and right side are of one width, or the box stands askew.');
  if (wide('roof') < wide('side-left') + fromMm(10))
    refuse(
      'roof',
      `The roof’s board, ${show(wide('roof'))}, must be wider than the sides’, ${show(wide('side-left'))}, to stand out over the front. Take the next width up.`,
    );
  if (depth < fromMm(60))
    refuse(
      'side-left',
      `Sides of ${show(wide('side-left'))} leave ${show(depth)} between front and back. Take wider boards for the sides.`,
    );
  if (found.length > 0) return found;
  return {
    ...plan,
    schools: {
      ...plan.schools,
      roof: 'flat',
      slope: 'heights',
      walls: 'between',
      measure: 'inside',
      roofGrain: 'across',
      drip: 'none',
    },
    sizes: {
      ...plan.sizes,
      width: wide('front'),
      depth,
      overhangFront: wide('roof') - wide('side-left'),
      overhangRear: 0,
    },
  };
}

function build(plan: BoxPlan): BuiltBox {
  const wild = [
    ...missingWood(
      plan,
      ROLES.filter((role) => !role.applies || role.applies(plan.schools)),
    ),
    ...outOfRange(plan, PARAMETERS),
  ];
  if (wild.length > 0) return { ok: false, refusals: wild };
  const slant = fromBoards(plan);
  if (Array.isArray(slant)) return { ok: false, refusals: slant };
  const built = buildSlantRoof(slant);
  if (!built.ok) return built;
  const mm = (ticks: number | undefined) => `{${(ticks ?? 0) / 320}}`;
  const derived: Derived[] = [
    {
      id: 'roomWidth',
      label: 'Room, wide',
      kind: 'length',
      value: slant.sizes.width!,
      why: `The front’s board is ${mm(slant.sizes.width)} wide, and nothing is ripped.`,
    },
    {
      id: 'roomDepth',
      label: 'Room, deep',
      kind: 'length',
      value: slant.sizes.depth!,
      why: `The sides’ board less front and back, which stand between: ${mm(plan.wood['side-left']!.width ?? 0)} − ${mm(plan.wood.front!.thickness)} − ${mm(plan.wood.back!.thickness)} = ${mm(slant.sizes.depth)}.`,
    },
    {
      id: 'overhangFront',
      label: 'Roof out over the front',
      kind: 'length',
      value: slant.sizes.overhangFront!,
      why: `The roof’s board less the sides’: ${mm(plan.wood.roof!.width ?? 0)} − ${mm(plan.wood['side-left']!.width ?? 0)} = ${mm(slant.sizes.overhangFront)}.`,
    },
    ...built.derived.filter((each) => each.id === 'swingGap'),
  ];
  return { ...built, derived };
}

function suit(animal: Animal): Pick<BoxPlan, 'sizes' | 'angles' | 'schools'> {
  const { sizes, angles, schools, room, up } = suitRoom(animal, {
    parameters: PARAMETERS,
    schools: SCHOOLS,
  });
  const { width: _width, depth: _depth, ...rest } = sizes;
  return {
    sizes: { ...rest, frontHeight: up(room + 20 + toMm(sizes.floorRecess ?? 0)) },
    angles,
    schools,
  };
}

/** Widths of surfaced boards, for a first plan: DOC PS 20, American Softwood Lumber Standard [P]. */
const WIDTHS = [3.5, 5.5, 7.25, 9.25, 11.25].map(fromInches);
const GROUPS = {
  front: ['front', 'back', 'floor'],
  side: ['side-left', 'side-right'],
  roof: ['roof'],
} as const;

/** Front, back and floor as wide as the animal needs, the sides the next width up that leaves its depth, the roof the next. */
function startWood(
  animal: Animal,
  wood: Readonly<Record<string, PanelWood>>,
): Record<string, PanelWood> {
  const thickness = wood.front!.thickness;
  const front =
    WIDTHS.find((width) => width >= fromMm((animal.floorWidth ?? 0) - 1)) ?? WIDTHS.at(-1)!;
  const side =
    WIDTHS.find(
      (width) =>
        width > front - 1 && width - 2 * thickness >= fromMm((animal.floorDepth ?? 60) - 1),
    ) ?? WIDTHS.at(-1)!;
  const roof = WIDTHS.find((width) => width > side) ?? side + fromMm(50);
  const width: Record<string, Ticks> = { front, side, roof };
  return Object.fromEntries(
    Object.entries(wood).map(([role, each]) => {
      const group = Object.entries(GROUPS).find(([, roles]) =>
        (roles as readonly string[]).includes(role),
      )?.[0];
      return [role, group ? { ...each, width: width[group]! } : each];
    }),
  );
}

/** How far a floor is short of what the animal needs, in ticks over both ways; 0 when it is large enough. */
const shortOf = (animal: Animal | undefined, width: Ticks, depth: Ticks): Ticks =>
  Math.max(0, fromMm((animal?.floorWidth ?? 95) - 1) - width) +
  Math.max(0, fromMm((animal?.floorDepth ?? 95) - 1) - depth);

/**
 * Three kinds of boards that make a sound box: the smallest floor that is large enough for the animal, or else the one least short of it;
 * the commonest roof that is wide enough.
 */
function woodFrom(plan: BoxPlan, boards: readonly PanelWood[]): Record<string, PanelWood> | null {
  const animal = animalById(plan.animal);
  const floors = boards
    .flatMap((front) =>
      boards.map((side) => ({
        front,
        side,
        width: front.width ?? 0,
        depth: (side.width ?? 0) - 2 * front.thickness,
      })),
    )
    .map((floor) => ({ ...floor, short: shortOf(animal, floor.width, floor.depth) }))
    .sort((p, q) => p.short - q.short || p.width * p.depth - q.width * q.depth);
  for (const { front, side } of floors)
    for (const roof of boards) {
      const of: Record<string, PanelWood> = { front, side, roof };
      const given = Object.entries(GROUPS).flatMap(([group, roles]) =>
        roles.map((role) => [role, of[group]!]),
      );
      const wood = { ...plan.wood, ...Object.fromEntries(given) };
      if (build({ ...plan, wood }).ok) return wood;
    }
  return null;
}

/** Flat roof, every cut square, widths straight from the boards: a chop saw alone builds it. */
export const squareCut: Family = {
  id: 'square-cut',
  name: 'Square-cut box',
  summary: 'Flat roof, every cut square, widths straight from the boards.',
  about:
    'Crosscuts only: the sides are of one board width, front, back and floor of the next one down, the roof of the next one up. Posts are never plumb, so water runs off a flat roof anyway.',
  parameters: PARAMETERS,
  schools: SCHOOLS,
  roles: ROLES,
  cautions: NEST_CAUTIONS,
  build,
  dimensions: (plan, box) => {
    const slant = fromBoards(plan);
    return Array.isArray(slant)
      ? []
      : slantDimensions(slant, box).filter((each) =>
          PARAMETERS.some((parameter) => parameter.id === each.size),
        );
  },
  checks: (plan, box, animal) => {
    const slant = fromBoards(plan);
    const broken = Array.isArray(slant) ? [] : checkRoom(slant, box, animal);
    // Width, depth and overhang are the boards', so their remedies are other boards.
    return broken.map((check) =>
      check.id === 'floor' || check.id === 'overhang' ? { ...check, remedies: [] } : check,
    );
  },
  suit,
  startWood,
  woodFrom,
};
