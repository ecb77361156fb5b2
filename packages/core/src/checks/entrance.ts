import { type Animal, type Range, spokenName } from '../animals/index.js';
import { at } from '../lists/index.js';
import { fromMm, type Ticks, toMm } from '../measure/index.js';
import type { PanelSet } from '../panels/index.js';
import { type BoxPlan, type EntrancePlan, entranceOf } from '../plan/index.js';
import { ofLength, type Text, text } from '../text/index.js';
import {
  type Check,
  forEachAnimal,
  type Held,
  LEEWAY_MM,
  ofMm,
  ofRange,
  type Remedy,
  type Rule,
  setSize,
  within,
} from './check.js';

/** The size that counts, where it is not the hole in the wood. */
export interface Measured {
  /** The parameter that a remedy sets. */
  size: string;
  width: Ticks;
  /** What it is called at the beginning of a sentence. */
  called: Text;
}

const figuresOf = ({ evidence, source }: Animal) => ({ evidence, source });

/** The panel that the entrance goes through; the front where it is a slot over it. */
const entranceRole = ({ panels }: PanelSet): string =>
  panels.find(({ features }) => features.some(({ kind }) => kind === 'entrance'))?.role ?? 'front';

/** Figures for the upright measure are held to this: common practice, no source. */
const UPRIGHT_LEEWAY_MM = 2;
/** From here on an entrance is a doorway, and its height a least one. */
const DOORWAY_MM = 100;

/** The range of the upright measure, where the animal's entrance is not as high as wide; else the range of its only measure. */
function uprightRange({ entranceSize, entranceUpright }: Animal): Range | null {
  if (entranceUpright === null) return entranceSize;
  return [
    entranceUpright - UPRIGHT_LEEWAY_MM,
    entranceUpright >= DOORWAY_MM ? Number.POSITIVE_INFINITY : entranceUpright + UPRIGHT_LEEWAY_MM,
  ];
}

/** Both measures of a hole that is not as high as wide, the upright one first. */
function measuresCheck(animal: Animal, plan: EntrancePlan, box: PanelSet): Check[] {
  const slot = plan.choices.entrance === 'slot';
  // A slot runs right across: its height alone shuts others out.
  const hole = entranceOf(plan);
  const height = slot ? plan.sizes.entranceUpright : hole.height;
  const width = slot ? at(box.cavities, 0).width : hole.width;
  const ranges = [uprightRange(animal), animal.entranceSize];
  const [upright, across] = ranges;
  if (!upright || !across) return [];
  const tall = within(toMm(height), upright);
  const wide = slot ? toMm(width) >= across[0] - LEEWAY_MM : within(toMm(width), across);
  const remedies: Remedy[] = [];
  const put = (size: string, mm: number): Remedy => ({
    label: 'Set it',
    apply: setSize(size, fromMm(mm)),
  });
  const leastUpright = animal.entranceUpright ?? upright[0];
  if (!tall) remedies.push(put('entranceUpright', leastUpright));
  if (!wide && !slot) remedies.push(put('entranceWidth', across[0]));
  const both = (plan: BoxPlan): BoxPlan =>
    setSize(
      'entranceUpright',
      fromMm(leastUpright),
    )(setSize('entranceWidth', fromMm(across[0]))(plan));
  const wanted =
    upright[1] === Number.POSITIVE_INFINITY
      ? text`at least ${ofMm(leastUpright)} high and ${ofRange(across)} wide`
      : text`${ofMm(leastUpright)} high and ${ofRange(across)} wide`;
  const known = animal.entranceUpright === null ? text`${ofRange(across)} each way` : wanted;
  const fits = tall && wide;
  return [
    {
      ...figuresOf(animal),
      id: 'entrance-size',
      severity: fits ? 'kept' : 'stop',
      role: entranceRole(box),
      text: fits
        ? text`Entrance ${ofLength(height)} high and ${ofLength(width)} wide, as ${spokenName(animal)} needs (${known}).`
        : text`Entrance ${ofLength(height)} high and ${ofLength(width)} wide; ${spokenName(animal)} needs ${known}. Smaller shuts it out, larger lets others in.`,
      remedies: !tall && !wide && !slot ? [{ label: 'Set both', apply: both }] : remedies,
    },
  ];
}

