import { EVERY_BOX, openFrontRule, roomRule, wallRule } from '../../checks/index.js';
import { at } from '../../lists/index.js';
import type { PanelSet } from '../../panels/index.js';
import { middle, roundingFor } from '../../plan/index.js';
import { text } from '../../text/index.js';
import { NEST_CAUTIONS } from '../common/cautions.js';
import { defineFamily } from '../define-family.js';
import type { DrawnDimension } from '../family.js';
import { build } from './build.js';
import { CHOICES, ROLES, type ShelfPlan, SIZES } from './declared.js';
import { frameOf } from './frame.js';

function dimensions(plan: ShelfPlan, box: PanelSet): DrawnDimension<keyof typeof SIZES>[] {
  const { width, depth, sill, heightFront } = at(box.cavities, 0);
  const { under, low, out, outside, t } = frameOf(plan);
  const half = width / 2;
  const rear = depth + t.back;
  return [
    { size: 'width', view: 'front', side: 'below', from: -half, to: half, start: low },
    { size: 'depth', view: 'section', side: 'above', from: 0, to: depth, start: heightFront },
    {
      size: 'frontAboveFloor',
      view: 'section',
      side: 'left',
      from: 0,
      to: sill,
      start: -t.front,
    },
    {
      size: 'wallsAboveFloor',
      view: 'front',
      side: 'left',
      from: 0,
      to: heightFront,
      start: outside[0],
    },
    { size: 'bracketHigh', view: 'section', side: 'right', from: low, to: under, start: rear },
    {
      size: 'bracketOut',
      view: 'section',
      side: 'below',
      from: depth - out,
      to: depth,
      start: low,
    },
  ];
}

/** An open tray in the corner of two walls, for birds that build on ledges. */
export const roostShelf = defineFamily({
  id: 'roost-shelf',
  name: 'Corner roost shelf',
  summary: 'An open tray on two brackets, in the corner of two walls.',
  about: text`For birds that build or roost on ledges. It has neither roof nor door: it hangs in a dry corner under eaves, in a porch or a barn, where rain and cats do not come.`,
  guests: 'birds',
  cautions: [
    'The shelf has no roof of its own: hang it only where one stands well out over it, out of reach of cats.',
    ...NEST_CAUTIONS,
  ],
  example: 'american-robin',
  sizes: SIZES,
  choices: CHOICES,
  roles: ROLES,
  notTrimmed: ['drainSize'],
  build,
  dimensions,
  rules: [openFrontRule, roomRule(), wallRule, ...EVERY_BOX],
  defaultsFor(animal, start) {
    const { up } = roundingFor(animal);
    const { sizes } = start;
    const width = animal.floorWidth ? up(animal.floorWidth) : sizes.width;
    const depth = animal.floorDepth ? up(animal.floorDepth) : sizes.depth;
    const open = animal.entranceSize === null && animal.entranceAboveFloor;
    const frontAboveFloor = open ? up(middle(open)) : sizes.frontAboveFloor;
    return {
      ...start,
      sizes: {
        ...sizes,
        width: Math.max(sizes.width, width),
        depth: Math.max(sizes.depth, depth),
        frontAboveFloor,
      },
    };
  },
});
