import {
  EVERY_BOX,
  entranceRule,
  gripRule,
  OPENING,
  overhangRule,
  type Rule,
  recessRule,
  roomRule,
  UNDER_A_ROOF,
  wallRule,
} from '../../checks/index.js';
import { toMm } from '../../measure/index.js';
import type { Derived } from '../../panels/index.js';
import { entranceOf } from '../../plan/index.js';
import { ofLength, text } from '../../text/index.js';
import { NEST_CAUTIONS } from '../common/cautions.js';
import { roomFor } from '../common/room.js';
import { type Cut, defineFamily } from '../define-family.js';
import { cutShell } from '../slant-roof/cut-shell.js';
import { entranceDimensions, shellDimensions } from '../slant-roof/dimensions.js';
import {
  boardWidths,
  CHOICES,
  ROLES,
  SIZES,
  type SquareCutPlan,
  shellOf,
  widthFaults,
} from './from-boards.js';
import { startWood, woodFrom } from './wood.js';

/** The sizes that the boards gave. */
function derive(plan: SquareCutPlan, shell: readonly Derived[]): Derived[] {
  const { wide, depth } = boardWidths(plan);
  const { wood } = plan;
  const [front, side, roof] = [wide('front'), wide('side-left'), wide('roof')];
  return [
    {
      id: 'roomWidth',
      label: 'Room, wide',
      kind: 'length',
      value: front,
      why: text`The front’s board is ${ofLength(front)} wide, and nothing is ripped.`,
    },
    {
      id: 'roomDepth',
      label: 'Room, deep',
      kind: 'length',
      value: depth,
      why: text`The sides’ board less front and back, which stand between: ${ofLength(side)} − ${ofLength(wood.front.thickness)} − ${ofLength(wood.back.thickness)} = ${ofLength(depth)}.`,
    },
    {
      id: 'overhangFront',
      label: 'Roof out over the front',
      kind: 'length',
      value: roof - side,
      why: text`The roof’s board less the sides’: ${ofLength(roof)} − ${ofLength(side)} = ${ofLength(roof - side)}.`,
    },
    ...shell.filter(({ id }) => ['swingGap', 'pivotHole', 'pivotPilot'].includes(id)),
  ];
}

function build(plan: SquareCutPlan): ReturnType<typeof cutShell> {
  const faults = widthFaults(plan);
  if (faults.length > 0) return faults;
  const made = cutShell(shellOf(plan), { kind: 'hole', entrance: entranceOf(plan) });
  return 'drafts' in made ? ({ ...made, derived: derive(plan, made.derived) } satisfies Cut) : made;
}

/** The overhang is the boards', so its remedy is another board. */
const boardsOverhang: Rule<SquareCutPlan> = ({ plan, ...held }) =>
  overhangRule({ ...held, plan: { ...shellOf(plan), place: plan.place } }).map((check) => ({
    ...check,
    remedies: [],
  }));

const isOwn = (size: string): size is keyof typeof SIZES => Object.hasOwn(SIZES, size);

/** Flat roof, every cut square, widths straight from the boards: a chop saw alone builds it. */
export const squareCut = defineFamily({
  id: 'square-cut',
  name: 'Square-cut box',
  summary: 'Flat roof, every cut square, widths straight from the boards.',
  about: text`Crosscuts only: the sides are of one board width, front, back and floor of the next one down, the roof of the next one up. Posts are never plumb, so water runs off a flat roof anyway.`,
  guests: 'birds',
  cautions: NEST_CAUTIONS,
  example: 'black-capped-chickadee',
  sizes: SIZES,
  choices: CHOICES,
  roles: ROLES,
  notTrimmed: [
    'entranceWidth',
    'entranceUpright',
    'entranceHeight',
    'pivotBelow',
    'pivotSize',
    'latchSize',
    'latchAbove',
    'scoreSpacing',
    'scoreWidth',
    'rungSpacing',
    'ventSize',
    'drainSize',
  ],
  build,
  dimensions: (plan, box) => [
    ...shellDimensions(shellOf(plan), box).flatMap(({ size, ...each }) =>
      isOwn(size) ? [{ ...each, size }] : [],
    ),
    ...entranceDimensions(plan, box),
  ],
  // Width and depth are the boards', so a floor that is too small asks for other boards.
  rules: [
    gripRule,
    entranceRule(),
    roomRule(null),
    wallRule,
    recessRule,
    boardsOverhang,
    ...UNDER_A_ROOF,
    ...OPENING,
    ...EVERY_BOX,
  ],
  defaultsFor(animal, start) {
    const room = roomFor(animal, start, ['round', 'oval', 'arch', 'square']);
    const frontHeight = room.up(room.room + 20 + toMm(start.sizes.floorRecess));
    return {
      ...start,
      sizes: { ...start.sizes, ...room.sizes, frontHeight },
      choices: { ...start.choices, ...room.choices },
    };
  },
  startWood,
  woodFrom: (plan, boards, animal) =>
    woodFrom(plan.wood, boards, animal, (wood) => {
      const tried = { ...plan, wood: { ...plan.wood, ...wood } };
      return widthFaults(tried).length === 0 && 'drafts' in build(tried);
    }),
});
