import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { ANIMALS, animalById } from '../animals/index.js';
import { daysAfter, daysBetween } from '../building/index.js';
import { at, must, sum } from '../lists/index.js';
import { plainText } from '../text/index.js';
import { boxYears, type SeenYear } from './box-years.js';
import { broodOf } from './broods.js';
import { findingsFor, type Stop, whatToCarry } from './carry.js';
import { firstOpen, isClosed, nextVisit, seasonAt } from './due.js';
import { flatPlan, metresBetween, tooNear } from './near.js';
import { type BoxYear, seasonBy, shareOf } from './season.js';
import { FINDINGS, type Visit } from './trail.js';

const hung = (animal: string | null, hungOn = '2027-02-20') => ({
  animal,
  hungOn,
  takenDownOn: null,
});
const seen = (on: string, found: Visit['found'], more: Partial<Visit> = {}): Visit => ({
  on,
  found,
  eggs: null,
  young: null,
  fledged: null,
  cleaned: false,
  wants: '',
  guest: '',
  by: '',
  note: '',
  ...more,
});
const after = (
  animal: string,
  last: Visit,
  cleanedOn: string | null = null,
  closed = [] as { from: string; to: string }[],
) => nextVisit(hung(animal), { last, cleanedOn }, closed, last.on);

