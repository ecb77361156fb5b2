import { EVERY_BOX, wallRule } from '../../checks/index.js';
import { at } from '../../lists/index.js';
import { fromMm } from '../../measure/index.js';
import type { PanelSet } from '../../panels/index.js';
import { middle, roundingFor } from '../../plan/index.js';
import { text } from '../../text/index.js';
import { ROOST_CAUTIONS } from '../common/cautions.js';
import { landingRule, roostGrip } from '../common/roost-rules.js';
import { defineFamily } from '../define-family.js';
import type { DrawnDimension } from '../family.js';
import { build } from './build.js';
import { CHOICES, type CrevicePlan, ROLES, SIZES } from './declared.js';
import { creviceRule } from './rules.js';

type Size = keyof typeof SIZES;

function dimensions({ sizes, choices, wood }: CrevicePlan, box: PanelSet): DrawnDimension<Size>[] {
  const half = sizes.width / 2;
  const front = wood.front.thickness;
  const { origin, depth } = at(box.cavities, -1);
  const y = origin[1];
  const found: DrawnDimension<Size>[] = [
    { size: 'width', view: 'front', side: 'below', from: -half, to: half, start: 0 },
    {
      size: 'frontHeight',
      view: 'front',
      side: 'left',
      from: 0,
      to: sizes.frontHeight,
      start: -half,
    },
    { size: 'landing', view: 'section', side: 'left', from: -sizes.landing, to: 0, start: y },
    {
      size: 'overhangFront',
      view: 'section',
      side: 'above',
      from: -front - sizes.overhangFront,
      to: -front,
      start: sizes.frontHeight,
    },
  ];
  if (choices.vents !== 'none')
    found.push({
      size: 'ventAbove',
      view: 'front',
      side: 'right',
      from: 0,
      to: sizes.ventAbove,
      start: half,
    });
  if (choices.ends !== 'spacers' && choices.creviceBy !== 'cheeks')
    found.push({
      size: 'crevice',
      view: 'section',
      side: 'below',
      from: y,
      to: y + depth,
      start: 0,
    });
  return found;
}

/** A flat house of narrow crevices, open below, every face scored. */
export const creviceBat = defineFamily({
  id: 'bat',
  name: 'Crevice bat box',
  summary: 'One to four crevices between scored partitions, open below, with a landing.',
  about: text`Bats press into narrow crevices between scored boards, open below, with a plate to land on. One crevice serves on a warm wall; three or four let them choose their warmth.`,
  guests: 'bats',
  cautions: ROOST_CAUTIONS,
  example: 'crevice-bats-na',
  sizes: SIZES,
  choices: CHOICES,
  roles: ROLES,
  notTrimmed: [
    'crevice',
    'cheekWidth',
    'passage',
    'unevenBy',
    'scoreSpacing',
    'scoreWidth',
    'ventAbove',
    'ventSize',
  ],
  build,
  dimensions,
  rules: [
    wallRule,
    ...EVERY_BOX,
    roostGrip({ front: 'inside', back: 'inside', partition: 'both' }),
    landingRule('back', 'The back', 'landing', fromMm(120), ({ sizes }) => sizes.landing),
    creviceRule,
  ],
  defaultsFor(animal, start) {
    const { up } = roundingFor(animal);
    const { entranceSize, floorWidth, cavity } = animal;
    const { crevice, width, frontHeight } = start.sizes;
    return {
      ...start,
      sizes: {
        ...start.sizes,
        crevice: entranceSize ? up(middle(entranceSize) - 2) : crevice,
        width: floorWidth ? up(Math.max(floorWidth, 160)) : width,
        frontHeight: cavity ? up(cavity[0]) : frontHeight,
      },
    };
  },
});
