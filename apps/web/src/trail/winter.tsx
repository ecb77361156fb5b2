import { type Animal, animalById, spokenName } from '@spare-knot/core/animals';
import { NO_MAKING, type WinterRecord } from '@spare-knot/core/api';
import { backFrom, type CalendarEntry } from '@spare-knot/core/building';
import { ASKED } from '@spare-knot/core/exchange';
import { sum } from '@spare-knot/core/lists';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { client } from '../api/client';
import { useNewBatchFields } from '../batch/use-new-batch-fields';
import { ListTable } from '../lists/list-table';
import { usePlanVersion } from '../repairs/use-repairs';
import { useTools } from '../shop/use-tools';
import { dayWords } from '../stations/build/clock-words';
import { useBuild } from '../stations/build/use-build';
import { NO_PACE, usePace } from '../stations/build/use-pace';
import { AmountField } from '../ui/amount-field';
import { Trouble } from '../ui/trouble';
import { useAttempt } from '../ui/use-attempt';
import { percent } from './words';

type Row = WinterRecord['rows'][number];

/** At the saw, while nothing is laid out, so many minutes a panel. Common practice, no source. */
const SAW_MINUTES = 3;

const STAGES = { buy: 'Buy wood', saw: 'Saw', build: 'Build', dry: 'Dry', hang: 'Hang' } as const;

const counted = (count: number, one: string, many = `${one}s`): string =>
  `${count} ${count === 1 ? one : many}`;

function boxesFor(row: Row): string {
  const animal: Animal | undefined = row.animal === null ? undefined : animalById(row.animal);
  const boxes = counted(row.boxes, 'box', 'boxes');
  return animal ? `${boxes} for ${spokenName(animal)}` : `${boxes}, for no animal that is told`;
}

const seasonWords = ({ season }: Row): string => {
  if (!season) return 'no season of theirs is over that somebody looked into';
  const { of, hung, low, high } = season.taken;
  return `in ${season.year} ${of} of ${hung} were lived in, the true share between ${percent(low)} and ${percent(high)}`;
};

const NO_MORE: Readonly<Record<Row['says'], string>> = {
  more: '',
  elsewhere: 'hang those that stand empty elsewhere before another is built',
  'as many': 'that speaks neither for more nor for fewer',
  'too few': 'too few to say whether more would be lived in',
};

function Reasons({ row }: { row: Row }) {
  const { lost, asked, more } = row;
  return (
    <ul className="mt-1 list-disc pl-5">
      {lost > 0 && <li>{counted(lost, 'box was', 'boxes were')} taken down within a year</li>}
      {asked > 0 && <li>{counted(asked, 'box is', 'boxes are')} asked for</li>}
      {more > 0 && (
        <li>
          {more} more, one for every four that hang: {seasonWords(row)}
        </li>
      )}
    </ul>
  );
}

/** The days of a batch that is not begun, back from the day on which it is up. */
function useDays(row: Row, hoursADay: number | null) {
  const version = usePlanVersion(row.plan?.key ?? null);
  const { shop } = useTools();
  const pace = usePace();
  const state = useBuild(
    version?.plan ?? null,
    row.boxes,
    NO_MAKING,
    shop?.bits ?? null,
    pace ?? NO_PACE,
    null,
  );
  const built = state.answer?.ok ? state.answer : null;
  if (!built || hoursADay === null || row.upBy === null) return { version, days: null };
  const { times } = built.build;
  const panels = sum(built.box.panels.map(({ instances }) => instances.length));
  const days = backFrom(
    row.upBy,
    {
      sawMinutes: panels * row.boxes * SAW_MINUTES,
      buildMinutes: (times.drilling + times.assembly) * row.boxes,
      finishMinutes: times.finish * row.boxes,
      dryHours: times.waits.find(({ what }) => what === 'finish')?.hours ?? 0,
      sets: times.waits.some(({ what }) => what !== 'finish'),
      buys: true,
    },
    hoursADay * 60,
  );
  return { version, days };
}

function Days({ days, today }: { days: readonly CalendarEntry[]; today: string }) {
  const isLate = days.some(({ stage, to }) => stage === 'buy' && to < today);
  return (
    <>
      <ol aria-label="Days" className="mt-2 flex flex-wrap gap-x-5 gap-y-1">
        {days.map(({ stage, from, to }) => (
          <li key={stage}>
            <span className="label block">
              {stage === 'buy' || stage === 'hang' ? `${STAGES[stage]} by` : STAGES[stage]}
            </span>
            <span className={to < today ? 'font-semibold text-danger' : 'font-semibold'}>
              {stage === 'buy' || stage === 'hang' || from === to
                ? dayWords(to)
                : `${dayWords(from)} to ${dayWords(to)}`}
            </span>
          </li>
        ))}
      </ol>
      {isLate && (
        <p className="mt-1 text-danger">
          That is over already: more hours a day, or fewer boxes, would still be up in time.
        </p>
      )}
    </>
  );
}

