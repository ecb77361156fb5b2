import { animalById, readySentence, spokenName } from '@spare-knot/core/animals';
import type { BatchRecord, WorkRecord } from '@spare-knot/core/api';
import { buildBox, familyById } from '@spare-knot/core/families';
import { HANGING_WORDS, isHangingWay } from '@spare-knot/core/plan';
import { assembledDrawing } from '@spare-knot/core/sheets';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { client } from '../api/client';
import { PaperPicture } from '../boxview/paper-picture';
import { BoxDialog } from '../trail/box-dialog';
import { hangingBox, useTrail } from '../trail/use-trail';
import { HeaderEnd } from '../ui/header-end';
import { Trouble } from '../ui/trouble';

const guestsOf = ({ plan }: BatchRecord): string =>
  plan.animals
    .flatMap((id) => {
      const animal = animalById(id);
      return animal ? [`${spokenName(animal)}, ${readySentence(animal)}`] : [];
    })
    .join('; ') || 'nobody yet';

function Picture({ batch }: { batch: BatchRecord }) {
  const drawing = useMemo(() => {
    const built = buildBox(batch.plan);
    return built.ok ? assembledDrawing(built.box) : null;
  }, [batch]);
  if (!drawing) return <p>Its plan gives no box any more: look at it in its batch.</p>;
  return <PaperPicture drawing={drawing} width={320} most={380} label="The box as it stands" />;
}

/** How many steps of this box were told to be done, and when the last was. */
function Made({ done, box }: { done: WorkRecord['done']; box: number }) {
  const own = done.filter((work) => work.kind === 'assemble' && work.box === box);
  const last = own.at(-1);
  if (!last) return <>no step of it is told to be done</>;
  const day = new Date(last.at).toLocaleDateString(undefined, {
    day: 'numeric',
    month: 'long',
    year: 'numeric',
  });
  return (
    <>
      {own.length} {own.length === 1 ? 'step is' : 'steps are'} done, the last on {day}
    </>
  );
}

function Found({ batch, number }: { batch: BatchRecord; number: number }) {
  const work = useQuery({
    queryKey: ['work', batch.id],
    queryFn: async () => (await client.work(batch.id)).done,
  });
  const { making, boxes, plan } = batch;
  const box = number - making.firstNumber + 1;
  const way = making.hanging ?? plan.hanging;
  const words = way !== null && isHangingWay(way) ? HANGING_WORDS[way][0] : null;
  if (box < 1 || box > boxes)
    return (
      <p className="card mt-4 p-5">
        No box of “{batch.name}” has the number {number}: they go from {making.firstNumber} to{' '}
        {making.firstNumber + boxes - 1}. The label may be of another batch, or the numbers were
        changed after it was printed.
      </p>
    );
  return (
    <div className="card mt-4 grid grid-cols-[340px_1fr] gap-6 p-5 max-sm:grid-cols-1">
      <Picture batch={batch} />
      <div>
        <dl className="grid grid-cols-[7rem_1fr] gap-y-2 text-lg">
          <dt className="text-soft">Batch</dt>
          <dd>
            <Link className="link" to={`/batches/${batch.id}/build`}>
              {batch.name}
            </Link>
            , {box} of {boxes}
          </dd>
          <dt className="text-soft">Plan</dt>
          <dd>{familyById(plan.family)?.name ?? plan.family}</dd>
          <dt className="text-soft">For</dt>
          <dd>{guestsOf(batch)}</dd>
          <dt className="text-soft">Made</dt>
          <dd>{work.data ? <Made done={work.data} box={box} /> : 'looking…'}</dd>
          <dt className="text-soft">Hangs by</dt>
          <dd>{words ?? 'no way is chosen at Build'}</dd>
        </dl>
        <p className="mt-5 flex flex-wrap gap-2">
          <Link className="btn min-h-11" to={`/batches/${batch.id}/build?at=assembly`}>
            How it goes together
          </Link>
          <Link className="btn min-h-11" to={`/batches/${batch.id}/build?at=hanging`}>
            How it hangs
          </Link>
          <HangIt batch={batch} number={number} />
        </p>
      </div>
    </div>
  );
}

/** A box that hangs has a page of its own; one that does not is hung from here, and knows its plan. */
function HangIt({ batch, number }: { batch: BatchRecord; number: number }) {
  const { boxes, query, add } = useTrail();
  const [isAsked, setAsked] = useState(false);
  const go = useNavigate();
  const hung = boxes.find((box) => box.number === number && box.batch === batch.id);
  const start = useMemo(() => hangingBox(batch, number), [batch, number]);
  if (!query.data) return null;
  if (hung)
    return (
      <Link className="btn btn-main min-h-11" to={`/trail/${hung.id}`}>
        Its page on the trail
      </Link>
    );
  return (
    <>
      <button type="button" className="btn btn-main min-h-11" onClick={() => setAsked(true)}>
        Hang it
      </button>
      <BoxDialog
        title={`Box ${number} hangs`}
        start={isAsked ? start : null}
        keepWord="It hangs: keep it"
        onKeep={async (box) => {
          const [kept] = (await add([box])) ?? [];
          if (kept) go(`/trail/${kept.id}`);
          return kept !== undefined;
        }}
        onClose={() => setAsked(false)}
      />
    </>
  );
}

/** What the label of a box opens. */
export function BoxPage() {
  const { id = '', number: written = '' } = useParams();
  const number = /^\d{1,5}$/.test(written) ? Number(written) : null;
  const query = useQuery({
    queryKey: ['batch', id],
    queryFn: () => client.batch(id),
    retry: false,
  });
  return (
    <main className="mx-auto max-w-[1000px] px-6 py-6 max-sm:px-3">
      <HeaderEnd />
      <h1 className="text-3xl">Box {written}</h1>
      {query.isError && <Trouble error={query.error} retry={() => void query.refetch()} />}
      {number === null && <p className="card mt-4 p-5">“{written}” is no number of a box.</p>}
      {query.data && number !== null && <Found batch={query.data} number={number} />}
    </main>
  );
}
