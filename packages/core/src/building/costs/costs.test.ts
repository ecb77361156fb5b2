import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { startFor } from '../../../test/plans.js';
import { ANIMALS } from '../../animals/index.js';
import { buildBox, FAMILIES, familyById } from '../../families/index.js';
import { at, must, sum } from '../../lists/index.js';
import { fastenerById, type PanelSet } from '../../panels/index.js';
import { type BoxPlan, UNKNOWN_PLACE } from '../../plan/index.js';
import { plainText } from '../../text/index.js';
import { bodiesOf } from '../bodies.js';
import { drivenFasteners } from '../driven.js';
import { hardwareOf } from '../hardware/hardware-of.js';
import { planBuild } from '../plan-build.js';
import { batchCost } from './batch-cost.js';
import { backFrom, daysAfter, daysBetween, nextUpBy, onFrom } from './calendar.js';
import { type Need, needsOf } from './needs.js';
import { standIns } from './stand-ins.js';
import { metalDoubt, type Supply } from './supplies.js';

const boxed = (id: string): { plan: BoxPlan; box: PanelSet } => {
  const plan = startFor(must(familyById(id), id));
  const built = buildBox(plan);
  if (!built.ok) throw new Error(id);
  return { plan, box: built.box };
};
const supply = (item: string, more: Partial<Supply> = {}): Supply => ({
  item,
  name: item,
  unit: 'pieces',
  drive: '',
  weather: null,
  count: 0,
  pack: null,
  price: null,
  ...more,
});
function needs(id: string, boxes: number, supplies: readonly Supply[]): Need[] {
  const { plan, box } = boxed(id);
  return needsOf(hardwareOf(plan, box), boxes, planBuild(plan, box, boxes).hardware, supplies);
}

describe('what a batch takes from the shop', () => {
  test.each(FAMILIES.map(({ id }) => [id] as const))(
    '%s: every line of the hardware is asked for once, its amount for all boxes',
    (id) => {
      const { plan, box } = boxed(id);
      const lines = hardwareOf(plan, box);
      const found = needsOf(lines, 7, planBuild(plan, box, 7).hardware, []);
      expect(new Set(found.map(({ item }) => item)).size).toBe(found.length);
      const pieces = (each: { unit: string }) => each.unit === 'pieces';
      expect(sum(found.filter(pieces).map(({ amount }) => amount))).toBe(
        7 * sum(lines.filter(pieces).map(({ quantity }) => quantity)),
      );
      // Nothing is told of what nobody has told.
      for (const { short, packs, share, whole } of found)
        expect([short, packs, share, whole]).toEqual([null, null, null, null]);
    },
  );

  test('a worked example: 100 screws a pack at 6.00, 30 there', () => {
    const [screws] = needs('slant-roof', 6, []).filter(({ item }) => /^screw-/.test(item));
    const { item, amount, spare } = must(screws, 'screws');
    const told = needs('slant-roof', 6, [supply(item, { count: 30, pack: 100, price: 600 })]);
    const found = must(
      told.find((each) => each.item === item),
      item,
    );
    expect(found.short).toBe(amount + spare - 30);
    expect(found.packs).toBe(Math.ceil((amount + spare - 30) / 100));
    expect(found.share).toBe(Math.round(amount * 6));
    expect(found.whole).toBe(600 * Math.ceil((amount + spare - 30) / 100));
  });

  test('what has no price is named and left out of the sum; enough of it costs nothing to buy', () => {
    const all = needs('slant-roof', 2, []);
    const cost = batchCost({ share: 1000, whole: 1500 }, all, 2);
    expect(cost.unpriced.map(({ item }) => item)).toEqual(all.map(({ item }) => item));
    expect([cost.share, cost.whole, cost.eachBox]).toEqual([1000, 1500, 500]);
    const priced = needs(
      'slant-roof',
      2,
      all.map(({ item }) => supply(item, { count: 1e6, pack: 10, price: 100 })),
    );
    const paid = batchCost(null, priced, 2);
    expect(paid.unpriced).toEqual([]);
    expect(paid.whole).toBe(0);
    expect(paid.share).toBe(sum(priced.map(({ amount }) => Math.round(amount * 10))));
  });

  test('more boxes take no less, and what is there is bought less', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 0, max: 500 }),
        (boxes, count) => {
          const item = 'screw-4x40';
          const stock = [supply(item, { count, pack: 50, price: 300 })];
          const of = (n: number) => needs('square-cut', n, stock);
          const total = (found: Need[]) => sum(found.map(({ amount }) => amount));
          expect(total(of(boxes + 1))).toBeGreaterThan(total(of(boxes)));
          for (const { short, amount, spare } of of(boxes))
            if (short !== null) expect(short).toBe(Math.max(0, amount + spare - count));
        },
      ),
      { numRuns: 10 },
    );
  });
});

