import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { digestOf } from './digest.js';

describe('the name of a value by what it says', () => {
  test('is SHA-256 of its words: the example of FIPS 180-4 in quotes, by sha256sum', () => {
    // printf '"abc"' | sha256sum
    expect(digestOf('abc')).toBe(
      '6cc43f858fbb763301637b5af970e2a46b46f461f27e5a0f41e009c59b827b25',
    );
  });

  test('does not hang on the order of fields, and differs where the value does', () => {
    expect(digestOf({ a: 1, b: [2, { c: null, d: undefined }] })).toBe(
      digestOf({ b: [2, { c: null }], a: 1 }),
    );
    fc.assert(
      fc.property(fc.jsonValue(), fc.jsonValue(), (a, b) => {
        const read = (value: unknown) => JSON.parse(JSON.stringify(value)) as unknown;
        expect(digestOf(read(a))).toBe(digestOf(a));
        const isSame = JSON.stringify(a) === JSON.stringify(b);
        if (isSame) expect(digestOf(a)).toBe(digestOf(b));
        if (digestOf(a) === digestOf(b)) expect(a).toEqual(b);
      }),
    );
  });
});
