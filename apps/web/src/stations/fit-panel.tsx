import type { FitOffer, FitQuestion } from '@spare-knot/core/advice';
import { printAngle, printMoney } from '@spare-knot/core/measure';
import type { panelNames } from '@spare-knot/core/panels';
import type { BoxPlan } from '@spare-knot/core/plan';

import { lazy, Suspense, useEffect, useRef, useState } from 'react';
import { Length } from '../measure/length';
import type { FitWord } from '../workers/fit.worker';

const FitChart = lazy(() => import('./fit-chart'));

/** Small changes of size that save boards, found in a worker when asked for. */
export function FitPanel({
  question,
  names,
  locked,
  onTake,
}: {
  question: FitQuestion;
  names: ReturnType<typeof panelNames>;
  locked: boolean;
  onTake: (plan: BoxPlan) => void;
}) {
  const worker = useRef<Worker | null>(null);
  const [share, setShare] = useState<number | null>(null);
  const [offers, setOffers] = useState<readonly FitOffer[] | null>(null);
  const end = () => {
    worker.current?.terminate();
    worker.current = null;
    setShare(null);
  };
  useEffect(() => () => worker.current?.terminate(), []);
  // What was found for another box or other boards is of no use.
  // biome-ignore lint/correctness/useExhaustiveDependencies: whenever the question is another one
  useEffect(() => {
    end();
    setOffers(null);
  }, [question]);
  const start = () => {
    end();
    setOffers(null);
    setShare(0);
    const next = new Worker(new URL('../workers/fit.worker.ts', import.meta.url), {
      type: 'module',
    });
    worker.current = next;
    next.onmessage = ({ data }: MessageEvent<FitWord>) => {
      if (data.kind === 'share') setShare(data.share);
      else {
        setOffers(data.offers);
        end();
      }
    };
    next.postMessage(question);
  };
  if (locked) return null;
  return (
    <section className="card p-3" aria-label="Fit">
      <h2 className="text-base">Fit</h2>
      <p className="text-sm text-soft">
        Which small change of size would save a board, or give one more piece from it?
      </p>
      {share === null ? (
        <button type="button" className="btn mt-1" onClick={start}>
          Try the sizes
        </button>
      ) : (
        <div className="mt-1 flex items-center gap-2">
          <progress
            className="h-3 flex-1 accent-chalk"
            value={share}
            max={1}
            aria-label="Sizes tried"
          />
          <button type="button" className="btn !min-h-8" onClick={end}>
            Stop
          </button>
        </div>
      )}
      {offers?.length === 0 && (
        <p className="mt-2 text-sm">
          No change within an eighth of a size saves money or gives more pieces from these boards.
        </p>
      )}
      <ul className="mt-1">
        {offers?.map((offer) => (
          <li
            key={offer.changes.map((change) => change.parameter).join()}
            className="border-b border-dotted border-line py-2 text-[0.92rem]"
          >
            {offer.changes.map((change) => (
              <span key={change.parameter} className="block">
                <span className="font-semibold">{change.label}</span>:{' '}
                {change.kind === 'angle' ? (
                  `${printAngle(change.before)} → ${printAngle(change.after)}`
                ) : (
                  <>
                    <Length ticks={change.before} /> → <Length ticks={change.after} unit />
                  </>
                )}
              </span>
            ))}
            <span className="block">
              {offer.after < offer.before ? (
                <>
                  {printMoney(offer.before)} →{' '}
                  <strong className="text-moss">{printMoney(offer.after)}</strong>, saves{' '}
                  {printMoney(offer.before - offer.after)}
                </>
              ) : (
                `costs the same, ${printMoney(offer.after)}`
              )}
            </span>
            {offer.pieces.map(({ panel, boardLength, before, after }) => (
              <span key={`${panel} ${boardLength}`} className="block">
                A <Length ticks={boardLength} unit /> board then gives <strong>{after}</strong> of{' '}
                {(names.get(panel) ?? panel).toLowerCase()}, not {before}.
              </span>
            ))}
            <span className="block text-sm text-soft">
              Cut differently:{' '}
              {[
                ...new Set(
                  offer.panels.map((change) =>
                    (names.get(change.panel) ?? change.panel).toLowerCase(),
                  ),
                ),
              ].join(', ') || 'nothing else'}
              . No more rules are broken.
            </span>
            <Suspense fallback={null}>
              <FitChart offer={offer} />
            </Suspense>
            <button type="button" className="btn !min-h-8" onClick={() => onTake(offer.plan)}>
              Take it
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
