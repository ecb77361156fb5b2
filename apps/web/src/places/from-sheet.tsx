import {
  type Misfit,
  readPanelSheet,
  type SheetProblem,
  type SheetQuestion,
  sheetLacks,
} from '@spare-knot/core/advice';
import { ANIMALS, type Animal, animalById, REGION_NAMES } from '@spare-knot/core/animals';
import { familyById } from '@spare-knot/core/families';
import type { BoxPlan } from '@spare-knot/core/plan';
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { SmallPicture } from '../boxview/small-picture';
import { Length } from '../measure/length';
import { useUnits } from '../measure/units';
import { ofWindow } from '../store/steady-store';
import { STANDARD_WOOD } from '../wood/standard-wood';
import { AskWorker } from '../workers/ask-worker';
import { type AnswerWorker, OneAnswer } from '../workers/one-answer';
import type { DrawnFit } from '../workers/sheet.worker';

const hire = () =>
  new Worker(new URL('../workers/sheet.worker.ts', import.meta.url), {
    type: 'module',
  }) as AnswerWorker<DrawnFit[]>;

const EXAMPLE = `3/4 thick
2 sides 5 1/2 x 10 1/4 to 9 1/4
front 4 x 9 1/4
back 4 x 13
floor 4 x 4
roof 7 x 8
hole 1 1/8`;

/** What is typed stays through a reload, and while an animal is looked at instead. */
const KEPT = { text: 'sheet of sizes', animal: 'sheet of sizes, for whom' };

/** What is typed into a sheet, and the boxes that it can mean. */
export function useSheet(chosen: Animal | null) {
  const { style } = useUnits();
  const [text, setText] = useState(() => ofWindow.getItem(KEPT.text) ?? '');
  const [animalId, setAnimalId] = useState(() => chosen?.id ?? ofWindow.getItem(KEPT.animal) ?? '');
  const [desk] = useState(() => new OneAnswer<SheetQuestion, DrawnFit[]>(hire));
  useEffect(() => desk.stop, [desk]);
  const state = useSyncExternalStore(desk.subscribe, desk.snapshot);
  const { sheet, problems } = useMemo(() => readPanelSheet(text, style.system), [text, style]);
  const animal = animalById(animalId);
  const lacks = animal ? sheetLacks(sheet) : 'Say whom it is for: the animal sets the entrance.';
  return {
    text,
    problems,
    lacks: text.trim() === '' ? null : lacks,
    isReady: lacks === null && problems.length === 0,
    animalId,
    state,
    setText: (next: string) => {
      setText(next);
      ofWindow.setItem(KEPT.text, next);
      desk.clear();
    },
    setAnimal: (next: string) => {
      setAnimalId(next);
      ofWindow.setItem(KEPT.animal, next);
      desk.clear();
    },
    find: () => animal && desk.start({ sheet, animal, wood: STANDARD_WOOD }),
    stop: desk.stop,
  };
}
type Sheet = ReturnType<typeof useSheet>;

