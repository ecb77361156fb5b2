import { describe, expect, test } from '@jest/globals';
import { fromInches, fromMm, toMm } from '../measure/index.js';
import { NOMINAL_SIZES, nominalByName } from './nominal.js';
import { parseRackLine, type RackEntry } from './quick-entry.js';

const read = (line: string, system: 'inch' | 'mm' = 'inch'): RackEntry => {
  const parsed = parseRackLine(line, system);
  if (!parsed.ok) throw new Error(parsed.message);
  return parsed.entry;
};

describe('a line about boards', () => {
  test('the line that people say', () => {
    const entry = read('6 pickets 5/8 x 5 1/2 x 6ft cedar rough 3.40');
    expect(entry).toMatchObject({ name: 'Picket', quantity: 6, nominal: null });
    expect(entry.kind).toMatchObject({
      thickness: fromInches(5 / 8),
      width: fromInches(5.5),
      length: fromInches(72),
      material: 'western-red-cedar',
      faceA: 'rough',
      faceB: 'rough',
      price: 340,
      grained: true,
    });
  });

  test('a nominal size brings its actual one: 1×8 is 3/4 × 7 1/4 in', () => {
    const entry = read('2 1x8 x 8ft pine planed 14.75');
    expect(entry.nominal?.name).toBe('1×8');
    expect(entry.kind).toMatchObject({
      thickness: fromInches(0.75),
      width: fromInches(7.25),
      length: fromInches(96),
      faceA: 'planed',
      price: 1475,
    });
    expect(entry.kind.material).toBe('eastern-white-pine');
    expect(read('3 pickets 6ft').kind.thickness).toBe(fromInches(5 / 8));
  });

  test('metric lines, sheets, two faces, no price', () => {
    const slats = read('12 pallet slats 22x95x1150 rough/planed', 'mm');
    expect(slats.kind).toMatchObject({
      thickness: fromMm(22),
      width: fromMm(95),
      length: fromMm(1150),
      faceA: 'rough',
      faceB: 'planed',
      price: null,
    });
    expect(slats.kind.material).toBe('pallet-wood');
    const sheet = read('ply 12 x 1220 x 2440 mm', 'inch');
    expect(sheet.quantity).toBe(1);
    expect(toMm(sheet.kind.thickness)).toBe(12);
    expect(sheet.kind.grained).toBe(false);
    expect(read('19 x 150 x 2400 spruce', 'mm').quantity).toBe(1);
  });

  test.each([
    ['', 'Nothing typed'],
    ['six nice boards', 'no size'],
    ['6 pickets 5/0 x 5 x 6ft', 'divides by zero'],
    ['2 boards 5 x 1 x 60', 'thicker than wide'],
    ['5000 boards 1 x 5 x 60', 'between 1 and 1000'],
  ])('%j is refused with the reason', (line, reason) => {
    const parsed = parseRackLine(line, 'inch');
    expect(parsed.ok).toBe(false);
    if (!parsed.ok) expect(parsed.message).toContain(reason);
  });
});

describe('nominal sizes', () => {
  // DOC PS 20, American Softwood Lumber Standard: minimum dressed dry sizes of boards and dimension lumber.
  test.each([
    ['1x4', 0.75, 3.5],
    ['1x6', 0.75, 5.5],
    ['1x8', 0.75, 7.25],
    ['1x10', 0.75, 9.25],
    ['1x12', 0.75, 11.25],
    ['2x4', 1.5, 3.5],
  ])('%s is %d × %d in', (name, thickness, width) => {
    expect(nominalByName(name)).toMatchObject({
      thickness: fromInches(thickness),
      width: fromInches(width),
      mark: 'P',
    });
  });

  test('every size names its source', () => {
    for (const size of NOMINAL_SIZES) expect(size.source.length).toBeGreaterThan(3);
  });
});