describe('when a box is visited next', () => {
  test('the first time within a week, whoever it is for; never where it hangs nowhere', () => {
    for (const animal of [null, 'black-capped-chickadee', 'crevice-bats-na'])
      expect(
        nextVisit(hung(animal), { last: null, cleanedOn: null }, [], '2027-03-01'),
      ).toMatchObject({
        on: '2027-02-27',
        kind: 'first',
      });
    const down = { ...hung('tree-swallow'), takenDownOn: '2027-03-01' };
    expect(nextVisit(down, { last: null, cleanedOn: null }, [], '2027-03-01')).toBeNull();
    expect(
      nextVisit({ ...down, hungOn: null }, { last: null, cleanedOn: null }, [], '2027-03-01'),
    ).toBeNull();
    // Without an animal there is no calendar.
    expect(
      nextVisit(
        hung(null),
        { last: seen('2027-02-27', 'empty'), cleanedOn: null },
        [],
        '2027-03-01',
      ),
    ).toBeNull();
  });

  test('never near the day of flying: after young it is left alone until they are gone', () => {
    for (const { id } of ANIMALS) {
      const brood = broodOf(id);
      if (!brood) continue;
      fc.assert(
        fc.property(fc.integer({ min: 0, max: 364 }), (day) => {
          const on = daysAfter('2027-01-01', day);
          const next = must(after(id, seen(on, 'young')), 'a visit');
          expect(next.kind).toBe('flown');
          expect(daysBetween(on, next.on)).toBeGreaterThan(brood.young);
          expect(next.alone).toBe(next.on);
        }),
        { numRuns: 10 },
      );
    }
  });

  test('after eggs it is looked into while the young are small, or not before the last have flown', () => {
    for (const { id } of ANIMALS) {
      const brood = broodOf(id);
      if (!brood) continue;
      const { eggs, young } = brood;
      const on = '2027-04-10';
      const visited = { last: seen(on, 'eggs'), cleanedOn: null };
      for (let days = 0; days < eggs + young; days += 1) {
        const today = daysAfter(on, days);
        const next = must(nextVisit(hung(id), visited, [], today), 'a visit');
        // In another season it is cleaned, not looked into.
        if (next.kind === 'clean' || next.kind === 'look') continue;
        // Young that hatched on the day of the visit are so old when it is opened.
        const oldest = daysBetween(on, next.on);
        if (next.alone === null) {
          expect([id, oldest <= young / 2, oldest >= 1]).toEqual([id, true, true]);
          expect([id, days <= (2 * young) / 3]).toEqual([id, true]);
        } else expect([id, oldest > eggs + young, next.alone]).toEqual([id, true, next.on]);
      }
    }
  });

  test('every bird of the table has figures for its brood, and no bat has: its box is not opened', () => {
    for (const { id, family } of ANIMALS) {
      expect([id, broodOf(id) === null]).toEqual([id, family === 'bat']);
      if (family !== 'bat') continue;
      for (const found of FINDINGS)
        expect(after(id, seen('2027-06-01', found))?.kind).toBe('below');
    }
  });

  test('below a bat box somebody looks in the warm months, north and south', () => {
    const next = (animal: string, on: string) => after(animal, seen(on, 'not-opened'))?.on;
    expect(next('crevice-bats-na', '2027-06-01')).toBe('2027-07-31');
    expect(next('crevice-bats-na', '2027-09-01')).toBe('2028-05-01');
    expect(next('microbats-au', '2027-03-15')).toBe('2027-11-01');
    const visited = { last: seen('2027-06-01', 'not-opened'), cleanedOn: null };
    const missed = (today: string) => nextVisit(hung('crevice-bats-na'), visited, [], today)?.on;
    expect([missed('2027-09-01'), missed('2027-11-27')]).toEqual(['2027-07-31', '2028-05-01']);
  });

  test('in the season every two weeks, after eggs when they hatch, a second brood where it is usual', () => {
    const bluebird = 'eastern-bluebird';
    expect(after(bluebird, seen('2027-04-10', 'empty'))).toMatchObject({ on: '2027-04-24' });
    expect(after(bluebird, seen('2027-04-10', 'eggs'))).toMatchObject({
      on: '2027-04-19',
      kind: 'hatched',
    });
    expect(after(bluebird, seen('2027-05-20', 'fledged'))).toMatchObject({
      on: '2027-06-03',
      kind: 'look',
    });
    const swallow = must(after('tree-swallow', seen('2027-06-20', 'fledged')), 'a visit');
    expect(swallow.kind).toBe('clean');
  });

  test('cleaned once between two seasons, in no closed time; what is clean waits for the season', () => {
    const chickadee = 'black-capped-chickadee';
    const winter = must(after(chickadee, seen('2027-10-02', 'empty')), 'a visit');
    expect(winter).toMatchObject({ kind: 'clean', on: '2028-02-02' });
    const closed = [{ from: '01-20', to: '02-20' }];
    expect(after(chickadee, seen('2027-10-02', 'empty'), null, closed)?.on).toBe('2028-02-21');
    const done = after(chickadee, seen('2027-10-02', 'empty'), '2027-10-02');
    expect(done).toMatchObject({ kind: 'look', on: '2028-03-01' });
    expect(
      after(chickadee, seen('2027-10-02', 'empty'), null, [{ from: '01-01', to: '12-31' }]),
    ).toBeNull();
  });

  test('whatever was found, the next visit comes after this one, says why, and is never cleaning in a closed time', () => {
    const closed = [{ from: '11-15', to: '02-10' }];
    fc.assert(
      fc.property(
        fc.constantFrom(...ANIMALS.map(({ id }) => id)),
        fc.constantFrom(...FINDINGS),
        fc.integer({ min: 0, max: 700 }),
        fc.option(fc.integer({ min: 0, max: 700 })),
        (animal, found, day, cleaned) => {
          const on = daysAfter('2027-02-20', day);
          const cleanedOn = cleaned === null ? null : daysAfter('2026-06-01', cleaned);
          const next = after(animal, seen(on, found), cleanedOn, closed);
          if (!next) return;
          expect(next.on >= on).toBe(true);
          expect(plainText(next.why).length).toBeGreaterThan(10);
          if (next.kind === 'clean') expect(isClosed(next.on, closed)).toBe(false);
          expect(daysBetween(on, next.on)).toBeLessThan(430);
        },
      ),
    );
  });

  test('a season that went by unseen is not made up for: the box is cleaned for the next', () => {
    for (const found of ['empty', 'nest', 'eggs', 'young', 'unwanted'] as const) {
      const visited = { last: seen('2027-04-10', found), cleanedOn: null };
      const box = hung('black-capped-chickadee');
      expect(nextVisit(box, visited, [], '2027-11-27')).toMatchObject({
        kind: 'clean',
        on: '2028-02-02',
      });
      expect(nextVisit(box, visited, [], '2027-04-20')?.kind).not.toBe('clean');
    }
  });

  test('a closed time may go over new year; a season goes over it where the animal’s does', () => {
    const closed = [{ from: '11-01', to: '02-28' }];
    expect(
      ['2027-10-31', '2027-11-01', '2028-01-15', '2028-03-01'].map((day) => isClosed(day, closed)),
    ).toEqual([false, true, true, false]);
    expect(firstOpen('2027-12-24', closed)).toBe('2028-02-29');
    const owl = must(animalById('barred-owl'), 'the owl');
    expect(seasonAt(owl, '2027-03-01')).toEqual({ from: '2027-01-01', to: '2027-05-31' });
    expect(seasonAt(owl, '2027-07-01')?.from).toBe('2028-01-01');
    expect(seasonAt(must(animalById('microbats-au'), 'bats'), '2027-07-01')).toBeNull();
  });
});

