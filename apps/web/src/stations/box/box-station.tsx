import type { Animal } from '@spare-knot/core/animals';
import { animalsOf, checkBox, FAMILIES, type Family, familyById } from '@spare-knot/core/families';
import { panelNames } from '@spare-knot/core/panels';
import { applying, type BoxPlan, changeFamily } from '@spare-knot/core/plan';
import type { Text } from '@spare-knot/core/text';

import { useMemo } from 'react';
import { Link } from 'react-router';
import { useBatch, useBatchName } from '../../batch/batch-context';
import { StationActions } from '../../batch/station-actions';
import { Sentence, usePrintedText } from '../../measure/length';
import { type FileToTake, TakeAway } from '../../ui/take-away';
import { STANDARD_WOOD } from '../../wood/standard-wood';
import { BoxTabs, type Look } from './box-tabs';
import { CheckRow } from './check-row';
import { ChoicePickers } from './choice-picker';
import { FastenerPicker } from './fastener-picker';
import { FinishPicker } from './finish-picker';
import { Guests } from './guests';
import { LumberDecides } from './lumber-decides';
import { MovedWithIt } from './moved-with-it';
import { OtherSizes } from './other-sizes';
import { PlacePicker } from './place-picker';
import { sawChecks } from './saw-checks';
import { SoManyToABoard } from './so-many';
import { WorkedOut } from './worked-out';

const NO_NAMES: ReadonlyMap<string, string> = new Map();

/** Drawing and checks stay in sight while one goes down the questions beside them. */
const STAYS =
  'lg:sticky lg:top-2 lg:max-h-[calc(100vh-1rem)] lg:self-start lg:overflow-y-auto print:max-h-none';

type ChangePlan = (next: (plan: BoxPlan) => BoxPlan) => void;

