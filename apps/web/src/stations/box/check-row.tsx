import type { Check } from '@spare-knot/core/checks';
import { must } from '@spare-knot/core/lists';
import { EVIDENCE_MEANINGS } from '@spare-knot/core/measure';
import type { BoxPlan } from '@spare-knot/core/plan';

import { useState } from 'react';
import { Sentence } from '../../measure/length';

const SIGNS = {
  stop: { sign: '!', word: 'Stop', style: 'bg-danger text-white' },
  warn: { sign: '?', word: 'Think again', style: 'bg-warn text-white' },
  kept: { sign: '✓', word: 'Kept', style: 'bg-moss-pale text-moss' },
};

/** One rule with what it found, its source, and what would mend it. */
export function CheckRow({
  check,
  panel,
  locked,
  onMend,
}: {
  check: Check;
  /** The panel that it concerns. */
  panel: string | null;
  locked: boolean;
  onMend: (mend: (plan: BoxPlan) => BoxPlan) => void;
}) {
  const sign = SIGNS[check.severity];
  return (
    <li
      className={`flex gap-2 border-b border-dotted border-line py-1.5 text-[0.9rem] leading-snug ${check.severity === 'stop' ? '-mx-3 bg-danger-pale px-3' : ''}`}
    >
      <span
        aria-hidden
        className={`mt-0.5 grid size-5 shrink-0 place-items-center rounded-full text-xs font-bold ${sign.style}`}
      >
        {sign.sign}
      </span>
      <div>
        <span className="sr-only">{sign.word}: </span>
        {panel && (
          <span className="mr-1 rounded bg-[#efe6d2] px-1 text-[0.78rem] font-semibold">
            {panel}
          </span>
        )}
        <Sentence text={check.text} />{' '}
        <abbr
          className="cursor-help text-soft no-underline"
          title={`${check.source} (${EVIDENCE_MEANINGS[check.evidence]})`}
        >
          [{check.evidence}]
        </abbr>
        {!locked && check.severity !== 'kept' && (
          <span className="block">
            {check.remedies.map((remedy) => (
              <button
                key={remedy.label}
                type="button"
                className="mr-3 min-h-6 font-semibold text-chalk underline underline-offset-3"
                onClick={() => onMend(remedy.apply)}
              >
                {remedy.label}
              </button>
            ))}
            {check.ask && <Answer check={check} onMend={onMend} />}
          </span>
        )}
      </div>
    </li>
  );
}

/** A rule that no press mends is answered in words. */
function Answer({
  check,
  onMend,
}: {
  check: Check;
  onMend: (mend: (plan: BoxPlan) => BoxPlan) => void;
}) {
  const [text, setText] = useState('');
  const ask = must(check.ask, 'ask');
  return (
    <form
      className="mt-1 flex gap-1"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() !== '') onMend((plan) => ask.answer(plan, text));
      }}
    >
      <input
        className="field min-w-0 flex-1"
        aria-label={ask.prompt}
        placeholder={ask.prompt}
        maxLength={60}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <button type="submit" className="btn !min-h-8 !px-2">
        Say
      </button>
    </form>
  );
}