function ForWhom({ sheet }: { sheet: Sheet }) {
  const regions = [...new Set(ANIMALS.map(({ region }) => region))];
  return (
    <label className="mt-3 block">
      <span className="label">For whom</span>
      <select
        className="field mt-1 block w-80 max-w-full"
        value={sheet.animalId}
        onChange={(event) => sheet.setAnimal(event.target.value)}
      >
        <option value="">not said yet</option>
        {regions.map((region) => (
          <optgroup key={region} label={REGION_NAMES[region]}>
            {ANIMALS.filter((each) => each.region === region).map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </optgroup>
        ))}
      </select>
    </label>
  );
}

const Unread = ({ problems }: { problems: readonly SheetProblem[] }) => (
  <ul className="mt-2 text-sm text-danger" role="alert" aria-label="Lines not read">
    {problems.map(({ line, message }) => (
      <li key={line}>
        <strong>Line {line}:</strong> {message}
      </li>
    ))}
  </ul>
);

/** The sheet as it is typed, and what is wrong with it. */
export function SheetCard({ sheet }: { sheet: Sheet }) {
  const { state, problems, lacks } = sheet;
  return (
    <section className="card p-4" aria-label="Sheet of panel sizes">
      <label className="block">
        <span className="label">
          A panel a line: how many, its name, width × length. A sloped side has both its lengths.
        </span>
        <textarea
          className="field mono mt-1 block h-64 w-full leading-relaxed"
          spellCheck={false}
          placeholder={EXAMPLE}
          value={sheet.text}
          onChange={(event) => sheet.setText(event.target.value)}
        />
      </label>
      {problems.length > 0 && <Unread problems={problems} />}
      <ForWhom sheet={sheet} />
      {lacks && problems.length === 0 && <p className="mt-2 text-sm text-warn">{lacks}</p>}
      {(sheet.isReady || state.share !== null) && (
        <div className="mt-3">
          <AskWorker
            share={state.share}
            trouble={state.trouble}
            press="Find the box"
            tried="sizes"
            onStart={sheet.find}
            onStop={sheet.stop}
          />
        </div>
      )}
    </section>
  );
}

/** Where the sheet contradicts itself. */
const Misfits = ({ misfits }: { misfits: readonly Misfit[] }) => (
  <ul
    className="mt-1 border-l-4 border-danger pl-2 text-sm"
    aria-label="The sheet contradicts itself"
  >
    {misfits.map(({ line, name, what, said, comes }) => (
      <li key={`${line} ${what}`} className="mt-0.5">
        <strong>
          Line {line}, {name}:
        </strong>{' '}
        the sheet says {what} <Length ticks={said} unit />; its other sizes give{' '}
        <strong>
          <Length ticks={comes} unit />
        </strong>
        .
      </li>
    ))}
  </ul>
);

/** What this box answers otherwise than the others that were found, in words. */
function answersOf({ plan, answers }: DrawnFit): string {
  const family = familyById(plan.family);
  return answers
    .flatMap(({ choice, option }) => {
      const asked = family?.choices.find(({ id }) => id === choice);
      const label = asked?.options.find(({ id }) => id === option)?.label;
      return asked && label ? [`${asked.label.toLowerCase()} ${label}`] : [];
    })
    .join('; ');
}

function FitChoice({
  fit,
  isChosen,
  onChoose,
}: {
  fit: DrawnFit;
  isChosen: boolean;
  onChoose: () => void;
}) {
  return (
    <li
      className={`mt-2 rounded-md border p-2 ${isChosen ? 'border-2 border-chalk bg-chalk-pale' : 'border-line'}`}
    >
      <label className="flex cursor-pointer gap-3">
        <input type="radio" name="fit" className="mt-1" checked={isChosen} onChange={onChoose} />
        <span className="flex-1">
          <span className="block font-semibold">
            {familyById(fit.plan.family)?.name}
            {fit.misfits.length === 0 && (
              <span className="font-normal text-moss"> · every panel fits</span>
            )}
          </span>
          <span className="block text-sm">{answersOf(fit)}</span>
        </span>
        {fit.front && <SmallPicture picture={fit.front} width={56} height={72} light />}
        {fit.section && <SmallPicture picture={fit.section} width={56} height={72} />}
      </label>
      {fit.misfits.length > 0 && <Misfits misfits={fit.misfits} />}
      {fit.moved.map(({ label, asked, set }) => (
        <p key={label} className="mt-1 border-l-4 border-warn pl-2 text-sm">
          {label}: <Length ticks={asked} unit /> has no room in this box; it begins with{' '}
          <Length ticks={set} unit />.
        </p>
      ))}
    </li>
  );
}

/** The boxes found, best first: one is chosen and begun. */
export function SheetFits({
  sheet: { state },
  children,
}: {
  sheet: Sheet;
  children: (plan: BoxPlan) => React.ReactNode;
}) {
  const [picked, setPicked] = useState<DrawnFit | null>(null);
  const fits = state.answer;
  if (!fits)
    return (
      <>
        <h2 className="text-xl">From a sheet of sizes</h2>
        <p className="mt-2 text-soft">
          Type the panels as your sheet gives them. The box that they make is found, and where the
          sheet contradicts itself is said. Afterwards it is cut anew for the wood at hand.
        </p>
      </>
    );
  const fit = fits.find((each) => each === picked) ?? fits[0];
  return (
    <>
      <h2 className="text-xl">
        {fits.length === 0 ? 'No box has these panels' : 'What these panels make'}
      </h2>
      {fits.length === 0 && (
        <p className="mt-2">
          Name the panels as in <em>front, back, sides, floor, roof</em>, or choose an animal and
          set the sizes by hand.
        </p>
      )}
      <ul>
        {fits.map((each, index) => (
          <FitChoice
            key={index}
            fit={each}
            isChosen={each === fit}
            onChoose={() => setPicked(each)}
          />
        ))}
      </ul>
      {fit && children(fit.plan)}
    </>
  );
}
