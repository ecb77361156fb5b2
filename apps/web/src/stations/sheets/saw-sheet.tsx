import { Length } from '../../measure/length';
import { settingWords, toolWord } from '../saw/step-words';
import { Measured } from './measured';
import { type AlikeCuts, groupName, type StepOnPaper } from './saw-steps';

function Group({ step, group }: { step: StepOnPaper; group: AlikeCuts }) {
  const { gives, lies, holds, mark, boards } = group;
  return (
    <li data-height={groupName(step, group)} className="pt-[1.2mm]">
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

/** A step, or as much of it as stands on this sheet: how the saw is set, what comes before, and the cuts. */
function Step({ of }: { of: StepOnPaper }) {
  const { number, step, isFirst, alike } = of;
  return (
    <li>
      <Measured name={`saw head ${number}`}>
        <p className="mt-[2mm] border-t-[0.2mm] border-[#999] pt-[0.8mm] font-bold">
          {number}. {toolWord(step)}, {step.saw}: {settingWords(step)}
          {step.stop !== null ? (
            <>
              , {step.tool === 'rip' ? 'fence' : 'stop'} at <Length ticks={step.stop} unit />
            </>
          ) : (
            step.tool === 'crosscut' && ', to marks'
          )}
          {!isFirst && ' (continued)'}
        </p>
      </Measured>
      {isFirst && (
        <Measured name={`saw before ${number}`}>
          {step.before.map((words) => (
            <p key={words}>First, {words}.</p>
          ))}
        </Measured>
      )}
      <ul>
        {alike.map((group) => (
          <Group key={groupName(of, group)} step={of} group={group} />
        ))}
      </ul>
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
      <Measured name="saw title">
        <h2 className="mt-[3mm] font-slab text-[4.2mm]">
          Saw steps
          {first ? `: boxes are numbered by board, ${order}` : ', continued'}
        </h2>
      </Measured>
      {first && first.length > 0 && (
        <Measured name="saw first">
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
        </Measured>
      )}
      <ol>
        {steps.map((each) => (
          <Step key={each.number} of={each} />
        ))}
      </ol>
    </>
  );
}
