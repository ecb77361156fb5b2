import { fromMm, type Ticks } from '../measure/index.js';

/** What an offcut is worth by its length: so much for its area from this length on. */
export interface OffcutClass {
  from: Ticks;
  worth: number;
}

/** What counts, after as many parts as can be placed: the least cost, the fewest cuts, or the longest clean offcut. */
export interface Goals {
  first: 'cost' | 'cuts' | 'offcut';
  classes: readonly OffcutClass[];
  /** In how many stages at most a board comes apart, its cuts turning by a quarter from one to the next; left out: any. */
  stages?: 2 | 3 | null;
}

/** A long clean offcut is worth more than two short ones of its area: common practice, no source. */
export const STANDARD_CLASSES: readonly OffcutClass[] = [
  { from: 0, worth: 0.3 },
  { from: fromMm(300), worth: 0.6 },
  { from: fromMm(600), worth: 0.9 },
  { from: fromMm(1200), worth: 1 },
];
export const STANDARD_GOALS: Goals = { first: 'cost', classes: STANDARD_CLASSES };

/** Worth of a rectangle of wood in square ticks of the best class. */
export function woodWorth(
  length: Ticks,
  width: Ticks,
  { classes }: Pick<Goals, 'classes'>,
): number {
  let worth = 0;
  for (const each of classes) if (length >= each.from) worth = Math.max(worth, each.worth);
  return length * width * worth;
}
