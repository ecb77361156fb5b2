import type { LayoutJob } from '@spare-knot/core/job';
import { countCuts, type Goals, type Layout } from '@spare-knot/core/layout';
import { printMoney } from '@spare-knot/core/measure';

import { useEffect, useState, useSyncExternalStore } from 'react';
import { Length } from '../../measure/length';
import { hireSearcher } from '../../workers/hire-searcher';
import {
  bestFor,
  CompareSession,
  longestOf,
  missingOf,
  questionsOf,
  WAYS,
  type Way,
} from './compare-session';

/** What one way comes to, and a button to lay the boxes out so. */
function Found({
  job,
  layout,
  onTake,
}: {
  job: LayoutJob;
  layout: Layout;
  onTake: (() => void) | null;
}) {
  const longest = longestOf(layout);
  const missing = missingOf(layout);
  return (
    <>
      <span>
        {layout.boards.length} boards, {countCuts(job, layout)} cuts, longest left{' '}
        {longest > 0 ? <Length ticks={longest} unit /> : 'none'}
      </span>
      {missing > 0 && (
        <span className="block font-semibold text-danger">{missing} panels find no place</span>
      )}
      {onTake && (
        <button
          type="button"
          className="block min-h-7 font-semibold text-chalk underline underline-offset-3"
          onClick={onTake}
        >
          Lay it out so
        </button>
      )}
    </>
  );
}

/** The same boxes laid out in four ways, each searched for a moment, to choose by what they cost and leave. */
export function CompareWays({
  job,
  goals,
  way,
  locked,
  onTake,
}: {
  job: LayoutJob;
  goals: Goals;
  way: Way;
  locked: boolean;
  onTake: (way: Way) => void;
}) {
  const [session] = useState(() => new CompareSession<Way>(hireSearcher));
  const { found, running, trouble } = useSyncExternalStore(session.subscribe, session.snapshot);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was found was for the job before
  useEffect(() => session.clear, [session, job]);
  return (
    <section className="card p-3" aria-label="Compare">
      <h2 className="text-base">Ways to lay it out</h2>
      <button
        type="button"
        className="btn mt-1"
        onClick={
          running === null ? () => session.start(questionsOf(job, goals, way)) : session.stop
        }
      >
        {running === null ? 'Compare four ways' : 'Stop'}
      </button>
      {trouble && (
        <p role="alert" className="mt-2 text-danger">
          The comparison failed: {trouble}
        </p>
      )}
      {(found.size > 0 || running !== null) && (
        <ul className="mt-2 grid gap-1.5" aria-live="polite">
          {WAYS.map(({ way: each, label }) => {
            const layout = bestFor(job, each, found);
            const isTaken = each === way;
            return (
              <li
                key={each}
                className={`rounded-md border p-2 text-[0.9rem] ${isTaken ? 'border-2 border-chalk bg-chalk-pale' : 'border-line bg-white'}`}
              >
                <div className="flex items-baseline justify-between">
                  <strong>{label}</strong>
                  {layout && <span className="mono font-semibold">{printMoney(layout.cost)}</span>}
                </div>
                {layout ? (
                  <Found
                    job={job}
                    layout={layout}
                    onTake={locked || isTaken || running !== null ? null : () => onTake(each)}
                  />
                ) : (
                  <span className="text-soft">{running === each ? 'looking…' : 'waits'}</span>
                )}
              </li>
            );
          })}
        </ul>
      )}
    </section>
  );
}
