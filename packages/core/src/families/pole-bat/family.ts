import {
  COMMON,
  EVERY_BOX,
  ofRange,
  type Rule,
  setSize,
  wallRule,
  within,
} from '../../checks/index.js';
import { at, must } from '../../lists/index.js';
import { fromInches, fromMm, toMm } from '../../measure/index.js';
import type { PanelSet } from '../../panels/index.js';
import { roundingFor } from '../../plan/index.js';
import { ofLength, text } from '../../text/index.js';
import { ROOST_CAUTIONS } from '../common/cautions.js';
import { ridgeCheck } from '../common/ridge-rule.js';
import { landingRule, roostGrip } from '../common/roost-rules.js';
import { defineFamily } from '../define-family.js';
import type { DrawnDimension } from '../family.js';
import { build } from './build.js';
import { CHOICES, type PolePlan, ROLES, SIZES } from './declared.js';
import { frameOf } from './frame.js';

const MOST_NOTCH = fromMm(15);

const creviceRule: Rule<PolePlan> = ({ plan, box, animals }) => {
  const crevice = at(box.cavities, 0).depth;
  const animal = animals.find((each) => each.entranceSize !== null);
  const range = animal?.entranceSize ?? null;
  const fits = range === null || within(toMm(crevice), range);
  const wanted = range ? text`; ${ofRange(range)} is wanted` : '';
  const notch = plan.wood.spacer.thickness - fromMm(range?.[0] ?? 0);
  const apply = setSize('notch', Math.max(0, Math.min(MOST_NOTCH, notch)));
  return [
    {
      id: 'crevice',
      severity: fits ? 'kept' : 'warn',
      role: 'spacer',
      text: text`Crevices ${ofLength(crevice)} deep${wanted}. The spacers’ thickness less their notch decides it.`,
      evidence: animal?.evidence ?? COMMON.evidence,
      source: animal?.source ?? COMMON.source,
      remedies: fits ? [] : [{ label: 'Notch to fit', apply }],
    },
  ];
};

type Size = keyof typeof SIZES;

function dimensions({ sizes, wood }: PolePlan, box: PanelSet): DrawnDimension<Size>[] {
  const sides = Math.max(wood['side-left'].thickness, wood['side-right'].thickness);
  const outer = at(box.cavities, 0).width / 2 + sides;
  const { height, rise, postBelow, overhangFront } = sizes;
  const front = wood.front.thickness;
  const post = must(
    box.panels.find((panel) => panel.id === 'post'),
    'the post',
  );
  const nearest = Math.min(...at(post.instances, 0).solid.vertices.map((vertex) => vertex[1]));
  return [
    { size: 'height', view: 'front', side: 'left', from: 0, to: height, start: -outer },
    { size: 'rise', view: 'front', side: 'right', from: height, to: height + rise, start: outer },
    { size: 'postBelow', view: 'section', side: 'left', from: -postBelow, to: 0, start: nearest },
    {
      size: 'overhangFront',
      view: 'section',
      side: 'above',
      from: -front - overhangFront,
      to: -front,
      start: height,
    },
  ];
}

/** A square tube with a pitched top round a post, held off it by spacers: a crevice all round. */
export const poleBat = defineFamily({
  id: 'pole-bat',
  name: 'Pole bat box',
  summary: 'A square tube with a pitched top round a post, a crevice all round it.',
  about: text`Stands free on a pole, in sun from all sides: bats move round the post to where it is warm or cool. Spacers, let into notches in the post, decide the crevice.`,
  guests: 'bats',
  cautions: ROOST_CAUTIONS,
  example: 'crevice-bats-na',
  sizes: SIZES,
  choices: CHOICES,
  roles: ROLES,
  notTrimmed: [
    'notch',
    'postPoint',
    'rodSize',
    'rodDeep',
    'nicheDeep',
    'nicheLong',
    'scoreSpacing',
    'scoreWidth',
    'ventSize',
    'ventAbove',
  ],
  build,
  dimensions,
  rules: [
    roostGrip({
      front: 'inside',
      back: 'inside',
      'side-left': 'inside',
      'side-right': 'inside',
      post: 'all',
    }),
    creviceRule,
    landingRule('post', 'The post', 'postBelow', fromMm(150), ({ sizes }) => sizes.postBelow),
    ({ plan }) => [ridgeCheck(plan.choices.ridge, frameOf(plan).pitch)],
    wallRule,
    ...EVERY_BOX,
  ],
  defaultsFor(animal, start) {
    const { up } = roundingFor(animal);
    const height = animal.cavity ? up(animal.cavity[1]) : start.sizes.height;
    const rise = animal.region === 'na' ? fromInches(5) : fromMm(120);
    return { ...start, sizes: { ...start.sizes, height, rise } };
  },
});