function KindPicker({
  family,
  animal,
  locked,
  change,
}: {
  family: Family;
  animal: Animal | undefined;
  locked: boolean;
  change: ChangePlan;
}) {
  const print = usePrintedText();
  return (
    <label className="mt-2 block">
      <span className="label block">Kind of box</span>
      <select
        className="field mt-1 w-full"
        value={family.id}
        disabled={locked || !animal}
        title={animal ? print(family.about) : 'A box for nobody in particular keeps its kind.'}
        onChange={(event) => {
          const next = familyById(event.target.value);
          if (next && animal)
            change((current) => changeFamily(current, next, animal, STANDARD_WOOD));
        }}
      >
        {FAMILIES.filter((each) => each === family || each.guests === family.guests).map((each) => (
          <option key={each.id} value={each.id}>
            {each.name}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Whom it is for, and every question of its kind. */
function HowItIsMade({
  family,
  animal,
  change,
}: {
  family: Family;
  animal: Animal | undefined;
  change: ChangePlan;
}) {
  const { draft, built, sound, locked } = useBatch();
  const { plan } = draft;
  return (
    <section className="card p-3 max-lg:order-2" aria-label="How it is made">
      <Guests
        family={family}
        change={(animals) => change((current) => ({ ...current, animals: [...animals] }))}
      />
      <h2 className="text-base">How it is made</h2>
      <KindPicker family={family} animal={animal} locked={locked} change={change} />
      <ChoicePickers
        choices={family.choices}
        plan={plan}
        drawnPlan={built.ok || sound?.plan.family !== plan.family ? plan : sound.plan}
        locked={locked}
        onChoose={(choice, option) =>
          change((current) => ({
            ...current,
            choices: { ...current.choices, [choice]: option },
          }))
        }
      />
      <FinishPicker
        finish={plan.finish}
        locked={locked}
        onChoose={(finish) => change((current) => ({ ...current, finish }))}
      />
      <FastenerPicker
        fasteners={plan.fasteners}
        roles={applying(family.roles, plan.choices)}
        locked={locked}
        onChange={(fasteners) => change((current) => ({ ...current, fasteners }))}
      />
      <PlacePicker
        place={plan.place}
        locked={locked}
        onChange={(place) => change((current) => ({ ...current, place }))}
      />
    </section>
  );
}

/** Why the box cannot be built; what concerns one size is said at its field. */
function NotToBeBuilt({
  problems,
  family,
  isDrawn,
}: {
  problems: ReadonlyMap<string, Text>;
  family: Family;
  isDrawn: boolean;
}) {
  const elsewhere = [...problems].filter(
    ([field]) => !family.parameters.some(({ id }) => id === field),
  );
  return (
    <p
      role="alert"
      className="mb-2 rounded-md border border-danger bg-danger-pale px-3 py-2 text-danger"
    >
      <strong>Not to be built like this.</strong>{' '}
      {elsewhere.length === 0 && 'See the size marked red. '}
      {elsewhere.map(([field, message]) => (
        <span key={field}>
          <Sentence text={message} />{' '}
        </span>
      ))}
      {isDrawn && 'The drawing shows the last sound box.'}
    </p>
  );
}

function Checks({
  family,
  look,
  change,
}: {
  family: Family;
  look: Look | null;
  change: ChangePlan;
}) {
  const { locked, draft } = useBatch();
  return (
    <section className={`card p-3 max-lg:order-3 ${STAYS}`} aria-label="Checks">
      <h2 className="text-base">Checks</h2>
      <ul className="mt-1">
        {look?.checks.map((check) => (
          <CheckRow
            key={check.id}
            check={check}
            panel={look.family.roles.find(({ id }) => id === check.role)?.label ?? null}
            locked={locked}
            onMend={change}
          />
        ))}
      </ul>
      {look && (
        <>
          <LumberDecides
            plan={look.sound.plan}
            names={look.names}
            locked={locked}
            onTake={(offer) => change(() => offer.plan)}
          />
          <SoManyToABoard
            plan={look.sound.plan}
            box={look.sound.box}
            names={look.names}
            kerf={draft.saw.kerf}
            locked={locked}
            onTake={(plan) => change(() => plan)}
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
  );
}

/** What is wrong with the plan as it stands, by field. */
function useProblems(): Look['problems'] {
  const { built } = useBatch();
  return useMemo(
    () => new Map(built.ok ? [] : built.refusals.map(({ field, message }) => [field, message])),
    [built],
  );
}

/** What of a batch is looked at; null before a first box could be built. */
function useLook(family: Family | undefined, change: ChangePlan): Look | null {
  const { draft, sound } = useBatch();
  const { plan } = draft;
  const { saw } = draft;
  const names = useMemo(
    () => (sound ? panelNames(familyById(sound.plan.family), sound.box) : NO_NAMES),
    [sound],
  );
  const checks = useMemo(
    () =>
      sound
        ? [...sawChecks(sound.plan, sound.box, saw, names), ...checkBox(sound.plan, sound.box)]
        : [],
    [sound, saw, names],
  );
  const problems = useProblems();
  if (!sound || !family) return null;
  // While a new kind of box is not sound yet, the last sound one stays, with its own sizes.
  const isCurrent = sound.plan.family === plan.family;
  return {
    sound,
    family: familyById(sound.plan.family) ?? family,
    plan: isCurrent ? plan : sound.plan,
    isCurrent,
    problems,
    checks,
    names,
    animal: animalsOf(plan)[0],
    onSize: (id, ticks) =>
      change((current) => ({ ...current, sizes: { ...current.sizes, [id]: ticks } })),
  };
}

/** The plan as a file, to keep, to give away, or to begin another batch with. */
function SavePlan({ plan }: { plan: BoxPlan }) {
  const name = useBatchName();
  const file: FileToTake = {
    label: 'Save the plan',
    what: 'The plan',
    ending: '.plan.json',
    type: 'application/json',
    make: async () => {
      const { writeBoxPlan } = await import('@spare-knot/core/exchange');
      return `${JSON.stringify(writeBoxPlan(plan), null, 2)}\n`;
    },
  };
  return <TakeAway title={name} files={[file]} />;
}

/** The box: who it is for, how it is made, how large, and what is wrong with it. */
export function BoxStation() {
  const { draft, edit, built, sound, locked } = useBatch();
  const { plan } = draft;
  const family = familyById(plan.family);
  const change: ChangePlan = (next) =>
    edit((current) => ({ ...current, plan: next(current.plan) }));
  const look = useLook(family, change);
  const problems = useProblems();
  if (!family)
    return (
      <p className="mt-6">
        This batch is of a family that is not known here: “{plan.family}”. It is kept as it is.
      </p>
    );
  const onDrawing = look?.isCurrent
    ? family.dimensions(look.sound.plan, look.sound.box).map(({ size }) => size)
    : [];
  return (
    <div className="mt-3 grid grid-cols-[236px_minmax(0,1fr)_264px] gap-3 max-lg:grid-cols-1">
      <StationActions>
        <SavePlan plan={plan} />
        <Link to="../wood" className="btn btn-main">
          Choose the wood
        </Link>
      </StationActions>
      <HowItIsMade family={family} animal={animalsOf(plan)[0]} change={change} />
      <section className={`card min-w-0 p-3 ${STAYS}`} aria-label="The box">
        {!built.ok && <NotToBeBuilt problems={problems} family={family} isDrawn={sound !== null} />}
        <BoxTabs look={look} />
        {!locked && <MovedWithIt sound={sound} names={look?.names ?? NO_NAMES} />}
        <div className="mt-2 grid grid-cols-[1fr_1fr] gap-4 border-t border-line pt-2 max-xl:grid-cols-1">
          <div>
            <h2 className="text-base">Other sizes</h2>
            <OtherSizes
              parameters={applying(family.parameters, plan.choices).filter(
                ({ id }) => !onDrawing.includes(id),
              )}
              plan={plan}
              problems={problems}
              locked={locked}
              onChange={change}
            />
          </div>
          <div>
            <h2 className="text-base">Worked out</h2>
            {sound && <WorkedOut derived={sound.derived} />}
          </div>
        </div>
      </section>
      <Checks family={family} look={look} change={change} />
    </div>
  );
}
