import { at, median, sum } from '../lists/index.js';
import { cutKey } from './at-hand.js';
import { type ChangeCosts, changeMinutes, USUAL_COSTS } from './plan-cuts.js';
import type { NamedPlan, NamedStep } from './progress.js';

/** A cut and when it was told to be made, in milliseconds. */
export interface SawnAt {
  cut: string;
  at: number;
}

/** A plan as it was sawn: when it was begun, and each cut. */
export interface SawnPlan {
  plan: Pick<NamedPlan, 'steps'>;
  startedAt: number;
  sawn: readonly SawnAt[];
}

/** Minutes: a pause longer than this is a break and no work. Common practice, no source. */
const BREAK = 20;

/** Minutes: cuts told so soon one after the other were told together, later than they were made. */
const TOGETHER = 0.05;

interface Gap {
  step: number;
  /** The step of the cut before; null for the first. */
  before: number | null;
  minutes: number;
}

/** How long each cut took, with what was set for it: from the cut before to this one. Breaks are left out, and what was told together. */
function gapsOf({ plan, startedAt, sawn }: SawnPlan): Gap[] {
  const steps = new Map(
    plan.steps.flatMap(({ cuts }, index) => cuts.map((cut) => [cutKey(cut), index] as const)),
  );
  const inTime = [...sawn].sort((a, b) => a.at - b.at);
  let [before, last]: [number | null, number] = [null, startedAt];
  return inTime.flatMap(({ cut, at: now }): Gap[] => {
    const step = steps.get(cut);
    if (step === undefined) return [];
    const gap = { step, before, minutes: (now - last) / 60_000 };
    [before, last] = [step, now];
    return gap.minutes > BREAK || gap.minutes < TOGETHER ? [] : [gap];
  });
}

/** A setting with the minutes that were planned for it, and those that it took. */
export interface StepTime {
  step: number;
  cuts: number;
  planned: number;
  /** Null where none of its cuts was timed. */
  taken: number | null;
}

/** Minutes of each setting, planned and taken. */
export function timesOf(sawn: SawnPlan, costs: ChangeCosts = USUAL_COSTS): StepTime[] {
  const gaps = gapsOf(sawn);
  const { steps } = sawn.plan;
  return steps.map((step, index) => {
    const own = gaps.filter((gap) => gap.step === index);
    return {
      step: index,
      cuts: step.cuts.length,
      planned: changeMinutes(steps[index - 1] ?? null, step, costs) + costs.cut * step.cuts.length,
      taken: own.length === 0 ? null : sum(own.map(({ minutes }) => minutes)),
    };
  });
}

/** What a change of setting changes; null where it is more than one thing, so that its minutes tell of none. */
function changeOf(from: NamedStep, to: NamedStep): keyof ChangeCosts | null {
  const changed = [
    from.saw !== to.saw && ('saw' as const),
    from.tilt !== to.tilt && ('tilt' as const),
    from.angle !== to.angle && ('angle' as const),
    to.stop !== null && from.stop !== to.stop && ('stop' as const),
  ].filter((each) => each !== false);
  return changed.length === 1 ? (changed[0] ?? null) : null;
}

/** What a cut or a change took, by so many that were timed. */
export interface Learned {
  minutes: number;
  of: number;
}

/** Fewer than this tell nothing. */
const ENOUGH = 3;

/**
 * What cuts and changes took where they were sawn, each by the median of those that were timed: a change by the cut after it, less a cut.
 * What was timed fewer than three times is not told.
 */
export function learnedCosts(
  plans: readonly SawnPlan[],
): Partial<Record<keyof ChangeCosts, Learned>> {
  const cuts: number[] = [];
  const changes = new Map<keyof ChangeCosts, number[]>();
  for (const sawn of plans)
    for (const { step, before, minutes } of gapsOf(sawn)) {
      if (before === step) cuts.push(minutes);
      if (before === null || before === step) continue;
      const { steps } = sawn.plan;
      const kind = changeOf(at(steps, before), at(steps, step));
      if (kind) changes.set(kind, [...(changes.get(kind) ?? []), minutes]);
    }
  if (cuts.length < ENOUGH) return {};
  const cut = median(cuts);
  const round = (minutes: number) => Math.round(Math.max(0, minutes) * 100) / 100;
  const learned: Partial<Record<keyof ChangeCosts, Learned>> = {
    cut: { minutes: round(cut), of: cuts.length },
  };
  for (const [kind, minutes] of changes)
    if (minutes.length >= ENOUGH)
      learned[kind] = { minutes: round(median(minutes) - cut), of: minutes.length };
  return learned;
}
