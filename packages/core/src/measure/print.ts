import { TICKS_PER_INCH, TICKS_PER_MM, type Ticks } from './ticks.js';

/** How lengths are shown: in inches to the nearest 1/division, or in millimetres to the nearest tenth or whole. */
export type LengthStyle =
  | { system: 'inch'; division: 16 | 32 | 64 }
  | { system: 'mm'; division: 1 | 10 };

/** A length split for a drawn fraction: 11 7/8 is `{ whole: 11, top: 7, bottom: 8 }`. */
export interface TapeReading {
  negative: boolean;
  whole: number;
  top: number;
  bottom: number;
}

/** The nearest length that a tape of this style shows, in ticks. */
export function roundToStyle(ticks: Ticks, style: LengthStyle): Ticks {
  const step = (style.system === 'inch' ? TICKS_PER_INCH : TICKS_PER_MM) / style.division;
  return Math.round(Math.round(ticks / step) * step);
}

/** Splits a length into whole inches and the reduced fraction that a tape shows. */
export function readTape(ticks: Ticks, division: 16 | 32 | 64): TapeReading {
  const steps = Math.round((Math.abs(ticks) * division) / TICKS_PER_INCH);
  let top = steps % division;
  let bottom: number = division;
  while (top > 0 && top % 2 === 0) {
    top /= 2;
    bottom /= 2;
  }
  return {
    negative: ticks < 0 && steps > 0,
    whole: Math.floor(steps / division),
    top,
    bottom: top === 0 ? 1 : bottom,
  };
}

/** A length as text without its unit: `11 7/8` or `302`. */
export function printLength(ticks: Ticks, style: LengthStyle): string {
  if (style.system === 'mm') {
    const rounded = Math.round((ticks * style.division) / TICKS_PER_MM) / style.division;
    return Object.is(rounded, -0) ? '0' : String(rounded);
  }
  const { negative, whole, top, bottom } = readTape(ticks, style.division);
  const fraction = top === 0 ? '' : `${top}/${bottom}`;
  const text =
    whole === 0 && fraction !== ''
      ? fraction
      : fraction === ''
        ? String(whole)
        : `${whole} ${fraction}`;
  return negative ? `−${text}` : text;
}

/** A length as text with its unit: `11 7/8 in` or `302 mm`. */
export const printLengthUnit = (ticks: Ticks, style: LengthStyle): string =>
  `${printLength(ticks, style)} ${style.system === 'inch' ? 'in' : 'mm'}`;
