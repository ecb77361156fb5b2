import { animalById } from '@spare-knot/core/animals';
import {
  type BatchWork,
  backFrom,
  batchCost,
  type CalendarEntry,
  type CalendarStage,
  daysBetween,
  minutesLeft,
  nextUpBy,
  onFrom,
  workOf,
} from '@spare-knot/core/building';
import { shoppingList, usedCost, worthOf } from '@spare-knot/core/layout';
import { at } from '@spare-knot/core/lists';
import { printMoney } from '@spare-knot/core/measure';
import { ofWeight } from '@spare-knot/core/text';
import type { ReactNode } from 'react';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { useBatch } from '../../batch/batch-context';
import { useLaidOut, usePlannedCuts } from '../../batch/use-laid-out';
import { isSawn, useSawing } from '../../batch/use-sawing';
import { Sentence } from '../../measure/length';
import { AmountField } from '../../ui/amount-field';
import { dayWords } from './clock-words';
import { hoursWord, minutesWord } from './hours-word';
import type { BenchWork } from './use-bench-work';
import type { Built } from './use-build';
import { useNeeds } from './use-needs';
import { NO_PACE, usePace } from './use-pace';

const WAITS = { glue: 'Clamps stay on', caulk: 'Caulk skins over', finish: 'Coats dry' } as const;
const STAGES: Readonly<Record<CalendarStage, string>> = {
  buy: 'Buy',
  saw: 'Saw',
  build: 'Build',
  dry: 'Dry',
  hang: 'Hang',
};
const PACE_WORDS = { bore: 'boring', assemble: 'putting together', finish: 'coats' } as const;

const todayHere = (): string => {
  const now = new Date();
  const two = (part: number) => String(part).padStart(2, '0');
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
};

function Line({ name, children }: { name: ReactNode; children: ReactNode }) {
  return (
    <div className="flex justify-between gap-4 border-b border-dotted border-line py-1">
      <dt>{name}</dt>
      <dd className="mono text-right">{children}</dd>
    </div>
  );
}

/** What is left to be done, in minutes of the whole batch. */
function useLeft(built: Built, work: BenchWork) {
  const { batch } = useBatch();
  const laidOut = useLaidOut();
  const { data: sawing } = useSawing(batch.id, batch.accepted !== null);
  const pace = usePace() ?? NO_PACE;
  const planned = usePlannedCuts(laidOut);
  const left = minutesLeft(workOf(built.build, built.box), work.isDone, pace);
  const plan = sawing?.plan ?? planned;
  const sawMinutes = isSawn(sawing) ? 0 : (plan?.minutes ?? null);
  return { ...laidOut, pace, left, sawMinutes };
}

function Cost({
  built,
  left: { job, layout },
}: {
  built: Built;
  left: ReturnType<typeof useLeft>;
}) {
  const { boxes } = built.build;
  const needs = useNeeds(built);
  const wood = useMemo(
    () => job && layout && { share: usedCost(job, layout), whole: worthOf(job, layout) },
    [job, layout],
  );
  const cost = batchCost(wood, needs, boxes);
  return (
    <section aria-label="Cost" className="card p-4">
      <h2 className="text-lg">What it costs</h2>
      <dl className="mt-1">
        <Line name="Wood, what is used of it">
          {cost.wood ? printMoney(cost.wood.share) : 'not laid out yet'}
        </Line>
        <Line name="Screws, glue, finish, fixings, what is used of them">
          {printMoney(cost.supplies.share)}
        </Line>
        <Line name={<strong>One box</strong>}>
          <strong>{printMoney(cost.eachBox)}</strong>
        </Line>
        <Line name={`${boxes} ${boxes === 1 ? 'box' : 'boxes'}`}>{printMoney(cost.share)}</Line>
        <Line name="Whole boards, and the packs that have to be bought">
          {printMoney(cost.whole)}
        </Line>
      </dl>
      {!cost.wood && (
        <p className="mt-2">
          No wood is in these sums:{' '}
          <Link className="link" to="../layout">
            lay it out
          </Link>
          .
        </p>
      )}
      {cost.unpriced.length > 0 && (
        <p className="mt-2 rounded-md bg-warn-pale px-3 py-2">
          Not in these sums, since nobody has told their price:{' '}
          {cost.unpriced.map(({ item, line }, index) => (
            <span key={item}>
              {index > 0 && ', '}
              <Sentence text={line.name} />
            </span>
          ))}
          .{' '}
          <Link className="link" to="?at=finish">
            Tell them
          </Link>
        </p>
      )}
    </section>
  );
}

