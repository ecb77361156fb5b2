import {
  accessRule,
  airRule,
  EVERY_BOX,
  entranceRule,
  gripRule,
  overhangRule,
  recessRule,
  roomRule,
  wallRule,
} from '../../checks/index.js';
import { at } from '../../lists/index.js';
import { fromMm, toMm } from '../../measure/index.js';
import type { PanelSet } from '../../panels/index.js';
import { entranceOf } from '../../plan/index.js';
import { ofLength, text } from '../../text/index.js';
import { NEST_CAUTIONS } from '../common/cautions.js';
import { lowestOf } from '../common/lowest.js';
import { roomFor } from '../common/room.js';
import { defineFamily } from '../define-family.js';
import type { DrawnDimension } from '../family.js';
import { entranceDimensions } from '../slant-roof/dimensions.js';
import { build } from './build.js';
import { CHOICES, type OwlPlan, ROLES, SIZES } from './declared.js';
import { hoistRule } from './rules.js';

type Size = keyof typeof SIZES;

function dimensions(plan: OwlPlan, box: PanelSet): DrawnDimension<Size>[] {
  const { sizes, choices, wood } = plan;
  const { width, depth, sill, heightFront } = at(box.cavities, 0);
  const front = wood.front.thickness;
  const low = lowestOf(box, 'side-left');
  const found: DrawnDimension<Size>[] = [
    {
      size: 'width',
      view: 'front',
      side: 'below',
      from: -width / 2,
      to: width / 2,
      start: low,
    },
    ...entranceDimensions(plan, box),
    { size: 'depth', view: 'section', side: 'below', from: 0, to: depth, start: low },
    { size: 'frontHeight', view: 'section', side: 'left', from: 0, to: heightFront, start: 0 },
    {
      size: 'overhangFront',
      view: 'section',
      side: 'above',
      from: -front - sizes.overhangFront,
      to: -front,
      start: heightFront,
    },
  ];
  if (choices.platform === 'platform')
    found.push({
      size: 'platformDeep',
      view: 'section',
      side: 'below',
      from: -front - sizes.platformDeep,
      to: -front,
      start: sill,
    });
  return found;
}

/** Room for an arm and the flap, whoever moves in. */
const LEAST_HIGH = fromMm(400);
const LEAST_WIDE = fromMm(400);

/** Plywood on posts or battens, with a large entrance high up, a lid, a flap and perhaps a platform. */
export const owlBox = defineFamily({
  id: 'owl',
  name: 'Deep owl box',
  summary: 'Plywood on posts or battens, a large entrance high up, a lid and a flap.',
  about: text`For barn, tawny and barred owls: plywood on corner posts or battens. For barn owls the entrance is ${ofLength(fromMm(450))} or more above the floor, so that the young do not fall out before they can fly; a box under ${ofLength(fromMm(700))} deep has a platform level with the entrance.`,
  guests: 'birds',
  cautions: [
    ...NEST_CAUTIONS,
    'Barn owls are specially protected in some countries: ask before visiting an occupied box.',
  ],
  example: 'barn-owl-eu',
  sizes: SIZES,
  choices: CHOICES,
  roles: ROLES,
  notTrimmed: [
    'entranceWidth',
    'entranceUpright',
    'entranceHeight',
    'scoreSpacing',
    'scoreWidth',
    'rungSpacing',
    'ventSize',
    'drainSize',
    'flapFrom',
    'flapHigh',
    'platformDeep',
    'platformWide',
    'perchOut',
    'standoffHigh',
    'taper',
  ],
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
    hoistRule,
    ...EVERY_BOX,
  ],
  defaultsFor(animal, start) {
    const needs = roomFor(animal, start, ['square', 'arch', 'oval', 'round']);
    const { up } = needs;
    const choices = { ...start.choices, ...needs.choices };
    const sizes = { ...start.sizes, ...needs.sizes };
    // Deep enough under the entrance, and 700 mm where the animal's range allows it, so that no platform is needed.
    const top = toMm(sizes.entranceHeight) + toMm(entranceOf({ sizes, choices }).height) + 40;
    const least = Math.max(needs.room, top);
    const deep = animal.cavity !== null && animal.cavity[1] >= 700;
    const frontHeight = Math.max(up(deep ? Math.max(least, 700) : least), LEAST_HIGH);
    const asked = needs.width ?? sizes.width;
    const width = animal.region === 'na' ? asked : Math.max(asked, LEAST_WIDE);
    const depth = needs.depth ?? sizes.depth;
    const platformWide = Math.min(sizes.platformWide, width);
    return { ...start, sizes: { ...sizes, frontHeight, width, depth, platformWide }, choices };
  },
});
