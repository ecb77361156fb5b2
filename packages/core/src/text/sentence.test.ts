import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { fromMm } from '../measure/index.js';
import { piecesOf, say, sentenceIn } from './sentence.js';

describe('lengths in sentences', () => {
  test('stand in the reader’s unit, whichever way they were written', () => {
    const text = 'The room is {700} deep; wider than any board: 165.1 mm against 139.7 mm.';
    expect(sentenceIn(text, { system: 'inch', division: 16 })).toBe(
      'The room is 27 9/16 in deep; wider than any board: 6 1/2 in against 5 1/2 in.',
    );
    expect(sentenceIn(text, { system: 'mm', division: 1 })).toBe(
      'The room is 700 mm deep; wider than any board: 165 mm against 140 mm.',
    );
  });

  test('numbers that are no lengths are left alone', () => {
    for (const text of [
      '12 boxes of 3 mmm',
      'turned 45° at least',
      '{the rest}',
      '',
      '2.5 m and 3 m',
    ])
      expect(piecesOf(text).join('')).toBe(text);
  });

  test('nothing but the lengths changes, and a length said is the length read', () => {
    const words = fc.stringMatching(/^[a-z ,.]{0,20}$/);
    fc.assert(
      fc.property(
        words,
        words,
        fc.integer({ min: -400_000, max: 900_000 }),
        (before, after, ticks) => {
          const pieces = piecesOf(`${before}${say(ticks)}${after}`);
          expect(pieces.filter((piece) => typeof piece === 'string').join('')).toBe(
            `${before}${after}`,
          );
          const length = pieces.find((piece) => typeof piece === 'number')!;
          // Said to a hundredth of a millimetre.
          expect(Math.abs(length - ticks)).toBeLessThanOrEqual(fromMm(0.005) + 1);
        },
      ),
    );
  });
});
