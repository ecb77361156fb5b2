import type { KeptPlans } from '@spare-knot/core/api';
import type { AssemblyRound } from '@spare-knot/core/spares';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { Link } from 'react-router';
import { type AnswerWorker, OneAnswer } from '../workers/one-answer';
import type { RoundsAnswer, RoundsQuestion } from '../workers/rounds.worker';
import { useBin } from './use-bin';

const hire = () =>
  new Worker(new URL('../workers/rounds.worker.ts', import.meta.url), {
    type: 'module',
  }) as AnswerWorker<RoundsAnswer>;

function Round({ round: { batch, batchName, boxes, panels } }: { round: AssemblyRound }) {
  const short = panels.filter((panel) => panel.short > 0);
  return (
    <li className="card p-4" data-round={batchName}>
      <p className="text-xl">
        <strong className={boxes > 0 ? 'text-moss' : ''}>
          {boxes === 0 ? 'No whole box' : `${boxes} whole ${boxes === 1 ? 'box' : 'boxes'}`}
        </strong>{' '}
        of{' '}
        <Link className="link" to={`/batches/${batch}/build?at=assembly`}>
          {batchName}
        </Link>
      </p>
      <p className="mt-1">
        Short for {boxes === 0 ? 'one' : 'one more'}:{' '}
        {short
          .map(
            (panel) => `${panel.short > 1 ? `${panel.short} × ` : ''}${panel.name.toLowerCase()}`,
          )
          .join(', ')}
        .
      </p>
      <p className="mt-1 text-sm text-soft">
        In the bin:{' '}
        {panels
          .filter(({ there }) => there > 0)
          .map(({ there, name }) => `${there} × ${name.toLowerCase()}`)
          .join(', ')}
      </p>
    </li>
  );
}

/** The assembly round: which whole boxes can be put together today, and what is short for one more. */
export function Rounds({ plans }: { plans: KeptPlans['plans'] }) {
  const { query, spares } = useBin();
  const [asking] = useState(() => new OneAnswer<RoundsQuestion, RoundsAnswer>(hire));
  const { answer, trouble } = useSyncExternalStore(asking.subscribe, asking.snapshot);
  const known = query.data;
  useEffect(() => {
    if (known) asking.start({ plans, bin: known.map(({ piece, count }) => ({ piece, count })) });
    return asking.stop;
  }, [asking, plans, known]);
  return (
    <section aria-label="Put together today">
      <p className="mt-3 max-w-3xl text-soft">
        What the bin gives whole today, plan by plan, each as if all of the bin were for it.
      </p>
      {trouble && (
        <p role="alert" className="mt-3 text-danger">
          It could not be worked out: {trouble}
        </p>
      )}
      {!answer && !trouble && <p className="mt-3">Looking through the bin…</p>}
      {answer && answer.length === 0 && (
        <p className="card mt-3 p-5">
          {spares.length === 0
            ? 'The bin is empty: panels that are put in it are counted up to whole boxes here.'
            : 'Nothing in the bin is a panel of a plan that is on the bench now.'}
        </p>
      )}
      <ol className="mt-3 grid gap-3">
        {answer?.map((round) => (
          <Round key={round.batch} round={round} />
        ))}
      </ol>
    </section>
  );
}