/** When it has to be up, and how many hours a day it is worked at: asked. */
function Asked({ own }: { own: string | null }) {
  const { draft, edit } = useBatch();
  const { upBy, hoursADay } = draft.making;
  const set = (change: Partial<typeof draft.making>) =>
    edit((current) => ({ ...current, making: { ...current.making, ...change } }));
  return (
    <div className="mt-2 flex flex-wrap items-center gap-x-5 gap-y-2">
      <label className="flex items-center gap-2">
        Up by
        <input
          type="date"
          className="field"
          value={upBy ?? own ?? ''}
          onChange={(event) => set({ upBy: event.target.value || null })}
        />
      </label>
      {upBy !== null && own !== null && upBy !== own && (
        <button type="button" className="btn" onClick={() => set({ upBy: null })}>
          The animal’s own: {dayWords(own)}
        </button>
      )}
      <AmountField
        label="hours a day you work at it"
        value={hoursADay}
        least={0.25}
        most={16}
        onChange={(hours) => set({ hoursADay: hours })}
      />
    </div>
  );
}

function Entries({ entries, today }: { entries: readonly CalendarEntry[]; today: string }) {
  return (
    <ol className="mt-3">
      {entries.map(({ stage, from, to, why }) => (
        <li
          key={stage}
          className={`grid grid-cols-[5rem_1fr] gap-x-3 border-b border-dotted border-line py-1.5 ${to < today ? 'text-danger' : ''}`}
        >
          <strong>{STAGES[stage]}</strong>
          <span>
            <span className="font-semibold">
              {dayWords(from)}
              {to !== from && ` to ${dayWords(to)}`}
            </span>
            <span className="block text-sm text-soft">
              <Sentence text={why} />
            </span>
          </span>
        </li>
      ))}
    </ol>
  );
}

/** Days left over, or missing, when it is begun today. */
function Margin({
  upBy,
  today,
  work,
  aDay,
}: {
  upBy: string;
  today: string;
  work: BatchWork;
  aDay: number;
}) {
  const ready = at(onFrom(today, work, aDay), -1).to;
  const over = daysBetween(ready, upBy);
  return over >= 0 ? (
    <p className="mt-3 rounded-md bg-moss-pale px-3 py-2">
      Begun today it hangs on {dayWords(ready)}
      {over > 0
        ? `: ${over} ${over === 1 ? 'day' : 'days'} to spare.`
        : ', the last day that will do.'}
    </p>
  ) : (
    <p className="mt-3 rounded-md border border-danger bg-danger-pale px-3 py-2">
      <strong>Too late by {-over === 1 ? 'one day' : `${-over} days`}: </strong>
      begun today it hangs on {dayWords(ready)}. More hours a day, fewer boxes, or no coat would
      help; hung late it may still serve a second brood.
    </p>
  );
}

