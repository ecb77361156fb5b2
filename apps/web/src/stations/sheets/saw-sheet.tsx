import { Length } from '../../measure/length';
import { settingWords, toolWord } from '../saw/step-words';
import type { AlikeCuts, StepOnPaper } from './saw-steps';

function Group({ group: { gives, lies, holds, mark, boards } }: { group: AlikeCuts }) {
  return (
    <li className="mt-[1.2mm]">
      <span className="font-semibold">{gives}.</span> {lies} {holds}
      {mark !== null && (
        <>
          {' '}
          Mark at <Length ticks={mark} unit /> from the end at your left.
        </>
      )}
      <span className="flex flex-wrap gap-x-[2.4mm]">
        {boards.map((board, index) => (
          <span key={index} data-box className="whitespace-nowrap">
            <span className="mr-[0.8mm] inline-block size-[3mm] border-[0.3mm] border-black align-[-0.4mm]" />
            {board}
          </span>
        ))}
      </span>
    </li>
  );
}

/** Saw steps with a box to tick for each cut, numbered by its board. */
export function SawSheet({
  steps,
  first,
  isOfLayout,
}: {
  steps: readonly StepOnPaper[];
  /** What is done before all of it, on the first sheet; null on the others. */
  first: readonly string[] | null;
  /** Whether its boards are those of the layout; else they are told by `first`. */
  isOfLayout: boolean;
}) {
  const order = isOfLayout ? 'in the order of the layout' : 'as they are listed here';
  return (
    <>
      <h2 className="mt-[3mm] font-slab text-[4.2mm]">
        Saw steps
        {first ? `: boxes are numbered by board, ${order}` : ', continued'}
      </h2>
      {first && first.length > 0 && (
        <div className="mt-[2mm] border-t-[0.2mm] border-[#999] pt-[0.8mm]">
          <p className="font-bold">
            {isOfLayout ? 'Before the first cut, while the boards are long' : 'What lies there'}
          </p>
          <ul>
            {first.map((words) => (
              <li key={words}>
                <span className="mr-[1.6mm] inline-block size-[3mm] border-[0.3mm] border-black align-[-0.4mm]" />
                <span className="first-letter:uppercase">{words}.</span>
              </li>
            ))}
          </ul>
        </div>
      )}
      <ol>
        {steps.map(({ number, step, isFirst: begins, alike }) => (
          <li key={number} className="mt-[2mm] border-t-[0.2mm] border-[#999] pt-[0.8mm]">
            <p className="font-bold">
              {number}. {toolWord(step)}, {step.saw}: {settingWords(step)}
              {step.stop !== null ? (
                <>
                  , {step.tool === 'rip' ? 'fence' : 'stop'} at <Length ticks={step.stop} unit />
                </>
              ) : (
                step.tool === 'crosscut' && ', to marks'
              )}
              {!begins && ' (continued)'}
            </p>
            {begins && step.before.map((words) => <p key={words}>First, {words}.</p>)}
            <ul>
              {alike.map((group, index) => (
                <Group key={index} group={group} />
              ))}
            </ul>
          </li>
        ))}
      </ol>
    </>
  );
}
