/** A length as a whole number of ticks: 1 tick = 1/320 mm. 1/64 in = 127 ticks and 0.1 mm = 32 ticks, so sums are exact in both systems. */
export type Ticks = number;

export const TICKS_PER_MM = 320;
export const TICKS_PER_INCH = 8128;

/** Lengths closer than this (0.00625 mm) count as equal wherever two independently rounded lengths are compared. */
export const TOLERANCE: Ticks = 2;

/** Millimetres to ticks, rounded to the nearest tick. */
export const fromMm = (mm: number): Ticks => Math.round(mm * TICKS_PER_MM);

/** Ticks to millimetres. */
export const toMm = (ticks: Ticks): number => ticks / TICKS_PER_MM;

/** Inches to ticks, rounded to the nearest tick. */
export const fromInches = (inches: number): Ticks => Math.round(inches * TICKS_PER_INCH);