function Proposal({ row, hoursADay }: { row: Row; hoursADay: number | null }) {
  const { version, days } = useDays(row, hoursADay);
  const fields = useNewBatchFields();
  const { attempt } = useAttempt('batches', 'batch');
  const queries = useQueryClient();
  const navigate = useNavigate();
  const name = boxesFor(row);
  const begin = async () => {
    if (!version) return;
    const { making, ...rest } = fields('rack-first');
    const kept = await attempt(() =>
      client.addBatch({
        ...rest,
        name,
        boxes: row.boxes,
        plan: version.plan,
        making: { ...making, upBy: row.upBy, hoursADay },
      }),
    );
    if (!kept) return;
    queries.setQueryData(['batch', kept.id], kept);
    navigate(`/batches/${kept.id}/wood`);
  };
  return (
    <li className="card p-4" data-winter={name}>
      <div className="flex flex-wrap items-start gap-4">
        <div className="flex-1 basis-80">
          <h2 className="text-xl">{name}</h2>
          <Reasons row={row} />
        </div>
        {row.plan ? (
          <button
            type="button"
            className="btn btn-main min-h-11"
            disabled={!version || row.boxes > 1000}
            onClick={() => void begin()}
          >
            Start this batch
          </button>
        ) : (
          <Link className="btn min-h-11" to="/new">
            Choose a plan
          </Link>
        )}
      </div>
      {row.plan && <p className="mt-1 text-soft">By the plan of “{row.plan.name}”.</p>}
      {row.upBy === null ? (
        <p className="mt-2">These may go up at any time: no day is planned back from.</p>
      ) : (
        <p className="mt-2">
          Up by <strong>{dayWords(row.upBy)}</strong>.
          {hoursADay === null && ' Say how many hours a day you work at it: the days follow.'}
        </p>
      )}
      {days && <Days days={days} today={new Date().toISOString().slice(0, 10)} />}
    </li>
  );
}

function Broken({ broken: { boxes, panels } }: Pick<WinterRecord, 'broken'>) {
  if (panels === 0) return null;
  return (
    <p className="card mt-4 flex flex-wrap items-center gap-3 p-3">
      <strong>
        {counted(panels, 'panel')} of {counted(boxes, 'box', 'boxes')} {panels === 1 ? 'is' : 'are'}{' '}
        to be made anew
      </strong>
      <span>Mended boxes are fewer new ones.</span>
      <Link className="btn ml-auto" to="/spares?at=broken">
        Mend them
      </Link>
    </p>
  );
}

/** What to build before the next season, with its reasons and its days, and what is asked for. */
export function Winter() {
  const query = useQuery({ queryKey: [ASKED.id, 'winter'], queryFn: client.winter });
  const [hoursADay, setHoursADay] = useState<number | null>(null);
  const rows = query.data?.rows ?? [];
  const build = rows.filter(({ boxes }) => boxes > 0);
  const none = rows.filter(({ boxes, hung }) => boxes === 0 && hung > 0);
  return (
    <section aria-label="Next winter">
      <p className="mt-3 max-w-3xl text-soft">
        What was lost is made again, what is asked for is made, and more is made where the last
        season speaks for it. You decide.
      </p>
      {query.isError && <Trouble error={query.error} retry={() => void query.refetch()} />}
      {query.isPending && <p className="mt-4">Counting…</p>}
      {query.data && <Broken broken={query.data.broken} />}
      {build.length > 0 && (
        <div className="mt-4">
          <AmountField
            label="hours a day you work at it"
            value={hoursADay}
            least={0.25}
            most={16}
            onChange={setHoursADay}
          />
        </div>
      )}
      <ul className="mt-3 grid gap-3">
        {build.map((row) => (
          <Proposal key={row.animal ?? ''} row={row} hoursADay={hoursADay} />
        ))}
      </ul>
      {build.length > 0 && (
        <p className="mt-2 text-sm text-soft">
          Counted at {SAW_MINUTES} minutes a panel at the saw until boards are laid out, one day to
          buy, one to hang, no day off.
        </p>
      )}
      {query.data && build.length === 0 && (
        <p className="card mt-4 p-5">
          Nothing speaks for new boxes: none was lost, none is asked for, and no season asks for
          more.
        </p>
      )}
      {none.length > 0 && (
        <section aria-label="No more of these" className="mt-4">
          <h2 className="text-xl">No more of these</h2>
          <ul className="mt-1">
            {none.map((row) => (
              <li key={row.animal ?? ''} className="border-b border-dotted border-line py-1.5">
                <strong>
                  {row.animal === null
                    ? 'For no animal that is told'
                    : boxesFor({ ...row, boxes: row.hung })}
                </strong>{' '}
                hang: {seasonWords(row)}; {NO_MORE[row.says]}.
              </li>
            ))}
          </ul>
        </section>
      )}
      <ListTable list={ASKED} />
      <p className="mt-2 text-sm text-soft">
        A wish that does not say how many counts as none; one that is given counts no more.
      </p>
    </section>
  );
}
