import { describe, expect, test } from '@jest/globals';
import type { TapeMark } from '@spare-knot/core/cuts';
import { at } from '@spare-knot/core/lists';
import { fromInches, fromMm, printLength, type Ticks } from '@spare-knot/core/measure';
import fc from 'fast-check';
import { spanOf } from './fit-words';
import { type BoardTape, tapeOf } from './tape';

const print = (ticks: Ticks) => printLength(ticks, { system: 'inch', division: 16 });
const mark = (near: Ticks, more: Partial<TapeMark> = {}): TapeMark => ({
  part: 'front',
  copy: 0,
  near,
  far: near,
  row: 'near',
  ...more,
});
/** Nothing lies on anything else in one row. */
function expectApart(marks: BoardTape['near']): void {
  for (const [index, { label }] of marks.entries())
    for (const { label: other } of marks.slice(index + 1)) {
      if (label.row !== other.row) continue;
      const [[from, to], [start, end]] = [spanOf(label), spanOf(other)];
      expect(to <= start || end <= from).toBe(true);
    }
}

describe('the tape along a board', () => {
  test('has a number for every mark, in their order, none on another, at the width of any screen', () => {
    const marks = fc.array(fc.integer({ min: 0, max: fromMm(1800) }), { maxLength: 24 });
    fc.assert(
      fc.property(marks, fc.integer({ min: 240, max: 1400 }), (nears, wide) => {
        const scale = wide / fromMm(1800);
        const tape = tapeOf(
          nears.map((near, copy) => mark(near, { copy })),
          scale,
          print,
        );
        expect(tape.near.map(({ label }) => label.text)).toEqual(
          [...nears].sort((a, b) => a - b).map(print),
        );
        expectApart(tape.near);
        expect(tape.above).toBe(0);
      }),
    );
  });

  test('grows by a row where numbers do not fit beside each other', () => {
    const close = [10, 10.5, 11].map((inches, copy) => mark(fromInches(inches), { copy }));
    const [wide, narrow] = [0.05, 0.002].map((scale) => tapeOf(close, scale, print));
    expect(wide && new Set(wide.near.map(({ label }) => label.row)).size).toBe(1);
    expect(narrow && new Set(narrow.near.map(({ label }) => label.row)).size).toBe(3);
    expect(narrow && wide && narrow.below > wide.below).toBe(true);
  });

  test('shows on the far edge where a slanted end comes out there, and pieces of a second row', () => {
    const tape = tapeOf(
      [
        mark(fromMm(200)),
        mark(fromMm(400), { far: fromMm(430), copy: 1 }),
        mark(fromMm(500), { row: 'far', copy: 2 }),
      ],
      0.003,
      print,
    );
    expect(tape.near.map(({ mark: { copy } }) => copy)).toEqual([0, 1]);
    expect(tape.far.map(({ mark: { copy } }) => copy)).toEqual([1, 2]);
    expect(at(tape.far, 0).label.x).toBeCloseTo(fromMm(430) * 0.003, 9);
    expect(tape.above).toBeGreaterThan(0);
  });

  test('without marks it is a bare tape', () => {
    expect(tapeOf([], 0.01, print)).toMatchObject({ near: [], far: [], above: 0 });
  });
});