function Calendar({ built, left }: { built: Built; left: ReturnType<typeof useLeft> }) {
  const { draft } = useBatch();
  const needs = useNeeds(built);
  const { upBy, hoursADay } = draft.making;
  const today = todayHere();
  const days = draft.plan.animals.flatMap((id) => {
    const animal = animalById(id);
    return (animal && nextUpBy(animal, today)) ?? [];
  });
  const own = days.sort()[0] ?? null;
  const by = upBy ?? own;
  const { layout, wood, sawMinutes } = left;
  const { finish, waits } = built.build.times;
  const dry = waits.find(({ what }) => what === 'finish')?.hours ?? 0;
  const batchWork: BatchWork = {
    sawMinutes,
    buildMinutes: left.left.bore + left.left.assemble,
    finishMinutes: left.left.finish,
    // Coats that are all on are drying or dry.
    dryHours: finish > 0 && left.left.finish === 0 ? 0 : dry,
    sets: waits.some(({ what }) => what !== 'finish'),
    buys:
      needs.some(({ short }) => short !== null && short > 0) ||
      (layout !== null && shoppingList(layout, wood.offers).length > 0),
  };
  return (
    <section aria-label="Calendar" className="card p-4">
      <h2 className="text-lg">When it is ready</h2>
      <Asked own={own} />
      {by === null && (
        <p className="mt-2">
          This animal’s box may go up at any time: say a day, and it is planned back from there.
        </p>
      )}
      {hoursADay === null && (
        <p className="mt-2">Say how many hours a day you work at it: the days follow from that.</p>
      )}
      {sawMinutes === null && (
        <p className="mt-2">No cut is planned yet, so sawing counts as nothing here.</p>
      )}
      {by !== null && hoursADay !== null && (
        <>
          <Margin upBy={by} today={today} work={batchWork} aDay={hoursADay * 60} />
          <Entries entries={backFrom(by, batchWork, hoursADay * 60)} today={today} />
          <p className="mt-2 text-sm text-soft">
            What is done counts no more. No day off is counted.
          </p>
        </>
      )}
    </section>
  );
}

/** Minutes of work and hours of waiting, as planned and as they take here; weights. */
function Times({
  built: { build },
  left: { pace, left, sawMinutes },
}: {
  built: Built;
  left: ReturnType<typeof useLeft>;
}) {
  const { times, boxes, weight } = build;
  const rows = [
    ['Boring', times.drilling * boxes, left.bore],
    ['Putting together', times.assembly * boxes, left.assemble],
    ['Coats', times.finish * boxes, left.finish],
  ] as const;
  const learned = (['bore', 'assemble', 'finish'] as const).flatMap((kind) => {
    const own = pace[kind];
    return own ? [`${PACE_WORDS[kind]} ${own.factor} times the usual, by ${own.of} timed`] : [];
  });
  return (
    <section aria-label="Time and weight" className="card p-4">
      <h2 className="text-lg">Time and weight</h2>
      <dl className="mt-1">
        {sawMinutes !== null && <Line name="Sawing">{minutesWord(sawMinutes)}</Line>}
        {rows
          .filter(([, all]) => all > 0)
          .map(([name, all, rest]) => (
            <Line key={name} name={`${name}, ${boxes} ${boxes === 1 ? 'box' : 'boxes'}`}>
              {minutesWord(all)}
              {rest < all - 1 && `, ${minutesWord(rest)} left`}
            </Line>
          ))}
        {times.waits.map(({ what, hours }) => (
          <Line key={what} name={WAITS[what]}>
            {hoursWord(hours)}
          </Line>
        ))}
        {(
          [
            ['One box, dry', weight.dry],
            ['Soaked by rain', weight.wet],
            ['Soaked, with screws and fixings', weight.withFixings],
          ] as const
        ).map(([name, kilograms]) => (
          <Line key={name} name={name}>
            <Sentence text={[ofWeight(kilograms)]} />
          </Line>
        ))}
      </dl>
      <p className="mt-2 text-sm text-soft">
        {learned.length > 0
          ? `By this shop’s own log: ${learned.join('; ')}. `
          : 'Minutes are what such work takes in common practice, no source, until three pieces of work of a kind are timed here. '}
        Glue, caulk and tins say their own times. All boxes wait at once: spray many, turn, next
        day.
      </p>
    </section>
  );
}

/** What a batch costs, how long it takes, and when it is ready: planned back from the day by which it is up. */
export function TimeTab({ built, work }: { built: Built; work: BenchWork }) {
  const left = useLeft(built, work);
  return (
    <div className="grid grid-cols-[1.2fr_1fr] gap-4 max-lg:grid-cols-1">
      <Calendar built={built} left={left} />
      <div className="grid content-start gap-4">
        <Cost built={built} left={left} />
        <Times built={built} left={left} />
      </div>
    </div>
  );
}
