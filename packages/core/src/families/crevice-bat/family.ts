import type { Animal } from '../../animals/index.js';
import { fromInches, fromMm, type Ticks } from '../../measure/index.js';
import type { PanelSet } from '../../panels/index.js';
import type { BoxPlan } from '../../plan/index.js';
import type { DrawnDimension, Family } from '../family.js';
import { ROOST_CAUTIONS } from '../shared/cautions.js';
import { build } from './build.js';
import { checks } from './checks.js';
import { PARAMETERS, ROLES, SCHOOLS } from './parameters.js';

function suit(animal: Animal): Pick<BoxPlan, 'sizes' | 'angles' | 'schools'> {
  const round = (mm: number): Ticks =>
    animal.region === 'na' ? fromInches(Math.ceil((mm - 0.6) / 3.175) / 8) : fromMm(Math.ceil(mm));
  const sizes: Record<string, Ticks> = Object.fromEntries(
    PARAMETERS.filter((each) => each.kind === 'length').map((each) => [
      each.id,
      round(each.standard / 320),
    ]),
  );
  if (animal.entranceSize)
    sizes.crevice = round((animal.entranceSize[0] + animal.entranceSize[1]) / 2 - 2);
  if (animal.floorWidth) sizes.width = round(Math.max(animal.floorWidth, 160));
  if (animal.cavity) sizes.frontHeight = round(animal.cavity[0]);
  return {
    sizes,
    angles: Object.fromEntries(
      PARAMETERS.filter((each) => each.kind === 'angle').map((each) => [each.id, each.standard]),
    ),
    schools: Object.fromEntries(SCHOOLS.map((school) => [school.id, school.options[0]!.id])),
  };
}

function dimensions({ sizes, schools, wood }: BoxPlan, box: PanelSet): DrawnDimension[] {
  const half = (sizes.width ?? 0) / 2;
  const front = wood.front?.thickness ?? 0;
  const last = box.cavities.at(-1)!;
  return [
    { size: 'width', view: 'front', side: 'below', from: -half, to: half, start: 0 },
    {
      size: 'frontHeight',
      view: 'front',
      side: 'left',
      from: 0,
      to: sizes.frontHeight ?? 0,
      start: -half,
    },
    ...(schools.vents === 'slot'
      ? [
          {
            size: 'ventAbove',
            view: 'front',
            side: 'right',
            from: 0,
            to: sizes.ventAbove ?? 0,
            start: half,
          } as const,
        ]
      : []),
    ...(schools.ends === 'spacers'
      ? []
      : [
          {
            size: 'crevice',
            view: 'section',
            side: 'below',
            from: last.origin[1],
            to: last.origin[1] + last.depth,
            start: 0,
          } as const,
        ]),
    {
      size: 'landing',
      view: 'section',
      side: 'left',
      from: -(sizes.landing ?? 0),
      to: 0,
      start: last.origin[1],
    },
    {
      size: 'overhangFront',
      view: 'section',
      side: 'above',
      from: -front - (sizes.overhangFront ?? 0),
      to: -front,
      start: sizes.frontHeight ?? 0,
    },
  ];
}

/** A flat house of narrow crevices, open below, every face scored. */
export const creviceBat: Family = {
  id: 'bat',
  name: 'Crevice bat box',
  summary: 'One to four crevices between scored partitions, open below, with a landing.',
  about:
    'Bats press into narrow crevices between scored boards, open below, with a plate to land on. One crevice serves on a warm wall; three or four let them choose their warmth.',
  parameters: PARAMETERS,
  schools: SCHOOLS,
  roles: ROLES,
  cautions: ROOST_CAUTIONS,
  build,
  suit,
  dimensions,
  checks,
};
