import type { Check } from '@spare-knot/core/checks';
import { animalsOf, buildBox, checkBox, FAMILIES, familyById } from '@spare-knot/core/families';
import { must } from '@spare-knot/core/lists';
import { EVIDENCE_MEANINGS, printAngle } from '@spare-knot/core/measure';
import {
  type Derived,
  type PanelChange,
  type PanelSet,
  panelChanges,
  panelNames,
} from '@spare-knot/core/panels';
import {
  applying,
  type BoxPlan,
  type Choice,
  changeFamily,
  type Finish,
} from '@spare-knot/core/plan';

import { Popover, Tabs } from 'radix-ui';
import { lazy, Suspense, useDeferredValue, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useBatch } from '../batch/batch-context';
import { sameValue } from '../batch/change-paths';
import { StationActions } from '../batch/station-actions';
import { useWidth } from '../board/use-width';
import { AnimalFacts } from '../boxview/animal-facts';
import { BesideTheWood } from '../boxview/beside-the-wood';
import { Drawings } from '../boxview/drawings';
import { PanelsFlat } from '../boxview/panels-flat';
import { SmallPicture, type SmallView } from '../boxview/small-picture';
import { AngleField } from '../measure/angle-field';
import { Length, Sentence, usePrintedText } from '../measure/length';
import { LengthField } from '../measure/length-field';
import { STANDARD_WOOD } from '../wood/standard-wood';
import type { JudgedOffer } from '../workers/lumber.worker';
import { useLumberOffers } from '../workers/use-lumber-offers';

const SolidView = lazy(() => import('../boxview/solid-view'));

/** Questions that are answered by a press; what is answered in words is asked beside its check. */
const asked = (choices: readonly Choice[], plan: BoxPlan): readonly Choice[] =>
  applying(choices, plan.choices).filter(({ words }) => words === undefined);

