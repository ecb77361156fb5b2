import type { BoxRecord, VisitRecord } from '@spare-knot/core/api';
import { useQuery } from '@tanstack/react-query';
import { Trash2 } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { client } from '../api/client';
import { Height } from '../measure/height';
import { Sentence } from '../measure/length';
import { RepairsOfBox } from '../repairs/repairs-of-box';
import { BoxDialog } from '../trail/box-dialog';
import { MOUNT_WORDS } from '../trail/box-fields';
import { useDue } from '../trail/use-due';
import { toldOf, useTrail } from '../trail/use-trail';
import { useVisits } from '../trail/use-visits';
import { VisitDialog } from '../trail/visit-dialog';
import { WaitingVisits } from '../trail/waiting-visits';
import { animalName, FINDING_WORDS, KIND_WORDS, whenWords } from '../trail/words';
import { HeaderEnd } from '../ui/header-end';
import { useNotice } from '../ui/notice';
import { Trouble } from '../ui/trouble';
import { UnreadableHere } from '../ui/unreadable-here';
import { useAttempt } from '../ui/use-attempt';

const NOT_SAID = 'not said';

function Fact({ name, children }: { name: string; children: ReactNode }) {
  return (
    <>
      <dt className="text-soft">{name}</dt>
      <dd>{children || NOT_SAID}</dd>
    </>
  );
}

function Facts({ box }: { box: BoxRecord }) {
  return (
    <dl className="grid grid-cols-[8rem_1fr] gap-y-1.5 text-lg max-sm:grid-cols-[6.5rem_1fr]">
      <Fact name="For">{animalName(box.animal)}</Fact>
      <Fact name="Place">
        {box.place}
        {box.at && (
          <span className="mono block text-base">
            {box.at.latitude}, {box.at.longitude}
          </span>
        )}
      </Fact>
      <Fact name="Height">{box.height !== null && <Height ticks={box.height} />}</Fact>
      <Fact name="Faces">{box.facing}</Fact>
      <Fact name="Hangs">
        {[box.mount && MOUNT_WORDS[box.mount], box.host].filter(Boolean).join(', ')}
      </Fact>
      <Fact name="Hung on">
        {box.hungOn}
        {box.takenDownOn && `, taken down ${box.takenDownOn}`}
      </Fact>
      <Fact name="Looked after">{box.keeper && `by ${box.keeper}`}</Fact>
      <Fact name="Built by plan">
        {box.batch ? (
          <Link className="link" to={`/batches/${box.batch}/box`}>
            {box.plan || 'of its batch'}
          </Link>
        ) : (
          box.plan
        )}
      </Fact>
      {box.note && <Fact name="Note">{box.note}</Fact>}
    </dl>
  );
}

const counts = ({ eggs, young, fledged }: VisitRecord): string =>
  [
    eggs !== null && `${eggs} eggs`,
    young !== null && `${young} young`,
    fledged !== null && `${fledged} flown`,
  ]
    .filter(Boolean)
    .join(', ');

function VisitRow({
  visit,
  hungOn,
  isDouble,
  onRemove,
}: {
  visit: VisitRecord;
  hungOn: string | null;
  /** Another was recorded on the same day. */
  isDouble: boolean;
  onRemove: () => void;
}) {
  const { on, found, guest, cleaned, wants, by, note } = visit;
  return (
    <li
      className="flex flex-wrap items-start gap-x-4 gap-y-1 border-b border-dotted border-line py-2"
      data-visit={on}
    >
      <span className="mono whitespace-nowrap text-lg">{on}</span>
      <span className="flex-1 basis-60">
        <strong className="text-lg">{FINDING_WORDS[found]}</strong>
        {guest && `: ${guest}`}
        {counts(visit) && `, ${counts(visit)}`}
        {cleaned && ', cleaned'}
        {wants && <span className="block text-warn-ink">To mend: {wants}</span>}
        {note && <span className="block">{note}</span>}
        <span className="block text-sm text-soft">
          {by && `by ${by}`}
          {hungOn && on < hungOn && ' This is before it was hung.'}
          {isDouble && ' Another visit is recorded for that day: both are kept.'}
        </span>
      </span>
      {visit.hasPhoto && (
        <img
          src={`/api/visits/${visit.id}/photo`}
          alt={`The box on ${on}`}
          className="h-24 rounded border border-line"
          loading="lazy"
        />
      )}
      <button
        type="button"
        className="btn btn-quiet min-h-11"
        aria-label={`Take the visit of ${on} off`}
        onClick={onRemove}
      >
        <Trash2 size={16} aria-hidden />
      </button>
    </li>
  );
}

