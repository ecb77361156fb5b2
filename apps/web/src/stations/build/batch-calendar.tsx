import { animalById } from '@spare-knot/core/animals';
import {
  type BatchWork,
  backFrom,
  type CalendarEntry,
  type CalendarStage,
  daysBetween,
  nextUpBy,
  onFrom,
} from '@spare-knot/core/building';
import { shoppingList } from '@spare-knot/core/layout';
import { at } from '@spare-knot/core/lists';
import { useBatch } from '../../batch/batch-context';
import { Sentence } from '../../measure/length';
import { AmountField } from '../../ui/amount-field';
import { dayWords } from './clock-words';
import type { Built } from './use-build';
import type { Left } from './use-left';
import { useNeeds } from './use-needs';

const STAGES: Readonly<Record<CalendarStage, string>> = {
  buy: 'Buy',
  saw: 'Saw',
  build: 'Build',
  dry: 'Dry',
  hang: 'Hang',
};
const todayHere = (): string => {
  const now = new Date();
  const two = (part: number) => String(part).padStart(2, '0');
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
};

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

/** Planned back from the day by which it is up, and on from today. */
export function BatchCalendar({ built, left }: { built: Built; left: Left }) {
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
