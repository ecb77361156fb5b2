import { toMm } from '../src/measure/index.js';
import { printValue, type Text } from '../src/text/index.js';

/** A sentence with its lengths in braces, in millimetres to the thousandth, so that a test can find them. */
export const inBraces = (sentence: Text): string =>
  sentence
    .map((part) => {
      if (typeof part === 'string') return part;
      return part.kind === 'length'
        ? `{${Math.round(toMm(part.ticks) * 1000) / 1000}}`
        : printValue(part, { style: { system: 'mm', division: 100 } });
    })
    .join('');

/** The lengths of a sentence, in millimetres. */
export const lengthsIn = (sentence: Text): number[] =>
  sentence.flatMap((part) =>
    typeof part !== 'string' && part.kind === 'length' ? [toMm(part.ticks)] : [],
  );
