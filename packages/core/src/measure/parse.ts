import { TICKS_PER_INCH, TICKS_PER_MM, type Ticks } from './ticks.js';

/** How bare numbers are read and how lengths are shown. */
export type UnitSystem = 'inch' | 'mm';

export type ParsedLength = { ok: true; ticks: Ticks } | { ok: false; message: string };

const UNITS: Record<string, number> = {
  mm: TICKS_PER_MM,
  cm: 10 * TICKS_PER_MM,
  m: 1000 * TICKS_PER_MM,
  '"': TICKS_PER_INCH,
  in: TICKS_PER_INCH,
  inch: TICKS_PER_INCH,
  inches: TICKS_PER_INCH,
  "'": 12 * TICKS_PER_INCH,
  ft: 12 * TICKS_PER_INCH,
  foot: 12 * TICKS_PER_INCH,
  feet: 12 * TICKS_PER_INCH,
};

/** Longer than any board a person carries; catches a slipped decimal point. */
const LONGEST: Ticks = 30_000 * TICKS_PER_MM;

const QUANTITY =
  /^\s*(?:(\d+)(?:\s+|\s*-\s*)(\d+)\s*\/\s*(\d+)|(\d+)\s*\/\s*(\d+)|(\d+(?:[.,]\d+)?|[.,]\d+))\s*(mm|cm|m|inches|inch|in|feet|foot|ft|"|')?\.?/;

/** Straight quotes for the many kinds of primes and marks; `5⅝` and `5 ⅝` both become `5 5/8`. */
const plain = (text: string): string =>
  text
    .replace(
      /(\d?)([¼½¾⅐-⅞])/g,
      (_all, whole: string, fraction: string) => `${whole} ${fraction.normalize('NFKC')}`,
    )
    .replace(/''|[″”“„‟]/g, '"')
    .replace(/[′’‘‛`´]/g, "'")
    .replace(/⁄/g, '/')
    .replace(/[\u00a0\u2009\u202f]/g, ' ')
    .replace(/[−–—]/g, '-')
    .toLowerCase()
    .trim();

const wrong = (message: string): ParsedLength => ({ ok: false, message });

/** One quantity at the head of a text: how much of which unit, and what comes after it. */
interface Quantity {
  value: number;
  unit: number;
  rest: string;
}

/** The unit of a number that stands without one: inches after feet and for fractions, otherwise the reader's own. */
function bareUnit(isFraction: boolean, previousUnit: number, system: UnitSystem): number {
  if (previousUnit === UNITS.ft || isFraction || system === 'inch') return TICKS_PER_INCH;
  return TICKS_PER_MM;
}

/** Reads the quantity that a text begins with; a message when it begins with none. */
function readQuantity(
  text: string,
  rest: string,
  previousUnit: number,
  system: UnitSystem,
): Quantity | string {
  const found = QUANTITY.exec(rest);
  if (!found) return `“${rest.trim()}” in “${text}” is not a length. Try 5 1/2, 140 mm or 1' 6".`;
  const [all, whole, mixedTop, mixedBottom, top, bottom, decimal, unitName] = found;
  const denominator = mixedBottom ?? bottom;
  if (denominator !== undefined && Number(denominator) === 0) return `“${text}” divides by zero.`;
  const bare = bareUnit(denominator !== undefined, previousUnit, system);
  const value =
    decimal !== undefined
      ? Number(decimal.replace(',', '.'))
      : Number(whole ?? 0) + Number(mixedTop ?? top) / Number(denominator);
  return { value, unit: UNITS[unitName ?? ''] ?? bare, rest: rest.slice(all.length) };
}

/**
 * Reads a length as people write it: `5/8`, `5 1/2"`, `5-1/2`, `1' 6"`, `140`, `14 cm`, `140mm`, `⅝`, `14,5`.
 * A bare number is in `system`; a bare fraction is always inches, since nobody divides a millimetre into eighths.
 * Returns ticks (rounded to the nearest), or a message that names what was wrong.
 */
export function parseLength(text: string, system: UnitSystem): ParsedLength {
  const source = plain(text);
  const typed = text.trim();
  if (source === '') return wrong('No length given.');
  if (source.startsWith('-')) return wrong(`“${typed}” is negative: a length is above zero.`);
  let total = 0;
  let previousUnit = Number.POSITIVE_INFINITY;
  for (let rest = source; rest.trim() !== ''; ) {
    const read = readQuantity(typed, rest, previousUnit, system);
    if (typeof read === 'string') return wrong(read);
    if (read.unit >= previousUnit) return wrong(`“${typed}” gives two lengths; one is wanted.`);
    total += read.value * read.unit;
    previousUnit = read.unit;
    rest = read.rest;
  }
  const ticks = Math.round(total);
  if (ticks > LONGEST) return wrong(`“${typed}” is longer than 30 m: is the unit right?`);
  return { ok: true, ticks };
}
