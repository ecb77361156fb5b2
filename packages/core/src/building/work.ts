import { at, sum } from '../lists/index.js';
import type { PanelSet } from '../panels/index.js';
import type { AssemblyStep } from './assembly/steps.js';
import type { Hole } from './holes/hole.js';
import { type Side, sidesOf } from './holes/sides.js';
import { boxesWithNew, stepsOfBox } from './mending.js';
import { coatMinutes, holeMinutes, stepMinutes } from './minutes.js';
import { type BuildPlan, stepKey } from './plan-build.js';
import type { Pace, Work, WorkKind } from './work-done.js';

/** Work with the minutes that are usual for it. */
export type PlannedWork = Work & { minutes: number };

/** By what a hole is and how wide, whatever bit the shop has for it. */
const holeKey = ({ for: use, size }: Hole): string =>
  size.shape === 'round'
    ? `${use} ${Math.round(size.diameter)}`
    : `${use} ${size.shape} ${Math.round(size.width)} ${Math.round(size.height)}`;

type Boxes = Pick<BuildPlan, 'boxes' | 'mended'>;

/** What is bored in a side, copy by copy and width by width, so that it may be done side by side or bit by bit. */
export function sideWork({ panel, face, copies, holes }: Side, build: Boxes): PlannedWork[] {
  const widths = new Map<string, number>();
  for (const hole of holes) {
    const width = holeKey(hole);
    widths.set(width, (widths.get(width) ?? 0) + holeMinutes(hole));
  }
  const on = typeof face === 'string' ? face : `edge-${face.edge}`;
  return [...widths].flatMap(([width, minutes]) =>
    copies.map((copy) => ({
      kind: 'bore' as const,
      key: `${panel} ${copy} ${on} ${width}`,
      box: 0,
      minutes: minutes * boxesWithNew(build, panel, copy),
    })),
  );
}

export const stepWork = (step: AssemblyStep, box: number): PlannedWork => ({
  kind: 'assemble',
  key: stepKey(step),
  box,
  minutes: stepMinutes(step),
});

/** One coat of one of the plan’s finishes on all boxes; finishes and coats are counted from 1. */
export const coatWork = (build: BuildPlan, finish: number, coat: number): PlannedWork => ({
  kind: 'finish',
  key: `${finish}-${coat}`,
  box: 0,
  minutes: coatMinutes(at(build.finish, finish - 1), build.boxes),
});

const upTo = (count: number): number[] =>
  Array.from({ length: count }, (_unused, index) => index + 1);

/** Everything that a batch’s build plan asks to be done, in the order of the work. */
export const workOf = (build: BuildPlan, { panels }: PanelSet): PlannedWork[] => [
  ...sidesOf(build.holes, panels).flatMap((side) => sideWork(side, build)),
  ...upTo(build.boxes).flatMap((box) => stepsOfBox(build, box).map((step) => stepWork(step, box))),
  ...build.finish.flatMap(({ coats }, index) =>
    upTo(coats).map((coat) => coatWork(build, index + 1, coat)),
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
