import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { board, job, layout, part, placed, rectangle } from '../../../test/layouts.js';
import type { LayoutJob } from '../../job/index.js';
import { at, sum } from '../../lists/index.js';
import { checkLayout } from '../checker/check.js';
import { Abreast } from './abreast.js';
import { relax } from './relaxed.js';

/** SPARE_KNOT_RUNS tries more than there is time for each day. */
const RUNS = Number(process.env.SPARE_KNOT_RUNS ?? 150);

interface Box {
  x: number;
  y: number;
  long: number;
  wide: number;
}

const demandsOf = ({ parts }: LayoutJob) =>
  parts.map((each) => ({ part: each, copies: each.quantity }));

/** What the bounds see of one board, as they see it most closely. */
const seenBy = (of: LayoutJob) => {
  const { kinds } = relax(
    { demands: demandsOf(of), stock: of.stock, saw: of.saw, left: 0, fits: () => true },
    true,
  );
  const counts = of.parts.map(({ quantity }) => quantity);
  const { measures, capacity, allows, apart } = at(kinds, 0);
  const weighs = measures.every(
    ({ weights }, index) =>
      sum(counts.map((count, each) => count * at(weights, each))) <= at(capacity, index) + 1e-6,
  );
  return { weighs, allows: allows(counts) && apart(counts) };
};

/** Every way to lay rectangles apart: each against the edges or against others, so that it stands where lengths of some add up to. */
function lies(
  pieces: readonly (readonly [number, number])[],
  room: number[],
  turns: boolean,
): boolean {
  const sums = (axis: 0 | 1) => {
    let all = [0];
    for (const size of pieces) {
      const own = turns ? size : [at(size, axis)];
      all = [...new Set(all.flatMap((each) => [each, ...own.map((more) => each + more)]))];
    }
    return all.filter((each) => each < at(room, axis));
  };
  const [xs, ys] = [sums(0), sums(1)];
  const meets = (one: Box, other: Box) =>
    one.x < other.x + other.long &&
    other.x < one.x + one.long &&
    one.y < other.y + other.wide &&
    other.y < one.y + one.wide;
  const lay = (index: number, laid: readonly Box[]): boolean => {
    const size = pieces[index];
    if (!size) return true;
    const ways = turns ? [size, [size[1], size[0]] as const] : [size];
    return ways.some(([long, wide]) =>
      xs.some((x) =>
        ys.some((y) => {
          const box = { x, y, long, wide };
          const isIn = x + long <= at(room, 0) && y + wide <= at(room, 1);
          return isIn && !laid.some((other) => meets(box, other)) && lay(index + 1, [...laid, box]);
        }),
      ),
    );
  };
  return lay(0, []);
}

describe('rectangles abreast', () => {
  test('have room where, and only where, they can be laid apart: against every way of laying them', () => {
    const size = fc.integer({ min: 1, max: 9 });
    let [refused, beyondMeasures] = [0, 0];
    fc.assert(
      fc.property(
        fc.array(fc.tuple(size, size), { minLength: 2, maxLength: 4 }),
        fc.tuple(fc.integer({ min: 6, max: 14 }), fc.integer({ min: 6, max: 14 })),
        fc.boolean(),
        fc.boolean(),
        (all, room, turns, twice) => {
          // The more ways round, the fewer pieces: every way is tried.
          const drawn = turns ? all.slice(0, 3) : all;
          const pieces = twice ? [at(drawn, 0), ...drawn.slice(0, 3)] : drawn;
          const parts = (twice ? drawn.slice(0, 3) : drawn).map(([long, wide], index) =>
            part(`p${index}`, rectangle(10 * long, 10 * wide), {
              quantity: twice && index === 0 ? 2 : 1,
              grain: turns ? 'any' : 'along',
            }),
          );
          const of = job(parts, [board(10 * room[0], 10 * room[1])], { kerf: 0 });
          const abreast = new Abreast(
            demandsOf(of).map((demand) => [demand]),
            at(of.stock, 0),
            of.saw,
          );
          const hasRoom = lies(pieces, room, turns);
          expect(abreast.allows(parts.map(({ quantity }) => quantity))).toBe(hasRoom);
          if (!hasRoom) refused += 1;
          if (!hasRoom && seenBy(of).weighs) beyondMeasures += 1;
        },
      ),
      { numRuns: RUNS / 2 },
    );
    expect(refused).toBeGreaterThan(RUNS / 20);
    // They say what no measure does.
    expect(beyondMeasures).toBeGreaterThan(0);
  });

  test('nothing is refused that cuts at any angle part by a kerf, corner to corner too', () => {
    const KERF = 3;
    const piece = fc.record({
      long: fc.integer({ min: 4, max: 120 }),
      wide: fc.integer({ min: 4, max: 120 }),
      beside: fc.nat(3),
      angle: fc.integer({ min: 0, max: 90 }),
    });
    let oblique = 0;
    fc.assert(
      fc.property(fc.array(piece, { minLength: 2, maxLength: 5 }), (pieces) => {
        const boxes: Box[] = [];
        for (const { long, wide, beside, angle } of pieces) {
          const from = boxes[beside % Math.max(1, boxes.length)];
          const turn = (angle * Math.PI) / 180;
          const box = from
            ? {
                x: from.x + (angle === 90 ? 0 : from.long + KERF * Math.cos(turn)),
                y: from.y + (angle === 0 ? 0 : from.wide + KERF * Math.sin(turn)),
                long,
                wide,
              }
            : { x: 0, y: 0, long, wide };
          const isApart = boxes.every((other) => {
            const across = Math.max(0, box.x - other.x - other.long, other.x - box.x - box.long);
            const up = Math.max(0, box.y - other.y - other.wide, other.y - box.y - box.wide);
            return Math.hypot(across, up) > KERF - 1e-9;
          });
          if (isApart) boxes.push(box);
        }
        if (boxes.length < 2) return;
        oblique += 1;
        const room = board(
          Math.max(...boxes.map(({ x, long }) => x + long)),
          Math.max(...boxes.map(({ y, wide }) => y + wide)),
        );
        const parts = boxes.map(({ long, wide }, index) =>
          part(`p${index}`, rectangle(long, wide)),
        );
        expect(seenBy(job(parts, [room], { kerf: KERF * 320 }))).toEqual({
          weighs: true,
          allows: true,
        });
      }),
      { numRuns: RUNS },
    );
    expect(oblique).toBeGreaterThan(RUNS / 2);
  });

  test('two squares corner to corner need less than a kerf either way: the checker lets them lie, and so do the bounds', () => {
    const [side, gap] = [100, 2.3];
    const of = job(
      [part('square', rectangle(side, side), { quantity: 2 })],
      [board(2 * side + gap, 2 * side + gap)],
    );
    const laid = [placed('square', 0, 0), placed('square', side + gap, side + gap, { copy: 1 })];
    expect(checkLayout(of, layout(laid))).toEqual([]);
    expect(checkLayout({ ...of, saw: { ...of.saw, kerf: 1100 } }, layout(laid))).not.toEqual([]);
    expect(seenBy(of)).toEqual({ weighs: true, allows: true });
  });
});
