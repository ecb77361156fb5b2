import { type BoardRecord, batchQuestion, type Supply } from '@spare-knot/core/api';
import { layoutJob } from '@spare-knot/core/job';
import { type Layout, shoppingList, sortPins, totalOf } from '@spare-knot/core/layout';
import { sum } from '@spare-knot/core/lists';
import { printMoney } from '@spare-knot/core/measure';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { Link } from 'react-router';
import { useBatch, useReady } from '../../batch/batch-context';
import type { WoodOfBatch } from '../../batch/use-wood';
import { hireSearcher } from '../../workers/hire-searcher';
import { CompareSession, missingOf, type Question } from './compare-session';

const SUPPLIES: readonly { supply: Supply; label: string; words: string }[] = [
  { supply: 'rack', label: 'Rack only', words: 'nothing is bought' },
  { supply: 'rack-first', label: 'Rack first, then the yard', words: 'the rack is paid for' },
  { supply: 'bought', label: 'All bought', words: 'the rack is left alone' },
];

/** The batch on the wood of each supply, as far as its box can be built; pins hold for the one in use. */
function useQuestions(wood: WoodOfBatch) {
  const { draft } = useBatch();
  const ready = useReady();
  return (): Question<Supply>[] =>
    SUPPLIES.flatMap(({ supply }) => {
      const pinned = supply === draft.wishes.supply ? draft.wishes.pinned : [];
      const wishes = { ...draft.wishes, supply, pinned };
      const asked = batchQuestion(
        { ...draft, name: 'batch', wishes, liesReady: ready },
        wood.rack,
        wood.offers,
      );
      const made = layoutJob(asked);
      return made.ok
        ? [{ way: supply, job: sortPins(made.job).job, goals: draft.wishes.goals }]
        : [];
    });
}

/** What one supply comes to: what is paid at the yard, and what is used of the rack. */
function Comes({ layout, wood }: { layout: Layout; wood: WoodOfBatch }) {
  const missing = missingOf(layout);
  const used = layout.boards.flatMap(({ stock }) => wood.rack.find(({ id }) => id === stock) ?? []);
  const worth = sum(used.map(({ price }: BoardRecord) => price ?? 0));
  const toBuy = layout.boards.length - used.length;
  return (
    <>
      <span className="block">
        {toBuy > 0 && `${toBuy} bought`}
        {toBuy > 0 && used.length > 0 && ', '}
        {used.length > 0 &&
          `${used.length} off the rack${worth > 0 ? `, worth ${printMoney(worth)}` : ''}`}
        {layout.boards.length === 0 && 'no board'}
      </span>
      {missing > 0 && (
        <span className="block font-semibold text-danger">{missing} panels find no place</span>
      )}
    </>
  );
}

/** Where the wood comes from, and what the three ways cost beside each other. */
export function SupplyCard({
  wood,
  onTake,
}: {
  wood: WoodOfBatch;
  onTake: (supply: Supply) => void;
}) {
  const { draft, locked } = useBatch();
  const [session] = useState(() => new CompareSession<Supply>(hireSearcher));
  const { found, running, trouble } = useSyncExternalStore(session.subscribe, session.snapshot);
  const questions = useQuestions(wood);
  const ready = useReady();
  const { plan, boxes, saw } = draft;
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was found was for another batch or other wood
  useEffect(() => session.clear, [session, plan, boxes, saw, ready, wood.all]);
  if (locked) return null;
  return (
    <section className="card p-3" aria-label="Where the wood comes from">
      <h2 className="text-base">Where the wood comes from</h2>
      <fieldset className="mt-1 grid gap-1.5">
        <legend className="sr-only">Where the wood comes from</legend>
        {SUPPLIES.map(({ supply, label, words }) => {
          const isTaken = supply === draft.wishes.supply;
          const layout = found.get(supply);
          return (
            <label
              key={supply}
              className={`cursor-pointer rounded-md border p-2 text-[0.9rem] ${isTaken ? 'border-2 border-chalk bg-chalk-pale' : 'border-line bg-white'}`}
            >
              <span className="flex items-baseline gap-2">
                <input
                  type="radio"
                  name="supply"
                  className="size-4 self-center accent-chalk"
                  checked={isTaken}
                  onChange={() => onTake(supply)}
                />
                <strong>{label}</strong>
                {layout && (
                  <span className="mono ml-auto font-semibold">
                    pay {printMoney(totalOf(shoppingList(layout, wood.offers)))}
                  </span>
                )}
              </span>
              <span className="block pl-6 text-soft">
                {layout ? (
                  <Comes layout={layout} wood={wood} />
                ) : (
                  (running === supply && 'looking…') || words
                )}
              </span>
            </label>
          );
        })}
      </fieldset>
      <button
        type="button"
        className="btn mt-2"
        onClick={running === null ? () => session.start(questions()) : session.stop}
      >
        {running === null ? 'Compare the three' : 'Stop'}
      </button>
      {trouble && (
        <p role="alert" className="mt-2 text-danger">
          The comparison failed: {trouble}
        </p>
      )}
      {wood.isKnown && wood.offers.length === 0 && (
        <p className="mt-2 text-sm">
          No yard is listed yet, so nothing can be bought.{' '}
          <Link className="link" to="/yard">
            List what your yard sells
          </Link>
        </p>
      )}
    </section>
  );
}