/** The box: who it is for, how it is made, how large, and what is wrong with it. */
export function BoxStation() {
  const { draft, edit, built, sound, locked } = useBatch();
  const { plan } = draft;
  const family = familyById(plan.family);
  const animal = animalsOf(plan)[0];
  const [ref, width] = useWidth<HTMLDivElement>();
  const checks = useMemo(() => (sound ? checkBox(sound.plan, sound.box) : []), [sound]);
  const problems = useMemo(
    () =>
      new Map(
        built.ok ? [] : built.refusals.map(({ field, message }) => [field, message] as const),
      ),
    [built],
  );
  const moved = useMoved(sound);
  if (!family)
    return (
      <p className="mt-6">
        This batch is of a family that is not known here: “{plan.family}”. It is kept as it is.
      </p>
    );
  const names = sound
    ? panelNames(familyById(sound.plan.family), sound.box)
    : new Map<string, string>();
  const change = (next: (plan: BoxPlan) => BoxPlan) =>
    edit((current) => ({ ...current, plan: next(current.plan) }));
  const setSize = (id: string, ticks: number) =>
    change((current) => ({ ...current, sizes: { ...current.sizes, [id]: ticks } }));
  // While a new kind of box is not sound yet, the last sound one stays, with its own sizes.
  const drawn = sound && sound.plan.family === plan.family ? plan : (sound?.plan ?? plan);
  const drawnFamily = familyById(drawn.family) ?? family;
  const onDrawing =
    sound && drawnFamily === family
      ? family.dimensions(sound.plan, sound.box).map((dimension) => dimension.size)
      : [];
  const others = applying(family.parameters, plan.choices).filter(
    (parameter) => !onDrawing.includes(parameter.id),
  );
  const elsewhere = [...problems].filter(
    ([field]) => !family.parameters.some((parameter) => parameter.id === field),
  );
  return (
    <main className="mt-3 grid grid-cols-[236px_minmax(0,1fr)_264px] gap-3 max-lg:grid-cols-1">
      <StationActions>
        <Link to="../wood" className="btn btn-main">
          Choose the wood
        </Link>
      </StationActions>
      <section className="card p-3 max-lg:order-2" aria-label="How it is made">
        {animal && (
          <details className="mb-3 rounded-md border border-line bg-white px-2 py-1">
            <summary className="font-semibold">{animal.name}</summary>
            <AnimalFacts animal={animal} brief />
          </details>
        )}
        <h2 className="text-base">How it is made</h2>
        <label className="mt-2 block">
          <span className="label block">Kind of box</span>
          <select
            className="field mt-1 w-full"
            value={family.id}
            disabled={locked || !animal}
            title={animal ? family.about : 'A box for nobody in particular keeps its kind.'}
            onChange={(event) => {
              const next = familyById(event.target.value);
              if (next && animal)
                change((current) => changeFamily(current, next, animal, STANDARD_WOOD));
            }}
          >
            {FAMILIES.filter((each) => each === family || each.guests === family.guests).map(
              (each) => (
                <option key={each.id} value={each.id}>
                  {each.name}
                </option>
              ),
            )}
          </select>
        </label>
        {asked(family.choices, plan).map((choice) => (
          <ChoicePicker
            key={choice.id}
            choice={choice}
            chosenOption={plan.choices[choice.id] ?? ''}
            plan={built.ok || sound?.plan.family !== plan.family ? plan : sound.plan}
            locked={locked}
            onChoose={(option) =>
              change((current) => ({
                ...current,
                choices: { ...current.choices, [choice.id]: option },
              }))
            }
          />
        ))}
        <FinishPicker
          finish={plan.finish}
          locked={locked}
          onChoose={(finish) => change((current) => ({ ...current, finish }))}
        />
      </section>
      <section className="card min-w-0 p-3" aria-label="The box">
        {!built.ok && (
          <p
            role="alert"
            className="mb-2 rounded-md border border-danger bg-danger-pale px-3 py-2 text-danger"
          >
            <strong>Not to be built like this.</strong>{' '}
            {elsewhere.length === 0
              ? 'See the size marked red.'
              : elsewhere.map(([field, message]) => (
                  <span key={field}>
                    <Sentence text={message} />{' '}
                  </span>
                ))}{' '}
            {sound && 'The drawing shows the last sound box.'}
          </p>
        )}
        <Tabs.Root defaultValue="drawings">
          <Tabs.List className="flex gap-1" aria-label="Ways to look at the box">
            {[
              ['drawings', 'Drawings'],
              ['panels', 'Panels'],
              ['solid', 'Dry fit'],
              ['beside', 'Beside the wood'],
            ].map(([value, label]) => (
              <Tabs.Trigger
                key={value}
                value={must(value, 'value')}
                className="min-h-8 rounded-md border border-transparent px-3 font-semibold text-chalk data-[state=active]:border-chalk data-[state=active]:bg-chalk-pale"
              >
                {label}
              </Tabs.Trigger>
            ))}
          </Tabs.List>
          <Tabs.Content value="drawings">
            <div ref={ref} className="min-h-[400px]">
              {sound && width > 0 && (
                <Drawings
                  family={drawnFamily}
                  plan={drawn}
                  drawn={sound}
                  width={width}
                  height={Math.min(400, 200 + width / 3)}
                  problems={problems}
                  locked={locked || drawnFamily !== family}
                  onSize={setSize}
                />
              )}
            </div>
          </Tabs.Content>
          <Tabs.Content value="panels">
            {sound && (
              <PanelsFlat box={sound.box} names={names} title={draft.name} checks={checks} />
            )}
          </Tabs.Content>
          <Tabs.Content value="beside">
            {sound && (
              <BesideTheWood
                plan={sound.plan}
                box={sound.box}
                boxes={draft.boxes}
                animal={animal}
                locked={locked}
                onEntrance={(diameter) => setSize('entranceWidth', diameter)}
              />
            )}
          </Tabs.Content>
          <Tabs.Content value="solid">
            <Suspense
              fallback={
                <p className="grid h-[360px] place-items-center">Fetching the solid view…</p>
              }
            >
              {sound && <SolidView box={sound.box} height={360} />}
            </Suspense>
          </Tabs.Content>
        </Tabs.Root>
        {moved.length > 0 && !locked && (
          <p
            className="mt-2 rounded-md bg-chalk-pale px-3 py-1.5 text-[0.92rem]"
            aria-live="polite"
          >
            <strong>Moved with it:</strong>{' '}
            {moved.slice(0, 6).map((change, index) => (
              <span key={`${change.panel} ${change.measure}`}>
                {index > 0 && '; '}
                {(names.get(change.panel) ?? change.panel).toLowerCase()}, {change.measure}{' '}
                <Length ticks={change.before} /> →{' '}
                <strong>
                  <Length ticks={change.after} unit />
                </strong>
              </span>
            ))}
            {moved.length > 6 && `; and ${moved.length - 6} more`}
          </p>
        )}
        <div className="mt-2 grid grid-cols-[1fr_1fr] gap-4 border-t border-line pt-2 max-xl:grid-cols-1">
          <div>
            <h2 className="text-base">Other sizes</h2>
            <div className="mt-1 grid grid-cols-2 gap-x-3 gap-y-1.5">
              {others.map((parameter) =>
                parameter.kind === 'angle' ? (
                  <AngleField
                    key={parameter.id}
                    label={parameter.label}
                    value={plan.angles[parameter.id] ?? 0}
                    problem={problems.get(parameter.id) ?? null}
                    locked={locked}
                    onChange={(angle) =>
                      change((current) => ({
                        ...current,
                        angles: { ...current.angles, [parameter.id]: angle },
                      }))
                    }
                  />
                ) : (
                  <LengthField
                    key={parameter.id}
                    label={parameter.label}
                    value={plan.sizes[parameter.id] ?? 0}
                    problem={problems.get(parameter.id) ?? null}
                    disabled={locked}
                    onChange={(ticks) => setSize(parameter.id, ticks)}
                  />
                ),
              )}
            </div>
          </div>
          <div>
            <h2 className="text-base">Worked out</h2>
            {sound && <WorkedOut derived={sound.derived} />}
          </div>
        </div>
      </section>
      <section className="card p-3 max-lg:order-3" aria-label="Checks">
        <h2 className="text-base">Checks</h2>
        <ul className="mt-1">
          {checks.map((check) => (
            <CheckRow
              key={check.id}
              check={check}
              panel={drawnFamily.roles.find((role) => role.id === check.role)?.label ?? null}
              locked={locked}
              onMend={(mend) => change(mend)}
            />
          ))}
        </ul>
        {sound && (
          <>
            <LumberDecides
              plan={sound.plan}
              names={names}
              locked={locked}
              onTake={(offer) => change(() => offer.plan)}
            />
            <ul className="mt-2 border-l-4 border-warn pl-2 text-sm" aria-label="Cautions">
              {family.cautions.map((caution) => (
                <li key={caution} className="mt-1">
                  {caution}
                </li>
              ))}
            </ul>
          </>
        )}
      </section>
    </main>
  );
}

