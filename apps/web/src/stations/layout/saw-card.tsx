import type { LayoutWishes } from '@spare-knot/core/api';
import { isWithin, limitsOf, reachOfSaws } from '@spare-knot/core/cuts';
import type { Saw } from '@spare-knot/core/job';
import type { Goals } from '@spare-knot/core/layout';
import { fromMm, toMm } from '@spare-knot/core/measure';

import { type ReactNode, useEffect, useState } from 'react';
import { useBatch } from '../../batch/batch-context';
import { AngleField } from '../../measure/angle-field';
import { Length } from '../../measure/length';
import { LengthField } from '../../measure/length-field';
import { useTools } from '../../shop/use-tools';

/** Seconds a search may take, to choose from. */
const SECONDS = [1, 3, 5, 10, 20, 60];
/** What a chop saw usually crosses (12 in), common practice, no source. */
const USUAL_CROSSCUT = fromMm(305);

/** What is changed of saw and wishes, each by itself. */
interface Settings {
  saw: Saw;
  wishes: LayoutWishes;
  locked: boolean;
  changeSaw: (change: Partial<Saw>) => void;
  change: (wishes: Partial<LayoutWishes>) => void;
}

function Tick({
  checked,
  locked,
  onChange,
  children,
}: {
  checked: boolean;
  locked: boolean;
  onChange: (checked: boolean) => void;
  children: ReactNode;
}) {
  return (
    <label className="mt-2 flex min-h-7 items-center gap-2">
      <input
        type="checkbox"
        className="size-4 accent-chalk"
        checked={checked}
        disabled={locked}
        onChange={(event) => onChange(event.target.checked)}
      />
      {children}
    </label>
  );
}

function BoxCount({
  value,
  locked,
  onChange,
}: {
  value: number;
  locked: boolean;
  onChange: (boxes: number) => void;
}) {
  const [text, setText] = useState(String(value));
  useEffect(() => setText(String(value)), [value]);
  const count = Number(text);
  const wrong = !Number.isInteger(count) || count < 1 || count > 1000;
  return (
    <label className="block">
      <span className="label block">Boxes</span>
      <input
        className="field mono w-20"
        inputMode="numeric"
        value={text}
        disabled={locked}
        aria-invalid={wrong}
        onChange={(event) => setText(event.target.value)}
        onBlur={() => (wrong ? setText(String(value)) : count !== value && onChange(count))}
        onKeyDown={(event) => event.key === 'Enter' && !wrong && onChange(count)}
      />
    </label>
  );
}

/** What an offcut is worth by its length, to set. */
function OffcutClasses({
  goals,
  locked,
  onChange,
}: {
  goals: Goals;
  locked: boolean;
  onChange: (classes: Goals['classes'][number][]) => void;
}) {
  return (
    <fieldset className="mt-2" disabled={locked}>
      <legend className="label">What an offcut is worth, of its share of the board</legend>
      {goals.classes.map((each, index) => (
        <div key={each.from} className="mt-1 flex items-center gap-2">
          <span className="flex-1 text-sm">
            from <Length ticks={each.from} unit />
          </span>
          <input
            type="range"
            min="0"
            max="1"
            step="0.1"
            aria-label={`Worth of an offcut from ${Math.round(toMm(each.from))} mm on`}
            value={each.worth}
            className="h-6 w-24 accent-chalk"
            onChange={(event) =>
              onChange(
                goals.classes.map((other, place) =>
                  place === index ? { ...other, worth: Number(event.target.value) } : other,
                ),
              )
            }
          />
          <span className="mono w-14 whitespace-nowrap text-right text-sm">
            {Math.round(each.worth * 100)} %
          </span>
        </div>
      ))}
    </fieldset>
  );
}

function SawLimits({ saw, wishes, locked, changeSaw, change }: Settings) {
  return (
    <div className="mt-1 grid grid-cols-2 gap-2">
      <AngleField
        label="Fence turns to"
        value={saw.maxMitre}
        problem={null}
        locked={locked}
        onChange={(angle) => angle >= 0 && angle <= 90 && changeSaw({ maxMitre: angle })}
      />
      <AngleField
        label="Blade tilts to"
        value={saw.maxTilt}
        problem={null}
        locked={locked}
        onChange={(angle) => angle >= 0 && angle <= 90 && changeSaw({ maxTilt: angle })}
      />
      <LengthField
        label="Keep offcuts wide from"
        value={saw.keep.width}
        disabled={locked}
        onChange={(width) => changeSaw({ keep: { ...saw.keep, width } })}
      />
      <LengthField
        label="Held by hand from"
        value={wishes.handHeld}
        disabled={locked}
        onChange={(handHeld) => change({ handHeld })}
      />
      {!saw.rip && (
        <LengthField
          label="Cuts across up to"
          value={wishes.crosscut ?? USUAL_CROSSCUT}
          disabled={locked}
          onChange={(crosscut) => change({ crosscut: crosscut > 0 ? crosscut : null })}
        />
      )}
    </div>
  );
}

/** In how many stages a board comes apart, as a maker says it. */
const STAGES: readonly { value: Goals['stages']; words: string }[] = [
  { value: null, words: 'as many as it takes' },
  { value: 3, words: 'three: strips, pieces, then what lies over them' },
  { value: 2, words: 'two: strips, then pieces' },
];

