import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { board, job, layout, part, placed, points, rectangle } from '../../../test/layouts.js';
import { drawnLayouts } from '../../../test/sawing.js';
import { at, must } from '../../lists/index.js';
import { fromMm } from '../../measure/index.js';
import { areaOf, intersectPolygons, type Point, rectangleAt } from '../../plane/index.js';
import { boardTree, targetsOf } from './board-tree.js';
import { chordOf, kerfOnFace, type SawCut, type Wood } from './saw-cut.js';
import { separate, type ThroughCut } from './separate.js';
import type { Target } from './target.js';

describe('cuts from edge to edge', () => {
  const saw = {
    kerf: 960,
    rip: true,
    throughCuts: true,
    maxMitre: 60,
    maxTilt: 45,
    endTrim: 0,
    keep: { length: 0, width: 0 },
  };
  const block = (x: number, y: number, length: number, width: number): Target => {
    const face = rectangleAt(x, y, length, width);
    return { wood: { faceA: face, faceB: face }, part: { id: `${x} ${y}`, copy: 0 } };
  };
  const board: Wood = {
    faceA: rectangleAt(0, 0, 40_000, 40_000),
    faceB: rectangleAt(0, 0, 40_000, 40_000),
  };
  const stuck = (targets: readonly Target[], more: Partial<typeof saw> = {}) =>
    separate(board, targets, { saw: { ...saw, ...more }, depth: 6000 }).stuck;

  test('part rows and columns, but not four pieces that lie round a fifth', () => {
    const grid = [0, 1, 2].flatMap((column) =>
      [0, 1].map((row) => block(column * 11_000, row * 6000, 10_000, 5000)),
    );
    expect(stuck(grid)).toEqual([]);
    const wheel = [
      block(0, 0, 20_000, 9000),
      block(21_000, 0, 9000, 20_000),
      block(10_000, 21_000, 20_000, 9000),
      block(0, 10_000, 9000, 20_000),
    ];
    expect(stuck(wheel)).toHaveLength(4);
  });

  test('without a rip only what lies one behind the other comes apart', () => {
    const behind = [block(0, 0, 10_000, 5000), block(11_000, 0, 10_000, 5000)];
    const beside = [block(0, 0, 10_000, 5000), block(0, 6000, 10_000, 5000)];
    expect(stuck(behind, { rip: false })).toEqual([]);
    expect(stuck(beside, { rip: false })).toHaveLength(2);
    expect(stuck(beside)).toEqual([]);
  });
});

/** The strip that a cut takes of one face, as a rectangle longer than any board. */
function strip({ point, along, shift }: SawCut, width: number, face: 'faceA' | 'faceB'): Point[] {
  const far = 1e7;
  const moved = face === 'faceA' ? 0 : shift;
  const corner = (run: number, left: number): Point => [
    point[0] + along[0] * run - along[1] * (left + moved),
    point[1] + along[1] * run + along[0] * (left + moved),
  ];
  return [corner(-far, -width), corner(far, -width), corner(far, 0), corner(-far, 0)];
}

const area = (polygon: readonly Point[]): number =>
  polygon.length < 3 ? 0 : Math.abs(areaOf(polygon));

/** How far a corner lies outside a convex polygon. */
const outside = ([x, y]: Point, polygon: readonly Point[]): number =>
  Math.max(
    ...polygon.map(([px, py], index) => {
      const [qx, qy] = at(polygon, (index + 1) % polygon.length);
      const run = Math.hypot(qx - px, qy - py);
      return run < 1 ? 0 : ((qy - py) * (x - px) - (qx - px) * (y - py)) / run;
    }),
  );
const apart = (a: readonly Point[], b: readonly Point[]): number =>
  Math.max(...a.map((point) => outside(point, b)), ...b.map((point) => outside(point, a)));

