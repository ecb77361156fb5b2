import { changeMinutes, cutKey, type NamedPlan, USUAL_COSTS } from '@spare-knot/core/cuts';
import { useEffect, useRef } from 'react';
import { Length } from '../../measure/length';
import { useTools } from '../../shop/use-tools';
import { settingWords, toolWord } from './step-words';

/** It scrolls, so the keyboard has to come there. */
const SCROLLS = { tabIndex: 0 };

/** The whole job as a ribbon of settings: how many cuts each, how long, and where it stands. */
export function Ribbon({
  plan,
  done,
  step: current,
}: {
  plan: NamedPlan;
  done: ReadonlySet<string>;
  step: number | null;
}) {
  const { shop } = useTools();
  const costs = shop?.costs ?? USUAL_COSTS;
  const list = useRef<HTMLOListElement>(null);
  useEffect(() => {
    const here = list.current?.children[current ?? 0];
    if (here instanceof HTMLElement)
      list.current?.scrollTo({ left: here.offsetLeft - list.current.clientWidth / 3 });
  }, [current]);
  return (
    <ol
      ref={list}
      {...SCROLLS}
      aria-label="Settings of the job"
      className="relative flex gap-2 overflow-x-auto pb-2"
    >
      {plan.steps.map((step, index) => {
        const made = step.cuts.filter((cut) => done.has(cutKey(cut))).length;
        const isHere = index === current;
        const isOver = made === step.cuts.length;
        const change = changeMinutes(plan.steps[index - 1] ?? null, step, costs);
        return (
          <li
            key={index}
            aria-current={isHere ? 'step' : undefined}
            className={`min-w-36 shrink-0 rounded-lg border-2 px-3 py-1.5 ${isHere ? 'border-forest bg-forest text-white' : 'border-line bg-card'} ${isOver && !isHere ? 'opacity-70' : ''}`}
          >
            <p className="font-semibold">
              {index + 1}. {toolWord(step)}
              {isOver && <span> ✓</span>}
            </p>
            <p className="text-sm">
              {settingWords(step)}
              {step.stop !== null && (
                <>
                  {' · '}
                  <Length ticks={step.stop} unit />
                </>
              )}
            </p>
            <p className="text-sm">
              {made} of {step.cuts.length} · {Math.ceil(change + step.cuts.length * costs.cut)} min
            </p>
          </li>
        );
      })}
    </ol>
  );
}
