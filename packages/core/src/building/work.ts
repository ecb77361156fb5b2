import { sum } from '../lists/index.js';
import type { PanelSet } from '../panels/index.js';
import type { AssemblyStep } from './assembly/steps.js';
import { type Side, sidesOf } from './holes/sides.js';
import { coatMinutes, holeMinutes, stepMinutes } from './minutes.js';
import { type BuildPlan, stepKey } from './plan-build.js';
import type { Pace, Work, WorkKind } from './work-done.js';

/** A side by its panel, its face and its copies: what is bored there may move, the side stays. */
export const sideWork = ({ panel, face, copies }: Side): Work => ({
  kind: 'bore',
  key: `${panel} ${copies.join('+')} ${typeof face === 'string' ? face : `edge-${face.edge}`}`,
  box: 0,
});

export const stepWork = (step: AssemblyStep, box: number): Work => ({
  kind: 'assemble',
  key: stepKey(step),
  box,
});

/** One coat of one of the plan’s finishes, both counted from 1. */
export const coatWork = (finish: number, coat: number): Work => ({
  kind: 'finish',
  key: `${finish}-${coat}`,
  box: 0,
});

/** Work with the minutes that are usual for it. */
export type PlannedWork = Work & { minutes: number };

/** Everything that a batch’s build plan asks to be done, in the order of the work. */
export const workOf = (build: BuildPlan, { panels }: PanelSet): PlannedWork[] => [
  ...sidesOf(build.holes, panels).map((side) => ({
    ...sideWork(side),
    minutes: sum(side.holes.map(holeMinutes)) * side.copies.length * build.boxes,
  })),
  ...Array.from({ length: build.boxes }, (_unused, box) =>
    build.steps.map((step) => ({ ...stepWork(step, box + 1), minutes: stepMinutes(step) })),
  ).flat(),
  ...build.finish.flatMap((finish, index) =>
    Array.from({ length: finish.coats }, (_unused, coat) => ({
      ...coatWork(index + 1, coat + 1),
      minutes: coatMinutes(finish, build.boxes),
    })),
  ),
];

/** Minutes of a kind that are left, as long as they take in this shop. */
export function minutesLeft(
  work: readonly PlannedWork[],
  isDone: (work: Work) => boolean,
  pace: Pace,
): Record<WorkKind, number> {
  const left = (kind: WorkKind) =>
    sum(work.flatMap((each) => (each.kind === kind && !isDone(each) ? [each.minutes] : []))) *
    (pace[kind]?.factor ?? 1);
  return { bore: left('bore'), assemble: left('assemble'), finish: left('finish') };
}
