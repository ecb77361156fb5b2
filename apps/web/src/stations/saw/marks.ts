import { boardCuts, type CutAtHand, type NamedPlan, type NamedStep } from '@spare-knot/core/cuts';
import type { Ticks } from '@spare-knot/core/measure';
import type { Marking } from './use-marking';

/** The number of a cut, and from where to where it is measured. */
export interface Mark {
  number: Ticks | null;
  words: string;
}

/** What is marked on a board before it is sawn: the place of a cut, from the board’s own end and edge. */
function onBoard(
  plan: NamedPlan,
  hand: CutAtHand,
  of: { kerf: Ticks; thickness: Ticks },
): Mark | null {
  const cut = boardCuts(plan, hand.board, of).find(({ id }) => id === hand.cut.id);
  if (!cut) return null;
  const [[x, y], [u]] = cut.line;
  const name = `mark ${cut.number} of the board`;
  if (cut.runs === 'slanted')
    return {
      number: Math.round(Math.min(x, u)),
      words: `${name}, its end nearer to the board’s left end`,
    };
  return cut.runs === 'across'
    ? { number: Math.round(x), words: `${name}, from the board’s left end` }
    : { number: Math.round(y), words: `${name}, from the board’s near edge` };
}

/** What to measure for a cut, by the way in which its maker marks. `measured` is from the end at the left, or the fence, to the blade. */
export function markOf(
  plan: NamedPlan,
  hand: CutAtHand,
  marking: Marking,
  {
    step,
    measured,
    hasStop,
    ...of
  }: {
    step: NamedStep;
    measured: Ticks | null;
    /** Whether the saw has one; undefined where nothing is known of it. */
    hasStop: boolean | undefined;
    kerf: Ticks;
    thickness: Ticks;
  },
): Mark {
  const marked = marking === 'all' ? onBoard(plan, hand, of) : null;
  if (marked) return marked;
  const number = step.stop ?? measured;
  if (step.tool === 'rip') return { number, words: 'from the fence to the blade' };
  if (step.stop === null || marking === 'single')
    return { number, words: 'to a mark, from the end at your left along the fence' };
  const block = hasStop === false ? '; it has no stop: clamp a block to its fence' : '';
  return { number, words: `from the stop to the blade${block}` };
}
