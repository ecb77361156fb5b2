import type { Animal } from '../../animals/index.js';
import {
  accessCheck,
  airChecks,
  backJointCheck,
  type Check,
  entranceChecks,
  everyBox,
  gripCheck,
  roomChecks,
  swingChecks,
  wallChecks,
  weatherChecks,
} from '../../checks/index.js';
import { fromMm } from '../../measure/index.js';
import type { BuiltBox, PanelSet } from '../../panels/index.js';
import {
  type BoxPlan,
  length,
  middle,
  outOfRange,
  type Parameter,
  roundingFor,
} from '../../plan/index.js';
import type { DrawnDimension, Family } from '../family.js';
import { NEST_CAUTIONS } from '../shared/cautions.js';
import { build as buildSlantRoof } from '../slant-roof/build.js';
import { dimensions as slantDimensions } from '../slant-roof/dimensions.js';
import {
  ROLES,
  PARAMETERS as SLANT_ROOF,
  SCHOOLS as SLANT_SCHOOLS,
} from '../slant-roof/parameters.js';
import { suit as suitSlantRoof } from '../slant-roof/suit.js';

const PARAMETERS: readonly Parameter[] = [
  ...SLANT_ROOF.filter((parameter) => !['entranceWidth', 'entranceUpright'].includes(parameter.id)),
  length(
    'bore',
    'Pipe’s bore',
    20,
    120,
    31,
    'The clear opening inside the pipe: what the animal passes through.',
  ),
  length('pipeWall', 'Pipe’s wall', 1, 8, 2, 'The hole in the front is the bore and twice this.'),
  length(
    'pipeOut',
    'Pipe out of the front',
    0,
    200,
    45,
    'How far it stands out, sloping nothing in.',
  ),
  length('pipeIn', 'Pipe into the room', 0, 40, 0, 'Flush inside, so that nothing bars the way.'),
];
const SCHOOLS = SLANT_SCHOOLS.filter((school) => school.id !== 'entrance');

/** The same box with a round hole as large as the pipe is outside. */
const asSlantRoof = (plan: BoxPlan): BoxPlan => ({
  ...plan,
  schools: { ...plan.schools, entrance: 'round' },
  sizes: { ...plan.sizes, entranceWidth: (plan.sizes.bore ?? 0) + 2 * (plan.sizes.pipeWall ?? 0) },
});

function build(plan: BoxPlan): BuiltBox {
  const wild = outOfRange(plan, PARAMETERS);
  if (wild.length > 0) return { ok: false, refusals: wild };
  const slant = asSlantRoof(plan);
  const built = buildSlantRoof(slant);
  if (!built.ok)
    return {
      ok: false,
      refusals: built.refusals.map((each) =>
        each.field === 'entranceWidth' ? { ...each, field: 'bore' } : each,
      ),
    };
  const { sizes, schools } = plan;
  const outside = slant.sizes.entranceWidth ?? 0;
  const front = plan.wood.front!.thickness;
  const z = (sizes.entranceHeight ?? 0) + (schools.entranceTo === 'sill' ? outside / 2 : 0);
  const long = (sizes.pipeOut ?? 0) + front + (sizes.pipeIn ?? 0);
  return {
    ...built,
    box: {
      ...built.box,
      fittings: [
        {
          kind: 'pipe',
          from: [0, -front - (sizes.pipeOut ?? 0), z],
          to: [0, sizes.pipeIn ?? 0, z],
          bore: sizes.bore ?? 0,
          outside,
        },
      ],
    },
    derived: [
      ...built.derived,
      {
        id: 'pipeLength',
        label: 'Pipe, long',
        kind: 'length',
        value: long,
        why: `Out ${mm(sizes.pipeOut)}, through the front ${mm(front)}, in ${mm(sizes.pipeIn)}: ${mm(long)}.`,
      },
      {
        id: 'pipeHole',
        label: 'Hole for the pipe',
        kind: 'length',
        value: outside,
        why: `Bore ${mm(sizes.bore)} and twice the wall ${mm(sizes.pipeWall)} = ${mm(outside)}.`,
      },
    ],
  };
}
const mm = (ticks: number | undefined): string => `{${(ticks ?? 0) / 320}}`;

function suit(animal: Animal): Pick<BoxPlan, 'sizes' | 'angles' | 'schools'> {
  const base = suitSlantRoof(animal, { parameters: PARAMETERS, schools: SCHOOLS });
  const { entranceWidth: _width, ...sizes } = base.sizes;
  const { exact } = roundingFor(animal);
  return {
    ...base,
    sizes: {
      ...sizes,
      bore: animal.entranceSize ? exact(middle(animal.entranceSize)) : fromMm(31),
    },
  };
}

function dimensions(plan: BoxPlan, box: PanelSet): DrawnDimension[] {
  const front = plan.wood.front?.thickness ?? 0;
  const hole = slantDimensions(asSlantRoof(plan), box).map((each) =>
    each.size === 'entranceWidth' ? { ...each, size: 'bore' } : each,
  );
  const pipe = box.fittings?.find((fitting) => fitting.kind === 'pipe');
  return [
    ...hole,
    ...(pipe
      ? [
          {
            size: 'pipeOut',
            view: 'section',
            side: 'below',
            from: pipe.from[1],
            to: -front,
            start: pipe.from[2],
          } as const,
        ]
      : []),
  ];
}

function checks(plan: BoxPlan, box: PanelSet, animal: Animal | undefined): Check[] {
  const slant = asSlantRoof(plan);
  return [
    gripCheck(plan),
    ...(animal
      ? [
          ...entranceChecks(slant, box, animal, 'bore').map(atBore(plan)),
          ...roomChecks(plan, box, animal),
        ]
      : []),
    ...wallChecks(plan, box),
    ...weatherChecks(plan),
    ...airChecks(box),
    accessCheck(plan, box),
    ...swingChecks(plan, box),
    ...backJointCheck(box),
    ...everyBox(plan, box),
  ];
}

/** The size that counts is the bore, which the hole in the wood does not show. */
const atBore =
  (plan: BoxPlan) =>
  (check: Check): Check =>
    check.id === 'entrance-size'
      ? {
          ...check,
          text: check.text.replace('Entrance', `Bore of the pipe ${mm(plan.sizes.bore)}: entrance`),
        }
      : check;

/** A slant-roof box with a pipe let through the front, for those that nest in tunnels and hollow spouts. */
export const tubeEntrance: Family = {
  id: 'tube',
  name: 'Tube-entrance box',
  summary: 'A slant-roof box with a pipe through the front.',
  about:
    'A slant-roof box whose entrance is a piece of pipe, for birds that nest at the end of a tunnel or a spout. The pipe keeps larger birds and paws out.',
  parameters: PARAMETERS,
  schools: SCHOOLS,
  roles: ROLES,
  cautions: [
    ...NEST_CAUTIONS,
    'Cut plastic pipe with a fine saw and break its edges: they cut feet and fingers.',
  ],
  build,
  dimensions,
  checks,
  suit,
};
