import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { stepClock } from '../../../test/clock.js';
import {
  board,
  circle,
  job,
  knot,
  part,
  placed,
  points,
  rectangle,
} from '../../../test/layouts.js';
import type { LayoutJob, Part, Stock } from '../../job/index.js';
import { at, must } from '../../lists/index.js';
import { fromMm, toMm } from '../../measure/index.js';
import { type Point, zoneBounds } from '../../plane/index.js';
import { plainText } from '../../text/index.js';
import { checkLayout } from '../checker/check.js';
import type { Layout } from '../layout.js';
import { searchLayout } from './search.js';

const run = (of: LayoutJob): Layout =>
  searchLayout(of, { clock: stepClock(of.effort.seconds, 100) });
const valid = (of: LayoutJob): Layout => {
  const found = run(of);
  expect(checkLayout(of, found)).toEqual([]);
  return found;
};

const millimetres = (least: number, greatest: number) =>
  fc.integer({ min: least * 10, max: greatest * 10 }).map((tenths) => tenths / 10);

/** Panels as boxes have them: rectangles, sloped sides, bevelled fronts and roofs, clipped floors; some with an entrance. */
const anyPart = (id: string): fc.Arbitrary<Part> =>
  fc
    .record({
      length: millimetres(60, 400),
      width: millimetres(40, 200),
      shape: fc.constantFrom('plain', 'sloped', 'bevelled', 'parallel', 'clipped'),
      lean: millimetres(1, 15),
      quantity: fc.integer({ min: 1, max: 6 }),
      grain: fc.constantFrom('along', 'any') as fc.Arbitrary<'along' | 'any'>,
      inside: fc.constantFrom('any', 'rough') as fc.Arbitrary<'any' | 'rough'>,
      knots: fc.constantFrom('none', 'sound') as fc.Arbitrary<'none' | 'sound'>,
      hole: fc.boolean(),
    })
    .map(({ length: l, width: w, shape, lean, quantity, grain, inside, knots, hole }) => {
      const faces: Record<string, readonly [Point[], Point[]]> = {
        plain: [rectangle(l, w), rectangle(l, w)],
        sloped: [
          points([0, 0], [l, 0], [l - lean, w], [0, w]),
          points([0, 0], [l, 0], [l - lean, w], [0, w]),
        ],
        bevelled: [rectangle(l, w), points([0, 0], [l + lean / 2, 0], [l + lean / 2, w], [0, w])],
        parallel: [
          points([0, 0], [l, 0], [l, w], [0, w]),
          points([lean / 2, 0], [l + lean / 2, 0], [l + lean / 2, w], [lean / 2, w]),
        ],
        clipped: [lean, lean]
          .slice(0, 1)
          .map((c) =>
            points([c, 0], [l - c, 0], [l, c], [l, w - c], [l - c, w], [c, w], [0, w - c], [0, c]),
          )
          .flatMap((p) => [p, p]) as [Point[], Point[]],
      };
      const [outline, underside] = must(faces[shape], `${shape}`);
      const zones = hole
        ? { clear: [circle(l / 2, w / 2, 25)], cutAway: [circle(l / 2, w / 2, 14)] }
        : {};
      return part(id, outline, { underside, quantity, grain, inside, knots, ...zones });
    });

const anyStock = (id: string): fc.Arbitrary<Stock> =>
  fc
    .record({
      length: millimetres(400, 2000),
      // Boards, and now and then a sheet.
      width: fc.oneof(
        { weight: 4, arbitrary: millimetres(90, 250) },
        { weight: 1, arbitrary: millimetres(400, 1220) },
      ),
      quantity: fc.integer({ min: 1, max: 4 }),
      faceB: fc.constantFrom('rough', 'planed') as fc.Arbitrary<'rough' | 'planed'>,
      price: fc.integer({ min: 100, max: 900 }),
      offcut: fc.boolean(),
      defects: fc.array(
        fc.tuple(
          fc.double({ min: 0, max: 1, noNaN: true }),
          fc.double({ min: 0, max: 1, noNaN: true }),
          millimetres(2, 20),
          fc.constantFrom('knot-sound', 'knot-loose', 'split', 'nail'),
        ),
        { maxLength: 4 },
      ),
    })
    .map(({ length, width, defects, price, offcut, ...more }) =>
      board(length, width, {
        ...more,
        id,
        offcut,
        price: offcut ? null : price,
        defects: defects.map(([x, y, radius, kind]) =>
          knot(x * length, y * width, radius, kind as 'nail'),
        ),
      }),
    );

const anyJob = fc
  .record({
    parts: fc.tuple(anyPart('a'), anyPart('b'), anyPart('c')),
    stock: fc.tuple(anyStock('s'), anyStock('t')),
    rip: fc.boolean(),
    kerf: fc.constantFrom(0, 1.5, 3.2),
    endTrim: fc.constantFrom(0, 10),
    maxMitre: fc.constantFrom(5, 50),
    maxTilt: fc.constantFrom(0, 45),
  })
  .map(({ parts, stock, kerf, endTrim, ...saw }) =>
    job(parts, stock, { ...saw, kerf: fromMm(kerf), endTrim: fromMm(endTrim) }, 0.05),
  );

