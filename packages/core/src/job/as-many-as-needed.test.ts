import { describe, expect, test } from '@jest/globals';
import { board, part, rectangle } from '../../test/layouts.js';
import { fromMm } from '../measure/index.js';
import { asManyAsNeeded } from './as-many-as-needed.js';

const parts = [
  part('side', rectangle(200, 80), { quantity: 12 }),
  part('roof', rectangle(200, 80), { quantity: 6, thickness: fromMm(19), materials: ['larch'] }),
];
const offer = (id: string, more = {}) => board(2000, 100, { id, quantity: 100_000, ...more });

describe('stock of a yard', () => {
  test('is as much as the parts on it could need, or what there is', () => {
    const stock = asManyAsNeeded(parts, [
      offer('thin'),
      offer('few', { quantity: 5 }),
      offer('thick', { thickness: fromMm(19), material: 'larch' }),
      offer('other wood', { thickness: fromMm(19), material: 'oak' }),
      offer('other size', { thickness: fromMm(40) }),
    ]);
    expect(stock.map(({ id, quantity }) => [id, quantity])).toEqual([
      ['thin', 12],
      ['few', 5],
      ['thick', 6],
    ]);
  });
});
