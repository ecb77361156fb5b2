import type { FitOffer, FitQuestion } from '@spare-knot/core/advice';
import { printAngle, printMoney } from '@spare-knot/core/measure';
import type { BoxPlan } from '@spare-knot/core/plan';

import { lazy, Suspense, useEffect, useState, useSyncExternalStore } from 'react';
import { Length } from '../../measure/length';
import { AskWorker } from '../../workers/ask-worker';
import { type AnswerWorker, OneAnswer } from '../../workers/one-answer';

const FitChart = lazy(() => import('./fit-chart'));

type Names = ReadonlyMap<string, string>;

const hire = () =>
  new Worker(new URL('../../workers/fit.worker.ts', import.meta.url), {
    type: 'module',
  }) as AnswerWorker<FitOffer[]>;

/** Small changes of size, searched for one question at a time; what was found for another is of no use. */
function useFit(question: FitQuestion) {
  const [session] = useState(() => new OneAnswer<FitQuestion, FitOffer[]>(hire));
  const { share, answer, trouble } = useSyncExternalStore(session.subscribe, session.snapshot);
  // biome-ignore lint/correctness/useExhaustiveDependencies: whenever the question is another one
  useEffect(() => session.clear, [session, question]);
  return {
    share,
    offers: answer,
    trouble,
    start: () => session.start(question),
    end: session.stop,
  };
}

function Changes({ changes }: Pick<FitOffer, 'changes'>) {
  return changes.map(({ parameter, label, kind, before, after }) => (
    <span key={parameter} className="block">
      <span className="font-semibold">{label}</span>:{' '}
      {kind === 'angle' ? (
        `${printAngle(before)} → ${printAngle(after)}`
      ) : (
        <>
          <Length ticks={before} /> → <Length ticks={after} unit />
        </>
      )}
    </span>
  ));
}

function Saving({ before, after }: Pick<FitOffer, 'before' | 'after'>) {
  if (after >= before) return `costs the same, ${printMoney(after)}`;
  return (
    <>
      {printMoney(before)} → <strong className="text-moss">{printMoney(after)}</strong>, saves{' '}
      {printMoney(before - after)}
    </>
  );
}

/** One change of size with what it saves and which panels are cut differently. */
function Offer({ offer, names, onTake }: { offer: FitOffer; names: Names; onTake: () => void }) {
  const nameOf = (panel: string) => (names.get(panel) ?? panel).toLowerCase();
  const cut = new Set(offer.panels.map(({ panel }) => nameOf(panel)));
  return (
    <li className="border-b border-dotted border-line py-2 text-[0.92rem]">
      <Changes changes={offer.changes} />
      <span className="block">
        <Saving before={offer.before} after={offer.after} />
      </span>
      {offer.pieces.map(({ panel, boardLength, before, after }) => (
        <span key={`${panel} ${boardLength}`} className="block">
          A <Length ticks={boardLength} unit /> board then gives <strong>{after}</strong> of{' '}
          {nameOf(panel)}, not {before}.
        </span>
      ))}
      <span className="block text-sm text-soft">
        Cut differently: {[...cut].join(', ') || 'nothing else'}. No more rules are broken.
      </span>
      <Suspense fallback={null}>
        <FitChart offer={offer} />
      </Suspense>
      <button type="button" className="btn !min-h-8" onClick={onTake}>
        Take it
      </button>
    </li>
  );
}

/** Small changes of size that save boards, found in a worker when asked for. */
export function FitPanel({
  question,
  names,
  locked,
  onTake,
}: {
  question: FitQuestion;
  names: Names;
  locked: boolean;
  onTake: (plan: BoxPlan) => void;
}) {
  const { share, offers, trouble, start, end } = useFit(question);
  if (locked) return null;
  return (
    <section className="card p-3" aria-label="Fit">
      <h2 className="text-base">Fit</h2>
      <p className="text-sm text-soft">
        Which small change of size would save a board, or give one more piece from it?
      </p>
      <AskWorker
        share={share}
        trouble={trouble}
        press="Try the sizes"
        tried="sizes"
        onStart={start}
        onStop={end}
      />
      {offers?.length === 0 && (
        <p className="mt-2 text-sm">
          No change within an eighth of a size saves money or gives more pieces from these boards.
        </p>
      )}
      <ul className="mt-1">
        {offers?.map((offer) => (
          <Offer
            key={offer.changes.map((change) => change.parameter).join()}
            offer={offer}
            names={names}
            onTake={() => onTake(offer.plan)}
          />
        ))}
      </ul>
    </section>
  );
}