/** Sections that a maker can saw: how often the cuts of a board turn by a quarter. */
function Stages({ wishes, locked, change }: Pick<Settings, 'wishes' | 'locked' | 'change'>) {
  return (
    <label className="mt-2 block">
      <span className="label block">Stages of the cuts on a board or sheet</span>
      <select
        className="field w-full"
        value={String(wishes.goals.stages)}
        disabled={locked}
        onChange={(event) => {
          const chosen = STAGES.find(({ value }) => String(value) === event.target.value);
          if (chosen) change({ goals: { ...wishes.goals, stages: chosen.value ?? null } });
        }}
      >
        {STAGES.map(({ value, words }) => (
          <option key={words} value={String(value)}>
            {words}
          </option>
        ))}
      </select>
      <span className="block text-sm text-soft">
        All cuts of a stage go one way, right across. Fewer stages are easier on a sheet and may
        take more wood; trimming a piece by itself is not counted.
      </span>
    </label>
  );
}

function MoreOfTheSaw(settings: Settings) {
  const { saw, wishes, locked, changeSaw, change } = settings;
  return (
    <details className="mt-1">
      <summary className="min-h-7 font-semibold text-chalk">More of the saw</summary>
      <SawLimits {...settings} />
      <Tick
        checked={!saw.throughCuts}
        locked={locked}
        onChange={(jigsaw) => changeSaw({ throughCuts: !jigsaw })}
      >
        A jigsaw may part what no through cut does
      </Tick>
      {saw.rip && <Stages wishes={wishes} locked={locked} change={change} />}
      <label className="mt-1 block">
        <span className="label block">Look for better for</span>
        <select
          className="field"
          value={wishes.seconds}
          disabled={locked}
          onChange={(event) => change({ seconds: Number(event.target.value) })}
        >
          {SECONDS.map((seconds) => (
            <option key={seconds} value={seconds}>
              {seconds} s
            </option>
          ))}
        </select>
      </label>
      <OffcutClasses
        goals={wishes.goals}
        locked={locked}
        onChange={(classes) => change({ goals: { ...wishes.goals, classes } })}
      />
    </details>
  );
}

/** Where a batch asks for other cuts than the shop’s saws make: what they do, to be taken over. */
function ShopsSaws({ saw, changeSaw, change }: Pick<Settings, 'saw' | 'changeSaw' | 'change'>) {
  const { shop } = useTools();
  const saws = shop?.saws ?? [];
  if (saws.length === 0 || isWithin(saws, saw)) return null;
  const limits = limitsOf(saws, saw);
  const takeOver = () => {
    changeSaw(limits);
    const reach = reachOfSaws(saws);
    if (reach) change(reach);
  };
  return (
    <div role="status" className="mt-2 rounded-md border border-warn bg-warn-pale p-2 text-sm">
      <p>
        The shop’s saws do other than this: kerf <Length ticks={limits.kerf} unit />, fence to{' '}
        {limits.maxMitre}°, blade to {limits.maxTilt}°, {limits.rip ? 'they rip' : 'none rips'}
        {!limits.throughCuts || saw.throughCuts ? '' : ', none turns inside the wood'}.
      </p>
      <button type="button" className="btn mt-1" onClick={takeOver}>
        Take over what they do
      </button>
    </div>
  );
}

/** How many boxes, and what the saw can do. */
export function SawCard({ change }: Pick<Settings, 'change'>) {
  const { draft, batch, locked, edit } = useBatch();
  const { saw, wishes, boxes } = draft;
  const changeSaw = (of: Partial<Saw>) =>
    edit((current) => ({ ...current, saw: { ...current.saw, ...of } }));
  return (
    <section className="card p-3" aria-label="Boxes and saw">
      <h2 className="text-base">Boxes and saw</h2>
      <div className="mt-1 grid grid-cols-2 gap-2">
        <BoxCount
          value={boxes}
          locked={locked || batch.mends !== null}
          onChange={(count) => edit((current) => ({ ...current, boxes: count }))}
        />
        <LengthField
          label="Kerf"
          value={saw.kerf}
          disabled={locked}
          onChange={(kerf) => changeSaw({ kerf })}
        />
        <LengthField
          label="Trim each end"
          value={saw.endTrim}
          disabled={locked}
          onChange={(endTrim) => changeSaw({ endTrim })}
        />
        <LengthField
          label="Keep offcuts long from"
          value={saw.keep.length}
          disabled={locked}
          onChange={(length) => changeSaw({ keep: { ...saw.keep, length } })}
        />
      </div>
      <Tick checked={!saw.rip} locked={locked} onChange={(chop) => changeSaw({ rip: !chop })}>
        Chop saw only: nothing is ripped
      </Tick>
      {!locked && <ShopsSaws saw={saw} changeSaw={changeSaw} change={change} />}
      <MoreOfTheSaw
        saw={saw}
        wishes={wishes}
        locked={locked}
        changeSaw={changeSaw}
        change={change}
      />
      <p className="mt-2 text-sm text-soft">
        Measure the kerf on a scrap: it is the saw’s, not the book’s. Guards on, eyes and ears
        covered; pieces too short to hold are clamped. Follow the saw’s own manual.
      </p>
    </section>
  );
}
