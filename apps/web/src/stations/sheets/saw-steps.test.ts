import { describe, expect, test } from '@jest/globals';
import type { NamedPlan, NamedStep } from '@spare-knot/core/cuts';
import { at, sum } from '@spare-knot/core/lists';
import { PAPERS } from './paper';
import { alikeCuts, groupName, groupsOf, sawSheets } from './saw-steps';

/** So many boards alike, each cut twice: a side off, then another. */
function plan(boards: number): NamedPlan {
  const wood = { faceA: [], faceB: [] };
  const side = (copy: number) => ({ part: 'side', copy });
  const step = (cut: string, stop: number): NamedStep => ({
    tool: 'crosscut',
    saw: 'mitre saw',
    angle: 0,
    tilt: 0,
    stop,
    before: cut === 'c1' ? ['test piece: look at it'] : [],
    cuts: Array.from({ length: boards }, (_unused, board) => ({
      cut,
      board,
      faceUp: 'A',
      fence: 'far',
      end: 'low',
      hold: 'hand',
    })),
  });
  return {
    boards: Array.from({ length: boards }, (_unused, piece) => ({
      stock: 'a',
      piece,
      pieces: [
        { id: 'p0', wood, is: null },
        { id: 'p1', wood, is: side(2 * piece) },
        { id: 'p2', wood, is: null },
        { id: 'p3', wood, is: side(2 * piece + 1) },
        { id: 'p4', wood, is: 'waste' },
      ],
      cuts: [
        { id: 'c1', of: 'p0', line: null, shift: 0, gives: ['p1', 'p2'] },
        { id: 'c2', of: 'p2', line: null, shift: 0, gives: ['p3', 'p4'] },
      ],
    })),
    steps: [step('c1', 320), step('c2', 640)],
    boardAfterBoard: 2 * boards,
    lowerBound: 2,
    minutes: 1,
  };
}
const reading = {
  nameOf: ({ part }: { part: string }) => part,
  seen: () => ({ measured: null, firstAt: 'left' as const }),
};
const boxesOn = (sheets: ReturnType<typeof sawSheets>, number: number) =>
  sheets.flatMap((steps) =>
    steps
      .filter((step) => step.number === number)
      .flatMap(({ alike }) => alike.flatMap(({ boards }) => boards)),
  );

describe('saw steps on paper', () => {
  test('cuts that are made alike stand together, with a box for each board', () => {
    const [group, ...others] = alikeCuts(plan(3), 0, reading);
    expect(others).toEqual([]);
    expect(group).toMatchObject({
      gives: 'At your left side, at your right a piece with one panel in it',
      boards: [1, 2, 3],
    });
  });

  test.each(Object.entries(PAPERS))(
    'on %s every cut has one box, and a long step goes on on the next sheet',
    (_, size) => {
      const on = (boards: number) => {
        const groups = groupsOf(plan(boards), reading);
        const heights = new Map([['saw title', 10]]);
        for (const step of groups) {
          heights.set(`saw head ${step.number}`, 8);
          for (const group of step.alike)
            heights.set(groupName(step, group), 6 + group.boards.length / 4);
        }
        return sawSheets(groups, size, heights);
      };
      const few = on(6);
      expect(few).toHaveLength(1);
      expect(at(few, 0).map(({ number, isFirst }) => [number, isFirst])).toEqual([
        [1, true],
        [2, true],
      ]);
      const many = on(1500);
      expect(many.length).toBeGreaterThan(1);
      for (const number of [1, 2])
        expect(boxesOn(many, number)).toEqual(
          Array.from({ length: 1500 }, (_unused, at) => at + 1),
        );
      expect(many.flat().filter(({ isFirst }) => isFirst)).toHaveLength(2);
      for (const steps of many) {
        const boxes = sum(steps.flatMap(({ alike }) => alike.map((group) => group.boards.length)));
        const least = sum(steps.map(({ alike }) => 8 + 6 * alike.length));
        // Parts of a group that stand on one sheet are drawn as they were measured, each for itself.
        expect(10 + least + boxes / 4).toBeLessThan(size.height);
      }
    },
  );

  test('as long as they are being measured all steps stand on one sheet, what comes before them too where there are none', () => {
    const size = PAPERS.A4;
    const [sheet, ...others] = sawSheets(groupsOf(plan(1500), reading), size, null);
    expect(others).toEqual([]);
    expect(boxesOn([sheet ?? []], 2)).toHaveLength(1500);
    expect(sawSheets([], size, new Map())).toEqual([[]]);
  });
});
