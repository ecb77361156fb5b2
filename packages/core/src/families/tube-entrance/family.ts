import {
  accessRule,
  EVERY_BOX,
  entranceRule,
  gripRule,
  type Measured,
  overhangRule,
  pipeFallRule,
  pipeSwingRule,
  playRule,
  recessRule,
  roomRule,
  swingRule,
  UNDER_A_ROOF,
  wallRule,
} from '../../checks/index.js';
import { cos, fromMm, sin, tan } from '../../measure/index.js';
import {
  type Derived,
  type Draft,
  derivedLength,
  type Feature,
  type Fitting,
} from '../../panels/index.js';
import {
  angle,
  type EntrancePlan,
  entranceOf,
  length,
  middle,
  type PlanOf,
  roundingFor,
  since,
} from '../../plan/index.js';
import type { Vec3 } from '../../solid/index.js';
import { ofAngle, ofLength, text } from '../../text/index.js';
import { NEST_CAUTIONS } from '../common/cautions.js';
import { ENTRANCE_SIZES } from '../common/entrance.js';
import { roomFor } from '../common/room.js';
import { defineFamily } from '../define-family.js';
import { cutShell } from '../slant-roof/cut-shell.js';
import { ROLES, CHOICES as SLANT_CHOICES } from '../slant-roof/declared.js';
import { heightsFor } from '../slant-roof/defaults-for.js';
import { entranceDimensions, shellDimensions } from '../slant-roof/dimensions.js';
import {
  CLIMB_SIZES,
  MOUNT_SIZE,
  NOT_TRIMMED,
  PIVOT_BELOW,
  SHELL_SIZES,
  SWING_SIZES,
  TRAY_PLAY,
  VENT_SIZE,
} from '../slant-roof/sizes.js';

const SIZES = {
  ...SHELL_SIZES,
  entranceHeight: ENTRANCE_SIZES.entranceHeight,
  pivotBelow: PIVOT_BELOW,
  ...SWING_SIZES,
  trayPlay: TRAY_PLAY,
  ...CLIMB_SIZES,
  mountSize: MOUNT_SIZE,
  ventSize: VENT_SIZE,
  bore: length(
    'Pipe’s bore',
    20,
    120,
    31,
    'The clear opening inside the pipe: what the animal passes through.',
  ),
  pipeWall: length('Pipe’s wall', 1, 8, 2, 'The hole in the front is the bore and twice this.'),
  pipeOut: length('Pipe out of the front', 0, 200, 45, 'How far it stands out of the front.'),
  pipeIn: length('Pipe into the room', 0, 40, 0, 'Flush inside, so that nothing bars the way.'),
  pipeFall: since(
    angle(
      'Pipe falls outwards',
      0,
      20,
      5,
      'From level, so that rain runs out of it: bore the hole at this angle, upwards from outside.',
    ),
    0,
  ),
};

const { entrance: _entrance, ...CHOICES } = SLANT_CHOICES;
type Plan = PlanOf<typeof SIZES, typeof CHOICES, keyof typeof ROLES>;

/** The hole in the front: as large as the pipe is outside. */
const holeFor = ({ sizes, choices }: Plan): EntrancePlan => ({
  sizes: {
    entranceWidth: sizes.bore + 2 * sizes.pipeWall,
    entranceUpright: 0,
    entranceHeight: sizes.entranceHeight,
  },
  choices: { entrance: 'round', entranceTo: choices.entranceTo },
});

/** Upwards into the box along the pipe. */
const intoBox = ({ angles }: Plan): Vec3 => [0, cos(angles.pipeFall), sin(angles.pipeFall)];

/** The pipe, through the middle of the hole in the front's outside face. */
function pipeOf(plan: Plan): Extract<Fitting, { kind: 'pipe' }> {
  const { width, centre } = entranceOf(holeFor(plan));
  const { pipeOut, pipeIn, bore } = plan.sizes;
  const front = plan.wood.front.thickness;
  const fall = tan(plan.angles.pipeFall);
  const at = (y: number): Vec3 => [0, Math.round(y), Math.round(centre + (y + front) * fall)];
  return { kind: 'pipe', from: at(-front - pipeOut), to: at(pipeIn), bore, outside: width };
}

function derive(plan: Plan): Derived[] {
  const { sizes, angles, wood } = plan;
  const front = wood.front.thickness;
  const { from, to } = pipeOf(plan);
  const long = Math.round(Math.hypot(to[1] - from[1], to[2] - from[2]));
  const across = text`Out ${ofLength(sizes.pipeOut)}, through the front ${ofLength(front)}, in ${ofLength(sizes.pipeIn)}`;
  return [
    {
      id: 'pipeLength',
      label: 'Pipe, long',
      kind: 'length',
      value: long,
      why:
        angles.pipeFall > 0
          ? text`${across}, at ${ofAngle(angles.pipeFall)}: ${ofLength(long)}. Its inner end is cut at that angle to lie flush.`
          : text`${across}: ${ofLength(long)}.`,
    },
    derivedLength(
      'pipeHole',
      'Hole for the pipe',
      sizes.bore + 2 * sizes.pipeWall,
      text`Bore ${ofLength(sizes.bore)} and twice the wall ${ofLength(sizes.pipeWall)}`,
    ),
  ];
}