describe('any job', () => {
  test('gets a layout that breaks no rule and costs no less than the bound', () => {
    fc.assert(
      fc.property(anyJob, (of) => {
        const found = run(of);
        expect(checkLayout(of, found)).toEqual([]);
        expect(found.lowerBound).toBeLessThanOrEqual(found.cost);
        if (found.optimal) expect(found.cost).toBe(found.lowerBound);
        expect(found.yield).toBeLessThanOrEqual(1 + 1e-6);
        for (const laid of found.boards) {
          const hard = must(
            of.stock.find((each) => each.id === laid.stock),
            'one of the stock',
          ).defects.filter((defect) => defect.kind !== 'knot-sound');
          for (const { x, y, length, width } of laid.offcuts) {
            const met = hard
              .map((defect) => zoneBounds(defect.zone))
              .filter(
                ([left, bottom, right, top]) =>
                  left < x + length - 1 && right > x + 1 && bottom < y + width - 1 && top > y + 1,
              );
            expect(met).toEqual([]);
          }
        }
      }),
      { numRuns: 60 },
    );
  });

  test('gets back pinned pieces unchanged, the rest laid round them', () => {
    fc.assert(
      fc.property(millimetres(0, 300), fc.boolean(), (x, flipped) => {
        const of = job(
          [
            part('a', points([0, 0], [150, 0], [140, 100], [0, 100]), { quantity: 4 }),
            part('b', rectangle(90, 60), { quantity: 3 }),
          ],
          [board(700, 100, { quantity: 3 })],
        );
        const pin = { ...placed('a', x, 0, { copy: 2, flipped }), stock: 'board', piece: 1 };
        const found = valid({ ...of, pinned: [pin] });
        expect(found.unplaced).toEqual([]);
        expect(found.boards.find((each) => each.piece === 1)?.placements).toContainEqual(
          placed('a', x, 0, { copy: 2, flipped }),
        );
      }),
      { numRuns: 12 },
    );
  });
});

describe('saving wood', () => {
  test('eight pieces of 11 7/8 in and seven kerfs of 1/8 in fit a 96 in board, proven', () => {
    const inch = 25.4;
    const found = valid(
      job(
        [part('a', rectangle(11.875 * inch, 100), { quantity: 8 })],
        [board(96 * inch, 100, { quantity: 3 })],
        { kerf: fromMm(3.175) },
      ),
    );
    expect(found).toMatchObject({ cost: 100, lowerBound: 100, optimal: true, unplaced: [] });
    const one = valid(
      job(
        [part('a', rectangle(12 * inch, 100), { quantity: 8 })],
        [board(96 * inch, 100, { quantity: 3 })],
        { kerf: fromMm(3.175) },
      ),
    );
    expect(one).toMatchObject({ cost: 200, optimal: true });
  });

  test('sloped sides lie head to tail: four of 260/235 fit where four of 260 do not', () => {
    const side = part('side', points([0, 0], [260, 0], [235, 140], [0, 140]), { quantity: 4 });
    const pair = 495 + 3 / Math.cos(Math.atan(25 / 140));
    const found = valid(job([side], [board(2 * pair + 3.05, 140, { quantity: 2 })]));
    expect(found.boards).toHaveLength(1);
    expect(valid(job([side], [board(2 * pair + 2.9, 140, { quantity: 2 })])).boards).toHaveLength(
      2,
    );
  });

  test('left and right sides share a slope only when the faces let one of them be turned over', () => {
    const left = part('left', points([0, 0], [260, 0], [235, 140], [0, 140]), { inside: 'rough' });
    const right = part('right', points([0, 0], [235, 0], [260, 140], [0, 140]), {
      inside: 'rough',
    });
    const length = 495 + 3 / Math.cos(Math.atan(25 / 140)) + 0.05;
    expect(valid(job([left, right], [board(length, 140, { quantity: 2 })])).boards).toHaveLength(1);
    expect(
      valid(job([left, right], [board(length, 140, { quantity: 2, faceA: 'planed' })])).boards,
    ).toHaveLength(2);
  });

  test('a roof bevelled alike at both ends shares one tilted cut with the next', () => {
    const lean = 16 * Math.tan((20 * Math.PI) / 180);
    const roof = part('roof', rectangle(200, 140), {
      quantity: 3,
      knots: 'none',
      underside: points([lean, 0], [200 + lean, 0], [200 + lean, 140], [lean, 140]),
    });
    const length = 3 * 200 + lean + (2 * 3) / Math.cos((20 * Math.PI) / 180) + 0.02;
    expect(valid(job([roof], [board(length, 140, { quantity: 2 })])).boards).toHaveLength(1);
  });

  test('a knot where the entrance will be is sawn out with it', () => {
    const front = part('front', rectangle(230, 108), {
      clear: [circle(160, 54, 28)],
      cutAway: [circle(160, 54, 16)],
    });
    const found = valid(
      job([front], [board(260, 108, { defects: [knot(165, 54, 12, 'knot-loose')] })]),
    );
    expect(found.unplaced).toEqual([]);
    expect(toMm(at(at(found.boards, 0).placements, 0).x)).toBeCloseTo(5, 1);
  });

  test('offcuts are spent before boards are bought, and the cheaper of two boards that do', () => {
    const of = job(
      [part('a', rectangle(200, 100), { quantity: 2 })],
      [
        board(900, 100, { id: 'dear', price: 900 }),
        board(450, 100, { id: 'cheap', price: 300 }),
        board(210, 100, { id: 'scrap', price: null, offcut: true }),
      ],
    );
    const found = valid(of);
    expect(found.boards.map((each) => each.stock).sort()).toEqual(['cheap', 'scrap']);
    expect(found.cost).toBe(300);
  });

  test('what is left and large enough goes back to the rack', () => {
    const found = valid(job([part('a', rectangle(200, 100))], [board(900, 100)]));
    const [kept] = at(found.boards, 0).offcuts;
    expect(toMm(must(kept, 'kept').length)).toBeCloseTo(697, 1);
    expect(found.yield).toBeCloseTo(200 / 203, 2);
  });
});

