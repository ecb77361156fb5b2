import { describe, expect, test } from '@jest/globals';
import { planFor } from '../../test/boxes.js';
import { animalById } from '../animals/index.js';
import { slantRoof } from '../families/index.js';
import { STANDARD_SAW } from '../job/index.js';
import { at, must } from '../lists/index.js';
import { fromMm } from '../measure/index.js';
import { batchQuestion } from './batch-question.js';
import { NO_WISHES } from './batches.js';
import type { BoardRecord } from './boards.js';

const board = (id: string, more: Partial<BoardRecord> = {}): BoardRecord => ({
  id,
  version: 1,
  name: id,
  quantity: 2,
  material: 'larch',
  thickness: fromMm(19),
  width: fromMm(150),
  length: fromMm(2400),
  faceA: 'rough',
  faceB: 'planed',
  price: null,
  offcut: false,
  grained: true,
  defects: [],
  fromBatch: null,
  ...more,
});
const plan = planFor(slantRoof, must(animalById('house-wren'), 'house-wren'));
const ask = (boards: readonly BoardRecord[], wishes = NO_WISHES) =>
  batchQuestion({ name: 'Two', plan, boxes: 2, saw: STANDARD_SAW, wishes }, boards).stock;

describe('the boards that a batch is laid on', () => {
  test('boards that are not fit for boxes are never among them', () => {
    const stock = ask([
      board('good'),
      board('treated', { treatment: 'pressure-treated' }),
      board('fumigated', { material: 'pallet-wood', stamp: 'MB' }),
      board('chips', { material: 'chipboard' }),
      board('strange', { material: 'who knows' }),
      board('gone', { quantity: 0 }),
    ]);
    expect(stock.map(({ id }) => id)).toEqual(['good']);
  });

  test('a face that nobody has looked at counts as planed', () => {
    const [seen, unseen] = ask([board('seen'), board('unseen', { assumed: ['faces'] })]);
    expect(seen).toMatchObject({ faceA: 'rough', faceB: 'planed' });
    expect(unseen).toMatchObject({ faceA: 'planed', faceB: 'planed' });
  });

  test('what the maker forbids, and what the saw cannot cross, is left out', () => {
    const boards = [board('one'), board('two')];
    expect(ask(boards, { ...NO_WISHES, forbidden: ['one'] }).map(({ id }) => id)).toEqual(['two']);
    const chop = { ...STANDARD_SAW, rip: false };
    const wishes = { ...NO_WISHES, crosscut: fromMm(140) };
    expect(batchQuestion({ name: '', plan, boxes: 1, saw: chop, wishes }, boards).stock).toEqual(
      [],
    );
    expect(at(ask(boards, wishes), 0).id).toBe('one');
  });
});
