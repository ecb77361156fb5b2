import { applying, type BoxPlan, type Choice, type Option } from '@spare-knot/core/plan';
import type { DrawnOption } from '@spare-knot/core/sheets';

import { SmallPicture } from '../../boxview/small-picture';
import { usePrintedText } from '../../measure/length';
import { optionKey } from '../../workers/option-key';
import { useOptionPictures } from '../../workers/use-option-pictures';

/** The box as this option would make it, in small; why it cannot be built; or nothing while that is worked out. */
function OptionPictureBox({ drawn, light }: { drawn: DrawnOption | undefined; light: boolean }) {
  const print = usePrintedText();
  if (drawn?.ok)
    return <SmallPicture picture={drawn.picture} width={50} height={42} light={light} />;
  return (
    <span
      className="grid h-[42px] place-items-center text-soft"
      title={drawn?.refusals.map(({ message }) => print(message)).join(' ')}
    >
      {drawn ? 'not now' : ''}
    </span>
  );
}

function OptionButton({
  choice,
  option,
  isChosen,
  drawn,
  onChoose,
}: {
  choice: Choice;
  option: Option;
  isChosen: boolean;
  drawn: DrawnOption | undefined;
  onChoose: () => void;
}) {
  const look = isChosen
    ? 'border-2 border-chalk bg-chalk-pale font-bold'
    : 'border-[#b9ad93] bg-white';
  return (
    <label
      title={option.reason}
      className={`relative flex min-h-7 cursor-pointer flex-col items-center justify-center rounded-md border px-1.5 py-0.5 text-center text-[0.8rem] leading-tight has-focus-visible:outline-3 has-focus-visible:outline-chalk ${choice.picture ? 'w-[64px]' : ''} ${look}`}
    >
      <input
        type="radio"
        className="sr-only"
        name={choice.id}
        checked={isChosen}
        onChange={onChoose}
      />
      {choice.picture && <OptionPictureBox drawn={drawn} light={choice.picture === 'front'} />}
      <span>{option.label}</span>
    </label>
  );
}

/** Questions of one group together, groups in the order in which they first come. */
function grouped(choices: readonly Choice[]): [group: string, choices: Choice[]][] {
  const found = new Map<string, Choice[]>();
  for (const choice of choices) {
    const group = choice.group ?? 'Making';
    found.set(group, [...(found.get(group) ?? []), choice]);
  }
  return [...found];
}

/** What was answered, in a line: for a group that is folded away. */
const answers = (choices: readonly Choice[], plan: BoxPlan): string =>
  choices
    .flatMap(
      ({ id, options }) => options.find((option) => option.id === plan.choices[id])?.label ?? [],
    )
    .join(' · ');

/** Every question of a kind of box with its options, each drawn as it would be. What is answered in words is asked beside its check. */
export function ChoicePickers({
  choices,
  plan,
  drawnPlan,
  locked,
  onChoose,
}: {
  choices: readonly Choice[];
  plan: BoxPlan;
  /** The plan that options are drawn from: the last that could be built. */
  drawnPlan: BoxPlan;
  locked: boolean;
  onChoose: (choice: string, option: string) => void;
}) {
  const pictures = useOptionPictures(drawnPlan);
  const asked = applying(choices, plan.choices).filter(({ words }) => words === undefined);
  return grouped(asked).map(([group, questions]) => (
    <details key={group} className="group mt-2 border-t border-line pt-1.5" open>
      <summary className="cursor-pointer text-[0.95rem] font-bold">
        {group}
        <span className="block pl-3.5 text-[0.8rem] font-normal leading-tight text-soft group-open:hidden">
          {answers(questions, plan)}
        </span>
      </summary>
      {questions.map((choice) => (
        <fieldset key={choice.id} className="mt-1.5" disabled={locked}>
          <legend className="label">{choice.label}</legend>
          <div className="mt-1 flex flex-wrap gap-1.5">
            {choice.options.map((option) => (
              <OptionButton
                key={option.id}
                choice={choice}
                option={option}
                isChosen={plan.choices[choice.id] === option.id}
                drawn={pictures.get(optionKey(choice.id, option.id))}
                onChoose={() => onChoose(choice.id, option.id)}
              />
            ))}
          </div>
        </fieldset>
      ))}
    </details>
  ));
}
