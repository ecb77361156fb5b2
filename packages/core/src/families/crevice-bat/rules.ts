import type { Animal } from '../../animals/index.js';
import {
  type Check,
  forEachAnimal,
  LEEWAY_MM,
  ofMm,
  ofRange,
  type Rule,
  setSize,
  within,
} from '../../checks/index.js';
import { at } from '../../lists/index.js';
import { fromMm, type Ticks, toMm } from '../../measure/index.js';
import { ofLength, text } from '../../text/index.js';
import type { CrevicePlan } from './declared.js';

const figures = ({ evidence, source }: Animal) => ({ evidence, source });

/** One size of the crevices against its least. */
function leastCheck(
  animal: Animal,
  id: 'width' | 'height',
  have: Ticks,
  wanted: number | undefined,
): Check[] {
  if (!wanted) return [];
  const fits = toMm(have) >= wanted - LEEWAY_MM;
  const wide = id === 'width';
  const apply = setSize(wide ? 'width' : 'frontHeight', fromMm(wanted));
  return [
    {
      ...figures(animal),
      id,
      severity: fits ? 'kept' : 'warn',
      role: wide ? 'back' : 'front',
      text: text`Crevices ${ofLength(have)} ${wide ? 'wide' : 'high'}; at least ${ofMm(wanted)} is wanted.`,
      remedies: fits ? [] : [{ label: wide ? 'Widen it' : 'Make it higher', apply }],
    },
  ];
}

/** Crevices as deep, wide and high as each kind of bat presses into. */
export const creviceRule: Rule<CrevicePlan> = forEachAnimal(({ plan, box }, animal) => {
  const { depth } = at(box.cavities, 0);
  const range = animal.entranceSize;
  const fits = range === null || within(toMm(depth), range);
  const deep: Check[] = range
    ? [
        {
          ...figures(animal),
          id: 'crevice',
          severity: fits ? 'kept' : 'warn',
          role: 'partition',
          text: text`Crevices ${ofLength(depth)} deep; ${ofRange(range)} is wanted.`,
          remedies:
            fits || plan.choices.ends === 'spacers'
              ? []
              : [{ label: 'Set the least', apply: setSize('crevice', fromMm(range[0])) }],
        },
      ]
    : [];
  return [
    ...deep,
    ...leastCheck(animal, 'width', plan.sizes.width, animal.floorWidth ?? undefined),
    ...leastCheck(animal, 'height', plan.sizes.frontHeight, animal.cavity?.[0]),
  ];
});