function sizeCheck(animal: Animal, box: PanelSet, { size, width, called }: Measured): Check[] {
  if (!animal.entranceSize) return [];
  const fits = within(toMm(width), animal.entranceSize);
  const wanted = ofRange(animal.entranceSize);
  const needs = text`${called} ${ofLength(width)}, as ${spokenName(animal)} needs (${wanted}).`;
  const misses = text`${called} ${ofLength(width)}; ${spokenName(animal)} needs ${wanted}. Smaller shuts it out, larger lets others in.`;
  const [min] = animal.entranceSize;
  return [
    {
      ...figuresOf(animal),
      id: 'entrance-size',
      severity: fits ? 'kept' : 'stop',
      role: entranceRole(box),
      text: fits ? needs : misses,
      remedies: fits ? [] : [{ label: 'Set it', apply: setSize(size, fromMm(min)) }],
    },
  ];
}

/** Those that nest in the open do not go into a hole. */
const openOnly = (animal: Animal, box: PanelSet): Check[] =>
  animal.entrance === 'open'
    ? [
        {
          ...figuresOf(animal),
          id: 'entrance-size',
          severity: 'stop',
          role: entranceRole(box),
          text: text`${spokenName(animal)} nests behind an open front, not behind a hole. Take an open-front box.`,
          remedies: [],
        },
      ]
    : [];

/** What has to be typed so that the centre or the sill, whichever the animal's guide means, lies at its least height. */
function typedFor(to: 'centre' | 'sill', wanted: 'centre' | 'sill', upright: Ticks): Ticks {
  if (to === wanted) return 0;
  return to === 'sill' ? -upright / 2 : upright / 2;
}

const WRONG = (height: Ticks, min: number): Check['severity'] =>
  toMm(height) < min ? 'stop' : 'warn';

function heightCheck({ plan, box }: Held<EntrancePlan>, animal: Animal): Check[] {
  if (!animal.entranceAboveFloor || !animal.entranceReference) return [];
  const { sill } = at(box.cavities, 0);
  const slot = plan.choices.entrance === 'slot';
  const upright = entranceOf(plan).height;
  const toSill = animal.entranceReference === 'sill' || slot;
  const height = toSill ? sill : sill + upright / 2;
  const [min] = animal.entranceAboveFloor;
  const fits = within(toMm(height), animal.entranceAboveFloor);
  const typed = fromMm(min) + typedFor(plan.choices.entranceTo, animal.entranceReference, upright);
  const what = slot ? 'sill' : animal.entranceReference;
  return [
    {
      ...figuresOf(animal),
      id: 'entrance-height',
      severity: fits ? 'kept' : WRONG(height, min),
      role: entranceRole(box),
      text: text`The entrance’s ${what} is ${ofLength(height)} above the floor; ${ofRange(animal.entranceAboveFloor)} is wanted.`,
      remedies:
        fits || slot
          ? []
          : [{ label: 'Set the least', apply: setSize('entranceHeight', Math.round(typed)) }],
    },
  ];
}

/** Size and height of an entrance against what each animal needs; `measured` where another size than the hole counts. */
export const entranceRule = <P extends EntrancePlan & BoxPlan>(
  measured?: (plan: P) => Measured,
): Rule<P> =>
  forEachAnimal((held, animal) => {
    const { plan, box } = held;
    if (animal.entrance === 'open') return openOnly(animal, box);
    const own = measured?.(plan);
    const { shape } = entranceOf(plan);
    const isRound = shape === 'round' && plan.choices.entrance !== 'slot';
    const sized =
      own || isRound
        ? sizeCheck(
            animal,
            box,
            own ?? {
              size: 'entranceWidth',
              width: plan.sizes.entranceWidth,
              called: text`Entrance`,
            },
          )
        : measuresCheck(animal, plan, box);
    return [...sized, ...heightCheck(held, animal)];
  });

/** The edge of an open front against what each animal needs. */
export const openFrontRule: Rule<BoxPlan> = forEachAnimal(({ box }, animal) => {
  const { sill } = at(box.cavities, 0);
  const from = { ...figuresOf(animal), role: 'front' };
  const checks: Check[] = [];
  if (animal.entranceSize && !animal.alsoOpen)
    checks.push({
      ...from,
      id: 'entrance-size',
      severity: 'stop',
      text: text`The front stands open; ${spokenName(animal)} nests behind an entrance of ${ofRange(animal.entranceSize)}. Take another kind of box.`,
      remedies: [],
    });
  if (!animal.entranceAboveFloor || !animal.entranceReference) return checks;
  const [min] = animal.entranceAboveFloor;
  const fits = within(toMm(sill), animal.entranceAboveFloor);
  checks.push({
    ...from,
    id: 'entrance-height',
    severity: fits ? 'kept' : WRONG(sill, min),
    text: text`The open front’s edge is ${ofLength(sill)} above the floor; ${ofRange(animal.entranceAboveFloor)} is wanted.`,
    remedies: fits
      ? []
      : [{ label: 'Set the least', apply: setSize('frontAboveFloor', fromMm(min)) }],
  });
  return checks;
});