/** The front with its hole along the pipe. */
function bored(draft: Draft, plan: Plan): Draft {
  const { features } = draft;
  if (plan.angles.pipeFall === 0 || !features) return draft;
  const along = (feature: Feature): Feature =>
    feature.kind === 'entrance' && feature.shape === 'round'
      ? { ...feature, axis: intoBox(plan) }
      : feature;
  return { ...draft, features: (toFrame) => features(toFrame).map(along) };
}

/** What is held against the animal: the hole's place, and the bore, which the hole in the wood does not show. */
const borePlan = (plan: Plan) => ({ ...plan, ...holeFor(plan) });
const measured = ({ bore, width }: { bore: number; width: number }): Measured => ({
  size: 'bore',
  width,
  called: text`Bore of the pipe ${ofLength(bore)}: entrance`,
});

/** A slant-roof box with a pipe let through the front, for those that nest in tunnels and hollow spouts. */
export const tubeEntrance = defineFamily({
  id: 'tube',
  name: 'Tube-entrance box',
  summary: 'A slant-roof box with a pipe through the front.',
  about: text`A slant-roof box whose entrance is a piece of pipe, for birds that nest at the end of a tunnel or a spout. The pipe keeps larger birds and paws out.`,
  guests: 'birds',
  cautions: [
    ...NEST_CAUTIONS,
    'Cut plastic pipe with a fine saw and break its edges: they cut feet and fingers.',
  ],
  example: 'black-capped-chickadee',
  sizes: SIZES,
  choices: CHOICES,
  roles: ROLES,
  notTrimmed: [
    'entranceHeight',
    ...NOT_TRIMMED,
    'bore',
    'pipeWall',
    'pipeOut',
    'pipeIn',
    'pipeFall',
  ],
  trimmedTogether: [['frontHeight', 'backHeight']],
  build(plan) {
    const made = cutShell(plan, { kind: 'hole', entrance: entranceOf(holeFor(plan)) });
    if (!('drafts' in made))
      return made.map((each) =>
        each.field === 'entranceWidth' ? { ...each, field: 'bore' } : each,
      );
    return {
      ...made,
      drafts: made.drafts.map((draft) => bored(draft, plan)),
      fittings: [...(made.fittings ?? []), pipeOf(plan)],
      derived: [...made.derived, ...derive(plan)],
    };
  },
  dimensions: (plan, box) => {
    const front = plan.wood.front.thickness;
    const hole = entranceDimensions(holeFor(plan), box).map((each) => ({
      ...each,
      size: each.size === 'entranceHeight' ? each.size : ('bore' as const),
    }));
    const { centre } = entranceOf(holeFor(plan));
    return [
      ...shellDimensions(plan, box),
      ...hole,
      {
        size: 'pipeOut',
        view: 'section',
        side: 'below',
        from: -front - plan.sizes.pipeOut,
        to: -front,
        start: centre,
      },
    ];
  },
  rules: [
    gripRule,
    ({ plan, ...held }) =>
      entranceRule(() => measured({ bore: plan.sizes.bore, width: plan.sizes.bore }))({
        ...held,
        plan: borePlan(plan),
      }),
    roomRule(),
    wallRule,
    recessRule,
    overhangRule,
    accessRule,
    swingRule,
    playRule,
    pipeFallRule,
    pipeSwingRule,
    ...UNDER_A_ROOF,
    ...EVERY_BOX,
  ],
  defaultsFor(animal, start) {
    const { floorRecess, entranceHeight } = start.sizes;
    const sizes = { entranceWidth: fromMm(32), entranceUpright: fromMm(76), entranceHeight };
    const choices = { entrance: 'round', entranceTo: start.choices.entranceTo } as const;
    const room = roomFor(animal, { sizes, choices }, []);
    const width = room.width ?? start.sizes.width;
    const depth = room.depth ?? start.sizes.depth;
    const { exact } = roundingFor(animal);
    return {
      ...start,
      sizes: {
        ...start.sizes,
        ...heightsFor(animal, room, { floorRecess, depth }),
        entranceHeight: room.sizes.entranceHeight,
        width,
        depth,
        bore: animal.entranceSize ? exact(middle(animal.entranceSize)) : fromMm(31),
      },
      choices: { ...start.choices, entranceTo: room.choices.entranceTo, walls: 'over' },
    };
  },
});