describe('what would do in place of a fastener', () => {
  test('only what is there in number, and what holds every joint: inside the wood, six diameters deep (ANSI/AWC NDS, 6D [M])', () => {
    let offered = 0;
    for (const { id } of FAMILIES) {
      const { plan, box } = boxed(id);
      const { hardware } = planBuild(plan, box, 1);
      const driven = drivenFasteners(box, bodiesOf(box));
      const everything = ['3x25', '3.5x30', '3.5x35', '4x40', '4x45', '4x50', '4.5x60'].map(
        (size) => supply(`screw-${size}`, { count: 500 }),
      );
      for (const { item, forAll } of hardware) {
        for (const { fastener } of standIns(item, forAll, box, everything)) {
          offered += 1;
          expect(fastener.id).not.toBe(item);
          for (const joint of driven.filter((each) => each.fastener.id === item)) {
            expect(fastener.length).toBeLessThanOrEqual(joint.thick + joint.behind - 3 * 320);
            expect(fastener.length - joint.thick).toBeGreaterThanOrEqual(6 * fastener.diameter);
          }
          expect(fastener.diameter).toBeLessThanOrEqual(must(fastenerById(item), item).diameter);
        }
        expect(standIns(item, 501, box, everything)).toEqual([]);
        expect(standIns(item, 1, box, [])).toEqual([]);
      }
    }
    expect(offered).toBeGreaterThan(5);
  });
});

test('bare steel outdoors is doubted, under cover it is not; an untold metal is asked for', () => {
  const place = (cover: 'outdoors' | 'under-cover' | null) => ({ ...UNKNOWN_PLACE, cover });
  const doubt = (weather: Supply['weather'], cover: 'outdoors' | 'under-cover' | null) =>
    metalDoubt({ item: 'screw-4x40', weather }, place(cover));
  expect(plainText(must(doubt('bare', 'outdoors'), 'doubt'))).toMatch(/rusts/);
  expect(doubt('bare', null)).not.toBeNull();
  expect(doubt('bare', 'under-cover')).toBeNull();
  expect(doubt('stainless', 'outdoors')).toBeNull();
  expect(plainText(must(doubt(null, 'outdoors'), 'doubt'))).toMatch(/nobody has said/);
  expect(metalDoubt({ item: 'Linseed oil', weather: null }, place('outdoors'))).toBeNull();
});

describe('the calendar of a batch', () => {
  const work = {
    sawMinutes: 150,
    buildMinutes: 240,
    finishMinutes: 30,
    dryHours: 48,
    sets: true,
    buys: true,
  };

  test('a worked example: up by the first of March, two hours a day', () => {
    // Hang 1 March; 48 h of drying: 27 and 28 February; 4.5 h of work: three days; 2.5 h at the saw: two; one to buy.
    expect(
      backFrom('2027-03-01', work, 120).map(({ stage, from, to }) => [stage, from, to]),
    ).toEqual([
      ['buy', '2027-02-21', '2027-02-21'],
      ['saw', '2027-02-22', '2027-02-23'],
      ['build', '2027-02-24', '2027-02-26'],
      ['dry', '2027-02-27', '2027-02-28'],
      ['hang', '2027-03-01', '2027-03-01'],
    ]);
  });

  test('begun on the day that it says to begin, it is ready on the day that it has to be; over leap days and years', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 2000 }),
        fc.integer({ min: 1, max: 5000 }),
        fc.integer({ min: 15, max: 600 }),
        fc.boolean(),
        (after, minutes, aDay, buys) => {
          const upBy = daysAfter('2026-01-01', after);
          const own = { ...work, buildMinutes: minutes, buys };
          const back = backFrom(upBy, own, aDay);
          const start = at(back, 0).from;
          const forth = onFrom(start, own, aDay);
          expect(forth.map(({ stage, from, to }) => [stage, from, to])).toEqual(
            back.map(({ stage, from, to }) => [stage, from, to]),
          );
          back.slice(1).forEach(({ from }, index) => {
            expect(daysBetween(at(back, index).to, from)).toBe(1);
          });
          const builds = back.filter(({ stage }) => stage === 'build');
          const days = sum(builds.map(({ from, to }) => daysBetween(from, to) + 1));
          expect(days * aDay).toBeGreaterThanOrEqual(minutes + 30);
          expect((days - 1) * aDay).toBeLessThan(minutes + 30);
        },
      ),
    );
  });

  test('every animal’s day is the next one, never one that is past; any time is no day', () => {
    for (const animal of ANIMALS) {
      const day = nextUpBy(animal, '2026-11-26');
      if (animal.readyBy.startsWith('any')) expect(day).toBeNull();
      else {
        expect(must(day, animal.id) >= '2026-11-26').toBe(true);
        expect(daysBetween('2026-11-26', must(day, animal.id))).toBeLessThan(366);
      }
    }
    expect(nextUpBy({ readyBy: 'early-march' }, '2026-11-26')).toBe('2027-03-01');
    expect(nextUpBy({ readyBy: 'mid-february' }, '2027-02-11')).toBe('2027-02-11');
    expect(nextUpBy({ readyBy: 'late-march' }, '2027-03-22')).toBe('2028-03-21');
    expect(nextUpBy({ readyBy: 'july' }, '2027-03-22')).toBe('2027-07-01');
  });
});
