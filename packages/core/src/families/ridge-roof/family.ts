import {
  accessRule,
  airRule,
  EVERY_BOX,
  entranceRule,
  gripRule,
  overhangRule,
  playRule,
  type Rule,
  recessRule,
  roomRule,
  swingRule,
  wallRule,
} from '../../checks/index.js';
import { at } from '../../lists/index.js';
import { fromMm, type Ticks, tan, toMm } from '../../measure/index.js';
import type { PanelSet } from '../../panels/index.js';
import { keepsOutside } from '../../plan/index.js';
import { text } from '../../text/index.js';
import { NEST_CAUTIONS } from '../common/cautions.js';
import { lowestOf } from '../common/lowest.js';
import { ridgeCheck } from '../common/ridge-rule.js';
import { roomFor } from '../common/room.js';
import { defineFamily } from '../define-family.js';
import type { DrawnDimension } from '../family.js';
import { entranceDimensions } from '../slant-roof/dimensions.js';
import { build } from './build.js';
import { CHOICES, type RidgePlan, ROLES, SIZES } from './declared.js';
import { frameOf } from './frame.js';

/** The swing under the slope that lies over it. */
const swingUnderSlope: Rule<RidgePlan> = ({ box, ...held }) => {
  const over = held.plan.choices.opensAt === 'left' ? 'roof-left' : 'roof-right';
  const panels = box.panels
    .filter(({ id }) => id === over || !id.startsWith('roof'))
    .map((panel) => (panel.id === over ? { ...panel, role: 'roof' } : panel));
  return swingRule({ ...held, box: { ...box, panels } });
};

type Size = keyof typeof SIZES;

function dimensions(plan: RidgePlan, box: PanelSet): DrawnDimension<Size>[] {
  const { sizes, choices, wood } = plan;
  const { width, depth, sill, ridge = 0 } = at(box.cavities, 0);
  const upright = choices.gableBy === 'apex' ? 'apexHeight' : 'sideHeight';
  const thick = (role: keyof typeof ROLES): Ticks =>
    keepsOutside(choices, role.startsWith('side') ? 'width' : 'depth') ? wood[role].thickness : 0;
  const front = wood.front.thickness;
  const half = width / 2;
  const low = lowestOf(box, 'side-left');
  const found: DrawnDimension<Size>[] = [
    {
      size: 'width',
      view: 'front',
      side: 'below',
      from: -half - thick('side-left'),
      to: half + thick('side-right'),
      start: low,
    },
    ...entranceDimensions(plan, box),
    {
      size: 'depth',
      view: 'section',
      side: 'below',
      from: -thick('front'),
      to: depth + thick('back'),
      start: low,
    },
    {
      size: upright,
      view: 'section',
      side: 'left',
      from: low,
      to: low + sizes[upright],
      start: 0,
    },
    {
      size: 'overhangFront',
      view: 'section',
      side: 'above',
      from: -front - sizes.overhangFront,
      to: -front,
      start: ridge,
    },
  ];
  if (choices.landing !== 'none')
    found.push({
      size: 'shelfDeep',
      view: 'section',
      side: 'below',
      from: -front - sizes.shelfDeep,
      to: -front,
      start: sill,
    });
  return found;
}

/** Common practice, no source. */
const THINNEST_USUAL_WALL = fromMm(12);

/** Two slopes that meet at a ridge over gables. */
export const ridgeRoofBox = defineFamily({
  id: 'ridge-roof',
  name: 'Ridge-roof box',
  summary: 'Two slopes that meet at a ridge, over gables.',
  about: text`Two roof slopes of 30 to 60° meet at a mitred or lapped ridge. With higher walls, a landing shelf and a floor on cleats it serves larger owls too.`,
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
    'play',
    'playOverFloor',
    'pivotSize',
    'latchSize',
    'latchAbove',
    'scoreSpacing',
    'scoreWidth',
    'rungSpacing',
    'ventSize',
    'drainSize',
    'shelfDeep',
    'shelfWide',
    'triangleHigh',
  ],
  fromSheet: {
    fixed: {
      access: 'screwed',
      measure: 'inside',
      gableBy: 'apex',
      landing: 'none',
      floorOn: 'walls',
    },
    varied: {
      walls: ['over', 'between'],
      vents: ['holes', 'gap-sides'],
      ridge: ['lapped', 'mitred'],
      floor: ['clipped', 'gap'],
    },
    sizes: ['ventSize', 'drainSize'],
  },
  build,
  dimensions,
  rules: [
    gripRule,
    entranceRule(),
    roomRule(),
    wallRule,
    recessRule,
    overhangRule,
    airRule,
    accessRule,
    swingUnderSlope,
    playRule,
    ({ plan }) => [ridgeCheck(plan.choices.ridge, frameOf(plan).pitch)],
    ...EVERY_BOX,
  ],
  defaultsFor(animal, start) {
    const needs = roomFor(animal, start, ['round', 'oval', 'arch', 'square']);
    const width = needs.width ?? start.sizes.width;
    const depth = needs.depth ?? start.sizes.depth;
    const rise = (toMm(width) / 2) * tan(45);
    const room = Math.max(needs.room - rise * 0.4, 60);
    const sideHeight = needs.up(room + 20 + toMm(start.sizes.floorRecess));
    // The same gable by its apex and shoulders, at 45° over the thinnest usual walls: a saw tilts no further.
    const apexHeight = sideHeight + Math.round(width / 2);
    const shoulderHeight = sideHeight - THINNEST_USUAL_WALL;
    const landing = animal.family === 'owl' ? 'shelf' : start.choices.landing;
    return {
      ...start,
      sizes: {
        ...start.sizes,
        ...needs.sizes,
        width,
        depth,
        sideHeight,
        apexHeight,
        shoulderHeight,
      },
      choices: { ...start.choices, ...needs.choices, landing },
    };
  },
});
