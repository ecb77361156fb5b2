import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { at, entry, maxBy, minBy, must, ringPairs, sum } from './lists.js';

describe('lists', () => {
  test('an entry that must be there is there, from either end; another is an error that says which', () => {
    expect([at(['a', 'b', 'c'], 0), at(['a', 'b', 'c'], -1)]).toEqual(['a', 'c']);
    expect(at(new Float64Array([0.5]), 0)).toBe(0.5);
    expect(() => at(['a'], 3)).toThrow(new RangeError('no entry 3 in a list of 1'));
    expect(() => at([], -1)).toThrow(RangeError);
    expect(entry(new Map([['a', 1]]), 'a')).toBe(1);
    expect(() => entry(new Map([['a', 1]]), 'b')).toThrow('no entry “b”');
  });

  test('zero, the empty word and false are values; nothing and nowhere are missing', () => {
    expect([must(0, 'it'), must('', 'it'), must(false, 'it')]).toEqual([0, '', false]);
    for (const nothing of [null, undefined])
      expect(() => must(nothing, 'the roof')).toThrow('the roof is missing');
  });

  test('a ring has as many pairs as entries, each entry once first and once second', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(), { minLength: 1 }), (list) => {
        const pairs = ringPairs(list);
        expect(pairs.map(([first]) => first)).toEqual(list);
        expect(pairs.map(([, second]) => second)).toEqual([...list.slice(1), list[0]]);
      }),
    );
  });

  test('least and greatest are those of a sorted list, the first of equals', () => {
    fc.assert(
      fc.property(fc.array(fc.integer(), { minLength: 1 }), (values) => {
        const list = values.map((value, index) => ({ value, index }));
        const least = must(
          minBy(list, ({ value }) => value),
          'least',
        );
        expect(least.value).toBe(Math.min(...values));
        expect(least.index).toBe(values.indexOf(least.value));
        expect(maxBy(list, ({ value }) => value)?.value).toBe(Math.max(...values));
      }),
    );
    expect(minBy([], Number)).toBeUndefined();
  });

  test('sums run over anything that can be gone through', () => {
    expect([sum([1, 2, 3]), sum(new Set([4, 5])), sum([])]).toEqual([6, 9, 0]);
  });
});