describe('what to carry', () => {
  const stop = (number: number, height: number | null, kind: Stop['kind'], wants = '') => ({
    box: { number, height: height === null ? null : height * 320_000, animal: null },
    kind,
    wants,
  });
  const carried = (...stops: Stop[]) => whatToCarry(stops).map(plainText).join(' ');

  test('a ladder for what is out of reach and opened, for nothing else; what is unknown is named', () => {
    const said = carried(
      stop(1, 1.5, 'look'),
      stop(2, 4, 'look'),
      stop(3, 5, 'below'),
      stop(4, null, 'look'),
    );
    expect(said).toContain('ladder for box 2, up to');
    expect(said).toContain('two people');
    expect(said).toContain('whether a ladder is wanted: 4');
    expect(carried(stop(1, 1.5, 'look'))).not.toContain('adder');
    expect(whatToCarry([])).toEqual([]);
  });

  test('what is to be cleaned and mended stands with its boxes', () => {
    const said = carried(stop(7, 1, 'clean', 'roof split'), stop(8, 1, 'first'));
    expect(said).toContain('clean box 7');
    expect(said).toContain('box 7, roof split');
    expect(said).toContain('fixings for box 8');
  });

  test('a bat box is not opened: nothing else can be found in it', () => {
    expect(findingsFor('crevice-bats-na')).not.toContain('eggs');
    expect(findingsFor('tree-swallow')).toContain('eggs');
  });
});

describe('the years of a box', () => {
  const box = {
    animal: 'tree-swallow',
    plan: '',
    place: '',
    facing: null,
    height: 700_000,
    hungOn: '2025-03-01',
    takenDownOn: null,
  };
  const seenIn = (year: number, livedIn: boolean) => ({
    year,
    visits: 2,
    livedIn,
    eggs: 1,
    young: 0,
    fledged: 0,
  });
  const years = (of: object, ...seen: SeenYear[]) =>
    boxYears({ ...box, ...of }, seen, 2027).map(({ year, visits }) => [year, visits]);

  test('go from the first season it hung for to this one, seen or not', () => {
    expect(years({}, seenIn(2026, true))).toEqual([
      [2025, 0],
      [2026, 2],
      [2027, 0],
    ]);
    expect(years({ hungOn: '2025-08-01' })).toEqual([
      [2026, 0],
      [2027, 0],
    ]);
    expect(years({ hungOn: '2025-08-01', animal: 'eastern-rosella' })).toHaveLength(3);
    expect(years({ takenDownOn: '2025-10-01' })).toEqual([[2025, 0]]);
    expect(boxYears(box, [], 2025)).toMatchObject([{ height: 2, year: 2025 }]);
  });

  test('which years count never hangs on what was found', () => {
    expect(years({ hungOn: null }, seenIn(2024, true), seenIn(2025, false))).toEqual([
      [2024, 2],
      [2025, 2],
    ]);
    const either = [true, false].map((livedIn) => [
      years({}, seenIn(2023, livedIn)),
      years({ takenDownOn: '2025-10-01' }, seenIn(2026, livedIn)),
      years({ hungOn: '2025-08-01' }, seenIn(2025, livedIn)),
    ]);
    expect(either[0]).toEqual(either[1]);
    expect(years({ takenDownOn: '2025-10-01' }, seenIn(2026, true))).toEqual([[2025, 0]]);
  });
});

describe('distances', () => {
  test('a degree along a great circle is 111.195 km on the mean sphere; the corners of a worked example agree', () => {
    const degree = metresBetween({ latitude: 10, longitude: 7 }, { latitude: 11, longitude: 7 });
    expect(degree).toBeCloseTo((6_371_008.8 * Math.PI) / 180, 3);
    // Nashville to Los Angeles airport, the worked example of the haversine formula that is handed on: 2887.26 km on a sphere of 6372.8 km.
    const example = metresBetween(
      { latitude: 36.12, longitude: -86.67 },
      { latitude: 33.94, longitude: -118.4 },
    );
    expect((example * 6372.8) / 6371.0088 / 1000).toBeCloseTo(2887.26, 2);
  });

  test('boxes of one kind nearer than their figure are named, all pairs and no other, as counted one by one', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(0, 46, -37, 69),
        fc.constantFrom(0, 8.5, -179.99995),
        fc.array(
          fc.tuple(
            fc.double({ min: -0.004, max: 0.004, noNaN: true }),
            fc.double({ min: -0.004, max: 0.004, noNaN: true }),
            fc.constantFrom('black-capped-chickadee', 'house-wren', 'purple-martin', null),
          ),
          { maxLength: 30 },
        ),
        (latitude, longitude, places) => {
          const boxes = places.map(([up, right, animal]) => ({
            animal,
            takenDownOn: null,
            at: { latitude: latitude + up, longitude: longitude + Math.abs(right) },
          }));
          const byHand = boxes.flatMap((a, index) =>
            boxes.slice(index + 1).flatMap((b, step) => {
              const wanted = animalById(a.animal ?? '')?.spacing ?? 0;
              return a.animal === b.animal && metresBetween(a.at, b.at) < wanted
                ? [`${index} ${index + 1 + step}`]
                : [];
            }),
          );
          expect(
            tooNear(boxes)
              .map(({ boxes: pair }) => pair.join(' '))
              .sort(),
          ).toEqual(byHand.sort());
        },
      ),
    );
  });
});

