import { batchQuestion, liesReady, sawsOf } from '@spare-knot/core/api';
import { type CutPlan, planCuts } from '@spare-knot/core/cuts';
import { familyById } from '@spare-knot/core/families';
import { boxNumber, type LayoutJob, layoutJob } from '@spare-knot/core/job';
import { sum } from '@spare-knot/core/lists';
import { panelNames, partName } from '@spare-knot/core/panels';
import { useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { client } from '../../api/client';
import { useBatch } from '../../batch/batch-context';
import { sawingKey, useSawing } from '../../batch/use-sawing';
import { Sentence } from '../../measure/length';
import { useTools } from '../../shop/use-tools';
import { messageOf } from '../../ui/message-of';
import { Trouble } from '../../ui/trouble';
import { type Named, SawDesk } from './saw-desk';
import type { NameOf } from './step-words';

/** The job that the taken boards were laid out for. */
function useTakenJob(): LayoutJob | null {
  const { batch } = useBatch();
  return useMemo(() => {
    const made = batch.accepted
      ? layoutJob(batchQuestion({ ...batch, liesReady: liesReady(batch) }, batch.accepted.boards))
      : null;
    return made?.ok ? made.job : null;
  }, [batch]);
}

/** Panels by their name and the number of their box. */
function useNamed(job: LayoutJob | null): Named | null {
  const { sound } = useBatch();
  return useMemo(() => {
    if (!job) return null;
    const names = sound ? panelNames(familyById(sound.plan.family), sound.box) : new Map();
    const nameOf: NameOf = (piece) => `${partName(names, piece.part)} ${boxNumber(job, piece)}`;
    return { job, names, nameOf };
  }, [job, sound]);
}

function NotTaken() {
  return (
    <div className="card mt-4 max-w-2xl p-6 text-lg">
      <h2 className="text-2xl">First take the boards</h2>
      <p className="mt-2">
        Sawing begins with boards that are taken off the rack for this batch: find a layout that you
        like and take its boards on{' '}
        <Link className="link" to="../layout">
          Layout
        </Link>
        . Then every cut stands here in its order, one at a time.
      </p>
    </div>
  );
}

/** How much there is to saw, and how much setting it saves. */
function PlanFacts({ plan }: { plan: CutPlan }) {
  const { steps, boards, boardAfterBoard, lowerBound, minutes } = plan;
  return (
    <>
      <p className="mt-2">
        {sum(steps.map(({ cuts }) => cuts.length))} cuts out of {boards.length}{' '}
        {boards.length === 1 ? 'board' : 'boards'}, at {steps.length} settings: board after board it
        would be {boardAfterBoard}, and no order of these cuts has fewer than {lowerBound}. About{' '}
        {minutes} minutes, with a test piece for each angle.
      </p>
      <p className="mt-2 text-soft">
        Look the boards over for nails and splits first, and trim ends that are checked.
      </p>
    </>
  );
}

function BeforeSawing({ job }: { job: LayoutJob }) {
  const { batch } = useBatch();
  const queries = useQueryClient();
  const { query, shop } = useTools();
  const [trouble, setTrouble] = useState<string | null>(null);
  const [isBusy, setBusy] = useState(false);
  const planned = useMemo(
    () => (batch.accepted && shop ? planCuts(job, batch.accepted.layout, sawsOf(shop)) : null),
    [job, batch.accepted, shop],
  );
  if (query.isError) return <Trouble error={query.error} retry={() => void query.refetch()} />;
  if (!planned) return <p className="p-8">Planning the cuts…</p>;
  const begin = async () => {
    setBusy(true);
    try {
      queries.setQueryData(sawingKey(batch.id), await client.beginSawing(batch.id));
    } catch (error) {
      setTrouble(messageOf(error));
    }
    setBusy(false);
  };
  return (
    <div className="card mt-4 max-w-2xl p-6 text-lg">
      <h2 className="text-2xl">Ready to saw</h2>
      {planned.ok ? (
        <>
          <PlanFacts plan={planned.plan} />
          <button
            type="button"
            className="btn btn-main mt-4 min-h-12 px-6 text-xl"
            disabled={isBusy}
            onClick={() => void begin()}
          >
            Begin with the first cut
          </button>
        </>
      ) : (
        <>
          <ul role="alert" className="mt-2 list-disc pl-6 text-danger">
            {planned.problems.map(({ board, message }, index) => (
              <li key={index}>
                Board {board + 1}: <Sentence text={message} />.
              </li>
            ))}
          </ul>
          <p className="mt-2">
            Put the saw that does it on{' '}
            <Link className="link" to="/shop">
              Shop
            </Link>{' '}
            (a hand saw and a block plane are one too), or give the boards back on Layout, take over
            there what the shop’s saws do, and lay out again.
          </p>
        </>
      )}
      {trouble && (
        <p role="alert" className="mt-3 text-danger">
          {trouble}
        </p>
      )}
    </div>
  );
}

/** From the layout to the last cut, one step at a time. */
export function SawStation() {
  const { batch } = useBatch();
  const query = useSawing(batch.id, batch.accepted !== null);
  const job = useTakenJob();
  const named = useNamed(job);
  if (!batch.accepted || !job || !named) return <NotTaken />;
  if (query.isError) return <Trouble error={query.error} retry={() => void query.refetch()} />;
  if (query.data === undefined) return <p className="p-8">Fetching the cuts…</p>;
  return query.data ? (
    <SawDesk key={query.data.round} sawing={query.data} named={named} />
  ) : (
    <BeforeSawing job={job} />
  );
}