test('a leftover goes back to the rack without the split at its end', () => {
  const split = {
    kind: 'split',
    zone: {
      kind: 'rect',
      corner: [fromMm(820), fromMm(30)],
      width: fromMm(80),
      height: fromMm(20),
    },
  } as const;
  const found = valid(
    job([part('a', rectangle(200, 100))], [board(900, 100, { defects: [split] })]),
  );
  const [kept] = at(found.boards, 0).offcuts;
  expect([toMm(must(kept, 'kept').x), toMm(must(kept, 'kept').length)]).toEqual([203, 617]);
});

test('beside a corner that is gone both what lies before it and what lies over it go back, a kerf apart', () => {
  const gone = {
    kind: 'hole',
    zone: { kind: 'rect', corner: [fromMm(700), 0], width: fromMm(200), height: fromMm(150) },
  } as const;
  const found = valid(
    job([part('a', rectangle(200, 400))], [board(900, 400, { defects: [gone] })]),
  );
  const kept = at(found.boards, 0).offcuts.map(({ x, y, length, width }) =>
    [x, y, length, width].map(toMm),
  );
  // Full length over the corner, and the strip beside the corner under it.
  expect(kept).toContainEqual([203, 150, 697, 250]);
  expect(kept).toContainEqual([203, 0, 497, 147]);
  expect(kept).toHaveLength(2);
});

describe('what cannot be placed', () => {
  test.each([
    [
      job([part('a', rectangle(100, 165))], [board(900, 140)]),
      'wider than any board: 165 mm against 140 mm',
    ],
    [job([part('a', rectangle(1000, 100))], [board(900, 140)]), 'longer than any board'],
    [job([part('a', rectangle(100, 100))], []), 'there are no boards'],
    [
      job([part('a', rectangle(100, 100), { thickness: fromMm(19) })], [board(900, 140)]),
      'no board is 19 mm thick',
    ],
    [job([part('a', rectangle(100, 100), { materials: ['oak'] })], [board(900, 140)]), 'of oak'],
    [
      job(
        [part('a', rectangle(100, 100), { inside: 'rough' })],
        [board(900, 140, { faceA: 'planed', faceB: 'planed' })],
      ),
      'rough inside',
    ],
    [job([part('a', rectangle(100, 100))], [board(900, 140)], { rip: false }), 'does not rip'],
    [
      job(
        [
          part('a', rectangle(100, 100), {
            underside: points([0, 0], [110, 0], [110, 100], [0, 100]),
          }),
        ],
        [board(900, 140)],
        {
          maxTilt: 5,
        },
      ),
      'tilt',
    ],
    [job([part('a', rectangle(500, 140), { quantity: 3 })], [board(1100, 140)]), 'used up'],
  ])('says why (%#)', (of, reason) => {
    const found = valid(of);
    expect(plainText(found.unplaced[0]?.reason ?? [])).toContain(reason);
  });

  test('the rest is placed all the same', () => {
    const found = valid(
      job(
        [part('a', rectangle(100, 165)), part('b', rectangle(100, 100), { quantity: 3 })],
        [board(900, 140)],
      ),
    );
    expect(found.boards[0]?.placements).toHaveLength(3);
    expect(found.unplaced).toMatchObject([{ part: 'a', count: 1 }]);
    expect(plainText(at(found.unplaced, 0).reason)).toContain('wider');
  });
});

test('a stop keeps the best so far', () => {
  const of = job(
    [
      part('a', rectangle(130, 100), { quantity: 40 }),
      part('b', rectangle(170, 90), { quantity: 40 }),
    ],
    [board(900, 210, { quantity: 40 })],
    {},
    60,
  );
  let better = 0;
  const found = searchLayout(of, {
    clock: stepClock(60, 1_000_000),
    onBetter: () => {
      better += 1;
    },
    stopped: () => better > 0,
  });
  expect(checkLayout(of, found)).toEqual([]);
  expect(found.unplaced).toEqual([]);
  expect(better).toBe(1);
});