/** What the last change of the plan did to the panels. */
function useMoved(sound: { plan: BoxPlan; box: PanelSet } | null): readonly PanelChange[] {
  const [last, setLast] = useState(sound);
  const [moved, setMoved] = useState<readonly PanelChange[]>([]);
  if (sound !== last && sound?.plan !== last?.plan) {
    setLast(sound);
    setMoved(
      sound && last && sound.plan.family === last.plan.family
        ? panelChanges(last.box, sound.box)
        : [],
    );
  }
  return moved;
}

/** Sizes by which a panel would be just as wide as its board, so that nothing is ripped, and what becomes of the floor. */
function LumberDecides({
  plan,
  names,
  locked,
  onTake,
}: {
  plan: BoxPlan;
  names: ReadonlyMap<string, string>;
  locked: boolean;
  onTake: (offer: JudgedOffer) => void;
}) {
  const [open, setOpen] = useState(false);
  const { offers, trouble } = useLumberOffers(open ? plan : null);
  const family = familyById(plan.family);
  const label = (size: string) =>
    family?.parameters.find((each) => each.id === size)?.label ?? size;
  if (locked) return null;
  return (
    <details className="mt-3" open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="font-slab font-semibold">Let the lumber decide</summary>
      {open && offers === null && trouble === null && (
        <p role="status" className="mt-1 text-sm">
          Trying the sizes…
        </p>
      )}
      {trouble && (
        <p role="alert" className="mt-1 text-sm text-danger">
          {trouble}
        </p>
      )}
      {offers?.length === 0 && (
        <p className="mt-1 text-sm text-soft">
          Every panel is as wide as its board, or no single size would make it so. Choose boards on
          Wood first.
        </p>
      )}
      <ul className="mt-1">
        {offers?.map((offer) => {
          const [room] = offer.box.cavities;
          const { broken } = offer;
          return (
            <li
              key={`${offer.panel} ${offer.size}`}
              className="border-b border-dotted border-line py-1.5 text-[0.9rem]"
            >
              <span className="font-semibold">{names.get(offer.panel) ?? offer.panel}</span>:{' '}
              {label(offer.size).toLowerCase()} <Length ticks={offer.before} /> →{' '}
              <strong>
                <Length ticks={offer.after} unit />
              </strong>
              , nothing to rip.
              {room && (
                <>
                  {' '}
                  Floor <Length ticks={room.width} /> × <Length ticks={room.depth} unit />
                </>
              )}
              {broken > 0 && (
                <span className="font-semibold text-danger">
                  {' '}
                  · breaks {broken === 1 ? 'a rule' : `${broken} rules`}
                </span>
              )}
              <button
                type="button"
                className="ml-1 min-h-6 font-semibold text-chalk underline underline-offset-3"
                onClick={() => onTake(offer)}
              >
                Take it
              </button>
            </li>
          );
        })}
      </ul>
    </details>
  );
}

