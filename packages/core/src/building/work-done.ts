import { median } from '../lists/index.js';

/** What is told at the bench when it is done. */
export const WORK_KINDS = ['bore', 'assemble', 'finish'] as const;
export type WorkKind = (typeof WORK_KINDS)[number];

/** A piece of work: what is bored and coats are for all boxes at once (box 0), a step is done box by box, from 1. */
export interface Work {
  kind: WorkKind;
  /** Which side, step or coat. */
  key: string;
  box: number;
}

/** What tells one piece of work from all others. */
export const workKey = ({ kind, key, box }: Work): string => `${kind} ${key} ${box}`;

/** Work with the minutes that were planned for it, and when it was told to be done, in milliseconds. */
export interface TimedWork {
  kind: WorkKind;
  planned: number;
  at: number;
}

/** By what the planned minutes are multiplied so that they are what work of a kind takes in this shop, and how many were timed. */
export interface Learned {
  factor: number;
  of: number;
}
export type Pace = Readonly<Partial<Record<WorkKind, Learned>>>;

/** Minutes: a pause longer than this is a break and no work, unless more was planned. Common practice, no source. */
const BREAK = 20;
/** Minutes: told so soon one after the other, they were told together. */
const TOGETHER = 0.05;
/** Fewer than this tell nothing. */
const ENOUGH = 3;

/** What was told together was done together: its minutes are those of all of it. */
function inPresses(batch: readonly TimedWork[]): TimedWork[] {
  const presses: TimedWork[] = [];
  for (const work of [...batch].sort((a, b) => a.at - b.at)) {
    const last = presses.at(-1);
    if (last && last.kind === work.kind && (work.at - last.at) / 60_000 < TOGETHER)
      presses[presses.length - 1] = { ...work, planned: last.planned + work.planned };
    else presses.push(work);
  }
  return presses;
}

/**
 * How long work takes in this shop, by the median of what was timed: from the press before of the same batch to this one. Breaks are left
 * out; what was timed fewer than three times is not told.
 */
export function paceOf(batches: readonly (readonly TimedWork[])[]): Pace {
  const ratios = new Map<WorkKind, number[]>();
  for (const batch of batches) {
    const presses = inPresses(batch);
    presses.forEach(({ kind, planned, at }, index) => {
      const before = presses[index - 1];
      if (!before || planned <= 0) return;
      const minutes = (at - before.at) / 60_000;
      if (minutes < TOGETHER || minutes > Math.max(BREAK, 3 * planned)) return;
      ratios.set(kind, [...(ratios.get(kind) ?? []), minutes / planned]);
    });
  }
  const pace: Partial<Record<WorkKind, Learned>> = {};
  for (const [kind, found] of ratios)
    if (found.length >= ENOUGH)
      pace[kind] = { factor: Math.round(median(found) * 100) / 100, of: found.length };
  return pace;
}
