import type { BoxRecord } from '@spare-knot/core/api';
import { type Day, daysAfter } from '@spare-knot/core/building';
import { writeCalendar } from '@spare-knot/core/exchange';
import { plainText } from '@spare-knot/core/text';
import { whatToCarry } from '@spare-knot/core/trail';
import { CalendarPlus } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { Height } from '../measure/height';
import { Sentence } from '../measure/length';
import { saveFile } from '../ui/save-file';
import { type DueBox, useDue } from './use-due';
import { useWalk } from './use-walk';
import { VisitDialog } from './visit-dialog';
import { animalName, KIND_WORDS, whenWords } from './words';

const HORIZONS = [
  { days: 0, words: 'today' },
  { days: 7, words: 'within a week' },
  { days: 30, words: 'within a month' },
  { days: 365, words: 'within a year' },
] as const;

function DueRow({
  of: { box, due },
  step,
  day,
  onVisit,
}: {
  of: DueBox;
  /** Its place on the walk. */
  step: number | null;
  day: Day;
  onVisit: () => void;
}) {
  const isLate = due.on < day;
  const isAlone = due.alone !== null && due.alone > day;
  return (
    <li className="card flex flex-wrap items-center gap-x-4 gap-y-2 p-3" data-due={box.number}>
      {step !== null && (
        <span className="mono w-8 text-right text-xl text-soft" title="Its place on the walk">
          {step}.
        </span>
      )}
      <span className="min-w-0 flex-1 basis-52">
        <Link className="link text-xl" to={`/trail/${box.id}`}>
          Box {box.number}
        </Link>{' '}
        <span className="text-lg">{box.place}</span>
        <span className="block text-soft">
          {animalName(box.animal)}
          {box.height !== null && (
            <>
              , <Height ticks={box.height} /> up
            </>
          )}
          {box.host && `, ${box.host}`}
        </span>
      </span>
      <span className="flex-1 basis-64">
        <strong className={isLate ? 'text-danger' : ''}>
          {isLate ? '! ' : ''}
          {KIND_WORDS[due.kind]}, {whenWords(due.on, day)}
        </strong>
        <span className="block text-sm">
          <Sentence text={due.why} />
        </span>
        {box.last?.wants && (
          <span className="block text-sm text-warn-ink">Mend: {box.last.wants}</span>
        )}
      </span>
      <button
        type="button"
        className={isAlone ? 'btn min-h-12' : 'btn btn-main min-h-12'}
        aria-label={`Record a visit to box ${box.number}`}
        onClick={onVisit}
      >
        {isAlone ? 'Leave it alone' : 'Record a visit'}
      </button>
    </li>
  );
}

const kilometres = (metres: number): string =>
  metres < 950 ? `${Math.round(metres / 10) * 10} m` : `${(metres / 1000).toFixed(1)} km`;

/** How long the walk is, and how much longer than the shortest it can be at most. */
function WalkWords({
  walk: { walk, ordered, unplaced, trouble },
}: {
  walk: ReturnType<typeof useWalk>;
}) {
  if (trouble) return <p role="alert">The order of the walk could not be worked out: {trouble}</p>;
  if (ordered.length < 2)
    return (
      <p className="text-soft">
        {unplaced.length > 0
          ? 'Say where these boxes hang, and the walk is put in the shortest order.'
          : ''}
      </p>
    );
  if (!walk) return <p>Working out the shortest way…</p>;
  const over = walk.bound > 0 ? (100 * (walk.metres - walk.bound)) / walk.bound : 0;
  return (
    <p>
      <strong>{kilometres(walk.metres)}</strong> round as the crow flies, in this order
      {over < 0.05
        ? ': no order is shorter'
        : `: at most ${over.toFixed(1)} % longer than the shortest`}
      .
      {unplaced.length > 0 &&
        ` ${unplaced.length} without a told place ${unplaced.length === 1 ? 'stands' : 'stand'} at the end.`}
    </p>
  );
}

function Carry({ due }: { due: readonly DueBox[] }) {
  const carried = useMemo(
    () =>
      whatToCarry(
        due.map(({ box, due: { kind } }) => ({ box, kind, wants: box.last?.wants ?? '' })),
      ),
    [due],
  );
  return (
    <details open className="card p-3">
      <summary className="font-semibold">What to carry</summary>
      <ul className="mt-1 list-disc pl-5">
        {carried.map((line, index) => (
          <li key={index}>
            <Sentence text={line} />
          </li>
        ))}
      </ul>
    </details>
  );
}

