import { animalById } from '@spare-knot/core/animals/find.js';
import type { Check } from '@spare-knot/core/box/checks.js';
import { buildBox, checkBox, familyById } from '@spare-knot/core/box/families/families.js';
import type { Derived, School } from '@spare-knot/core/box/family.js';
import { weightOf } from '@spare-knot/core/box/measures.js';
import type { BoxPlan } from '@spare-knot/core/box/plan.js';
import { printAngle } from '@spare-knot/core/measure/angle.js';
import { MARK_MEANINGS } from '@spare-knot/core/measure/mark.js';
import { TICKS_PER_MM } from '@spare-knot/core/measure/ticks.js';
import { Popover, Tabs } from 'radix-ui';
import { lazy, Suspense, useDeferredValue, useMemo } from 'react';
import { Link } from 'react-router';
import { useBatch } from '../batch/batch-context';
import { StationActions } from '../batch/station-actions';
import { useWidth } from '../board/use-width';
import { AnimalFacts } from '../boxview/animal-facts';
import { Drawings } from '../boxview/drawings';
import { SectionPicture } from '../boxview/section-picture';
import { AngleField } from '../measure/angle-field';
import { Length, Sentence } from '../measure/length';
import { LengthField } from '../measure/length-field';

const SolidView = lazy(() => import('../boxview/solid-view'));

/** Schools whose options can be seen in a section. */
const PICTURED = ['roof', 'vents', 'walls'];

