import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { board, circle, job, knot, part, points } from '../../../test/layouts.js';
import { at, must } from '../../lists/index.js';
import { fromMm, toMm } from '../../measure/index.js';
import { STANDARD_GOALS } from '../goals.js';
import { prepare } from '../search/prepare.js';
import { RowLengths } from './row-lengths.js';
import { usable } from './weights.js';

const WIDTH = 145;
const LONG = 4000;
/** SPARE_KNOT_RUNS tries more rows than there is time for each day. */
const RUNS = Number(process.env.SPARE_KNOT_RUNS ?? 40);

/** Wider than half the board: sloped, with clipped corners, holes and places for screws. */
const anyPart = fc
  .record({
    long: fc.integer({ min: 60, max: 260 }),
    wide: fc.integer({ min: 76, max: WIDTH }),
    slope: fc.constantFrom(0, 0, 15, 40),
    clip: fc.constantFrom(0, 0, 6, 15),
    hole: fc.integer({ min: 0, max: 25 }),
    screw: fc.boolean(),
    knots: fc.constantFrom('sound', 'none'),
  })
  .map(({ long, wide, slope, clip, hole, screw, knots }) => ({
    outline: points(
      [0, 0],
      [long + slope, 0],
      [long, wide],
      ...(clip > 0
        ? ([
            [clip, wide],
            [0, wide - clip],
          ] as const)
        : ([[0, wide]] as const)),
    ),
    knots: knots as 'sound' | 'none',
    cutAway: hole > 5 ? [circle(long / 3, wide / 2, Math.min(hole, long / 3 - 2))] : [],
    clear: screw ? [circle(12, wide / 3, 8)] : [],
  }));

const defect = fc
  .record({
    x: fc.integer({ min: 0, max: 900 }),
    y: fc.integer({ min: 0, max: WIDTH }),
    radius: fc.integer({ min: 3, max: 20 }),
    kind: fc.constantFrom('knot-sound' as const, 'knot-loose' as const),
  })
  .map(({ x, y, radius, kind }) => knot(x, y, radius, kind));

const places = fc.array(
  fc.record({ which: fc.nat(2), way: fc.nat(7), up: fc.integer({ min: 0, max: WIDTH }) }),
  { minLength: 2, maxLength: 6 },
);

test('no row that lies on a board, whatever its order, its places across and the defects there, is shorter than any bound says', () => {
  fc.assert(
    fc.property(
      fc.array(anyPart, { minLength: 1, maxLength: 3 }),
      fc.array(defect, { maxLength: 4 }),
      places,
      (shapes, defects, row) => {
        const parts = shapes.map((shape, index) =>
          part(`p${index}`, shape.outline, { ...shape, quantity: row.length }),
        );
        const of = job(parts, [board(LONG, WIDTH, { defects })]);
        const { filler } = must(prepare(of, STANDARD_GOALS).groups[0]?.piles[0], 'a pile');
        const order = row.map(({ which, way, up }) => {
          const ways = filler.ways.filter((each) => each.part === which % parts.length);
          return { shape: at(ways, way % ways.length), up: fromMm(up) };
        });
        const laid = must(filler.inOrder(order, [0, fromMm(LONG)]), 'a row');
        const end = Math.max(...laid.pieces.map(({ x, shape }) => x + shape.length));
        const kind = board(toMm(end), WIDTH, { defects });
        const demands = parts.map((each) => ({ part: each, copies: each.quantity }));
        const [length] = usable(kind, of.saw);
        for (const [classes, counts] of [
          [demands.map((each) => [each]), laid.used],
          // All taken for one another.
          [[demands], [row.length]],
        ] as const) {
          const rows = [
            RowLengths.of(classes, { ...kind, defects: [] }, of.saw),
            RowLengths.past(classes, kind, of.saw),
          ];
          for (const bound of rows.flatMap(({ bounds }) => bounds))
            expect(bound.allows(counts, length)).toBe(true);
        }
      },
    ),
    { numRuns: RUNS },
  );
});
