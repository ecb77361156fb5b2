import { describe, expect, test } from '@jest/globals';
import { planFor } from '../../test/boxes.js';
import { animalFor } from '../../test/plans.js';
import { buildBox, FAMILIES, type Family, familyById } from '../families/index.js';
import { at, must } from '../lists/index.js';
import { fromMm, type Ticks } from '../measure/index.js';
import type { Panel, PanelSet } from '../panels/index.js';
import { type Point, rectangleAt } from '../plane/index.js';
import { type Axis, measured, sizeOf } from './measured.js';
import type { NamedBoard, NamedPiece } from './progress.js';
import { brokenByShort } from './short-panel.js';

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

  test('a rule that the box breaks with the short panel is named, and one that it keeps is not', () => {
    const family = must(familyById('slant-roof'), 'the common box');
    const plan = planFor(family, animalFor(family), 19.05);
    const short = (panel: string, axis: 'x' | 'y', by: number) =>
      brokenByShort(plan, box, { panel, axis, by: fromMm(by) })?.map(({ id }) => id) ?? null;
    const roofs = (['x', 'y'] as const).map((axis) => short('roof', axis, 30));
    // Shorter to the front it covers the entrance no more.
    expect(roofs.flatMap((each) => each ?? [])).toContain('overhang');
    expect((['x', 'y'] as const).flatMap((axis) => short('roof', axis, 1) ?? [])).not.toContain(
      'overhang-side',
    );
    // The floor alone has no size of its own: it is what the walls leave.
    expect([short('floor', 'x', 3), short('floor', 'y', 3)]).toEqual([null, null]);
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
