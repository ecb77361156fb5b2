import type { UnitSystem } from './parse.js';
import { TICKS_PER_INCH, TICKS_PER_MM, type Ticks } from './ticks.js';

/** How lengths are shown: in inches to the nearest 1/division, or in millimetres to the nearest tenth or whole. */
export type LengthStyle =
  | { system: 'inch'; division: 16 | 32 | 64 }
  | { system: 'mm'; division: 1 | 10 };

/** As files and messages have it: millimetres to the hundredth. */
export interface FileStyle {
  system: 'mm';
  division: 100;
}

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
export function printLength(ticks: Ticks, style: LengthStyle | FileStyle): string {
  if (style.system === 'mm') {
    const rounded = Math.round((ticks * style.division) / TICKS_PER_MM) / style.division;
    return Object.is(rounded, -0) ? '0' : String(rounded);
  }
  const { negative, whole, top, bottom } = readTape(ticks, style.division);
  const parts = [
    ...(whole > 0 || top === 0 ? [whole] : []),
    ...(top > 0 ? [`${top}/${bottom}`] : []),
  ];
  const text = parts.join(' ');
  return negative ? `−${text}` : text;
}

/** How much longer a length is than its tape reading, which is rounded to the tape's finest division; negative: shorter. In ticks. */
export const roundedOff = (ticks: Ticks, style: LengthStyle): Ticks =>
  ticks - roundToStyle(ticks, style);

/** A length as text with its unit: `11 7/8 in` or `302 mm`. */
export const printLengthUnit = (ticks: Ticks, style: LengthStyle | FileStyle): string =>
  `${printLength(ticks, style)} ${style.system === 'inch' ? 'in' : 'mm'}`;

const rounded = (value: number, per: number): string => String(Math.round(value * per) / per);

/** A height above the ground: to the half foot, or to the tenth of a metre. */
export const printHeight = (ticks: Ticks, system: UnitSystem): string =>
  system === 'inch'
    ? `${rounded(ticks / (12 * TICKS_PER_INCH), 2)} ft`
    : `${rounded(ticks / (1000 * TICKS_PER_MM), 10)} m`;

const SQUARE_FEET = 10.7639;
const POUNDS = 2.20462;

/** An area for paint and glue. */
export const printArea = (squareMetres: number, system: UnitSystem): string =>
  system === 'inch'
    ? `${rounded(squareMetres * SQUARE_FEET, 10)} sq ft`
    : `${rounded(squareMetres, 100)} m²`;

export const printWeight = (kilograms: number, system: UnitSystem): string =>
  system === 'inch' ? `${rounded(kilograms * POUNDS, 10)} lb` : `${rounded(kilograms, 10)} kg`;

const ML_PER_FLUID_OUNCE = 29.5735;
const CUBIC_INCHES_PER_LITRE = 61.0237;

/** What is poured: millilitres and litres, or US fluid ounces. */
export const printLiquid = (millilitres: number, system: UnitSystem): string => {
  if (system === 'inch') return `${rounded(millilitres / ML_PER_FLUID_OUNCE, 10)} fl oz`;
  return millilitres < 1000
    ? `${Math.ceil(millilitres)} ml`
    : `${rounded(millilitres / 1000, 10)} l`;
};

/** The space of a room: litres, or cubic inches. */
export const printSpace = (litres: number, system: UnitSystem): string =>
  system === 'inch'
    ? `${rounded(litres * CUBIC_INCHES_PER_LITRE, 1)} cu in`
    : `${rounded(litres, 10)} l`;
