import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { parseLength, type UnitSystem } from './parse.js';
import {
  type LengthStyle,
  printLength,
  printLengthUnit,
  readTape,
  roundedOff,
  roundToStyle,
} from './print.js';
import { fromInches, fromMm, TICKS_PER_INCH, TICKS_PER_MM, toMm } from './ticks.js';

const read = (text: string, system: UnitSystem = 'inch') => {
  const parsed = parseLength(text, system);
  if (!parsed.ok) throw new Error(parsed.message);
  return parsed.ticks;
};

describe('ticks', () => {
  test('an inch is exactly 25.4 mm, so a sixty-fourth and a tenth of a millimetre are both whole', () => {
    expect(TICKS_PER_INCH).toBe(25.4 * TICKS_PER_MM);
    expect(fromInches(1 / 64)).toBe(127);
    expect(fromMm(0.1)).toBe(32);
    expect(toMm(127)).toBe(0.396875);
  });

  test('eight pieces of 11 7/8 in and seven kerfs of 1/8 in leave 1/8 in of a 96 in board', () => {
    expect(8 * read('11 7/8') + 7 * read('1/8')).toBe(read('95 7/8'));
  });
});

describe('reading what people type', () => {
  test.each([
    ['5/8', 'inch', 15.875],
    ['5 1/2"', 'inch', 139.7],
    ['5-1/2', 'inch', 139.7],
    ['1\' 6"', 'inch', 457.2],
    ["1'6", 'mm', 457.2],
    ['6ft', 'mm', 1828.8],
    ['6 ft 2 1/2 in', 'mm', 1892.3],
    ['140', 'mm', 140],
    ['140', 'inch', 3556],
    ['14 cm', 'inch', 140],
    ['140mm', 'inch', 140],
    ['1.2 m', 'inch', 1200],
    ['14,5', 'mm', 14.5],
    ['⅝', 'mm', 15.875],
    ['5½', 'inch', 139.7],
    ['5 ½″', 'inch', 139.7],
    ['.5', 'inch', 12.7],
    ['5/8', 'mm', 15.875],
  ] as const)('%s in a %s batch is %d mm', (text, system, mm) => {
    expect(toMm(read(text, system))).toBeCloseTo(mm, 3);
  });

  test.each([
    ['', 'No length'],
    ['  ', 'No length'],
    ['wide', 'wide'],
    ['5 x', 'x'],
    ['5/0', 'divides by zero'],
    ['-3', 'negative'],
    ['3 4', 'two lengths'],
    ['99999 ft', 'longer than 30 m'],
  ])('%j is refused, naming what is wrong', (text, part) => {
    const parsed = parseLength(text, 'inch');
    expect(parsed.ok).toBe(false);
    if (!parsed.ok) expect(parsed.message).toContain(part);
  });
});

/** The longest length that is read: 30 m. */
const LONGEST = 30_000 * TICKS_PER_MM;

describe('printing', () => {
  const styles: LengthStyle[] = [
    { system: 'inch', division: 16 },
    { system: 'inch', division: 32 },
    { system: 'inch', division: 64 },
    { system: 'mm', division: 1 },
    { system: 'mm', division: 10 },
  ];

  test.each(styles)(
    'print then parse is the identity for every multiple of the division: %j',
    (style) => {
      fc.assert(
        fc.property(fc.nat(), (seed) => {
          const step = (style.system === 'inch' ? TICKS_PER_INCH : TICKS_PER_MM) / style.division;
          const ticks = (seed % Math.floor(LONGEST / step)) * step;
          expect(read(printLength(ticks, style), style.system)).toBe(ticks);
          expect(read(printLengthUnit(ticks, style), style.system === 'inch' ? 'mm' : 'inch')).toBe(
            ticks,
          );
          expect(roundToStyle(ticks, style)).toBe(ticks);
        }),
      );
    },
  );

  test('what is printed is never further than half a division from the length', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: LONGEST - TICKS_PER_INCH }),
        fc.constantFrom(...styles),
        (ticks, style) => {
          const step = (style.system === 'inch' ? TICKS_PER_INCH : TICKS_PER_MM) / style.division;
          expect(
            Math.abs(read(printLength(ticks, style), style.system) - ticks),
          ).toBeLessThanOrEqual(step / 2);
        },
      ),
    );
  });

  test('fractions are reduced', () => {
    expect(printLength(fromInches(11.875), { system: 'inch', division: 64 })).toBe('11 7/8');
    expect(readTape(fromInches(0.5), 16)).toEqual({ negative: false, whole: 0, top: 1, bottom: 2 });
    expect(printLength(fromInches(-0.25), { system: 'inch', division: 16 })).toBe('−1/4');
  });
});

test('what a tape reading hides is what is left over its finest division', () => {
  const inch = { system: 'inch', division: 16 } as const;
  expect(roundedOff(fromInches(9.875), inch)).toBe(0);
  expect(toMm(roundedOff(fromInches(9.875) + fromMm(0.5), inch))).toBeCloseTo(0.5);
  expect(toMm(roundedOff(fromMm(302.8), { system: 'mm', division: 1 }))).toBeCloseTo(-0.2);
  expect(roundedOff(fromMm(302.8), { system: 'mm', division: 10 })).toBe(0);
});
