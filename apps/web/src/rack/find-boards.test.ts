import { describe, expect, test } from '@jest/globals';
import { type BoardRecord, boardRecord } from '@spare-knot/core/api';
import { fromMm } from '@spare-knot/core/measure';
import { findBoards, NO_WISH, thicknessesOf } from './find-boards';

const board = (
  name: string,
  length: number,
  width: number,
  thickness: number,
  more = {},
): BoardRecord =>
  boardRecord.parse({
    id: `00000000-0000-4000-8000-${String(length * 10 + width).padStart(12, '0')}`,
    version: 1,
    name,
    quantity: 1,
    material: 'western-red-cedar',
    length,
    width,
    thickness,
    fromBatch: null,
    ...more,
  });
const rack = [
  board('Picket', 1829, 140, 15.9),
  board('Roof board', 2438, 184, 19, { material: 'eastern-white-pine' }),
  board('Offcut of a picket', 400, 140, 16, { offcut: true }),
  board('Ply', 2440, 1220, 12, { material: 'exterior-plywood' }),
];
const names = (wish: Partial<typeof NO_WISH>) =>
  findBoards(rack, { ...NO_WISH, ...wish }).map(({ name }) => name);

describe('looking for a board', () => {
  test('nothing said is all of them, as they were put there', () => {
    expect(names({})).toEqual(rack.map(({ name }) => name));
  });

  test('by words in the name or the wood, all of them, whatever their case', () => {
    expect(names({ words: 'PICKET' })).toEqual(['Picket', 'Offcut of a picket']);
    expect(names({ words: 'picket offcut' })).toEqual(['Offcut of a picket']);
    expect(names({ words: 'pine' })).toEqual(['Roof board']);
    expect(names({ words: 'oak' })).toEqual([]);
  });

  test('by wood, thickness within half a millimetre, and long and wide enough', () => {
    expect(names({ material: 'eastern-white-pine' })).toEqual(['Roof board']);
    expect(names({ thickness: fromMm(16) })).toEqual(['Picket', 'Offcut of a picket']);
    expect(names({ length: fromMm(1829) })).toEqual(['Picket', 'Roof board', 'Ply']);
    expect(names({ length: fromMm(1829), width: fromMm(150) })).toEqual(['Roof board', 'Ply']);
  });

  test('offcuts alone, or whole boards alone', () => {
    expect(names({ kind: 'offcuts' })).toEqual(['Offcut of a picket']);
    expect(names({ kind: 'whole' })).toHaveLength(3);
  });

  test('in the order that is liked, without changing the rack', () => {
    const before = [...rack];
    expect(names({ order: 'longest' })[0]).toBe('Ply');
    expect(names({ order: 'shortest' })[0]).toBe('Offcut of a picket');
    expect(names({ order: 'thickest' })[0]).toBe('Roof board');
    expect(names({ order: 'name' })[0]).toBe('Offcut of a picket');
    expect(rack).toEqual(before);
  });

  test('thicknesses that lie there, those alike once', () => {
    expect(thicknessesOf(rack)).toEqual([fromMm(12), fromMm(15.9), fromMm(19)]);
  });
});
