import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { fromInches, fromMm } from '../measure/index.js';
import {
  joinTexts,
  ofAngle,
  ofArea,
  ofHeight,
  ofLength,
  ofLiquid,
  ofMoney,
  ofPanel,
  ofSpace,
  ofWeight,
  plainText,
  printText,
  text,
} from './text.js';

const inch = { style: { system: 'inch', division: 16 } } as const;
const metric = { style: { system: 'mm', division: 1 } } as const;

describe('a sentence as data', () => {
  test('is printed in the reader’s own units', () => {
    const said = text`Cut ${ofPanel('side-left')} to ${ofLength(fromInches(9.25))} at ${ofAngle(10.125)} for ${ofMoney(340)}.`;
    expect(printText(said, inch)).toBe('Cut side left to 9 1/4 in at 10.1° for 3.40.');
    expect(printText(said, metric)).toBe('Cut side left to 235 mm at 10.1° for 3.40.');
    expect(printText(said, { ...inch, panel: () => 'left side' })).toContain('Cut left side to');
  });

  test('heights are in feet or metres, areas and weights in what the reader weighs and paints by', () => {
    const said = text`${ofHeight(fromMm(1828.8))}, ${ofArea(0.5)}, ${ofWeight(2)}`;
    expect(printText(said, inch)).toBe('6 ft, 5.4 sq ft, 4.4 lb');
    const poured = text`${ofLiquid(59.147)} in ${ofSpace(2)}`;
    expect(printText(poured, inch)).toBe('2 fl oz in 122 cu in');
    expect(printText(poured, metric)).toBe('60 ml in 2 l');
    expect(printText(said, metric)).toBe('1.8 m, 0.5 m², 2 kg');
  });

  test('numbers and words that look like lengths stay what they are', () => {
    expect(text`12 boxes of ${'3 mm'} and {5}`).toEqual(['12 boxes of 3 mm and {5}']);
  });

  test('joined or set into one another, no word and no value is lost or doubled', () => {
    const piece = fc.oneof(
      fc.string({ maxLength: 6 }).map((words) => text`${words}`),
      fc.integer({ min: -9999, max: 99999 }).map((ticks) => text`${ofLength(ticks)}`),
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 6 }), (pieces) => {
        const whole = joinTexts(pieces, '; ');
        expect(plainText(whole)).toBe(pieces.map(plainText).join('; '));
        expect(plainText(text`(${whole})`)).toBe(`(${plainText(whole)})`);
        for (let i = 1; i < whole.length; i += 1)
          expect(typeof whole[i] === 'string' && typeof whole[i - 1] === 'string').toBe(false);
      }),
    );
  });
});
