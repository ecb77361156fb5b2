import { animalById } from '../animals/index.js';
import type { MendedBox } from '../job/index.js';
import { at, sum } from '../lists/index.js';
import type { Ticks } from '../measure/index.js';
import type { PanelSet } from '../panels/index.js';
import type { BoxPlan } from '../plan/index.js';
import { type Bench, benchOf } from './assembly/bench.js';
import type { Putting } from './assembly/putting.js';
import type { AssemblySchool } from './assembly/schools.js';
import { ownOrder, searchOrder } from './assembly/sequence.js';
import { type AssemblyStep, stepsOf } from './assembly/steps.js';
import type { Bit } from './bits.js';
import { bodiesOf, bodyKey, keyOf } from './bodies.js';
import { type Driven, drivenFasteners } from './driven.js';
import { type Hanging, hangingOf } from './hanging/hanging.js';
import type { Site } from './hanging/way-parts.js';
import { type Coats, caulkedSeams, caulkLength, coatsOf } from './hardware/covered.js';
import { type BoredHole, bitFor } from './holes/bit-for.js';
import type { Hole } from './holes/hole.js';
import { holesOf } from './holes/holes-of.js';
import { type HardwareCount, itemsOf } from './items.js';
import { type Letter, lettersOf } from './letters.js';
import {
  mendedCoats,
  mendedItems,
  mendingSteps,
  type NewInBox,
  newInBoxes,
  newShare,
  stepsOfBox,
} from './mending.js';
import { type BuildTimes, timesOf } from './minutes.js';
import { type BuildProblem, problemsOf } from './problems.js';
import { type Weights, weightsOf } from './weights.js';
import type { Pace } from './work-done.js';

/** Everything between sawn panels and a box that hangs. Lengths in ticks, weights in kilograms, times of one box in minutes. */
export interface BuildPlan {
  boxes: number;
  /** Of one box. */
  holes: readonly BoredHole[];
  steps: readonly AssemblyStep[];
  hardware: readonly HardwareCount[];
  finish: readonly Coats[];
  seal: { length: Ticks; where: readonly string[] };
  letters: readonly Letter[];
  weight: Weights;
  hanging: Hanging;
  times: BuildTimes;
  problems: readonly BuildProblem[];
  /** Where boxes are mended: box by box which copies of panels go in new; null where whole boxes are built. */
  mended: readonly NewInBox[] | null;
}

/** What the maker decides beside the plan. */
export interface BuildChoices {
  school: AssemblySchool;
  /** The maker’s own order: each first panel of a step, as `panel:copy`; null for the one that is searched. */
  order: readonly string[] | null;
  /** Bits that the maker owns; null while that is not known. */
  bits: readonly Bit[] | null;
  site?: Site;
  /** What the shop’s own log says of the usual minutes. */
  pace?: Pace;
  /** Boxes that are mended: holes, steps and what they take are of their new panels alone. */
  mends?: readonly MendedBox[];
}

export const USUAL_BUILD: BuildChoices = { school: 'back-first', order: null, bits: null };

/** The maker’s order as units; null where it does not name each of them once. */
function ownUnits({ units, bodies }: Bench, order: readonly string[] | null): number[] | null {
  if (order === null) return null;
  const first = new Map(
    units.map(({ bodies: [body = 0] }, unit) => [keyOf(at(bodies, body)), unit]),
  );
  const named = order.flatMap((key) => first.get(key) ?? []);
  return new Set(named).size === units.length && order.length === units.length ? named : null;
}

function assembled(
  plan: BoxPlan,
  bench: Bench,
  holes: readonly Hole[],
  { school, order }: BuildChoices,
): { puttings: readonly Putting[]; steps: readonly AssemblyStep[] } {
  const own = ownUnits(bench, order);
  const puttings = own ? ownOrder(bench, own) : searchOrder(bench, school);
  return { puttings, steps: stepsOf({ plan, bench, holes }, puttings) };
}

const hung = ({ parts }: Hanging) =>
  parts.flatMap(({ id, quantity, unit }) =>
    unit === 'pieces' ? [{ item: id, count: quantity }] : [],
  );

const opens = (steps: readonly AssemblyStep[], { joints }: PanelSet): boolean =>
  steps.some(({ moves }) => moves) || joints.some(({ kind }) => kind === 'screwed');