function ChoicePicker({
  choice,
  chosenOption,
  plan,
  locked,
  onChoose,
}: {
  choice: Choice;
  chosenOption: string;
  plan: BoxPlan;
  locked: boolean;
  onChoose: (option: string) => void;
}) {
  const pictured = choice.picture;
  const shown = useDeferredValue(plan);
  return (
    <fieldset className="mt-2" disabled={locked}>
      <legend className="label">{choice.label}</legend>
      <div className="mt-1 flex flex-wrap gap-1.5">
        {choice.options.map((option) => (
          <label
            key={option.id}
            title={option.reason}
            className={`relative flex min-h-7 cursor-pointer flex-col items-center justify-center rounded-md border bg-white px-1.5 py-0.5 text-center text-[0.8rem] leading-tight has-focus-visible:outline-3 has-focus-visible:outline-chalk ${pictured ? 'w-[64px]' : ''} ${chosenOption === option.id ? 'border-2 border-chalk bg-chalk-pale font-bold' : 'border-[#b9ad93]'}`}
          >
            <input
              type="radio"
              className="sr-only"
              name={choice.id}
              checked={chosenOption === option.id}
              onChange={() => onChoose(option.id)}
            />
            {pictured && (
              <OptionPicture plan={shown} choice={choice.id} option={option.id} view={pictured} />
            )}
            <span>{option.label}</span>
          </label>
        ))}
      </div>
    </fieldset>
  );
}

/** The box as this option would make it, in small. */
function OptionPicture({
  plan,
  choice,
  option,
  view,
}: {
  plan: BoxPlan;
  choice: string;
  option: string;
  view: SmallView;
}) {
  const print = usePrintedText();
  const built = useMemo(
    () => buildBox({ ...plan, choices: { ...plan.choices, [choice]: option } }),
    [plan, choice, option],
  );
  const accent = choice === 'roof' ? ['roof'] : choice === 'walls' ? ['front', 'back'] : [];
  return built.ok ? (
    <SmallPicture box={built.box} view={view} width={50} height={42} accent={accent} />
  ) : (
    <span
      className="grid h-[42px] place-items-center text-soft"
      title={built.refusals.map(({ message }) => print(message)).join(' ')}
    >
      not now
    </span>
  );
}

const FINISHES: readonly (readonly [id: string, label: string, finish: readonly Finish[]])[] = [
  ['none', 'left bare', []],
  [
    'stain',
    'water-based stain outside',
    [{ where: 'outside', what: 'stain', base: 'water', shade: null }],
  ],
  ['oil', 'oil outside', [{ where: 'outside', what: 'oil', base: 'oil', shade: null }]],
  [
    'paint',
    'water-based paint outside',
    [{ where: 'outside', what: 'paint', base: 'water', shade: null }],
  ],
];

/** What is put on the outside; a finish of its own making is shown as it is and stays until another is chosen. */
function FinishPicker({
  finish,
  locked,
  onChoose,
}: {
  finish: readonly Finish[];
  locked: boolean;
  onChoose: (finish: readonly Finish[]) => void;
}) {
  const chosen = FINISHES.find(([, , each]) => sameValue(each, finish))?.[0];
  return (
    <label className="mt-2 block">
      <span className="label block">Finish</span>
      <select
        className="field mt-1 w-full"
        value={chosen ?? 'own'}
        disabled={locked}
        onChange={(event) => {
          const next = FINISHES.find(([id]) => id === event.target.value);
          if (next) onChoose(next[2]);
        }}
      >
        {!chosen && <option value="own">as the plan says ({finish.length} coats)</option>}
        {FINISHES.map(([id, label]) => (
          <option key={id} value={id}>
            {label}
          </option>
        ))}
      </select>
    </label>
  );
}

