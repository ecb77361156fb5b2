import { readySentence, spokenName } from '@spare-knot/core/animals';
import type { BatchSummary } from '@spare-knot/core/api';
import { daysAfter } from '@spare-knot/core/building';
import { animalsOf } from '@spare-knot/core/families';

import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Copy, Plus, Trash2 } from 'lucide-react';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { client } from '../api/client';
import { BATCHES } from '../api/queries';
import { SmallPicture } from '../boxview/small-picture';
import { useRepairs } from '../repairs/use-repairs';
import { dayWords } from '../stations/build/clock-words';
import { useDue } from '../trail/use-due';
import { useTrail } from '../trail/use-trail';
import { Boundary } from '../ui/boundary';
import { HeaderEnd } from '../ui/header-end';
import { messageOf } from '../ui/message-of';
import { useNotice } from '../ui/notice';
import { Trouble } from '../ui/trouble';
import { nextStep, WEEK, whatsNext } from './whats-next';

/** All batches, and what to do next with each. */
export function Bench() {
  const query = useQuery(BATCHES);
  const open = (query.data ?? []).filter(({ isDone }) => !isDone);
  return (
    <main className="mx-auto max-w-[1200px] px-6 py-6">
      <HeaderEnd />
      <div className="flex flex-wrap items-end justify-between gap-2">
        <div>
          <h1 className="text-3xl">Bench</h1>
          <p className="text-soft">
            What to do next by date, and the batches, the last touched first.
          </p>
        </div>
        <Link to="/new" className="btn btn-main">
          <Plus size={18} aria-hidden /> Start a batch
        </Link>
      </div>
      {query.isError && <Trouble error={query.error} retry={() => void query.refetch()} />}
      {query.isPending && <p className="mt-8">Looking on the bench…</p>}
      {query.data?.length === 0 && (
        <div className="card mt-8 p-8 text-center">
          <h2 className="text-xl">The bench is empty</h2>
          <p className="mx-auto mt-2 max-w-md">
            Start with the animal: it sets the entrance, the floor and the height. Then put the
            boards you have on the{' '}
            <Link to="/rack" className="link">
              rack
            </Link>
            , and Spare Knot lays the boxes out on them.
          </p>
          <Link to="/new" className="btn btn-main mt-5">
            Choose an animal
          </Link>
        </div>
      )}
      {query.data && <Next batches={query.data} />}
      <ul className="mt-6 grid grid-cols-1 gap-4">
        {open.map((batch) => (
          <Boundary key={batch.id} what={`“${batch.name}”`}>
            <BatchCard batch={batch} />
          </Boundary>
        ))}
      </ul>
      <Done batches={(query.data ?? []).filter(({ isDone }) => isDone)} />
    </main>
  );
}

/** What is to be done next, by date, over batches, walks and repairs. */
function Next({ batches }: { batches: readonly BatchSummary[] }) {
  const { boxes } = useTrail();
  const { due, day } = useDue(boxes);
  const { repairs } = useRepairs();
  const things = useMemo(
    () => whatsNext({ batches, due, repairs, boxes }, day, daysAfter(day, WEEK)),
    [batches, due, repairs, boxes, day],
  );
  if (things.length === 0) return null;
  return (
    <section aria-label="What is next" className="card mt-4 border-2 border-chalk p-4">
      <h2 className="text-xl">What is next</h2>
      <ol>
        {things.map(({ key, by, what, why, to, label }) => (
          <li
            key={key}
            className="grid grid-cols-[11rem_1fr_auto] items-center gap-x-4 border-b border-dotted border-line py-1.5 max-sm:grid-cols-[1fr_auto]"
          >
            <span className={by !== null && by < day ? 'font-semibold text-danger' : 'text-soft'}>
              {by === null ? 'any day' : dayWords(by)}
              {by !== null && by < day && ', late'}
            </span>
            <span className="max-sm:col-start-1">
              <strong id={`next ${key}`.replaceAll(' ', '-')}>{what}</strong>
              <span className="block text-sm text-soft">{why}</span>
            </span>
            <Link
              className="btn max-sm:col-start-2 max-sm:row-span-2 max-sm:row-start-1"
              to={to}
              aria-describedby={`next ${key}`.replaceAll(' ', '-')}
            >
              {label}
            </Link>
          </li>
        ))}
      </ol>
    </section>
  );
}