/**
 * From panels to boxes that hang: every hole from two real edges, an order of assembly that works, what it takes, how long it takes, what
 * is wrong with it. Pure; nothing is thrown for a box that `buildBox` gave.
 *
 * @example planBuild(plan, built.box, 6).steps
 */
export function planBuild(
  plan: BoxPlan,
  box: PanelSet,
  boxes: number,
  choices: BuildChoices = USUAL_BUILD,
): BuildPlan {
  const bodies = bodiesOf(box);
  const driven: readonly Driven[] = drivenFasteners(box, bodies);
  const animal = animalById(plan.animals[0] ?? '');
  const bored = holesOf(plan, bodies, driven);
  const holes = bored.map((hole) => ({ ...hole, bit: bitFor(hole, choices.bits, animal) }));
  const bench = benchOf(box, bodies, driven);
  const { puttings, steps } = assembled(plan, bench, bored, choices);
  const hardware = itemsOf(steps, boxes);
  const finish = coatsOf(plan, box);
  const seams = caulkedSeams(plan, box);
  const caulk = caulkLength(plan, seams);
  const items = hardware.map(({ item, forOneBox }) => ({ item, count: forOneBox }));
  const { wet } = weightsOf(plan, box, items, []);
  const hanging = hangingOf(
    { plan, kilograms: wet, opens: opens(steps, box) },
    box,
    holes,
    choices.site,
  );
  const whole: BuildPlan = {
    boxes,
    holes,
    steps,
    hardware,
    finish,
    seal: { length: caulk, where: [...new Set(seams.flatMap(({ between }) => between))] },
    letters: lettersOf(steps),
    weight: weightsOf(plan, box, items, hung(hanging)),
    hanging,
    times: timesOf(
      {
        holes,
        bits: new Set(holes.map(({ bit }) => bit.key)).size,
        steps,
        coats: finish,
        caulk,
        boxes,
      },
      choices.pace,
    ),
    problems: problemsOf({ plan, box, bench, puttings, holes, hanging }),
    mended: null,
  };
  const { mends = [], pace } = choices;
  return mends.length > 0 ? mending(whole, plan, box, mends, pace) : whole;
}

/** Of a whole box's plan what is done where some of its panels go in new. Times are of one box on an average. */
function mending(
  whole: BuildPlan,
  plan: BoxPlan,
  box: PanelSet,
  mends: readonly MendedBox[],
  pace?: Pace,
): BuildPlan {
  const mended = newInBoxes(mends);
  const boxes = mended.length;
  const anywhere: NewInBox = new Set(mended.flatMap((fresh) => [...fresh]));
  const boredIn = (fresh: NewInBox) =>
    whole.holes.filter(({ panel, instance }) => fresh.has(bodyKey(panel, instance)));
  const steps = mendingSteps(whole.steps, anywhere);
  const boxSteps = mended.map((_unused, index) =>
    stepsOfBox({ steps: whole.steps, mended }, index + 1),
  );
  const holes = boredIn(anywhere);
  const finish = mendedCoats(whole.finish, newShare(box, mended));
  const seams = caulkedSeams(plan, box);
  const newSeams = mends.map(({ panels }) =>
    seams.filter(({ between }) => panels.some(({ panel }) => between.includes(panel))),
  );
  const caulk = sum(newSeams.map((own) => caulkLength(plan, own)));
  const all = timesOf(
    {
      holes: mended.flatMap(boredIn),
      bits: new Set(holes.map(({ bit }) => bit.key)).size,
      steps: boxSteps.flat(),
      coats: mendedCoats(finish, boxes),
      caulk,
      boxes: 1,
    },
    pace,
  );
  return {
    ...whole,
    boxes,
    holes,
    steps,
    hardware: mendedItems(boxSteps),
    finish,
    seal: {
      length: Math.round(caulk / boxes),
      where: [...new Set(newSeams.flat().flatMap(({ between }) => between))],
    },
    letters: lettersOf(steps),
    times: {
      ...all,
      drilling: all.drilling / boxes,
      assembly: all.assembly / boxes,
      finish: all.finish / boxes,
    },
    mended,
  };
}

/** The key by which an order names a step. */
export const stepKey = ({ add: [first] }: AssemblyStep): string =>
  first ? bodyKey(first.panel, first.instance) : '';
