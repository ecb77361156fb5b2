import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { merge, valueAt } from './merge';

const before = {
  name: 'Six',
  boxes: 6,
  plan: {
    family: 'slant-roof',
    animals: ['a'],
    sizes: { width: 10, depth: 20, height: 30 },
    wood: { roof: { stock: 'pine', thickness: 5 } },
  },
};
type Draft = typeof before;
const withSizes = (sizes: Partial<Draft['plan']['sizes']>): Draft => ({
  ...before,
  plan: { ...before.plan, sizes: { ...before.plan.sizes, ...sizes } },
});

describe('two changes of one draft', () => {
  test('in different fields of one document are put together', () => {
    const { merged, clashes } = merge(before, withSizes({ width: 11 }), withSizes({ depth: 21 }));
    expect(merged.plan.sizes).toEqual({ width: 11, depth: 21, height: 30 });
    expect(clashes).toEqual([]);
  });

  test('of the same field are told by its path, and what is here stands', () => {
    const { merged, clashes } = merge(
      before,
      { ...withSizes({ width: 11, height: 31 }), name: 'Mine' },
      withSizes({ width: 12, depth: 21 }),
    );
    expect(clashes).toEqual([['plan', 'sizes', 'width']]);
    expect(merged).toEqual({ ...withSizes({ width: 11, depth: 21, height: 31 }), name: 'Mine' });
  });

  test('the wood of one panel is one thing: no half of one board with half of another', () => {
    const wood = (more: object) => ({
      ...before,
      plan: { ...before.plan, wood: { roof: { ...before.plan.wood.roof, ...more } } },
    });
    const { clashes } = merge(before, wood({ stock: 'cedar' }), wood({ thickness: 6 }));
    expect(clashes).toEqual([['plan', 'wood', 'roof']]);
  });

  test('another family and a size are no two changes of one box', () => {
    const other = { ...before, plan: { ...before.plan, family: 'log' } };
    const { merged, clashes } = merge(before, other, withSizes({ width: 12 }));
    expect([merged.plan, clashes]).toEqual([other.plan, [['plan']]]);
    expect(merge(before, other, { ...before, name: 'Theirs' }).merged).toEqual({
      ...other,
      name: 'Theirs',
    });
  });

  test('whatever they are: nothing of either is lost, and only what both changed is asked about', () => {
    const sizes = fc.dictionary(
      fc.constantFrom('a', 'b', 'c', 'd'),
      fc.integer({ max: 3, min: 0 }),
    );
    const draft = fc.record({ name: fc.constantFrom('x', 'y', 'z'), sizes });
    fc.assert(
      fc.property(draft, draft, draft, (base, here, there) => {
        const { merged, clashes } = merge(base, here, there);
        const told = new Set(clashes.map((path) => path.join('.')));
        for (const path of [['name'], ...['a', 'b', 'c', 'd'].map((key) => ['sizes', key])]) {
          const [b, h, t] = [base, here, there].map((each) => valueAt(each, path));
          const isBoth = b !== h && b !== t && h !== t;
          expect(told.has(path.join('.'))).toBe(isBoth);
          const wanted = b === h ? t : h;
          expect(valueAt(merged, path)).toBe(wanted);
        }
        expect(merge(base, here, base)).toEqual({ merged: here, clashes: [] });
        expect(merge(base, base, there)).toEqual({ merged: there, clashes: [] });
      }),
    );
  });
});
