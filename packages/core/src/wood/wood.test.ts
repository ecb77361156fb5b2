import { describe, expect, test } from '@jest/globals';
import { must } from '../lists/index.js';
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
    expect(read('3 pickets 6ft cedar').kind.thickness).toBe(fromInches(5 / 8));
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
    // [line, quantity, thickness, width, length in mm, material, price]
    ['1x8 x 8ft pine 30', 1, 19.05, 184.15, 2438.4, 'eastern-white-pine', 3000],
    ['2 4x4 8ft oak', 2, 88.9, 88.9, 2438.4, 'oak', null],
    ['scaffold boards 3.9m', 1, 38, 225, 3900, 'scaffold-board', null],
    ['pallet boards 1200', 1, 22, 100, 1200, 'pallet-wood', null],
    ['1/2 ply 4ft x 8ft', 1, 11.90625, 1219.2, 2438.4, 'plywood', null],
    ['1 sheet 12mm ply 1220 x 2440', 1, 12, 1220, 2440, 'plywood', null],
    ['2 ply 4 x 8 ft 1/2 at $52', 2, 11.90625, 1219.2, 2438.4, 'plywood', 5200],
    ['4 larch boards 22 x 145 x 1800 12.50', 4, 22, 145, 1800, 'larch', 1250],
    ['3 spruce 47 x 100 3.9m £9 each', 3, 47, 100, 3900, 'spruce', 900],
    ['5 old fence boards 16 x 125 x 1500', 5, 16, 125, 1500, 'fence-board', null],
    ['2 sheets mdf 12 x 1220 x 2440', 2, 12, 1220, 2440, 'mdf', null],
    ['2 sheets of 3/4 plywood 4x8 52.00', 2, 19.05, 1219.2, 2438.4, 'plywood', 5200],
    ['9mm exterior ply 8ft x 4ft', 1, 9, 1219.2, 2438.4, 'plywood', null],
    ['3 1x6x6 cedar', 3, 19.05, 139.7, 1828.8, 'western-red-cedar', null],
    ['5 fence pickets 6ft cedar 3.40 each', 5, 15.875, 139.7, 1828.8, 'western-red-cedar', 340],
    ['6 cedar pickets 6ft', 6, 15.875, 139.7, 1828.8, 'western-red-cedar', null],
    ['3 x 38x225 scaffold boards 3.9 m', 3, 38, 225, 3900, 'scaffold-board', null],
    ['2x4 8ft spf 4.20', 1, 38.1, 88.9, 2438.4, 'softwood', 420],
    ['1x12 x 6ft yellow poplar', 1, 19.05, 285.75, 1828.8, 'yellow-poplar', null],
  ])('%s', (line, quantity, thickness, width, length, material, price) => {
    const { kind, ...entry } = read(line);
    expect({
      quantity: entry.quantity,
      thickness: toMm(kind.thickness),
      width: toMm(kind.width),
      length: toMm(kind.length),
      material: kind.material,
      price: kind.price,
    }).toEqual({ quantity, thickness, width, length, material, price });
  });

  test.each([
    ['1x8 x 8ft pine', 'planed', ['faces']],
    ['6 boards 19 x 140 x 2000 larch', 'planed', ['faces']],
    ['6 pickets 6ft cedar', 'rough', ['faces']],
    ['12 pallet slats 22 x 95 x 1150', 'rough', ['faces']],
    ['scaffold boards 3.9m', 'rough', ['faces', 'treatment']],
    ['pallet boards 1200', 'rough', ['faces', 'width']],
    ['1/2 ply 4ft x 8ft', 'planed', ['faces']],
    ['3 boards 22 x 150 x 2400 spruce sawn', 'rough', undefined],
    ['3 boards 22 x 150 x 2400 spruce planed', 'planed', undefined],
    ['old fence boards 16 x 125 x 1500 rough untreated', 'rough', undefined],
  ])('%s: faces %s, assumed %j', (line, face, assumed) => {
    const { kind } = read(line);
    expect([kind.faceA, kind.faceB, kind.assumed]).toEqual([face, face, assumed]);
  });

  test('planed one side, rough one face: the other is as it is not said', () => {
    for (const words of ['planed one side', 'rough one face', 'rough/planed'])
      expect(read(`3/4 x 7 1/4 x 8ft pine ${words}`).kind).toMatchObject({
        faceA: 'rough',
        faceB: 'planed',
      });
  });

  test('treatment, grade, stamp and old paint are read as they are said', () => {
    expect(read('6 fence boards 16 x 125 x 1500 pressure treated').kind.treatment).toBe(
      'pressure-treated',
    );
    expect(read('4 pallet slats 22 x 95 x 1150 HT rough').kind.stamp).toBe('HT');
    expect(read('4 pallet slats 22 x 95 x 1150 MB rough').kind.stamp).toBe('MB');
    expect(read('12mm exterior ply 1220 x 2440').kind.grade).toBe('exterior');
    expect(read('3 spruce 22 x 150 x 2400 green sawn').kind.grade).toBe('green');
    expect(read('2 old floorboards 20 x 150 x 2000 painted').kind.oldPaint).toBe(true);
  });

  test('a wood that nobody said, or that nobody knows, is asked for and never replaced', () => {
    for (const line of [
      '1x8 x 8ft 30',
      '2 4x4 8ft',
      '6 pickets 6ft',
      '3 mahogany 19 x 140 x 2000',
    ]) {
      const parsed = parseRackLine(line, 'inch');
      if (parsed.ok) throw new Error(`${line} was read as ${parsed.entry.kind.material}`);
      expect(parsed.message).toContain('Which wood');
      const answered = must(parsed.ask, 'a question').answer('larch');
      expect(answered.kind.material).toBe('larch');
    }
    const priced = parseRackLine('1x8 x 8ft 30', 'inch');
    if (priced.ok) throw new Error('read without a wood');
    expect(must(priced.ask, 'a question').answer('larch').kind.price).toBe(3000);
  });

  test.each([
    ['', 'Nothing typed'],
    ['six nice boards', 'no size'],
    ['6 boards of nothing 5 x', 'no size'],
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
