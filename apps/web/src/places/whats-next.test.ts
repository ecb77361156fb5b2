import { describe, expect, test } from '@jest/globals';
import type { BatchSummary, BoxRecord, RepairRecord } from '@spare-knot/core/api';
import { UNTOLD_BOX } from '@spare-knot/core/trail';
import type { DueBox } from '../trail/use-due';
import { nextStep, whatsNext } from './whats-next';

const TODAY = '2026-11-27';
const WEEK = '2026-12-04';
const batch = (name: string, more: Partial<BatchSummary> = {}): BatchSummary => ({
  id: name,
  version: 1,
  name,
  boxes: 2,
  isMending: false,
  isDone: false,
  upBy: null,
  family: 'slant-roof',
  animals: [],
  changedAt: '2026-11-01T00:00:00.000Z',
  picture: { box: [0, 0, 1, 1], behind: '', cut: '' },
  state: { is: 'planned' },
  ...more,
});
const box = (number: number, animal: string | null): BoxRecord => ({
  ...UNTOLD_BOX,
  id: String(number),
  version: 1,
  number,
  animal,
  batch: null,
  planKey: null,
  visits: 0,
  last: null,
  cleanedOn: null,
});
const repair = (of: number, more: Partial<RepairRecord> = {}): RepairRecord => ({
  id: `repair ${of}`,
  version: 1,
  box: String(of),
  number: of,
  place: '',
  planKey: null,
  panel: 'roof',
  name: 'Roof',
  count: 1,
  toldOn: TODAY,
  what: '',
  batch: null,
  closedOn: null,
  outcome: null,
  how: '',
  ...more,
});
const due = (number: number, on: string): DueBox => ({
  box: box(number, 'tree-swallow'),
  due: { kind: 'clean', on, alone: null, why: [] },
});
const NOTHING = { batches: [], due: [], repairs: [], boxes: [] };

describe('what is next on the bench', () => {
  test('walks, repairs and batches stand by their days; what no day asks for comes last, what is done is gone', () => {
    const things = whatsNext(
      {
        batches: [
          batch('any time'),
          batch('by its animal', { animals: ['black-capped-chickadee'] }),
          batch('by the maker', { upBy: '2026-12-01', animals: ['black-capped-chickadee'] }),
          batch('done', { isDone: true, upBy: '2026-11-28' }),
        ],
        due: [due(1, '2026-11-20'), due(2, '2026-12-02'), due(3, '2027-03-01')],
        repairs: [repair(4), repair(4, { id: 'another' }), repair(5)],
        boxes: [box(4, 'tree-swallow'), box(5, null)],
      },
      TODAY,
      WEEK,
    );
    expect(things.map(({ what }) => what)).toEqual([
      '2 boxes are to be visited within a week',
      'by the maker',
      ...things.slice(2, 4).map(({ what }) => what),
      'any time',
    ]);
    expect(
      things
        .slice(2, 4)
        .map(({ what }) => what)
        .sort(),
    ).toEqual(['2 boxes want mending', 'by its animal']);
    const days = things.flatMap(({ by }) => by ?? []);
    expect(days).toEqual([...days].sort());
    expect(things[0]?.why).toBe('1 of them late.');
  });

  test('what is in a batch already is not called up twice; nothing to do is nothing', () => {
    const inBatch = repair(4, { batch: { id: 'b', name: 'Mending box 4' } });
    expect(whatsNext({ ...NOTHING, repairs: [inBatch] }, TODAY, WEEK)).toEqual([]);
    expect(whatsNext(NOTHING, TODAY, WEEK)).toEqual([]);
  });

  test('a batch says its own next step', () => {
    const step = (more: Partial<BatchSummary>) => nextStep(batch('b', more)).label;
    expect(step({})).toBe('Lay it out');
    expect(step({ picture: null })).toBe('Mend the box');
    expect(step({ state: { is: 'taken' } })).toBe('Saw and build');
    const proposed = { is: 'proposed', boards: 1, cost: 500 } as const;
    expect(step({ state: { ...proposed, stale: true } })).toBe('Lay it out');
    expect(nextStep(batch('b', { state: { ...proposed, stale: false } })).why).toMatch(
      /on 1 board for 5\.00/,
    );
  });
});
