import { describe, expect, test } from '@jest/globals';
import { nextWinter, type PlannedBox } from './next-winter.js';
import type { BoxYear } from './season.js';

const TODAY = '2026-11-27';
const swallow = 'tree-swallow';
const box = (more: Partial<PlannedBox> = {}): PlannedBox => ({
  animal: swallow,
  plan: 'posts',
  planKey: 'a'.repeat(64),
  hungOn: '2025-03-01',
  takenDownOn: null,
  ...more,
});
const year = (livedIn: boolean, more: Partial<BoxYear> = {}): BoxYear => ({
  year: 2026,
  animal: swallow,
  plan: 'posts',
  place: '',
  facing: null,
  height: null,
  visits: 2,
  livedIn,
  eggs: 0,
  young: 0,
  fledged: 0,
  ...more,
});
const years = (taken: number, of: number): BoxYear[] =>
  Array.from({ length: of }, (_unused, index) => year(index < taken));
const boxes = (count: number, more: Partial<PlannedBox> = {}): PlannedBox[] =>
  Array.from({ length: count }, () => box(more));

describe('what to build next winter', () => {
  test('a worked example: two lost, three asked for, sixteen of twenty lived in', () => {
    const all = [...boxes(20), ...boxes(2, { takenDownOn: '2026-10-01' })];
    const asked = [{ animal: swallow, count: 3, by: '2027-02-10' }];
    const [row] = nextWinter(all, years(16, 20), asked, TODAY);
    // Wilson's interval of 16 of 20 is 0.58 to 0.92: over a half.
    expect(row).toMatchObject({
      hung: 20,
      lost: 2,
      asked: 3,
      says: 'more',
      more: 5,
      boxes: 10,
      upBy: '2027-02-10',
      plan: { key: 'a'.repeat(64), name: 'posts' },
    });
  });

  test('few boxes say nothing, many that stand empty say elsewhere, and neither makes a box', () => {
    const says = (taken: number, of: number) =>
      nextWinter(boxes(of), years(taken, of), [], TODAY).map((row) => [row.says, row.boxes])[0];
    expect(says(3, 4)).toEqual(['too few', 0]);
    expect(says(0, 3)).toEqual(['too few', 0]);
    expect(says(1, 30)).toEqual(['elsewhere', 0]);
    expect(says(9, 20)).toEqual(['as many', 0]);
    // Four of four reach over a half only just: 0.51 is the low end of Wilson's interval.
    expect(says(4, 4)).toEqual(['more', 1]);
  });

  test('only the last season that is over counts, and in it only boxes that somebody looked into', () => {
    const unseen = Array.from({ length: 10 }, () => year(false, { visits: 0 }));
    const before = Array.from({ length: 12 }, () => year(true, { year: 2025 }));
    const seasonAt = (today: string) =>
      nextWinter(boxes(20), [...years(5, 20), ...unseen, ...before], [], today)[0]?.season;
    expect(seasonAt(TODAY)).toMatchObject({ year: 2026, taken: { of: 5, hung: 20 } });
    expect(seasonAt('2026-06-01')).toMatchObject({ year: 2025, taken: { of: 12, hung: 12 } });
    expect(nextWinter(boxes(3), unseen, [], TODAY)[0]?.season).toBeNull();
  });

  test('a box that came down long ago, or never hung, is neither hung nor lost; a wish for no animal of the trail has a row of its own', () => {
    const all = [box({ takenDownOn: '2024-05-01' }), box({ hungOn: null }), box()];
    const asked = [
      { animal: 'eastern-bluebird', count: 4, by: null },
      { animal: null, count: 1, by: null },
    ];
    const rows = nextWinter(all, [], asked, TODAY);
    expect(rows.map(({ animal, hung, lost, boxes: build }) => [animal, hung, lost, build])).toEqual(
      [
        ['eastern-bluebird', 0, 0, 4],
        [null, 0, 0, 1],
        [swallow, 1, 0, 0],
      ],
    );
    expect(rows[0]?.plan).toBeNull();
    expect(rows[0]?.upBy).toMatch(/^2027-/);
    expect(rows[1]?.upBy).toBeNull();
  });
});
