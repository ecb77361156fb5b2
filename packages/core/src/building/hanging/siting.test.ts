import { expect, test } from '@jest/globals';
import { startFor } from '../../../test/plans.js';
import { ANIMALS } from '../../animals/index.js';
import { familyById } from '../../families/index.js';
import { must } from '../../lists/index.js';
import { fromMm } from '../../measure/index.js';
import { type Place, UNKNOWN_PLACE } from '../../plan/index.js';
import { plainText } from '../../text/index.js';
import { sitingOf } from './siting.js';

const start = startFor(must(familyById('slant-roof'), 'slant roof'));
const sited = (animals: readonly string[], place: Partial<Place> = {}) => {
  const { wants, against } = sitingOf({
    ...start,
    animals: [...animals],
    place: { ...UNKNOWN_PLACE, ...place },
  });
  return { wants: wants.map(plainText), against: against.map(plainText) };
};

test('every animal of the table is told where it belongs, with its own heights and spacing', () => {
  for (const { id, mount, spacing } of ANIMALS) {
    const { wants, against } = sited([id]);
    expect(wants.length).toBeGreaterThan(0);
    expect(wants.join(' ').includes('from the next box')).toBe(spacing !== null);
    expect(wants.join(' ').includes('the entrance is')).toBe(mount !== null);
    // What is not known speaks against nothing.
    expect(against).toEqual([]);
  }
});

test('a height outside the animal’s own is named, one inside is not', () => {
  // Eastern bluebird: 1.2 to 3 m, USFWS Homes for Birds, from memory [M].
  const at = (metres: number) =>
    sited(['eastern-bluebird'], { height: fromMm(metres * 1000) }).against;
  expect(at(2)).toEqual([]);
  expect(at(5)).toHaveLength(1);
  expect(at(0.8)).toHaveLength(1);
});

test('bats want sun and no tree; birds no afternoon sun where it is hot; under cover neither matters', () => {
  const bat = must(
    ANIMALS.find(({ family, region }) => family === 'bat' && region === 'na'),
    'bat',
  ).id;
  expect(sited([bat], { facing: 'north', on: 'tree' }).against).toHaveLength(2);
  expect(sited([bat], { facing: 'south', on: 'pole' }).against).toEqual([]);
  expect(sited([bat], { facing: 'north', cover: 'under-cover' }).against).toEqual([]);
  const swallow = ['tree-swallow'];
  expect(sited(swallow, { facing: 'west', climate: 'hot' }).against).toHaveLength(1);
  expect(sited(swallow, { facing: 'west', climate: 'cold' }).against).toEqual([]);
  expect(sited(swallow, { facing: 'east', climate: 'hot' }).against).toEqual([]);
});

test('an animal that the table does not know gives no advice', () => {
  expect(sited(['griffin'])).toEqual({ wants: [], against: [] });
});
