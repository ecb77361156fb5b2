import { at } from '../../lists/index.js';
import { fromMm, type Ticks, tan } from '../../measure/index.js';
import type { Refusal } from '../../plan/index.js';
import { ofLength, text } from '../../text/index.js';
import { refusalsOf } from '../common/entrance.js';
import type { CrevicePlan } from './declared.js';

/** Sticks that make a crevice, and front over a slot. Common practice, no source. */
const SPACER = { min: fromMm(12), max: fromMm(32) };
const OVER_SLOT = fromMm(80);

/** What the crevices are cut by. Lengths in ticks, angle in degrees. */
export interface CreviceFrame {
  half: number;
  /** How far the upright panels reach past the crevices at either end: the spacers' width. */
  past: number;
  front: Ticks;
  back: Ticks;
  part: Ticks;
  crevice: Ticks;
  /** Where each crevice begins, from front to back. */
  starts: readonly number[];
  depth: number;
  slope: number;
  roofAt: (y: number) => number;
  slot: { low: Ticks; high: Ticks } | null;
  /** Sticks between the upright panels; null where cheeks close the ends. */
  spacers: boolean;
}

export function frameOf({ sizes, angles, choices, wood }: CrevicePlan): CreviceFrame {
  const count = Number(choices.crevices);
  const spacers = choices.ends === 'spacers';
  const front = wood.front.thickness;
  const part = count > 1 ? wood.partition.thickness : 0;
  const crevice = spacers ? wood.spacer.thickness : sizes.crevice;
  const starts = Array.from({ length: count }, (_, index) => index * (crevice + part));
  return {
    half: sizes.width / 2,
    past: spacers ? (wood.spacer.width ?? 0) : 0,
    front,
    back: wood.back.thickness,
    part,
    crevice,
    starts,
    depth: at(starts, -1) + crevice,
    slope: angles.slope,
    roofAt: (y) => sizes.frontHeight + (y + front) * tan(angles.slope),
    slot:
      choices.vents === 'slot'
        ? { low: sizes.ventAbove, high: sizes.ventAbove + sizes.ventSize }
        : null,
    spacers,
  };
}

export const creviceFaults = ({ sizes }: CrevicePlan, frame: CreviceFrame): Refusal[] => {
  const { spacers, past, crevice, slot } = frame;
  return refusalsOf([
    {
      when: spacers && (past === 0 || crevice < SPACER.min || crevice > SPACER.max),
      field: 'wood.spacer',
      message: text`Choose a stick ${ofLength(SPACER.min)} to ${ofLength(SPACER.max)} thick for the spacers: its thickness is the crevice, its width closes the ends.`,
    },
    {
      when: slot !== null && slot.high > sizes.frontHeight - OVER_SLOT,
      field: 'ventAbove',
      message: text`The slot comes too near the roof: at least ${ofLength(OVER_SLOT)} of front must stay above it. Lower it, or make the front higher.`,
    },
  ]);
};
