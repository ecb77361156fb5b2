import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { startFor } from '../../test/plans.js';
import { FAMILIES } from '../families/index.js';
import { type Part, STANDARD_SAW, type Stock } from '../job/index.js';
import { checkLayout } from '../layout/index.js';
import { at, must, sum } from '../lists/index.js';
import { fromMm, type Ticks } from '../measure/index.js';
import { boundsOf } from '../plane/index.js';
import { bucketJob, bucketSteps, wantedOf } from './bucket.js';
import { couldBecome, panelsOn, scrapJob } from './could-become.js';
import { type KeptPlan, wantedPanels } from './wanted.js';

const plans: KeptPlan[] = FAMILIES.map((family, index) => ({
  batch: `batch-${index}`,
  name: family.id,
  plan: startFor(family),
  boxes: 2,
  isTaken: index % 3 === 2,
  ready: [],
}));
const { wanted } = wantedPanels(plans);
/** The thickness and the wood of most of them. */
const usual = at(
  wanted.filter(({ batchName }) => batchName === 'slant-roof').map(({ part }) => part),
  0,
);
const scrapOf = (length: number, width: number, more: Partial<Stock> = {}): Stock => ({
  id: 'scrap',
  quantity: 1,
  material: usual.materials?.[0] ?? 'pine',
  thickness: usual.thickness,
  width: fromMm(width),
  length: fromMm(length),
  faceA: 'rough',
  faceB: 'planed',
  price: null,
  offcut: true,
  grained: true,
  defects: [],
  ...more,
});
const sizeOf = ({ outline, underside }: Part): { long: Ticks; wide: Ticks } => {
  const [x0, y0, x1, y1] = boundsOf([...outline, ...underside]);
  return { long: x1 - x0, wide: y1 - y0 };
};

describe('what a scrap could become', () => {
  test('whatever it is, every answer is a layout that the checker finds nothing in', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 20, max: 900 }),
        fc.integer({ min: 20, max: 260 }),
        fc.option(
          fc.tuple(
            fc.double({ min: 0, max: 1, noNaN: true }),
            fc.double({ min: 0, max: 1, noNaN: true }),
          ),
        ),
        (length, width, knot) => {
          const scrap = scrapOf(length, width, {
            defects: knot
              ? [
                  {
                    kind: 'knot-loose',
                    zone: {
                      kind: 'circle',
                      centre: [fromMm(knot[0] * length), fromMm(knot[1] * width)],
                      radius: fromMm(8),
                    },
                  },
                ]
              : [],
          });
          for (const { wanted: of, copies, laid, share } of couldBecome(
            scrap,
            wanted,
            STANDARD_SAW,
          )) {
            const part = { ...of.part, materials: null };
            const job = scrapJob(part, copies, scrap, STANDARD_SAW);
            const layout = {
              boards: [laid],
              unplaced: [],
              cost: 0,
              lowerBound: 0,
              boundProof: 'area' as const,
              optimal: false,
              yield: 0,
              seconds: 0,
            };
            const rules = checkLayout(job, layout).filter(
              ({ rule }) => !['yield', 'bound', 'cost'].includes(String(rule)),
            );
            expect([of.name, rules.map((each) => String(each.rule))]).toEqual([of.name, []]);
            expect(laid.placements).toHaveLength(copies);
            expect(share).toBeLessThanOrEqual(1);
          }
        },
      ),
      { numRuns: 25 },
    );
  });

  test('a scrap as large as a panel becomes that panel, one a millimetre too narrow does not', () => {
    for (const { part, batch } of wanted.filter(
      (each) => each.part.thickness === usual.thickness,
    )) {
      const { long, wide } = sizeOf(part);
      const own = (width: Ticks) =>
        couldBecome(
          { ...scrapOf(1, 1), length: long, width, material: part.materials?.[0] ?? 'pine' },
          wanted.filter((each) => each.part === part),
          STANDARD_SAW,
        );
      const found = own(wide);
      expect([batch, part.id, found.length]).toEqual([batch, part.id, 1]);
      if (part.grain === 'along' && wide < long) expect(own(wide - fromMm(1))).toEqual([]);
    }
  });

  test('what is smaller than anything, or of another thickness, becomes nothing', () => {
    expect(couldBecome(scrapOf(6, 6), wanted, STANDARD_SAW)).toEqual([]);
    const thick = couldBecome(
      scrapOf(2000, 300, { thickness: usual.thickness + fromMm(30) }),
      wanted,
      STANDARD_SAW,
    );
    expect(thick).toEqual([]);
  });

  test('what is short comes first, then the plan’s own wood, then what leaves least', () => {
    const found = couldBecome(scrapOf(500, 160), wanted, STANDARD_SAW);
    expect(found.length).toBeGreaterThan(5);
    const ranks = found.map(({ wanted: { short }, isOtherWood, share }) => [
      short > 0 ? 0 : 1,
      isOtherWood ? 1 : 0,
      1 - share,
    ]);
    const sorted = [...ranks].sort(
      ([a = 0, b = 0, c = 0], [d = 0, e = 0, f = 0]) => a - d || b - e || c - f,
    );
    expect(ranks).toEqual(sorted);
    const oak = couldBecome(scrapOf(500, 160, { material: 'oak' }), wanted, STANDARD_SAW);
    expect(oak.every(({ isOtherWood }) => isOtherWood)).toBe(true);
  });
});

