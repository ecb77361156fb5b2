import {
  boxesOfStep,
  type Letter,
  type StepJoint,
  standingBodies,
} from '@spare-knot/core/building';
import { at } from '@spare-knot/core/lists';
import { printLengthUnit } from '@spare-knot/core/measure';
import { stepDrawing } from '@spare-knot/core/sheets';
import { useMemo } from 'react';
import { useBatch } from '../../batch/batch-context';
import { PaperPicture } from '../../boxview/paper-picture';
import { Sentence } from '../../measure/length';
import { useUnits } from '../../measure/units';
import {
  comesWords,
  glueWords,
  inTurn,
  jointWords,
  liesWords,
  pieceName,
  sameCopy,
  turnWords,
  upWords,
} from '../build/build-words';
import { headsOf } from '../build/heads-of';
import { useBitStyle } from '../build/use-bit-style';
import type { Built } from '../build/use-build';
import { PICTURE, stepName } from './bench-pages';
import { Measured } from './measured';
import { PER_MM } from './paper';

interface Props {
  built: Built;
  nameOf: (panel: string) => string;
}

/** The letter that stands on both pieces of a joint. */
const letterOf = (letters: readonly Letter[], { between: [a, b] }: StepJoint): string =>
  letters.find(({ between: [c, d] }) => sameCopy(a, c) && sameCopy(b, d))?.letter ?? '';

function JointLine({ joint, up, built, nameOf }: { joint: StepJoint; up: string | null } & Props) {
  const { draft } = useBatch();
  const { style } = useUnits();
  const bits = useBitStyle();
  const { what, from, into } = jointWords(joint, style.system === 'inch');
  return (
    <li className="mt-[0.8mm]">
      <span className="mr-[1.6mm] inline-block size-[3mm] border-[0.3mm] border-black align-[-0.4mm]" />
      <strong>{letterOf(built.build.letters, joint)}</strong> {nameOf(from).toLowerCase()} to{' '}
      {nameOf(into).toLowerCase()}
      {up && `, ${up}`}: <strong>{what}</strong>
      {joint.pilot !== null && `, pilot ${printLengthUnit(joint.pilot, bits)}`};{' '}
      {glueWords(joint, draft.plan.choices.fastening === 'screws')}
    </li>
  );
}

/** One step on paper: its picture, and beside it what is done, a box to tick for each joint. */
export function StepOnPaper({ built, nameOf, step }: Props & { step: number }) {
  const { build, box } = built;
  const now = at(build.steps, step);
  const drawing = useMemo(
    () =>
      stepDrawing(box, {
        steps: build.steps,
        step,
        heads: headsOf(build, now),
        nameOf,
        standing: standingBodies(build, box, null),
      }),
    [box, build, step, now, nameOf],
  );
  const { mends } = useBatch().batch;
  const numbers = mends && boxesOfStep(build, now).map((each) => mends.boxes[each - 1]?.number);
  const comes = comesWords(now);
  const turn = turnWords(now);
  const small = [...new Set(now.add.slice(1).map(({ panel }) => nameOf(panel).toLowerCase()))];
  return (
    <Measured name={stepName(step)}>
      <article
        data-step={step + 1}
        className="mt-[2mm] flex gap-[4mm] border-t-[0.2mm] border-[#999] pt-[1mm]"
      >
        <div className="grid w-[74mm] shrink-0 place-items-center">
          <PaperPicture
            drawing={drawing}
            width={72 * PER_MM}
            most={(PICTURE - 2) * PER_MM}
            label={`Step ${step + 1}`}
          />
        </div>
        <div>
          <h3 className="font-slab text-[4.2mm] font-bold">
            {step + 1}. {pieceName(built, now, nameOf)}
          </h3>
          <p>
            {now.onto.length === 0
              ? liesWords(now)
              : `${turn ?? ''} ${comes ? `The new piece comes in ${comes}.` : ''}`}
            {numbers && ` For ${numbers.length === 1 ? 'box' : 'boxes'} ${numbers.join(', ')}.`}
            {now.stands && ' It stands already: only fasten it.'}
            {small.length > 0 && ` First put on it: ${small.join(', ')}.`}
          </p>
          <ul>
            {inTurn(now).map((joint, index) => (
              <JointLine
                key={index}
                joint={joint}
                up={upWords(now, joint)}
                built={built}
                nameOf={nameOf}
              />
            ))}
          </ul>
          {now.check.length > 0 && (
            <p className="mt-[1mm]">
              <strong>Check:</strong> <Sentence text={now.check} />.
            </p>
          )}
        </div>
      </article>
    </Measured>
  );
}
