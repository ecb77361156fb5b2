import {
  type AssemblyStep,
  type PlannedWork,
  stepsOfBox,
  stepWork,
} from '@spare-knot/core/building';
import { at } from '@spare-knot/core/lists';
import { useState } from 'react';
import type { BenchWork } from './use-bench-work';
import type { Built } from './use-build';

/** One step of one box, boxes from 1. */
interface Here {
  box: number;
  place: number;
}

/** The first step that is not done, box after box; the last where all are. */
function firstLeft({ build }: Built, work: BenchWork): Here {
  const { boxes } = build;
  for (let box = 1; box <= boxes; box += 1) {
    const place = stepsOfBox(build, box).findIndex((step) => !work.isDone(stepWork(step, box)));
    if (place >= 0) return { box, place };
  }
  return { box: boxes, place: stepsOfBox(build, boxes).length - 1 };
}

/** Which step of which box is at hand, and how it is gone on from. */
export interface Assembly extends Here {
  step: AssemblyStep;
  /** The steps of this box. */
  steps: readonly AssemblyStep[];
  own: PlannedWork;
  isDone: boolean;
  /** How many boxes are together. */
  whole: number;
  go: (by: number) => void;
  setPlace: (place: number) => void;
  setBox: (box: number) => void;
  /** This step of this box is done: on to the next, and from the last to the next box. */
  done: () => void;
  undo: () => void;
}

/** The assembly of a batch, box after box: it begins where it was left. */
export function useAssembly(built: Built, work: BenchWork): Assembly {
  const { boxes } = built.build;
  const [picked, setPicked] = useState<Here | null>(null);
  const here = picked ?? firstLeft(built, work);
  const box = Math.max(1, Math.min(here.box, boxes));
  const steps = stepsOfBox(built.build, box);
  const place = Math.max(0, Math.min(here.place, steps.length - 1));
  const step = at(steps, place);
  const own = stepWork(step, box);
  const setPlace = (next: number) => setPicked({ box, place: next });
  const isWhole = (each: number) =>
    stepsOfBox(built.build, each).every((one) => work.isDone(stepWork(one, each)));
  return {
    box,
    place,
    step,
    steps,
    own,
    isDone: work.isDone(own),
    whole: Array.from({ length: boxes }, (_unused, index) => index + 1).filter(isWhole).length,
    go: (by) => setPlace(Math.max(0, Math.min(steps.length - 1, place + by))),
    setPlace,
    setBox: (next) => setPicked({ box: next, place: 0 }),
    done: () => {
      if (step.out !== null) work.tell([own], true);
      if (place < steps.length - 1) setPlace(place + 1);
      else if (box < boxes) setPicked({ box: box + 1, place: 0 });
    },
    undo: () => {
      work.tell([own], false);
      setPlace(place);
    },
  };
}
