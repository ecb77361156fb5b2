import { describe, expect, test } from '@jest/globals';
import { planFor } from '../../test/boxes.js';
import { animalFor } from '../../test/plans.js';
import { buildBox, FAMILIES, type Family, familyById } from '../families/index.js';
import { at, must } from '../lists/index.js';
import { fromMm, type Ticks, toMm } from '../measure/index.js';
import type { Panel, PanelSet } from '../panels/index.js';
import { boundsOf, type Point, rectangleAt } from '../plane/index.js';
import { type Axis, measured, sizeOf, withShortPanel } from './measured.js';
import type { NamedBoard, NamedPiece } from './progress.js';

function built(family: Family): PanelSet {
  const made = buildBox(planFor(family, animalFor(family), 19.05));
  if (!made.ok) throw new Error(`${family.id} is not built`);
  return made.box;
}
const box = built(must(familyById('slant-roof'), 'the common box'));
const panelOf = (of: PanelSet, id: string): Panel =>
  must(
    of.panels.find((each) => each.id === id),
    id,
  );

/** A board that is one panel and nothing else. */
function boardOf(panel: Panel): NamedBoard {
  const wood = { faceA: panel.outline, faceB: panel.underside };
  const piece: NamedPiece = { id: 'p0', wood, is: { part: panel.id, copy: 0 } };
  return { stock: 'board', piece: 0, pieces: [piece], cuts: [] };
}
function look(of: PanelSet, id: string, axis: Axis, by: Ticks) {
  const board = boardOf(panelOf(of, id));
  return measured(of, board, 'p0', { axis, is: sizeOf(at(board.pieces, 0), axis) + by });
}

describe('a piece that was measured', () => {
  test('within half a millimetre it fits; longer, it is sawn again; shorter, a gap opens where it stands against another', () => {
    expect(look(box, 'floor', 'along', fromMm(0.4)).is).toBe('fits');
    expect(look(box, 'floor', 'along', fromMm(2))).toMatchObject({ is: 'long', by: fromMm(2) });
    const short = look(box, 'floor', 'along', fromMm(-2));
    expect(short).toMatchObject({ is: 'short', by: fromMm(-2) });
    // The floor stands between front and back and against the left side; the right one swings, clear of it.
    const walls = [
      ...short.ends.flatMap(({ against }) => against),
      ...look(box, 'floor', 'across', fromMm(-2)).ends.flatMap(({ against }) => against),
    ];
    expect(new Set(walls)).toEqual(new Set(['front', 'back', 'side-left']));
  });

  test('only a panel that it is joined to stands against an edge, whatever the box', () => {
    for (const family of FAMILIES) {
      const of = built(family);
      const joined = new Set(
        of.joints.flatMap(({ between: [a, b] }) => [`${a} ${b}`, `${b} ${a}`]),
      );
      let found = 0;
      for (const panel of of.panels.filter(({ fromLog }) => !fromLog))
        for (const axis of ['along', 'across'] as const)
          for (const { against } of look(of, panel.id, axis, fromMm(-2)).ends)
            for (const other of against) {
              found += 1;
              expect([panel.id, other, joined.has(`${panel.id} ${other}`)]).toEqual([
                panel.id,
                other,
                true,
              ]);
            }
      if (family.id !== 'log') expect([family.id, found > 0]).toEqual([family.id, true]);
    }
  });

  test('a panel drawn back at an edge is so much shorter there and nowhere else', () => {
    const floor = panelOf(box, 'floor');
    const [left, bottom, right, top] = boundsOf(floor.outline);
    floor.edges.forEach((_edge, edge) => {
      const shorter = panelOf(withShortPanel(box, 'floor', edge, fromMm(3)), 'floor');
      const [l, b, r, t] = boundsOf(shorter.outline);
      const lost = [l - left, b - bottom, right - r, top - t].map(toMm);
      // A clipped corner takes nothing off the longest measures.
      expect(lost.filter((mm) => mm > 2.9 && mm < 3.1).length).toBeLessThanOrEqual(1);
      expect(lost.filter((mm) => Math.abs(mm) > 0.1 && Math.abs(mm - 3) > 0.1)).toEqual([]);
      expect(at(shorter.instances, 0).solid.vertices).not.toEqual(
        at(floor.instances, 0).solid.vertices,
      );
    });
    const side = panelOf(box, 'side-left');
    const ends = look(box, 'side-left', 'along', fromMm(-3)).ends;
    for (const { edge } of ends) {
      const next = panelOf(withShortPanel(box, 'side-left', edge, fromMm(3)), 'side-left');
      const moved = next.outline.filter((point, index) => {
        const was = at(side.outline, index);
        return Math.hypot(point[0] - was[0], point[1] - was[1]) > fromMm(0.1);
      });
      expect(moved).toHaveLength(2);
    }
  });

  test('a piece that is cut further: waste at its end takes up what is short, else it says so', () => {
    const face = (length: number): Point[] => rectangleAt(0, 0, fromMm(length), fromMm(140));
    const leaf = (id: string, from: number, length: number, is: NamedPiece['is']): NamedPiece => {
      const outline = rectangleAt(fromMm(from), 0, fromMm(length), fromMm(140));
      return { id, wood: { faceA: outline, faceB: outline }, is };
    };
    const board = (rest: number): NamedBoard => ({
      stock: 'board',
      piece: 0,
      pieces: [
        { id: 'p0', wood: { faceA: face(200 + rest), faceB: face(200 + rest) }, is: null },
        leaf('p1', 0, 200, { part: 'floor', copy: 0 }),
        leaf('p2', 203, rest - 3, 'waste'),
      ],
      cuts: [{ id: 'c1', of: 'p0', line: null, shift: 0, gives: ['p1', 'p2'] }],
    });
    const short = { axis: 'along' as const, is: fromMm(245) };
    expect(measured(box, board(50), 'p0', short)).toMatchObject({ is: 'cut off', by: fromMm(-5) });
    expect(measured(box, board(50), 'p0', { axis: 'along', is: fromMm(180) }).is).toBe('thin');
    expect(measured(box, board(50), 'p2', { axis: 'along', is: fromMm(20) }).is).toBe('cut off');
    expect(measured(box, board(50), 'p0', { axis: 'across', is: fromMm(137) }).is).toBe('thin');
  });
});