function WorkedOut({ derived }: { derived: readonly Derived[] }) {
  return (
    <ul className="mt-1">
      {derived.map((value) => (
        <li
          key={value.id}
          className="flex items-center justify-between gap-2 border-b border-dotted border-line"
        >
          <span>{value.label}</span>
          <span className="flex items-center gap-1">
            <span className="mono font-semibold">
              {value.kind === 'angle' ? (
                printAngle(value.value)
              ) : (
                <Length ticks={value.value} unit />
              )}
            </span>
            <Popover.Root>
              <Popover.Trigger
                className="min-h-7 px-1.5 text-sm font-semibold text-chalk underline underline-offset-3"
                aria-label={`Why ${value.label.toLowerCase()}?`}
              >
                why?
              </Popover.Trigger>
              <Popover.Portal>
                <Popover.Content
                  className="z-40 max-w-80 rounded-lg bg-forest p-3 text-white shadow-lg"
                  sideOffset={4}
                >
                  <p className="font-semibold">{value.label}</p>
                  <p>
                    <Sentence text={value.why} />
                  </p>
                  <Popover.Arrow className="fill-forest" />
                </Popover.Content>
              </Popover.Portal>
            </Popover.Root>
          </span>
        </li>
      ))}
    </ul>
  );
}

const SIGNS = {
  stop: { sign: '!', word: 'Stop', style: 'bg-danger text-white' },
  warn: { sign: '?', word: 'Think again', style: 'bg-warn text-white' },
  kept: { sign: '✓', word: 'Kept', style: 'bg-moss-pale text-moss' },
};

function CheckRow({
  check,
  panel,
  locked,
  onMend,
}: {
  check: Check;
  /** The panel that it concerns. */
  panel: string | null;
  locked: boolean;
  onMend: (mend: (plan: BoxPlan) => BoxPlan) => void;
}) {
  const sign = SIGNS[check.severity];
  return (
    <li
      className={`flex gap-2 border-b border-dotted border-line py-1.5 text-[0.9rem] leading-snug ${check.severity === 'stop' ? '-mx-3 bg-danger-pale px-3' : ''}`}
    >
      <span
        aria-hidden
        className={`mt-0.5 grid size-5 shrink-0 place-items-center rounded-full text-xs font-bold ${sign.style}`}
      >
        {sign.sign}
      </span>
      <div>
        <span className="sr-only">{sign.word}: </span>
        {panel && (
          <span className="mr-1 rounded bg-[#efe6d2] px-1 text-[0.78rem] font-semibold">
            {panel}
          </span>
        )}
        <Sentence text={check.text} />{' '}
        <abbr
          className="cursor-help text-soft no-underline"
          title={`${check.source} (${EVIDENCE_MEANINGS[check.evidence]})`}
        >
          [{check.evidence}]
        </abbr>
        {!locked && check.severity !== 'kept' && (
          <span className="block">
            {check.remedies.map((remedy) => (
              <button
                key={remedy.label}
                type="button"
                className="mr-3 min-h-6 font-semibold text-chalk underline underline-offset-3"
                onClick={() => onMend(remedy.apply)}
              >
                {remedy.label}
              </button>
            ))}
            {check.ask && <Answer check={check} onMend={onMend} />}
          </span>
        )}
      </div>
    </li>
  );
}

/** A rule that no press mends is answered in words. */
function Answer({
  check,
  onMend,
}: {
  check: Check;
  onMend: (mend: (plan: BoxPlan) => BoxPlan) => void;
}) {
  const [text, setText] = useState('');
  const ask = must(check.ask, 'ask');
  return (
    <form
      className="mt-1 flex gap-1"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() !== '') onMend((plan) => ask.answer(plan, text));
      }}
    >
      <input
        className="field min-w-0 flex-1"
        aria-label={ask.prompt}
        placeholder={ask.prompt}
        maxLength={60}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <button type="submit" className="btn !min-h-8 !px-2">
        Say
      </button>
    </form>
  );
}
