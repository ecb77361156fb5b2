import {
  EVERY_BOX,
  entranceRule,
  gripRule,
  OPENING,
  overhangRule,
  recessRule,
  roomRule,
  UNDER_A_ROOF,
  wallRule,
} from '../../checks/index.js';
import { entranceOf } from '../../plan/index.js';
import { text } from '../../text/index.js';
import { NEST_CAUTIONS } from '../common/cautions.js';
import { roomFor } from '../common/room.js';
import { defineFamily } from '../define-family.js';
import { cutShell } from './cut-shell.js';
import { CHOICES, ROLES, type SlantRoofPlan } from './declared.js';
import { heightsFor } from './defaults-for.js';
import { entranceDimensions, shellDimensions } from './dimensions.js';
import type { WayIn } from './frame.js';
import { NOT_TRIMMED, SIZES } from './sizes.js';

const wayInOf = (plan: SlantRoofPlan): WayIn =>
  plan.choices.entrance === 'slot'
    ? { kind: 'slot', height: plan.sizes.entranceUpright }
    : { kind: 'hole', entrance: entranceOf(plan) };

/** The common small box, up to duck and kestrel size. */
export const slantRoof = defineFamily({
  id: 'slant-roof',
  name: 'Slant-roof box',
  summary: 'Six panels under one sloping or flat roof.',
  about: text`The common small box, up to duck and kestrel size. The roof slopes to the front; edges of roof, front and back are tilted to match. With a flat roof a chop saw alone builds it.`,
  guests: 'birds',
  cautions: NEST_CAUTIONS,
  example: 'black-capped-chickadee',
  sizes: SIZES,
  choices: CHOICES,
  roles: ROLES,
  notTrimmed: ['entranceWidth', 'entranceUpright', 'entranceHeight', ...NOT_TRIMMED],
  trimmedTogether: [['frontHeight', 'backHeight']],
  fromSheet: {
    fixed: { access: 'screwed', measure: 'inside', slope: 'heights' },
    varied: {
      roof: ['butt', 'over', 'flat'],
      walls: ['over', 'between'],
      vents: ['gap-sides', 'gap-front', 'gap-ends', 'holes'],
      floor: ['clipped', 'gap'],
    },
    sizes: ['ventSize', 'drainSize'],
  },
  build: (plan) => cutShell(plan, wayInOf(plan)),
  dimensions: (plan, box) => [...shellDimensions(plan, box), ...entranceDimensions(plan, box)],
  rules: [
    gripRule,
    entranceRule(),
    roomRule(),
    wallRule,
    recessRule,
    overhangRule,
    ...UNDER_A_ROOF,
    ...OPENING,
    ...EVERY_BOX,
  ],
  defaultsFor(animal, start) {
    const room = roomFor(animal, start, ['round', 'oval', 'arch', 'square']);
    const { floorRecess } = start.sizes;
    const width = room.width ?? start.sizes.width;
    const depth = room.depth ?? start.sizes.depth;
    const heights = heightsFor(animal, room, { floorRecess, depth });
    return {
      ...start,
      sizes: { ...start.sizes, ...room.sizes, ...heights, width, depth },
      // A side can only swing between front and back.
      choices: { ...start.choices, ...room.choices, walls: 'over' },
    };
  },
});
