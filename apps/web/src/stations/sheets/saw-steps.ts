import {
  type CutAtHand,
  cutAt,
  type NamedPlan,
  type NamedStep,
  type SeenAtSaw,
} from '@spare-knot/core/cuts';
import { at, sum } from '@spare-knot/core/lists';
import type { Ticks } from '@spare-knot/core/measure';
import { givenWords, holdWords, lieWords, type NameOf } from '../saw/step-words';
import { type Block, fill } from './pages';
import { type Heights, heightOf, type PaperSize, roomOn } from './paper';

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

/** More boxes than this in one group go on on the next: a group stands on one sheet. */
const MOST_BOXES = 320;

/** The name under which a group of a step is measured. */
export const groupName = (
  { number }: Pick<StepOnPaper, 'number'>,
  { gives, lies, holds, mark, boards }: AlikeCuts,
): string => `saw ${[number, gives, lies, holds, mark, boards[0]].join(' | ')}`;

/** A long group in parts that fit on a sheet. */
const parted = (group: AlikeCuts): AlikeCuts[] =>
  Array.from({ length: Math.ceil(group.boards.length / MOST_BOXES) }, (_unused, index) => ({
    ...group,
    boards: group.boards.slice(index * MOST_BOXES, (index + 1) * MOST_BOXES),
  }));

/** The groups of all steps, each with as much as its step is to be told before it. */
export function groupsOf(plan: NamedPlan, reading: Reading): StepOnPaper[] {
  return plan.steps.flatMap((step, index) =>
    alikeCuts(plan, index, reading)
      .flatMap(parted)
      .map((group, place) => ({
        number: index + 1,
        step,
        isFirst: place === 0,
        alike: [group],
      })),
  );
}

/** The steps of a cut plan on sheets of a paper, none cut apart but between its groups. */
export function sawSheets(
  groups: readonly StepOnPaper[],
  size: PaperSize,
  heights: Heights | null,
): StepOnPaper[][] {
  const height = (name: string) => heightOf(heights, name);
  const head = ({ number }: StepOnPaper) => height(`saw head ${number}`);
  const blocks = groups.map((of, index): Block<StepOnPaper> => {
    const own = of.alike.map((group) => height(groupName(of, group)));
    const before = of.isFirst ? head(of) + height(`saw before ${of.number}`) : 0;
    return { of, height: sum(own) + before + (index === 0 ? height('saw first') : 0) };
  });
  // A step that goes on from the sheet before has its head once more.
  const again = Math.max(0, ...groups.map(head));
  const free = roomOn(size, heights) - height('saw title') - again;
  // What is done before the first cut is said on a sheet even where none follows.
  const pages = blocks.length > 0 ? fill(blocks, free) : [[]];
  return pages.map((page) => together(page.map(({ of }) => of)));
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