/** By hand: the largest panel first, into the first scrap with room, from a corner; what is right of it and above it is left. */
function firstFit(parts: readonly Part[], scraps: readonly Stock[], kerf: Ticks): number {
  const free = scraps.map(({ length, width }) => [{ length, width }]);
  const copies = parts
    .flatMap((part) => Array.from({ length: part.quantity }, () => part))
    .map((part) => ({ part, ...sizeOf(part) }))
    .sort((a, b) => b.long * b.wide - a.long * a.wide);
  let placed = 0;
  for (const { part, long, wide } of copies) {
    const index = scraps.findIndex(
      (scrap, each) =>
        Math.abs(scrap.thickness - part.thickness) <= 160 &&
        (part.materials?.includes(scrap.material) ?? true) &&
        at(free, each).some(({ length, width }) => long <= length && wide <= width),
    );
    if (index < 0) continue;
    const rooms = at(free, index);
    const which = rooms.findIndex(({ length, width }) => long <= length && wide <= width);
    const [room] = rooms.splice(which, 1);
    const { length, width } = must(room, 'room');
    rooms.push(
      { length: length - long - kerf, width },
      { length: long, width: width - wide - kerf },
    );
    placed += 1;
  }
  return placed;
}

describe('a bucket of scraps', () => {
  const slender = wanted.filter(({ batchName }) =>
    ['slant-roof', 'square-cut', 'open-front', 'ridge-roof'].includes(batchName),
  );
  const bucket = (seed: number): Stock[] => {
    let state = seed;
    const next = () => {
      state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
      return state / 2_147_483_648;
    };
    return Array.from({ length: 60 }, (_unused, index) => ({
      ...scrapOf(80 + 420 * next(), 60 + 140 * next()),
      id: `scrap-${index}`,
    }));
  };
  /** So many steps, the same on any machine. */
  const laidOut = (scraps: readonly Stock[]) => {
    const job = bucketJob(scraps, slender, STANDARD_SAW, 1);
    let asked = 0;
    const steps = bucketSteps(job, () => ++asked * 20);
    let step = steps.next();
    while (!step.done) step = steps.next();
    return { job, layout: step.value };
  };

  test.each([3, 11, 29])(
    'of 60 scraps gives no fewer panels than first fit by hand (draw %d)',
    (seed) => {
      const scraps = bucket(seed);
      const { job, layout } = laidOut(scraps);
      expect(checkLayout(job, layout)).toEqual([]);
      const placed = panelsOn(layout.boards);
      const asked = sum(job.parts.map(({ quantity }) => quantity));
      expect(placed + sum(layout.unplaced.map(({ count }) => count))).toBe(asked);
      expect(placed).toBeGreaterThanOrEqual(firstFit(job.parts, scraps, STANDARD_SAW.kerf));
      expect(placed).toBeGreaterThan(0);
    },
  );

  test('no panel of a batch whose boards are taken is asked for, and each is named with its batch', () => {
    const { job } = laidOut(bucket(5));
    const taken = new Set(plans.filter(({ isTaken }) => isTaken).map(({ batch }) => batch));
    expect(taken.size).toBeGreaterThan(0);
    for (const { id } of job.parts) {
      const { batch, panel } = wantedOf(id);
      expect(taken.has(batch)).toBe(false);
      expect(slender.some((each) => each.batch === batch && each.part.id === panel)).toBe(true);
    }
  });
});

test('a plan that gives no box is named, and the others are asked all the same', () => {
  const first = at(plans, 0);
  const broken = {
    ...first,
    name: 'broken',
    plan: { ...first.plan, sizes: { ...first.plan.sizes, width: 1 } },
  };
  const found = wantedPanels([broken, at(plans, 1)]);
  expect(found.broken).toEqual(['broken']);
  expect(new Set(found.wanted.map(({ batch }) => batch))).toEqual(new Set([at(plans, 1).batch]));
});