/** The box: who it is for, how it is made, how large, and what is wrong with it. */
export function BoxStation() {
  const { draft, edit, built, sound, locked } = useBatch();
  const { plan } = draft;
  const family = familyById(plan.family);
  const animal = animalById(plan.animal);
  const [ref, width] = useWidth<HTMLDivElement>();
  const checks = useMemo(() => (sound ? checkBox(sound.plan, sound.box, animal) : []), [sound, animal]);
  const problems = useMemo(() => new Map(built.ok ? [] : built.refusals.map(({ field, message }) => [field, message] as const)), [built]);
  if (!family) return <p className="mt-6">This batch is of a family that is not known here: “{plan.family}”. It is kept as it is.</p>;
  const change = (next: (plan: BoxPlan) => BoxPlan) => edit((current) => ({ ...current, plan: next(current.plan) }));
  const setSize = (id: string, ticks: number) => change((current) => ({ ...current, sizes: { ...current.sizes, [id]: ticks } }));
  const applies = (each: { applies?: (schools: BoxPlan['schools']) => boolean }) => !each.applies || each.applies(plan.schools);
  const onDrawing = sound ? family.dimensions(sound.plan, sound.box).map((dimension) => dimension.size) : [];
  const others = family.parameters.filter((parameter) => !onDrawing.includes(parameter.id) && applies(parameter));
  const elsewhere = [...problems].filter(([field]) => !family.parameters.some((parameter) => parameter.id === field));
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
        {family.schools.filter(applies).map((school) => (
          <SchoolChoice
            key={school.id}
            school={school}
            plan={plan}
            locked={locked}
            onChoose={(option) => change((current) => ({ ...current, schools: { ...current.schools, [school.id]: option } }))}
          />
        ))}
      </section>
      <section className="card min-w-0 p-3" aria-label="The box">
        {!built.ok && (
          <p role="alert" className="mb-2 rounded-md border border-danger bg-danger-pale px-3 py-2 text-danger">
            <strong>Not to be built like this.</strong>{' '}
            {elsewhere.length > 0 ? elsewhere.map(([, message]) => message).join(' ') : 'See the size marked red.'}{' '}
            {sound && 'The drawing shows the last sound box.'}
          </p>
        )}
        <Tabs.Root defaultValue="drawings">
          <Tabs.List className="flex gap-1" aria-label="Ways to look at the box">
            {[
              ['drawings', 'Drawings'],
              ['solid', 'Dry fit'],
            ].map(([value, label]) => (
              <Tabs.Trigger
                key={value}
                value={value!}
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
                  family={family}
                  plan={plan}
                  drawn={sound}
                  width={width}
                  height={Math.min(400, 200 + width / 3)}
                  problems={problems}
                  locked={locked}
                  onSize={setSize}
                />
              )}
            </div>
          </Tabs.Content>
          <Tabs.Content value="solid">
            <Suspense fallback={<p className="grid h-[360px] place-items-center">Fetching the solid view…</p>}>
              {sound && <SolidView box={sound.box} height={360} />}
            </Suspense>
          </Tabs.Content>
        </Tabs.Root>
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
                    onChange={(angle) => change((current) => ({ ...current, angles: { ...current.angles, [parameter.id]: angle } }))}
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
            {built.ok && <WorkedOut derived={built.derived} />}
          </div>
        </div>
      </section>
      <section className="card p-3 max-lg:order-3" aria-label="Checks">
        <h2 className="text-base">Checks</h2>
        <ul className="mt-1">
          {checks.map((check) => (
            <CheckRow key={check.id} check={check} locked={locked} onMend={(mend) => change(mend)} />
          ))}
        </ul>
        {sound && (
          <>
            <h2 className="mt-3 text-base">Box</h2>
            <BoxFacts plan={sound.plan} sound={sound} boxes={draft.boxes} />
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

function BoxFacts({ plan, sound, boxes }: { plan: BoxPlan; sound: { box: Parameters<typeof weightOf>[1] }; boxes: number }) {
  const kilograms = weightOf(plan, sound.box);
  const room = sound.box.cavities.reduce(
    (sum, { width, depth, heightFront, heightBack }) => sum + (width * depth * (heightFront + heightBack)) / 2,
    0,
  );
  const litres = room / TICKS_PER_MM ** 3 / 1e6;
  return (
    <p className="text-sm text-soft">
      Weighs about {kilograms.toFixed(1)} kg ({(kilograms * 2.2046).toFixed(1)} lb) · {sound.box.panels.length * boxes} panels in the batch
      · room of {litres.toFixed(1)} l
    </p>
  );
}

function SchoolChoice({
  school,
  plan,
  locked,
  onChoose,
}: {
  school: School;
  plan: BoxPlan;
  locked: boolean;
  onChoose: (option: string) => void;
}) {
  const chosen = plan.schools[school.id];
  const pictured = PICTURED.includes(school.id);
  const shown = useDeferredValue(plan);
  return (
    <fieldset className="mt-2" disabled={locked}>
      <legend className="label">{school.label}</legend>
      <div className="mt-1 flex flex-wrap gap-1.5">
        {school.options.map((option) => (
          <label
            key={option.id}
            title={option.reason}
            className={`relative flex min-h-7 cursor-pointer flex-col items-center justify-center rounded-md border bg-white px-1.5 py-0.5 text-center text-[0.8rem] leading-tight has-focus-visible:outline-3 has-focus-visible:outline-chalk ${pictured ? 'w-[64px]' : ''} ${chosen === option.id ? 'border-2 border-chalk bg-chalk-pale font-bold' : 'border-[#b9ad93]'}`}
          >
            <input type="radio" className="sr-only" name={school.id} checked={chosen === option.id} onChange={() => onChoose(option.id)} />
            {pictured && <OptionPicture plan={shown} school={school.id} option={option.id} />}
            {option.label}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

/** The box as this option would make it, in small. */
function OptionPicture({ plan, school, option }: { plan: BoxPlan; school: string; option: string }) {
  const box = useMemo(() => {
    const built = buildBox({ ...plan, schools: { ...plan.schools, [school]: option } });
    return built.ok ? built.box : null;
  }, [plan, school, option]);
  const accent = school === 'roof' ? ['roof'] : school === 'walls' ? ['front', 'back'] : [];
  return box ? (
    <SectionPicture box={box} width={50} height={42} accent={accent} />
  ) : (
    <span className="grid h-[42px] place-items-center text-danger">not so</span>
  );
}

function WorkedOut({ derived }: { derived: readonly Derived[] }) {
  return (
    <ul className="mt-1">
      {derived.map((value) => (
        <li key={value.id} className="flex items-center justify-between gap-2 border-b border-dotted border-line">
          <span>{value.label}</span>
          <span className="flex items-center gap-1">
            <span className="mono font-semibold">
              {value.kind === 'angle' ? printAngle(value.value) : <Length ticks={value.value} unit />}
            </span>
            <Popover.Root>
              <Popover.Trigger
                className="min-h-7 px-1.5 text-sm font-semibold text-chalk underline underline-offset-3"
                aria-label={`Why ${value.label.toLowerCase()}?`}
              >
                why?
              </Popover.Trigger>
              <Popover.Portal>
                <Popover.Content className="z-40 max-w-80 rounded-lg bg-forest p-3 text-white shadow-lg" sideOffset={4}>
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

function CheckRow({ check, locked, onMend }: { check: Check; locked: boolean; onMend: (mend: (plan: BoxPlan) => BoxPlan) => void }) {
  const sign = SIGNS[check.severity];
  return (
    <li
      className={`flex gap-2 border-b border-dotted border-line py-1.5 text-[0.9rem] leading-snug ${check.severity === 'stop' ? '-mx-3 bg-danger-pale px-3' : ''}`}
    >
      <span aria-hidden className={`mt-0.5 grid size-5 shrink-0 place-items-center rounded-full text-xs font-bold ${sign.style}`}>
        {sign.sign}
      </span>
      <div>
        <span className="sr-only">{sign.word}: </span>
        <Sentence text={check.text} />{' '}
        <abbr className="cursor-help text-soft no-underline" title={`${check.source} (${MARK_MEANINGS[check.mark]})`}>
          [{check.mark}]
        </abbr>
        {!locked && check.severity !== 'kept' && (
          <span className="block">
            {check.remedies.map((remedy) => (
              <button
                key={remedy.label}
                type="button"
                className="min-h-6 font-semibold text-chalk underline underline-offset-3"
                onClick={() => onMend(remedy.apply)}
              >
                {remedy.label}
              </button>
            ))}
          </span>
        )}
      </div>
    </li>
  );
}
