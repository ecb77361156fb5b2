import { describe, expect, test } from '@jest/globals';
import type { NamedPlan, NamedStep } from '@spare-knot/core/cuts';
import { at } from '@spare-knot/core/lists';
import { PAPERS } from './paper';
import { alikeCuts, sawSheets } from './saw-steps';

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
      const few = sawSheets(plan(6), reading, size);
      expect(few).toHaveLength(1);
      expect(at(few, 0).map(({ number, isFirst }) => [number, isFirst])).toEqual([
        [1, true],
        [2, true],
      ]);
      const many = sawSheets(plan(1500), reading, size);
      expect(many.length).toBeGreaterThan(1);
      for (const number of [1, 2])
        expect(boxesOn(many, number)).toEqual(
          Array.from({ length: 1500 }, (_unused, at) => at + 1),
        );
      expect(many.flat().filter(({ isFirst }) => isFirst)).toHaveLength(2);
    },
  );
});
