import { describe, expect, test } from '@jest/globals';
import { animalById } from '@spare-knot/core/animals';
import { readPlace } from '@spare-knot/core/exchange';
import { slantRoof } from '@spare-knot/core/families';
import { must } from '@spare-knot/core/lists';
import { startPlan } from '@spare-knot/core/plan';
import { STANDARD_WOOD } from '../wood/standard-wood';
import { placesIn } from './places-in';
import { faultOf, hangingBox, untoldBox } from './use-trail';
import { today, whenWords } from './words';

describe('a place as a phone gives it', () => {
  test.each([
    ['46.1234, 8.5678', 46.1234, 8.5678],
    ['-33.9;151', -33.9, 151],
    ['  0 0 ', 0, 0],
  ])('%s is read', (typed, latitude, longitude) => {
    expect(readPlace(typed)).toEqual({ latitude, longitude });
  });

  test.each(['', '46', '91, 8', '46, 181', 'here', '46,1234'])('“%s” is none', (typed) => {
    expect(readPlace(typed)).toBeNull();
  });
});

describe('a box that is being told', () => {
  test('may be kept with its number alone; what cannot be is named', () => {
    expect(faultOf(untoldBox(7))).toBeNull();
    expect(faultOf(untoldBox(0))).toContain('number');
    const days = { hungOn: '2027-03-02', takenDownOn: '2027-03-01' };
    expect(faultOf({ ...untoldBox(7), ...days })).toContain('before the day it was hung');
  });

  test('of a batch says what its plan and its place say, and nothing that nobody has said', () => {
    const animal = must(animalById('tree-swallow'), 'the swallow');
    const plan = startPlan(slantRoof, animal, STANDARD_WOOD);
    const id = '5f0c2a52-6f0e-4a3c-9d3f-0f4f6d6f7a10';
    const box = hangingBox({ id, name: 'Swallows', plan }, 3);
    expect(box).toMatchObject({ number: 3, batch: id, animal: animal.id, plan: 'Swallows' });
    expect([box.facing, box.height, box.mount, box.at]).toEqual([null, null, null, null]);
    const place = { ...plan.place, facing: 'north-east', on: 'post' as const, height: 320_000 };
    expect(hangingBox({ id, name: 'Swallows', plan: { ...plan, place } }, 3)).toMatchObject({
      facing: 'north-east',
      mount: 'post',
      height: 320_000,
    });
    expect(faultOf(box)).toBeNull();
  });
});

describe('places out of a file', () => {
  const geo = (...numbers: number[]) =>
    JSON.stringify({
      type: 'FeatureCollection',
      features: numbers.map((number) => ({
        type: 'Feature',
        geometry: { type: 'Point', coordinates: [8, 46] },
        properties: { number },
      })),
    });

  test('a number that stands already, or twice in the file, is named, and the others are given', () => {
    const { fresh, problems } = placesIn(geo(1, 2, 3, 3), 'boxes.geojson', [{ number: 2 }]);
    expect(fresh.map(({ number }) => number)).toEqual([1, 3]);
    expect(problems.map(({ line, message }) => [line, message.slice(0, 1)])).toEqual([
      [2, '2'],
      [4, '3'],
    ]);
  });

  test('what it is called says how it is read', () => {
    const gpx = '<gpx><wpt lat="1" lon="2"><name>box 9</name></wpt></gpx>';
    expect(placesIn(gpx, 'Walk.GPX', []).fresh.map(({ number }) => number)).toEqual([9]);
    expect(placesIn(gpx, 'walk.geojson', []).fresh).toEqual([]);
    expect(placesIn(gpx, 'walk.geojson', []).problems).toHaveLength(1);
  });
});

test('how far off a day is, in words', () => {
  const words = (day: string) => whenWords(day, '2027-03-01');
  expect(['2027-03-01', '2027-03-02', '2027-03-08', '2027-02-28', '2027-02-01'].map(words)).toEqual(
    ['today', 'tomorrow', 'in 7 days', 'a day late', '28 days late'],
  );
  expect(today(new Date(2027, 0, 5, 23, 59))).toBe('2027-01-05');
});
