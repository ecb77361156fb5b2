import {
  accessRule,
  airRule,
  COMMON,
  EVERY_BOX,
  entranceRule,
  gripRule,
  ofMm,
  type Rule,
  roomRule,
  setSize,
  wallRule,
} from '../../checks/index.js';
import { at } from '../../lists/index.js';
import { fromMm, toMm } from '../../measure/index.js';
import type { PanelSet } from '../../panels/index.js';
import { middle, roundingFor } from '../../plan/index.js';
import { ofLength, text } from '../../text/index.js';
import { NEST_CAUTIONS } from '../common/cautions.js';
import { lowestOf } from '../common/lowest.js';
import { defineFamily } from '../define-family.js';
import type { DrawnDimension } from '../family.js';
import { build } from './build.js';
import { CHOICES, type ColonyPlan, ROLES, SIZES } from './declared.js';
import { entranceOfRoom } from './frame.js';

const DRY = fromMm(6);
const COVERED = fromMm(49);

/** Every room's entrance is a round hole. */
const roomEntrance: Rule<ColonyPlan> = ({ plan, ...held }) => {
  const { entranceWidth } = plan.sizes;
  return entranceRule()({
    ...held,
    plan: {
      ...plan,
      sizes: { ...plan.sizes, entranceUpright: entranceWidth },
      choices: { ...plan.choices, entrance: 'round' },
    },
  });
};

const lowestFloor: Rule<ColonyPlan> = ({ plan }) => {
  const recess = plan.sizes.floorRecess;
  const dry = recess >= DRY;
  return [
    {
      ...COMMON,
      id: 'recess',
      severity: dry ? 'kept' : 'warn',
      role: 'floor',
      text: dry
        ? text`Lowest floor ${ofLength(recess)} up inside the walls, so its end grain stays dry.`
        : text`Lowest floor ${ofLength(recess)} up; ${ofMm(6)} or more keeps its end grain dry.`,
      remedies: dry ? [] : [{ label: 'Raise it', apply: setSize('floorRecess', fromMm(9.5)) }],
    },
  ];
};

const roofOut: Rule<ColonyPlan> = ({ plan }) => {
  const { overhangFront, overhangRear } = plan.sizes;
  const covered = overhangFront >= COVERED;
  const shortBehind = plan.choices.sides === 'two' && overhangRear < COVERED;
  const short = { overhangFront: !covered, overhangRear: shortBehind };
  const behind = shortBehind ? text`, and ${ofLength(overhangRear)} behind` : '';
  return [
    {
      ...COMMON,
      id: 'overhang',
      severity: covered && !shortBehind ? 'kept' : 'warn',
      role: 'roof',
      text: text`The roof stands ${ofLength(overhangFront)} out over the entrances${behind}; ${ofMm(50)} or more keeps rain and paws off.`,
      remedies:
        covered && !shortBehind
          ? []
          : [
              {
                label: 'Lengthen it',
                apply: (current) =>
                  Object.entries(short).reduce(
                    (now, [size, isShort]) => (isShort ? setSize(size, fromMm(50.8))(now) : now),
                    current,
                  ),
              },
            ],
    },
  ];
};

type Size = keyof typeof SIZES;

function dimensions(plan: ColonyPlan, box: PanelSet): DrawnDimension<Size>[] {
  const { sizes, choices, wood } = plan;
  const { origin, width, depth, sill } = at(box.cavities, 0);
  const left = origin[0] - width / 2;
  const low = lowestOf(box, 'side-left');
  const front = wood.front.thickness;
  const tops = box.cavities.map((cavity) => cavity.origin[2] + cavity.heightFront);
  return [
    { size: 'roomWidth', view: 'front', side: 'below', from: left, to: left + width, start: low },
    {
      size: 'entranceHeight',
      view: 'front',
      side: 'left',
      from: 0,
      to: choices.entranceTo === 'sill' ? sill : entranceOfRoom(plan).centre,
      start: left,
    },
    { size: 'roomDepth', view: 'section', side: 'below', from: 0, to: depth, start: low },
    { size: 'roomHeight', view: 'section', side: 'left', from: 0, to: sizes.roomHeight, start: 0 },
    {
      size: 'overhangFront',
      view: 'section',
      side: 'above',
      from: -front - sizes.overhangFront,
      to: -front,
      start: Math.max(...tops),
    },
  ];
}

/** Martins live in houses of many rooms, back to back on a pole. */
const MARTIN_HOUSE = { columns: '4', rows: '2', sides: 'two', roof: 'flat' } as const;

/** Rooms in a row or back to back, in one or more rows, sharing their partitions and floors. */
export const colonyHouse = defineFamily({
  id: 'colony',
  name: 'Terrace and colony house',
  summary: 'Rooms side by side, in rows, perhaps back to back, sharing their walls.',
  about: text`Terraces of three or more rooms for sparrows, hung under eaves; houses of many rooms on poles for martins, rooms back to back. Panels wider than any board are glued up, or lie with their grain along the house.`,
  guests: 'birds',
  cautions: [
    ...NEST_CAUTIONS,
    'A house of many rooms is heavy: a pole that lowers, two people and a rope.',
  ],
  example: 'house-sparrow',
  sizes: SIZES,
  choices: CHOICES,
  roles: ROLES,
  notTrimmed: [
    'entranceWidth',
    'entranceHeight',
    'scoreSpacing',
    'scoreWidth',
    'drainSize',
    'ventSize',
  ],
  build,
  dimensions,
  rules: [
    gripRule,
    roomEntrance,
    roomRule({ width: 'roomWidth', depth: 'roomDepth' }),
    wallRule,
    airRule,
    lowestFloor,
    roofOut,
    accessRule,
    ...EVERY_BOX,
  ],
  defaultsFor(animal, start) {
    const { up, exact } = roundingFor(animal);
    const { floorWidth, floorDepth, cavity, entranceSize, entranceAboveFloor } = animal;
    const { sizes } = start;
    const entranceWidth = entranceSize ? exact(entranceSize[0]) : sizes.entranceWidth;
    const entranceHeight = entranceAboveFloor
      ? up(middle(entranceAboveFloor))
      : sizes.entranceHeight;
    const entranceTo = animal.entranceReference ?? 'sill';
    const over = entranceTo === 'sill' ? entranceWidth : entranceWidth / 2;
    const least = up(toMm(entranceHeight + over) + 12);
    const liked = cavity ? up(middle(cavity)) : sizes.roomHeight;
    const martins = animal.id === 'purple-martin';
    return {
      ...start,
      sizes: {
        ...sizes,
        roomWidth: floorWidth ? up(floorWidth) : sizes.roomWidth,
        roomDepth: floorDepth ? up(floorDepth) : sizes.roomDepth,
        roomHeight: Math.max(liked, least),
        entranceWidth,
        entranceHeight,
        overhangRear: martins ? sizes.overhangFront : sizes.overhangRear,
      },
      choices: { ...start.choices, ...(martins ? MARTIN_HOUSE : {}), entranceTo },
    };
  },
});