/** Batches whose boxes hang, out of the way. */
function Done({ batches }: { batches: readonly BatchSummary[] }) {
  if (batches.length === 0) return null;
  return (
    <details className="mt-6">
      <summary className="font-slab text-lg font-semibold">
        {batches.length} {batches.length === 1 ? 'batch is' : 'batches are'} done
      </summary>
      <ul className="mt-2 grid grid-cols-1 gap-4">
        {batches.map((batch) => (
          <Boundary key={batch.id} what={`“${batch.name}”`}>
            <BatchCard batch={batch} />
          </Boundary>
        ))}
      </ul>
    </details>
  );
}

const sentenceCase = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

function BatchCard({ batch }: { batch: BatchSummary }) {
  const queries = useQueryClient();
  const say = useNotice();
  const [animal] = animalsOf(batch);
  const next = nextStep(batch);
  const taken = batch.state.is === 'taken';

  const remove = async () => {
    try {
      await client.removeBatch(batch.id, batch.version);
      await queries.invalidateQueries({ queryKey: ['batches'] });
      say(`“${batch.name}” is off the bench.`, {
        undo: () =>
          void client
            .restoreBatch(batch.id)
            .then(() => queries.invalidateQueries({ queryKey: ['batches'] })),
      });
    } catch (error) {
      say(messageOf(error), { tone: 'danger' });
      await queries.invalidateQueries({ queryKey: ['batches'] });
    }
  };
  /** The same boxes once more; boards are chosen anew. */
  const duplicate = async () => {
    try {
      const { name, boxes, units, division, plan, saw, wishes, making } = await client.batch(
        batch.id,
      );
      const again = `${name.slice(0, 113)}, again`;
      const free = { ...wishes, pinned: [], forbidden: [] };
      const kept = await client.addBatch({
        name: again,
        boxes,
        units,
        division,
        plan,
        saw,
        wishes: free,
        making,
      });
      await queries.invalidateQueries({ queryKey: ['batches'] });
      say(`“${again}” is on the bench.`, {
        undo: () =>
          void client
            .removeBatch(kept.id, kept.version)
            .then(() => queries.invalidateQueries({ queryKey: ['batches'] })),
      });
    } catch (error) {
      say(messageOf(error), { tone: 'danger' });
    }
  };
  return (
    <li className="card flex items-center gap-5 p-4 max-sm:flex-wrap">
      <Link
        to={`/batches/${batch.id}/box`}
        tabIndex={-1}
        aria-hidden
        className="grid h-24 w-28 shrink-0 place-items-center rounded-md bg-[#f0e8d6]"
      >
        {batch.picture && <SmallPicture picture={batch.picture} width={100} height={84} />}
      </Link>
      <div className="min-w-0 flex-1">
        <h2 className="truncate text-xl max-sm:whitespace-normal">
          <Link to={`/batches/${batch.id}/box`} className="hover:underline">
            {batch.name}
          </Link>
        </h2>
        <p>
          {batch.isMending && 'Mends '}
          {batch.boxes} {batch.boxes === 1 ? 'box' : 'boxes'}
          {batch.isMending && (batch.boxes === 1 ? ' that is out' : ' that are out')}
          {animal && ` · ${spokenName(animal)}`}
        </p>
        {animal && (
          <p className="text-soft">
            {batch.upBy ? `Up by ${dayWords(batch.upBy)}` : sentenceCase(readySentence(animal))} ·{' '}
            {animal.facing}
          </p>
        )}
      </div>
      <div className="w-60 text-right max-sm:w-full">
        <p className={taken ? 'font-semibold text-moss' : 'text-soft'}>
          {taken && <span aria-hidden>✓ </span>}
          {next.why}
        </p>
        <div className="mt-2 flex items-center justify-end gap-1">
          <button
            type="button"
            className="btn btn-quiet"
            title="The same boxes once more"
            aria-label={`Duplicate ${batch.name}`}
            onClick={() => void duplicate()}
          >
            <Copy size={17} aria-hidden />
          </button>
          <button
            type="button"
            className="btn btn-quiet"
            aria-label={`Delete ${batch.name}`}
            onClick={() => void remove()}
          >
            <Trash2 size={17} aria-hidden />
          </button>
          <Link to={`/batches/${batch.id}/${next.to}`} className="btn">
            {next.label}
          </Link>
        </div>
      </div>
    </li>
  );
}
