import { at } from '../../lists/index.js';
import { fromMm, type Ticks, tan } from '../../measure/index.js';
import type { Refusal } from '../../plan/index.js';
import { ofLength, text } from '../../text/index.js';
import { refusalsOf } from '../common/entrance.js';
import type { CrevicePlan } from './declared.js';

/** Front over a slot or holes. Common practice, no source. */
const OVER_SLOT = fromMm(80);

/** Depth of a crevice as this kind of box can be told it. */
const DEEP = { min: fromMm(12), max: fromMm(32) };

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
  /** Middles and half widths of the rooms side by side in each crevice: two where a strip stands in the middle. */
  rooms: readonly { x: number; half: number }[];
  /** Where each partition ends below. */
  lows: readonly number[];
}

/** One room across, or two beside a strip so wide. */
function roomsOf(half: number, strip: Ticks): CreviceFrame['rooms'] {
  if (strip === 0) return [{ x: 0, half }];
  const wide = (half - strip / 2) / 2;
  return [-1, 1].map((sign) => ({ x: sign * (strip / 2 + wide), half: wide }));
}

export function frameOf({ sizes, angles, choices, wood }: CrevicePlan): CreviceFrame {
  const count = Number(choices.crevices);
  const spacers = choices.ends === 'spacers';
  const front = wood.front.thickness;
  const part = count > 1 ? wood.partition.thickness : 0;
  const boards = front + wood.back.thickness + (count - 1) * part;
  const left = Math.floor((sizes.cheekWidth - boards) / count);
  const given = choices.creviceBy === 'cheeks' ? left : sizes.crevice;
  const crevice = spacers ? wood.spacer.thickness : given;
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
    rooms: roomsOf(
      sizes.width / 2,
      spacers && choices.columns === 'middle' ? (wood.spacer.width ?? 0) : 0,
    ),
    lows: starts
      .slice(1)
      .map((_start, index) => (choices.hang === 'flush' ? -(index + 1) * sizes.unevenBy : 0)),
  };
}

/** The least width of a room in a crevice. Common practice, no source. */
const LEAST_ROOM = fromMm(40);
/** Wood round a vent in a cheek. Common practice, no source. */
const ROUND_VENT = fromMm(2);

export const creviceFaults = ({ sizes, choices }: CrevicePlan, frame: CreviceFrame): Refusal[] => {
  const { spacers, past, crevice, slot, lows } = frame;
  const inCheeks = choices.vents === 'cheeks';
  return refusalsOf([
    {
      when: !spacers && (crevice < DEEP.min || crevice > DEEP.max),
      field: 'cheekWidth',
      message: text`Cheeks so wide leave crevices of ${ofLength(crevice)}; ${ofLength(DEEP.min)} to ${ofLength(DEEP.max)} can be built. Rip them to another width, or change the number of crevices.`,
    },
    {
      when: Math.min(...frame.rooms.map(({ half }) => 2 * half)) < LEAST_ROOM,
      field: 'width',
      message: text`Less than ${ofLength(LEAST_ROOM)} is left beside the strip in the middle. Make the crevices wider, or leave it out.`,
    },
    {
      when: inCheeks && spacers,
      field: 'vents',
      message: text`Holes in cheeks need cheeks. Close the ends with cheeks, or take the slot in the front.`,
    },
    {
      when: inCheeks && sizes.ventSize > crevice - 2 * ROUND_VENT,
      field: 'ventSize',
      message: text`The holes are wider than the crevices that they open into. Make them smaller.`,
    },
    {
      when: inCheeks && sizes.ventAbove > sizes.frontHeight - OVER_SLOT,
      field: 'ventAbove',
      message: text`The holes come too near the roof: they would cool what is to keep warm. Lower them, or make the front higher.`,
    },
    {
      when: Math.min(0, ...lows) < -sizes.landing,
      field: 'unevenBy',
      message: text`The hindmost partition would reach below the back, on which bats land. Let each end less far below the one before, or the back reach further down.`,
    },
    {
      when: spacers && (past === 0 || crevice < DEEP.min || crevice > DEEP.max),
      field: 'wood.spacer',
      message: text`Choose a stick ${ofLength(DEEP.min)} to ${ofLength(DEEP.max)} thick for the spacers: its thickness is the crevice, its width closes the ends.`,
    },
    {
      when: slot !== null && slot.high > sizes.frontHeight - OVER_SLOT,
      field: 'ventAbove',
      message: text`The slot comes too near the roof: at least ${ofLength(OVER_SLOT)} of front must stay above it. Lower it, or make the front higher.`,
    },
  ]);
};
