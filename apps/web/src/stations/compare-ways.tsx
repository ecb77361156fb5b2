import type { LayoutJob } from '@spare-knot/core/job';
import { countCuts, type Goals, type Layout } from '@spare-knot/core/layout';
import { at } from '@spare-knot/core/lists';
import { printMoney } from '@spare-knot/core/measure';

import { useEffect, useRef, useState } from 'react';
import { Length } from '../measure/length';
import type { LayoutOrder, WorkerWord } from '../workers/layout.worker';

export type Way = 'cost' | 'cuts' | 'offcut' | 'chop';
const WAYS: readonly { way: Way; label: string }[] = [
  { way: 'cost', label: 'Least cost' },
  { way: 'cuts', label: 'Fewest cuts' },
  { way: 'offcut', label: 'Longest offcut' },
  { way: 'chop', label: 'Chop saw only' },
];
const SECONDS = 2;

const missingOf = (layout: Layout): number =>
  layout.unplaced.reduce((sum, entry) => sum + entry.count, 0);
const longestOf = (layout: Layout): number =>
  Math.max(0, ...layout.boards.flatMap((board) => board.offcuts.map((offcut) => offcut.length)));

/** The best for a way among all that were found for saws that rip: what was found for one may serve another better. */
function bestFor(job: LayoutJob, way: Way, found: ReadonlyMap<Way, Layout>): Layout | undefined {
  if (way === 'chop' || !found.has(way)) return found.get(way);
  const score = (layout: Layout): readonly number[] =>
    way === 'cuts'
      ? [missingOf(layout), countCuts(job, layout), layout.cost]
      : [missingOf(layout), layout.cost, way === 'offcut' ? -longestOf(layout) : 0];
  return [...found]
    .flatMap(([each, layout]) => (each === 'chop' ? [] : [layout]))
    .reduce((best, layout) => {
      const [a, b] = [score(layout), score(best)];
      const where = a.findIndex((value, index) => value !== b[index]);
      return where >= 0 && at(a, where) < at(b, where) ? layout : best;
    });
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
  const [found, setFound] = useState<ReadonlyMap<Way, Layout>>(new Map());
  const [running, setRunning] = useState<Way | null>(null);
  const worker = useRef<Worker | null>(null);
  const end = () => {
    worker.current?.terminate();
    worker.current = null;
    setRunning(null);
  };
  useEffect(() => () => worker.current?.terminate(), []);
  // biome-ignore lint/correctness/useExhaustiveDependencies: whenever the job is another one
  useEffect(() => {
    end();
    setFound(new Map());
  }, [job]);

  const start = () => {
    end();
    setFound(new Map());
    const next = new Worker(new URL('../workers/layout.worker.ts', import.meta.url), {
      type: 'module',
    });
    worker.current = next;
    const ask = (index: number) => {
      const each = WAYS[index];
      if (!each) return end();
      setRunning(each.way);
      const order: LayoutOrder = {
        kind: 'lay out',
        run: index,
        job: {
          ...job,
          effort: { seconds: SECONDS },
          saw: each.way === 'chop' ? { ...job.saw, rip: false } : { ...job.saw, rip: true },
          pinned: each.way === way ? job.pinned : [],
        },
        goals: { ...goals, first: each.way === 'chop' ? 'cost' : each.way },
      };
      next.postMessage(order);
    };
    next.onmessage = ({ data }: MessageEvent<WorkerWord>) => {
      if (data.kind === 'broken') return;
      setFound((now) => new Map(now).set(at(WAYS, data.run).way, data.layout));
      if (data.kind === 'done') ask(data.run + 1);
    };
    ask(0);
  };

  return (
    <section className="card p-3" aria-label="Compare">
      <h2 className="text-base">Ways to lay it out</h2>
      {running === null ? (
        <button type="button" className="btn mt-1" onClick={start}>
          Compare four ways
        </button>
      ) : (
        <button type="button" className="btn mt-1" onClick={end}>
          Stop
        </button>
      )}
      {found.size > 0 && (
        <ul className="mt-2 grid gap-1.5" aria-live="polite">
          {WAYS.map(({ way: each, label }) => {
            const layout = bestFor(job, each, found);
            const longest = layout ? longestOf(layout) : 0;
            const missing = layout ? missingOf(layout) : 0;
            return (
              <li
                key={each}
                className={`rounded-md border p-2 text-[0.9rem] ${each === way ? 'border-2 border-chalk bg-chalk-pale' : 'border-line bg-white'}`}
              >
                <div className="flex items-baseline justify-between">
                  <strong>{label}</strong>
                  {layout && <span className="mono font-semibold">{printMoney(layout.cost)}</span>}
                </div>
                {layout ? (
                  <>
                    <span>
                      {layout.boards.length} boards, {countCuts(job, layout)} cuts, longest left{' '}
                      {longest > 0 ? <Length ticks={longest} unit /> : 'none'}
                    </span>
                    {missing > 0 && (
                      <span className="block font-semibold text-danger">
                        {missing} panels find no place
                      </span>
                    )}
                    {!locked && each !== way && running === null && (
                      <button
                        type="button"
                        className="block min-h-7 font-semibold text-chalk underline underline-offset-3"
                        onClick={() => onTake(each)}
                      >
                        Lay it out so
                      </button>
                    )}
                  </>
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
