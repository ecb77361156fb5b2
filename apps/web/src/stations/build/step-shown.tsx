import { type AssemblyStep, type StepJoint, standingBodies } from '@spare-knot/core/building';
import { at } from '@spare-knot/core/lists';
import { printLengthUnit } from '@spare-knot/core/measure';
import type { PanelSet } from '@spare-knot/core/panels';
import { stepDrawing } from '@spare-knot/core/sheets';
import { lazy, Suspense, useMemo, useState } from 'react';
import { useBatch } from '../../batch/batch-context';
import { useWidth } from '../../board/use-width';
import { PaperPicture } from '../../boxview/paper-picture';
import { Sentence } from '../../measure/length';
import { useUnits } from '../../measure/units';
import {
  comesWords,
  glueWords,
  inTurn,
  jointWords,
  liesWords,
  turnWords,
  upWords,
} from './build-words';
import { headsOf } from './heads-of';
import { minutesWord } from './hours-word';
import { useBitStyle } from './use-bit-style';
import type { Built } from './use-build';

const SolidView = lazy(() => import('../../boxview/solid-view'));

interface Props {
  built: Built;
  nameOf: (id: string) => string;
}

function JointRow({
  joint,
  up,
  nameOf,
}: {
  joint: StepJoint;
  up: string | null;
  nameOf: Props['nameOf'];
}) {
  const { draft } = useBatch();
  const { style } = useUnits();
  const bits = useBitStyle();
  const { what, from, into } = jointWords(joint, style.system === 'inch');
  return (
    <li className="border-b border-dotted border-line py-1.5">
      <span className="inline-block text-lg font-semibold first-letter:uppercase">{what}</span>{' '}
      {joint.drivenFrom ? 'through' : 'between'} {nameOf(from).toLowerCase()}{' '}
      {joint.drivenFrom ? 'into' : 'and'} {nameOf(into).toLowerCase()}
      {up && `, ${up}`}
      <span className="block text-soft">
        {joint.bored !== null && (
          <>
            hole {printLengthUnit(joint.bored, bits)}
            {joint.pilot !== null && `, pilot ${printLengthUnit(joint.pilot, bits)}`};{' '}
          </>
        )}
        {glueWords(joint, draft.plan.choices.fastening === 'screws')}
      </span>
    </li>
  );
}

export function StepWords({
  step,
  title,
  minutes,
  nameOf,
}: {
  step: AssemblyStep;
  title: string;
  /** As long as such a step takes in this shop. */
  minutes: number;
  nameOf: Props['nameOf'];
}) {
  const [, ...small] = step.add;
  const comes = comesWords(step);
  const turn = turnWords(step);
  return (
    <div>
      <h2 className="text-2xl">
        {title}{' '}
        <span className="text-base font-normal text-soft">about {minutesWord(minutes)}</span>
      </h2>
      {small.length > 0 && (
        <p>
          First, while it lies on the bench, put on it:{' '}
          {[...new Set(small.map(({ panel }) => nameOf(panel).toLowerCase()))].join(', ')}.
        </p>
      )}
      {step.stands && (
        <p className="rounded-md bg-warn-pale px-3 py-1 text-lg">
          It stands on the box already: it is only fastened to what is new.
        </p>
      )}
      <p className={step.stands ? 'sr-only' : 'text-lg'}>
        {step.onto.length === 0 ? (
          liesWords(step)
        ) : (
          <>
            {comes && `Comes in ${comes}, `}
            to {[...new Set(step.onto.map(({ panel }) => nameOf(panel).toLowerCase()))].join(', ')}.
          </>
        )}
      </p>
      {turn && <p className="text-lg">{turn}</p>}
      <ul className="mt-2">
        {inTurn(step).map((joint, index) => (
          <JointRow key={index} joint={joint} up={upWords(step, joint)} nameOf={nameOf} />
        ))}
      </ul>
      {step.check.length > 0 && (
        <p className="mt-3 rounded-md bg-moss-pale px-3 py-2 text-lg">
          <strong>Check: </strong>
          <Sentence text={step.check} />.
        </p>
      )}
    </div>
  );
}

/** As much of the box as stands together after some steps. */
function boxUpTo(
  box: PanelSet,
  standing: ReadonlySet<string>,
  steps: readonly AssemblyStep[],
): PanelSet {
  const there = new Set([
    ...standing,
    ...steps.flatMap(({ add }) => add.map(({ panel, instance }) => `${panel}:${instance}`)),
  ]);
  return {
    ...box,
    panels: box.panels.flatMap((panel) => {
      const instances = panel.instances.filter((_each, index) => there.has(`${panel.id}:${index}`));
      return instances.length > 0 ? [{ ...panel, instances }] : [];
    }),
  };
}

export function StepPicture({
  built,
  nameOf,
  steps,
  step,
  box,
}: Props & {
  /** The steps of this box, from 1, and which of them is shown. */
  steps: readonly AssemblyStep[];
  step: number;
  box: number;
}) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const [solid, setSolid] = useState(false);
  const standing = useMemo(() => standingBodies(built.build, built.box, box), [built, box]);
  const drawing = useMemo(
    () =>
      stepDrawing(built.box, {
        steps,
        step,
        heads: headsOf(built.build, at(steps, step)),
        nameOf,
        standing,
      }),
    [built, steps, step, nameOf, standing],
  );
  const soFar = useMemo(
    () => boxUpTo(built.box, standing, steps.slice(0, step + 1)),
    [built, steps, step, standing],
  );
  return (
    <div ref={ref}>
      {width > 0 && !solid && (
        <div className="grid place-items-center rounded-md bg-card lg:min-h-[420px]">
          <PaperPicture
            drawing={drawing}
            width={width}
            most={430}
            label={`Step ${step + 1}: ${nameOf(at(steps, step).add[0]?.panel ?? '')} comes in`}
          />
        </div>
      )}
      {solid && (
        <Suspense
          fallback={<p className="grid h-[420px] place-items-center">Fetching the solid view…</p>}
        >
          <SolidView box={soFar} height={380} />
        </Suspense>
      )}
      <button type="button" className="btn mt-2" onClick={() => setSolid(!solid)}>
        {solid ? 'Show the drawing' : 'Turn it in space'}
      </button>
    </div>
  );
}