function Visits({ box, visits }: { box: BoxRecord; visits: readonly VisitRecord[] }) {
  const { attempt } = useAttempt('box', 'visit');
  const trail = useAttempt('trail', 'box');
  const say = useNotice();
  const { waiting } = useVisits();
  const own = waiting.filter(({ visit, isKept }) => visit.box === box.id && !isKept);
  const remove = async (visit: VisitRecord) => {
    const isGone = await attempt(() => client.removeVisit(visit.id, visit.version));
    void trail.refresh();
    if (!isGone) return;
    const back = async () => {
      await attempt(() => client.restoreVisit(visit.id));
      void trail.refresh();
    };
    say(`The visit of ${visit.on} is off.`, { undo: () => void back() });
  };
  return (
    <section aria-label="Visits" className="mt-6">
      <h2 className="text-xl">Visits</h2>
      {own.length > 0 && (
        <p className="mt-1">
          {own
            .map(({ visit }) => `${visit.on}: ${FINDING_WORDS[visit.found].toLowerCase()}`)
            .join('; ')}{' '}
          {own.length === 1 ? 'waits' : 'wait'} on this device.
        </p>
      )}
      {visits.length === 0 && own.length === 0 && (
        <p className="card mt-2 p-4">It was not visited yet.</p>
      )}
      <ul>
        {visits.map((visit) => (
          <VisitRow
            key={visit.id}
            visit={visit}
            hungOn={box.hungOn}
            isDouble={visits.some((each) => each !== visit && each.on === visit.on)}
            onRemove={() => void remove(visit)}
          />
        ))}
      </ul>
    </section>
  );
}

function Next({ box }: { box: BoxRecord }) {
  const { due, day } = useDue([box]);
  const [next] = due;
  const [isVisited, setVisited] = useState(false);
  const isAlone = Boolean(next?.due.alone && next.due.alone > day);
  return (
    <div
      className={`mt-4 flex flex-wrap items-center gap-4 rounded-lg border-2 p-4 ${isAlone ? 'border-danger bg-danger-pale' : 'border-line bg-card'}`}
    >
      <p className="flex-1 basis-72">
        {next ? (
          <>
            <strong className="text-lg">
              {isAlone && 'Leave it alone. '}Next: {KIND_WORDS[next.due.kind]}, {next.due.on} (
              {whenWords(next.due.on, day)})
            </strong>
            <span className="block">
              <Sentence text={next.due.why} />
            </span>
          </>
        ) : (
          'No next visit is known: say when it was hung, and for which animal.'
        )}
      </p>
      <button
        type="button"
        className="btn btn-main min-h-14 text-lg"
        onClick={() => setVisited(true)}
      >
        Record a visit
      </button>
      <VisitDialog
        box={isVisited ? box : null}
        due={next?.due ?? null}
        onClose={() => setVisited(false)}
      />
    </div>
  );
}

function Found({ box, visits }: { box: BoxRecord; visits: readonly VisitRecord[] }) {
  const { change, remove } = useTrail();
  const { refresh } = useAttempt('box', 'box');
  const [isEdited, setEdited] = useState(false);
  const go = useNavigate();
  return (
    <>
      <Next box={box} />
      <div className="card mt-4 p-4">
        <Facts box={box} />
        <p className="mt-4 flex flex-wrap gap-2">
          <button type="button" className="btn min-h-11" onClick={() => setEdited(true)}>
            Change what is told
          </button>
          <button
            type="button"
            className="btn min-h-11"
            onClick={() => void remove(box).then((isGone) => isGone && go('/trail?at=boxes'))}
          >
            Off the list
          </button>
        </p>
      </div>
      <RepairsOfBox box={box} />
      <Visits box={box} visits={visits} />
      <BoxDialog
        title={`Box ${box.number}`}
        start={isEdited ? toldOf(box) : null}
        keepWord="Keep it"
        onKeep={async (to) => {
          const isKept = await change(box, to);
          void refresh();
          return isKept;
        }}
        onClose={() => setEdited(false)}
      />
    </>
  );
}

/** One box that is out: what it is, where and how it hangs, its visits. */
export function TrailBoxPage() {
  const { id = '' } = useParams();
  const { boxes } = useTrail();
  const query = useQuery({ queryKey: ['box', id], queryFn: () => client.trailBox(id) });
  // Where the box itself cannot be fetched, what the list knew of it is shown: visits can be recorded all the same.
  const box = query.data?.box ?? boxes.find((each) => each.id === id);
  return (
    <main className="mx-auto max-w-[900px] px-6 py-6 max-sm:px-3">
      <HeaderEnd />
      <p>
        <Link className="link" to="/trail">
          Trail
        </Link>
      </p>
      <h1 className="text-3xl">Box {box?.number}</h1>
      <WaitingVisits boxes={boxes} />
      {query.isError && <Trouble error={query.error} retry={() => void query.refetch()} />}
      <UnreadableHere list={`trail/${id}`} />
      {query.isPending && !box && <p className="mt-4">Looking for it…</p>}
      {box && <Found box={box} visits={query.data?.visits ?? []} />}
    </main>
  );
}