describe('the tree of a laid board', () => {
  test('over random boxes of all families: pieces and kerfs add up to the board, every leaf is its panel', () => {
    fc.assert(
      fc.property(drawnLayouts, (drawn) => {
        for (const laid of drawn?.layout.boards ?? []) {
          const { job: of } = must(drawn, 'a layout');
          const stock = must(
            of.stock.find(({ id }) => id === laid.stock),
            'the board',
          );
          const tree = boardTree(of, stock, laid);
          expect([tree.stuck, tree.unmade]).toEqual([[], []]);
          const whole = stock.length * stock.width;
          const through = tree.cuts.filter((cut): cut is ThroughCut => cut.kind === 'through');
          for (const face of ['faceA', 'faceB'] as const) {
            const sawdust = through.map(({ of: id, cut }) =>
              area(
                intersectPolygons(
                  at(tree.pieces, id).wood?.[face] ?? [],
                  strip(cut, kerfOnFace(cut, of.saw.kerf, stock.thickness), face),
                ),
              ),
            );
            const cut = new Set(through.map((each) => each.of));
            const ends = tree.pieces
              .filter(({ wood }, id) => wood && !cut.has(id) && isOfThroughCut(tree, id))
              .map(({ wood }) => area(wood?.[face] ?? []));
            const sum = [...sawdust, ...ends].reduce((total, each) => total + each, 0);
            expect(Math.abs(sum / whole - 1)).toBeLessThan(1e-4);
          }
          for (const { wood, part: wanted } of targetsOf(of, laid)) {
            const leaf = tree.pieces.find(
              ({ is }) =>
                wanted &&
                is &&
                typeof is === 'object' &&
                is.part === wanted.id &&
                is.copy === wanted.copy,
            );
            if (!wanted) continue;
            // A long edge may be the board's own where nothing is ripped.
            const off = of.saw.rip ? fromMm(0.05) : fromMm(0.5);
            expect(apart(must(leaf?.wood, 'leaf').faceA, wood.faceA)).toBeLessThanOrEqual(off);
            expect(apart(must(leaf?.wood, 'leaf').faceB, wood.faceB)).toBeLessThanOrEqual(off);
          }
        }
      }),
      { numRuns: 25 },
    );
  });

  test('a sloped end that two sides share is one cut; a bevel beside an offcut is sawn before it comes off', () => {
    const side = part('side', points([0, 0], [260, 0], [235, 140], [0, 140]), { quantity: 2 });
    const of = job([side], [board(900, 140)]);
    // The slope takes 3 mm square to it, which is more along the board.
    const shared = boardTree(
      of,
      at(of.stock, 0),
      at(
        layout([placed('side', 0, 0), placed('side', 238.05, 0, { copy: 1, turn: 180 })]).boards,
        0,
      ),
    );
    expect(shared.cuts).toHaveLength(2);
    const front = part('front', rectangle(200, 140), { underside: rectangle(203, 140) });
    const bevelled = job([front], [board(900, 140)]);
    const laid = {
      ...at(layout([placed('front', 0, 0)]).boards, 0),
      offcuts: [{ x: fromMm(206.1), y: 0, length: fromMm(693.9), width: fromMm(140) }],
    };
    const { cuts, pieces } = boardTree(bevelled, at(bevelled.stock, 0), laid);
    const [only] = cuts as [ThroughCut];
    expect(cuts).toHaveLength(1);
    expect(only.cut.shift).toBe(-fromMm(3));
    expect(only.gives.map((id) => pieces[id ?? 0]?.is)).toEqual([
      { part: 'front', copy: 0 },
      'offcut',
    ]);
    expect(chordOf(only.cut, must(pieces[0]?.wood, 'board'))).toEqual([
      [fromMm(200), 0],
      [fromMm(200), fromMm(140)],
    ]);
  });

  test('parts in a row that one rip makes are ripped together, after the offcut beyond them is off', () => {
    const of = job([part('a', rectangle(200, 100), { quantity: 3 })], [board(900, 140)]);
    const laid = {
      ...at(
        layout([
          placed('a', 0, 0),
          placed('a', 203, 0, { copy: 1 }),
          placed('a', 406, 0, { copy: 2 }),
        ]).boards,
        0,
      ),
      offcuts: [{ x: fromMm(609), y: 0, length: fromMm(291), width: fromMm(140) }],
    };
    const tree = boardTree(of, at(of.stock, 0), laid);
    const runs = tree.cuts.map((cut) =>
      cut.kind === 'through' && Math.abs(cut.cut.along[0]) > 0.5 ? 'rip' : 'crosscut',
    );
    expect(runs).toEqual(['crosscut', 'rip', 'crosscut', 'crosscut']);
  });

  test('what no straight cut separates is freed where the saw may turn, and named where it may not', () => {
    const parts = [part('wheel', rectangle(180, 117), { quantity: 4, grain: 'any' })];
    const round = layout([
      placed('wheel', 0, 0),
      placed('wheel', 183, 0, { copy: 1, turn: 90 }),
      placed('wheel', 120, 183, { copy: 2 }),
      placed('wheel', 0, 120, { copy: 3, turn: 90 }),
    ]);
    const of = (throughCuts: boolean) =>
      job(parts, [board(300, 300, { grained: false })], { throughCuts });
    const free = boardTree(of(false), at(of(false).stock, 0), at(round.boards, 0));
    expect(free.cuts.map(({ kind }) => kind)).toEqual(['free', 'free', 'free', 'free']);
    expect(free.pieces.filter(({ is }) => is && typeof is === 'object')).toHaveLength(4);
    expect(boardTree(of(true), at(of(true).stock, 0), at(round.boards, 0)).stuck).toHaveLength(4);
  });
});

/** Whether a piece is the board or comes of a through cut. */
const isOfThroughCut = (tree: ReturnType<typeof separate>, id: number): boolean =>
  id === 0 || tree.cuts.some((cut) => cut.kind === 'through' && cut.gives.includes(id));
