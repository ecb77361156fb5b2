import {
  accessRule,
  airRule,
  EVERY_BOX,
  entranceRule,
  overhangRule,
  recessRule,
} from '../../checks/index.js';
import { at } from '../../lists/index.js';
import { fromMm, toMm } from '../../measure/index.js';
import type { PanelSet } from '../../panels/index.js';
import { entranceOf } from '../../plan/index.js';
import { text } from '../../text/index.js';
import { NEST_CAUTIONS } from '../common/cautions.js';
import { lowestOf } from '../common/lowest.js';
import { roomFor } from '../common/room.js';
import { defineFamily } from '../define-family.js';
import type { DrawnDimension } from '../family.js';
import { entranceDimensions } from '../slant-roof/dimensions.js';
import { build } from './build.js';
import { CHOICES, type LogPlan, ROLES, SIZES } from './declared.js';
import { dryLog, logRoom, slabGrip, slabWall } from './rules.js';

function dimensions(plan: LogPlan, box: PanelSet): DrawnDimension<keyof typeof SIZES>[] {
  const { diameter, wall, height, overhangFront } = plan.sizes;
  const radius = diameter / 2;
  const low = lowestOf(box, 'slab-front');
  const front = at(box.cavities, 0).depth / 2 - radius;
  return [
    { size: 'diameter', view: 'front', side: 'below', from: -radius, to: radius, start: low },
    ...entranceDimensions(plan, box, -radius),
    { size: 'wall', view: 'section', side: 'below', from: front, to: front + wall, start: low },
    {
      size: 'height',
      view: 'section',
      side: 'left',
      from: low,
      to: low + height,
      start: front,
    },
    {
      size: 'overhangFront',
      view: 'section',
      side: 'above',
      from: front - overhangFront,
      to: front,
      start: low + height,
    },
  ];
}

/** Slabs sawn off a round, its core cut away, a plug for a floor and a lid. */
export const logBox = defineFamily({
  id: 'log',
  name: 'Log box',
  summary: 'Slabs off a round, the core cut away, a plug for a floor, a lid.',
  about: text`A round is sawn or split into four slabs round its core; the core is taken out and the slabs put together again. The log’s diameter decides the room.`,
  guests: 'birds',
  cautions: [
    ...NEST_CAUTIONS,
    'Round wood rolls and pinches: wedge it, clamp it, split it rather than saw it freehand. Chainsaw work is for those trained in it.',
  ],
  example: 'black-capped-chickadee',
  sizes: SIZES,
  choices: CHOICES,
  roles: ROLES,
  notTrimmed: [
    'entranceWidth',
    'entranceUpright',
    'entranceHeight',
    'scoreSpacing',
    'scoreWidth',
    'floorThick',
    'lidThick',
    'ventSize',
    'drainSize',
  ],
  build,
  dimensions,
  rules: [
    slabGrip,
    entranceRule(),
    logRoom,
    slabWall,
    recessRule,
    overhangRule,
    airRule,
    accessRule,
    dryLog,
    ...EVERY_BOX,
  ],
  defaultsFor(animal, start) {
    const needs = roomFor(animal, start, ['round', 'oval', 'arch']);
    const choices = { ...start.choices, ...needs.choices };
    const sizes = { ...start.sizes, ...needs.sizes };
    const side = Math.max(toMm(needs.width ?? fromMm(120)), toMm(needs.depth ?? 0));
    const diameter = needs.up(side * Math.SQRT2 + 2 * toMm(sizes.wall) + 1);
    const top = toMm(sizes.entranceHeight) + toMm(entranceOf({ sizes, choices }).height);
    // The upper end falls to the front: the lid lies lower there than over the room.
    const height = needs.up(Math.max(needs.room, top + 15) + 30 + toMm(sizes.floorRecess));
    return { ...start, sizes: { ...sizes, diameter, height }, choices };
  },
});