describe('a flat plan', () => {
  test('keeps distances to a thousandth over ten kilometres, north up and east right', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -60, max: 60, noNaN: true }),
        fc.double({ min: -179, max: 179, noNaN: true }),
        fc.array(
          fc.tuple(
            fc.double({ min: -0.04, max: 0.04, noNaN: true }),
            fc.double({ min: -0.04, max: 0.04, noNaN: true }),
          ),
          { minLength: 2, maxLength: 8 },
        ),
        (latitude, longitude, steps) => {
          const places = steps.map(([up, right]) => ({
            latitude: latitude + up,
            longitude: longitude + right,
          }));
          const plan = flatPlan(places);
          places.forEach((a, i) => {
            places.forEach((b, j) => {
              const [one, other] = [at(plan, i), at(plan, j)];
              const flat = Math.hypot(one.north - other.north, one.east - other.east);
              expect(Math.abs(flat - metresBetween(a, b))).toBeLessThan(0.01 + 0.002 * flat);
              if (a.latitude > b.latitude) expect(one.north).toBeGreaterThanOrEqual(other.north);
              if (a.longitude > b.longitude) expect(one.east).toBeGreaterThanOrEqual(other.east);
            });
          });
        },
      ),
    );
    expect(flatPlan([])).toEqual([]);
  });
});

describe('a season', () => {
  test.each([
    [81, 263, 0.2553, 0.3662],
    [15, 148, 0.0624, 0.1605],
    [0, 20, 0, 0.1611],
    [1, 29, 0.0061, 0.1718],
  ])(
    '%d of %d: the interval of R. G. Newcombe, Statist. Med. 17 (1998), table I, method 3',
    (of, hung, low, high) => {
      const share = shareOf(of, hung);
      expect(share.low).toBeCloseTo(low, 4);
      expect(share.high).toBeCloseTo(high, 4);
    },
  );

  const year = (more: Partial<BoxYear>): BoxYear => ({
    year: 2027,
    animal: 'tree-swallow',
    plan: 'swallows',
    place: '',
    facing: 'east',
    height: 1,
    visits: 3,
    livedIn: false,
    eggs: 0,
    young: 0,
    fledged: 0,
    ...more,
  });

  test('what nobody looked into is counted apart, not as empty; what nobody said stands under nothing', () => {
    const rows = seasonBy(
      [year({ livedIn: true, fledged: 4 }), year({}), year({ visits: 0 }), year({ facing: null })],
      'facing',
    );
    expect(
      rows.map(({ key, taken, unseen, fledged }) => [key, taken.of, taken.hung, unseen, fledged]),
    ).toEqual([
      ['east', 1, 2, 1, 4],
      [null, 0, 1, 0, 0],
    ]);
    expect(seasonBy([year({})], 'place').map(({ key }) => key)).toEqual([null]);
  });

  test('by whatever they are grouped, boxes, eggs and young add up; years stand in order', () => {
    const any = fc.record({
      year: fc.integer({ min: 2020, max: 2026 }),
      facing: fc.constantFrom('east', 'west', null),
      visits: fc.nat(2),
      livedIn: fc.boolean(),
      young: fc.nat(9),
    });
    fc.assert(
      fc.property(fc.array(any), fc.constantFrom('year', 'facing', 'plan'), (some, by) => {
        const years = some.map(year);
        const rows = seasonBy(years, by as 'year');
        expect(sum(rows.map(({ taken, unseen }) => taken.hung + unseen))).toBe(years.length);
        expect(sum(rows.map(({ young }) => young))).toBe(
          sum(years.filter(({ visits }) => visits > 0).map(({ young }) => young)),
        );
        if (by === 'year')
          expect(rows.map(({ key }) => key)).toEqual(
            [...rows.map(({ key }) => Number(key))].sort((a, b) => a - b),
          );
        for (const { taken } of rows) {
          expect(taken.low).toBeLessThanOrEqual(taken.share + 1e-12);
          expect(taken.high).toBeGreaterThanOrEqual(taken.share - 1e-12);
        }
      }),
    );
    expect(at(seasonBy([year({})], 'year'), 0).key).toBe(2027);
  });
});
