import type { Animal } from '../../animals/index.js';
import { checkRoom } from '../../checks/index.js';
import { fromInches, fromMm } from '../../measure/index.js';
import { type BoxPlan, length, type Parameter } from '../../plan/index.js';
import type { Family } from '../family.js';
import { NEST_CAUTIONS } from '../shared/cautions.js';
import { build } from '../slant-roof/build.js';
import { dimensions } from '../slant-roof/dimensions.js';
import {
  ROLES,
  PARAMETERS as SLANT_ROOF,
  SCHOOLS as SLANT_SCHOOLS,
} from '../slant-roof/parameters.js';
import { suit as suitSlantRoof } from '../slant-roof/suit.js';

/** Questions that an open front does not raise: it is its own entrance, vent and way in. */
const CLOSED_ONLY = ['vents', 'grip', 'entrance', 'entranceTo', 'access', 'opensAt'];
const CLOSED_SIZES = [
  'ventSize',
  'entranceWidth',
  'entranceUpright',
  'entranceHeight',
  'pivotBelow',
];

const PARAMETERS: readonly Parameter[] = [
  ...SLANT_ROOF.filter((parameter) => !CLOSED_SIZES.includes(parameter.id)),
  length(
    'frontAboveFloor',
    'Front above the floor',
    15,
    400,
    90,
    'How far the front stands up from the upper face of the floor; above it the box is open.',
  ),
];
const SCHOOLS = SLANT_SCHOOLS.filter((school) => !CLOSED_ONLY.includes(school.id)).map((school) => {
  if (school.id === 'roof')
    return { ...school, options: school.options.filter((option) => option.id !== 'strip') };
  return school.id === 'faces'
    ? { ...school, options: school.options.filter((option) => option.id !== 'front') }
    : school;
});

const only = <T>(record: Readonly<Record<string, T>>, keys: readonly string[]): Record<string, T> =>
  Object.fromEntries(Object.entries(record).filter(([key]) => keys.includes(key)));

/** Sizes for an animal that nests on ledges: the front as high as the middle of what it takes. */
function suit(animal: Animal): Pick<BoxPlan, 'sizes' | 'angles' | 'schools'> {
  const base = suitSlantRoof(animal);
  const [least, greatest] = animal.entranceAboveFloor ?? [75, 110];
  const middle = (least + greatest) / 2;
  const frontAboveFloor =
    animal.region === 'na'
      ? fromInches(Math.round((middle / 25.4) * 8) / 8)
      : fromMm(Math.round(middle));
  const sizes = only(
    base.sizes,
    PARAMETERS.map((parameter) => parameter.id),
  );
  const schools = only(
    base.schools,
    SCHOOLS.map((school) => school.id),
  );
  return {
    ...base,
    sizes: { ...sizes, frontAboveFloor },
    schools: { ...schools, walls: 'between', faces: 'any' },
  };
}

/** Like the slant-roof box, the front only part of the height: for wagtails, phoebes, and robins of both worlds. */
export const openFront: Family = {
  id: 'open-front',
  name: 'Open-front box',
  summary: 'A low front under a roof that stands well out.',
  about:
    'A slant-roof box whose front goes only part of the way up, for birds that nest on ledges. It is hidden in cover, or under eaves, because it keeps nothing out.',
  parameters: PARAMETERS,
  schools: SCHOOLS,
  roles: ROLES.filter((role) => role.id !== 'ladder'),
  cautions: NEST_CAUTIONS,
  build: (plan) => build(plan, PARAMETERS),
  dimensions,
  checks: checkRoom,
  suit,
};
