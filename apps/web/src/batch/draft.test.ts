import { describe, expect, test } from '@jest/globals';
import { animalById } from '@spare-knot/core/animals';
import { type BatchRecord, NO_MAKING, NO_WISHES } from '@spare-knot/core/api';
import { familyById } from '@spare-knot/core/families';
import { STANDARD_SAW } from '@spare-knot/core/job';
import { must } from '@spare-knot/core/lists';
import { fromInches } from '@spare-knot/core/measure';
import fc from 'fast-check';
import { planFor } from '../../../../packages/core/test/boxes.js';
import { changedPath, sameValue } from './change-paths';
import {
  applyPatch,
  changedFields,
  DRAFT_FIELDS,
  type Draft,
  draftOf,
  patchOf,
  readUnsaved,
  withFields,
  writeUnsaved,
} from './draft';

const slant = must(familyById('slant-roof'), 'slant-roof');
const chickadee = must(animalById('black-capped-chickadee'), 'black-capped-chickadee');
const draft: Draft = {
  name: 'Six for the rail trail',
  boxes: 6,
  units: 'inch',
  division: 16,
  plan: planFor(slant, chickadee),
  saw: STANDARD_SAW,
  wishes: NO_WISHES,
  making: NO_MAKING,
};
const record = (more: Partial<Draft>, version = 4): BatchRecord => ({
  ...draft,
  ...more,
  ready: [],
  mends: null,
  id: 'b',
  version,
  changedAt: '2026-01-05T10:00:00.000Z',
  proposed: null,
  proposalStale: false,
  accepted: null,
});

/** Any change of the fields that are no documents. */
const changes = fc.record(
  {
    name: fc.string({ minLength: 1, maxLength: 20 }).filter((name) => name.trim() !== ''),
    boxes: fc.integer({ min: 1, max: 1000 }),
    units: fc.constantFrom<Draft['units']>('inch', 'mm'),
  },
  { requiredKeys: [] },
);

describe('a patch', () => {
  test('of what changed, laid on what was before, gives what there is now', () => {
    fc.assert(
      fc.property(changes, (more) => {
        const now: Draft = { ...draft, ...more };
        const fields = changedFields(draft, now);
        const patch = patchOf(now, fields, 4);
        expect(applyPatch(draft, patch)).toEqual(now);
        expect(Object.keys(patch).sort()).toEqual([...fields, 'version'].sort());
      }),
    );
  });

  test('names a document as changed whichever of its values did', () => {
    const wider = {
      ...draft,
      plan: { ...draft.plan, sizes: { ...draft.plan.sizes, width: fromInches(7) } },
    };
    expect(changedFields(draft, wider)).toEqual(['plan']);
    expect(changedFields(draft, { ...draft, saw: { ...draft.saw, kerf: 1 } })).toEqual(['saw']);
    expect(changedFields(draft, draftOf(record({})))).toEqual([]);
  });

  test('takes no field that says nothing', () => {
    expect(applyPatch(draft, { name: undefined, boxes: 7, version: 1 })).toEqual({
      ...draft,
      boxes: 7,
    });
  });
});

describe('two windows', () => {
  test('fields that do not clash are taken from either', () => {
    const theirs = record({ units: 'mm' });
    const mine = { ...draft, boxes: 8 };
    const merged = withFields(draftOf(theirs), mine, changedFields(draft, mine));
    expect(merged).toEqual({ ...draft, boxes: 8, units: 'mm' });
    expect(DRAFT_FIELDS.every((field) => field in merged)).toBe(true);
  });
});

describe('unsaved work', () => {
  test('comes back from storage as it was, with the write that had no answer', () => {
    const patch = { boxes: 9, plan: draft.plan, version: 4 };
    const unsaved = { before: draft, patch, sent: { patch, key: 'k' } };
    expect(readUnsaved(writeUnsaved(unsaved))).toEqual(unsaved);
    expect(readUnsaved(writeUnsaved({ ...unsaved, sent: null }))).toMatchObject({ sent: null });
  });

  test.each(['', '{', '[]', '{"before":{}}', 'null'])('%s is no work', (text) => {
    expect(readUnsaved(text)).toBeNull();
  });
});

describe('where a change is', () => {
  test('is the path to the one value that differs, and none where several do', () => {
    const before = { plan: { sizes: { width: 1, depth: 2 }, choices: { roof: 'flat' } }, boxes: 1 };
    const at = (sizes: object) => ({ ...before, plan: { ...before.plan, sizes } });
    expect(changedPath(before, at({ width: 3, depth: 2 }))).toEqual(['plan', 'sizes', 'width']);
    expect(changedPath(before, at({ width: 3, depth: 4 }))).toEqual(['plan', 'sizes']);
    expect(changedPath(before, { ...before, boxes: 2 })).toEqual(['boxes']);
    expect(changedPath(before, before)).toEqual([]);
    expect(changedPath(before, { ...at({ width: 3, depth: 2 }), boxes: 2 })).toEqual([]);
    expect(changedPath(1, 2)).toEqual([]);
  });

  test('values are the same by what they say', () => {
    expect(sameValue({ a: [1, { b: 2 }] }, { a: [1, { b: 2 }] })).toBe(true);
    expect(sameValue([1, 2], [2, 1])).toBe(false);
    expect(sameValue(null, undefined)).toBe(false);
  });
});
