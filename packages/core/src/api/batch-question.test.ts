import { describe, expect, test } from '@jest/globals';
import { planFor } from '../../test/boxes.js';
import { animalById } from '../animals/index.js';
import { slantRoof } from '../families/index.js';
import { STANDARD_SAW } from '../job/index.js';
import { at, must } from '../lists/index.js';
import { fromMm } from '../measure/index.js';
import { atFullPrice, batchQuestion, woodAsked } from './batch-question.js';
import { NO_WISHES, type Supply } from './batches.js';
import type { BoardRecord } from './boards.js';
import { boardBought, type OfferRecord } from './yard.js';

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
  batchQuestion({ name: 'Two', plan, boxes: 2, saw: STANDARD_SAW, wishes, liesReady: [] }, boards)
    .stock;

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
    expect(
      batchQuestion({ name: '', plan, boxes: 1, saw: chop, wishes, liesReady: [] }, boards).stock,
    ).toEqual([]);
    expect(at(ask(boards, wishes), 0).id).toBe('one');
  });
});

const offer = (id: string, more: Partial<OfferRecord> = {}): OfferRecord => {
  const {
    quantity: _quantity,
    fromBatch: _from,
    offcut: _offcut,
    defects: _defects,
    ...kind
  } = board(id, { price: 700 });
  return { ...kind, yard: 'Slip', available: null, ...more };
};

describe('the wood that a batch may use', () => {
  const asked = (supply: Supply, forbidden: string[] = []) =>
    woodAsked(
      { saw: STANDARD_SAW, wishes: { ...NO_WISHES, supply, forbidden } },
      [board('owned', { price: 500 })],
      [
        offer('sold'),
        offer('no price', { price: null }),
        offer('osb', { material: 'osb' }),
        offer('few', { available: 3 }),
      ],
    );
  const told = ({ stock, yard }: ReturnType<typeof asked>) =>
    [stock, yard].map((list) => list.map(({ id, price }) => `${id} ${price}`));

  test('the rack at its own price; the rack as paid and then the yard; the yard alone', () => {
    expect(told(asked('rack'))).toEqual([['owned 500'], []]);
    expect(told(asked('rack-first'))).toEqual([['owned 0'], ['sold 700', 'few 700']]);
    expect(told(asked('bought'))).toEqual([[], ['sold 700', 'few 700']]);
    expect(told(asked('bought', ['sold']))).toEqual([[], ['few 700']]);
    expect(asked('bought').yard.map(({ quantity }) => quantity > 999)).toEqual([true, false]);
  });

  test('what is bought is what was offered, with its measures to be confirmed', () => {
    const sold = offer('sold', { assumed: ['faces'], grade: 'exterior' });
    const bought = boardBought(sold, 4);
    expect(bought).toMatchObject({
      name: 'sold',
      quantity: 4,
      price: 700,
      grade: 'exterior',
      assumed: ['faces', 'size'],
    });
    expect(boardBought({ ...sold, assumed: ['size'] }, 1).assumed).toEqual(['size']);
  });

  test('is worth its own price, paid or not', () => {
    const { stock } = asked('rack-first');
    const job = { name: '', parts: [], saw: STANDARD_SAW, pinned: [], effort: { seconds: 1 } };
    const [full] = atFullPrice({ ...job, stock }, [board('owned', { price: 500 })]).stock;
    expect(full?.price).toBe(500);
  });
});
