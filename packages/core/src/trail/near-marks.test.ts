import { describe, expect, test } from '@jest/globals';
import { animalById } from '../animals/index.js';
import { must } from '../lists/index.js';
import { plainText } from '../text/index.js';
import { type MarkKind, nearMarks, type TrailMark } from './near-marks.js';

const HOME = { latitude: 44.9, longitude: -75.2 };
const north = (metres: number) => ({ ...HOME, latitude: HOME.latitude + metres / 111_195 });
const box = (more: object = {}) => ({
  animal: 'eastern-bluebird',
  at: HOME,
  takenDownOn: null,
  ...more,
});
const mark = (kind: MarkKind, metres: number): TrailMark => ({
  name: `${kind} at ${metres}`,
  kind,
  at: north(metres),
});

describe('what stands near a box', () => {
  test('a feeder at 20 m and a rival at half of what the animal wants are named, the nearest of each', () => {
    const wants = must(animalById('eastern-bluebird')?.spacing, 'a spacing');
    const found = nearMarks(
      [box()],
      [mark('feeder', 24), mark('feeder', 20), mark('rival', wants / 2), mark('other', 1)],
    );
    expect(found.map((each) => [each.mark, Math.round(each.metres), each.wanted])).toEqual([
      [1, 20, 25],
      [2, wants / 2, wants],
    ]);
    expect(found.map(({ why }) => plainText(why))).toEqual([
      expect.stringMatching(/from a feeder.*common practice/),
      expect.stringMatching(/from a rival: the eastern bluebird wants/),
    ]);
  });

  test('far enough, taken down, without a place, or an animal of whom no distance is known: nothing is said', () => {
    const wants = must(animalById('eastern-bluebird')?.spacing, 'a spacing');
    expect(nearMarks([box()], [mark('feeder', 26), mark('rival', wants + 1)])).toEqual([]);
    const near = [mark('feeder', 5), mark('rival', 5)];
    expect(nearMarks([box({ takenDownOn: '2026-01-01' }), box({ at: null })], near)).toEqual([]);
    expect(nearMarks([box({ animal: null })], near).map(({ mark: index }) => index)).toEqual([0]);
  });
});