function calendarOf(due: readonly DueBox[]): string {
  return writeCalendar(
    due.map(({ box, due: { on, kind, why } }) => ({
      id: `box-${box.id}`,
      on,
      title: `Box ${box.number}: ${KIND_WORDS[kind]}`,
      words: `${box.place ? `${box.place}. ` : ''}${plainText(why)}`,
    })),
    Date.now(),
  );
}

/** Boxes of which no next visit can be told are named with what is missing. */
function Untold({
  untold,
  unhung,
}: {
  untold: readonly BoxRecord[];
  unhung: readonly BoxRecord[];
}) {
  const named = (boxes: readonly BoxRecord[]) =>
    boxes.slice(0, 12).map((box, index) => (
      <span key={box.id}>
        {index > 0 && ', '}
        <Link className="link" to={`/trail/${box.id}`}>
          {box.number}
        </Link>
      </span>
    ));
  return (
    <>
      {untold.length > 0 && (
        <p className="mt-3 rounded-md border border-warn bg-warn-pale px-3 py-2">
          Nobody has said for which animal these are, so no calendar is known for them after the
          first visit: box {named(untold)}
          {untold.length > 12 && ` and ${untold.length - 12} more`}.
        </p>
      )}
      {unhung.length > 0 && (
        <p className="mt-3 rounded-md border border-warn bg-warn-pale px-3 py-2">
          Nobody has said when these were hung, so they are not called up: box {named(unhung)}
          {unhung.length > 12 && ` and ${unhung.length - 12} more`}.
        </p>
      )}
    </>
  );
}

/** Boxes that are to be visited, in the order of a short walk, and what to carry on it. */
export function DueList({ boxes }: { boxes: readonly BoxRecord[] }) {
  const { day, due, untold, unhung } = useDue(boxes);
  const [days, setDays] = useState<number>(7);
  const [visited, setVisited] = useState<DueBox | null>(null);
  const chosen = useMemo(
    () => due.filter((each) => each.due.on <= daysAfter(day, days)),
    [due, day, days],
  );
  const walked = useMemo(() => chosen.map(({ box }) => box), [chosen]);
  const walk = useWalk(walked);
  const byId = new Map(chosen.map((each) => [each.box.id, each]));
  const inOrder = [...walk.ordered, ...walk.unplaced].flatMap(({ id }) => byId.get(id) ?? []);
  return (
    <section aria-label="To visit">
      <div className="mt-3 flex flex-wrap items-end gap-3">
        <label>
          <span className="label block">Due</span>
          <select
            className="field min-h-11"
            value={days}
            onChange={(event) => setDays(Number(event.target.value))}
          >
            {HORIZONS.map(({ days: of, words }) => (
              <option key={of} value={of}>
                {words}
              </option>
            ))}
          </select>
        </label>
        <button
          type="button"
          className="btn min-h-11"
          disabled={due.length === 0}
          onClick={() => saveFile('boxes-to-visit.ics', 'text/calendar', calendarOf(due))}
        >
          <CalendarPlus size={16} aria-hidden /> All as a calendar file
        </button>
      </div>
      <Untold untold={untold} unhung={unhung} />
      {chosen.length === 0 ? (
        <p className="card mt-4 p-5">
          {boxes.length === 0
            ? 'No box is out yet. Hang the first: at “Boxes”, or from the page that the label of a box opens.'
            : `Nothing is due ${HORIZONS.find((each) => each.days === days)?.words}.`}
        </p>
      ) : (
        <div className="mt-3 grid gap-3">
          <p className="text-lg" role="status">
            {chosen.length} {chosen.length === 1 ? 'box' : 'boxes'} to visit.
          </p>
          <WalkWords walk={walk} />
          <Carry due={inOrder} />
          <ol className="grid gap-2">
            {inOrder.map((each, index) => (
              <DueRow
                key={each.box.id}
                of={each}
                step={each.box.at && walk.walk ? index + 1 : null}
                day={day}
                onVisit={() => setVisited(each)}
              />
            ))}
          </ol>
        </div>
      )}
      <VisitDialog
        box={visited?.box ?? null}
        due={visited?.due ?? null}
        onClose={() => setVisited(null)}
      />
    </section>
  );
}
