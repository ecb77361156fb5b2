import { describe, expect, test } from '@jest/globals';
import { cutAtHand, type NamedPlan, seenAtSaw } from '@spare-knot/core/cuts';
import { at, must } from '@spare-knot/core/lists';
import { fromMm, toMm } from '@spare-knot/core/measure';
import { rectangleAt } from '@spare-knot/core/plane';
import { markOf } from './marks';

const wood = (x: number, length: number) => {
  const face = rectangleAt(fromMm(x), 0, fromMm(length), fromMm(140));
  return { faceA: face, faceB: face };
};
/** Two panels of 300 off a board of a metre, at a stop. */
const plan: NamedPlan = {
  boards: [
    {
      stock: 'board',
      piece: 0,
      pieces: [
        { id: 'p0', wood: wood(0, 1000), is: null },
        { id: 'p1', wood: wood(0, 300), is: { part: 'a', copy: 0 } },
        { id: 'p2', wood: wood(303, 697), is: null },
        { id: 'p3', wood: wood(303, 300), is: { part: 'a', copy: 1 } },
        { id: 'p4', wood: wood(606, 394), is: 'waste' },
      ],
      cuts: [
        {
          id: 'c1',
          of: 'p0',
          line: [
            [fromMm(300), 0],
            [fromMm(300), fromMm(140)],
          ],
          shift: 0,
          gives: ['p1', 'p2'],
        },
        {
          id: 'c2',
          of: 'p2',
          line: [
            [fromMm(603), 0],
            [fromMm(603), fromMm(140)],
          ],
          shift: 0,
          gives: ['p3', 'p4'],
        },
      ],
    },
  ],
  steps: [
    {
      tool: 'crosscut',
      saw: 'mitre saw',
      angle: 0,
      tilt: 0,
      stop: fromMm(300),
      before: [],
      cuts: ['c1', 'c2'].map((cut) => ({
        cut,
        board: 0,
        faceUp: 'A',
        fence: 'far',
        end: 'low',
        hold: 'hand',
      })),
    },
  ],
  boardAfterBoard: 1,
  lowerBound: 1,
  minutes: 1,
};
const of = { kerf: fromMm(3), thickness: fromMm(18), hasStop: true };

/** The second cut, by each way of marking. */
function second(marking: 'stop' | 'all' | 'single', hasStop = true) {
  const hand = must(cutAtHand(plan, { done: ['0:c1'], ruined: [] }), 'a cut');
  const step = at(plan.steps, hand.step);
  const seen = seenAtSaw(at(plan.boards, 0), hand, { tool: 'crosscut', ...of });
  const mark = markOf(plan, hand, marking, {
    step,
    measured: seen.measured?.length ?? null,
    ...of,
    hasStop,
  });
  return { mm: mark.number === null ? null : toMm(mark.number), words: mark.words };
}

describe('the number of a cut, by the way in which its maker marks', () => {
  test('at a stop and from a fresh end it is the panel’s length; marked first it runs from the board’s own end', () => {
    expect(second('stop')).toMatchObject({ mm: 300, words: expect.stringContaining('the stop') });
    expect(second('single')).toMatchObject({
      mm: 300,
      words: expect.stringContaining('to a mark'),
    });
    expect(second('all')).toMatchObject({
      mm: 603,
      words: expect.stringContaining('mark 2 of the board'),
    });
  });

  test('a saw without a stop gets a block', () => {
    expect(second('stop', false).words).toContain('clamp a block');
    expect(second('single', false).words).not.toContain('block');
  });
});
