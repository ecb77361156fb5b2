import {
  type CutAtHand,
  cutAt,
  type NamedPlan,
  type NamedStep,
  type SeenAtSaw,
} from '@spare-knot/core/cuts';
import { at } from '@spare-knot/core/lists';
import type { Ticks } from '@spare-knot/core/measure';
import { givenWords, holdWords, lieWords, type NameOf } from '../saw/step-words';
import { type Block, paginate } from './pages';
import { IN_HAND, MARGIN, type PaperSize } from './paper';

/** Cuts of a step that are made alike: what comes of them, how they lie, and a box to tick for each board. */
export interface AlikeCuts {
  gives: string;
  lies: string;
  /** Empty where a hand holds it. */
  holds: string;
  /** Where a cut to a mark is marked; null where a stop stands, or a fence. */
  mark: Ticks | null;
  /** Numbers of the boards, from 1, one for each cut. */
  boards: readonly number[];
}

/** A step, or as much of it as stands together, on paper. */
export interface StepOnPaper {
  number: number;
  step: NamedStep;
  isFirst: boolean;
  alike: readonly AlikeCuts[];
}

/** What panels are called, and how the piece of a cut lies at the saw. */
export interface Reading {
  nameOf: NameOf;
  seen: (hand: CutAtHand) => Pick<SeenAtSaw, 'measured' | 'firstAt'>;
}

/** What both sides of a cut are, by their kind: on paper panels that are alike stand together. */
function givesWords(
  plan: NamedPlan,
  hand: CutAtHand,
  firstAt: SeenAtSaw['firstAt'],
  nameOf: NameOf,
): string {
  const words = givenWords(plan, hand, firstAt, nameOf)
    .map((each) => (each.place ? `${each.place} ${each.words}` : each.words))
    .join(', ');
  return `${words.charAt(0).toUpperCase()}${words.slice(1)}`;
}

/** The cuts of a step in groups that are made alike, in their order. */
export function alikeCuts(plan: NamedPlan, step: number, { nameOf, seen }: Reading): AlikeCuts[] {
  const { tool, stop } = at(plan.steps, step);
  const groups = new Map<string, AlikeCuts>();
  at(plan.steps, step).cuts.forEach((_cut, place) => {
    const hand = cutAt(plan, step, place);
    const { measured, firstAt } = seen(hand);
    const gives = givesWords(plan, hand, firstAt, nameOf);
    const lies = lieWords(hand);
    const holds = hand.how.hold === 'hand' ? '' : holdWords(hand.how.hold);
    const mark = stop === null && tool === 'crosscut' ? (measured?.length ?? null) : null;
    const key = [gives, lies, holds, mark].join('|');
    const known = groups.get(key);
    groups.set(key, {
      gives,
      lies,
      holds,
      mark,
      boards: [...(known?.boards ?? []), hand.board + 1],
    });
  });
  return [...groups.values()];
}

/** Millimetres of paper: the head of a step, a line, and what stands round a group; letters and boxes in a line. */
const HEAD = 9;
const LINE = 4.4;
const ROUND_GROUP = 1.6;
const LETTERS = 104;
/** Letters between and behind the words of a group, and of the sentence that says where its mark is. */
const BETWEEN = 24;
const MARK = 46;
const BOXES = 16;
/** More boxes than this in one group go on on the next: a group stands on one sheet. */
const MOST_BOXES = 20 * BOXES;
const HEADING = 30;

const rowsOf = (letters: number): number => Math.ceil(letters / LETTERS);
const lettersOf = ({ gives, lies, holds, mark }: AlikeCuts): number =>
  gives.length + lies.length + holds.length + BETWEEN + (mark === null ? 0 : MARK);
const groupHeight = (group: AlikeCuts): number =>
  ROUND_GROUP + LINE * (rowsOf(lettersOf(group)) + Math.ceil(group.boards.length / BOXES));

/** What stands before all steps. */
const firstHeight = (first: readonly string[]): number =>
  first.length === 0
    ? 0
    : HEAD + first.reduce((sum, words) => sum + LINE * rowsOf(words.length + 4), 0);

/** A long group in parts that fit on a sheet. */
const parted = (group: AlikeCuts): AlikeCuts[] =>
  Array.from({ length: Math.ceil(group.boards.length / MOST_BOXES) }, (_unused, index) => ({
    ...group,
    boards: group.boards.slice(index * MOST_BOXES, (index + 1) * MOST_BOXES),
  }));

/** The steps of a cut plan on sheets of a paper, none cut apart but between its groups. */
export function sawSheets(
  plan: NamedPlan,
  reading: Reading,
  { height }: PaperSize,
  first: readonly string[] = [],
): readonly (readonly StepOnPaper[])[] {
  const blocks = plan.steps.flatMap((step, index) =>
    alikeCuts(plan, index, reading)
      .flatMap(parted)
      .map((group, place): Block<StepOnPaper> => {
        const isFirst = place === 0;
        const before = isFirst
          ? step.before.reduce((sum, words) => sum + LINE * rowsOf(words.length), 0)
          : 0;
        return {
          of: { number: index + 1, step, isFirst, alike: [group] },
          height:
            groupHeight(group) +
            (isFirst ? HEAD + before : 0) +
            (isFirst && index === 0 ? firstHeight(first) : 0),
        };
      }),
  );
  // A step that goes on from the sheet before has its head once more.
  const free = height - 2 * MARGIN - HEADING - HEAD - IN_HAND;
  const room = { height: free, listHead: 0, listFoot: 0 };
  return paginate<never, StepOnPaper>([], blocks, room).map(({ drawings }) => together(drawings));
}

/** Groups of one step that stand on one sheet, under one head. */
function together(groups: readonly StepOnPaper[]): StepOnPaper[] {
  const steps: StepOnPaper[] = [];
  for (const each of groups) {
    const last = steps.at(-1);
    if (last && last.number === each.number)
      steps[steps.length - 1] = { ...last, alike: [...last.alike, ...each.alike] };
    else steps.push(each);
  }
  return steps;
}
