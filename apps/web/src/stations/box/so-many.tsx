import { type SoMany, soManyToABoard } from '@spare-knot/core/advice';
import { fromInches, fromMm } from '@spare-knot/core/measure';
import type { PanelSet } from '@spare-knot/core/panels';
import type { BoxPlan } from '@spare-knot/core/plan';

import { useState } from 'react';
import { Length, Sentence } from '../../measure/length';
import { LengthField } from '../../measure/length-field';
import { useUnits } from '../../measure/units';

/** A board as it is usually sold: 8 ft, or 2.4 m. */
const USUAL = { inch: fromInches(96), mm: fromMm(2400) };

/** What the number asked for makes of the box. */
function Found({ found, onTake }: { found: SoMany; onTake: (plan: BoxPlan) => void }) {
  if (!found.ok)
    return (
      <p role="alert" className="mt-1 text-danger">
        <Sentence text={found.why} />
      </p>
    );
  const { plan, changes, length } = found;
  return (
    <p className="mt-1.5" role="status">
      <Length ticks={length} unit /> long at most.{' '}
      {changes.map(({ size, label, before, after }) => (
        <span key={size}>
          {label} <Length ticks={before} /> →{' '}
          <strong>
            <Length ticks={after} unit />
          </strong>
          .{' '}
        </span>
      ))}
      <button
        type="button"
        className="ml-1 min-h-6 font-semibold text-chalk underline underline-offset-3"
        onClick={() => onTake(plan)}
      >
        Take it
      </button>
    </p>
  );
}

/** So many of a panel to a board of this length: the size that gives it. */
export function SoManyToABoard({
  plan,
  box,
  names,
  kerf,
  locked,
  onTake,
}: {
  plan: BoxPlan;
  box: PanelSet;
  names: ReadonlyMap<string, string>;
  kerf: number;
  locked: boolean;
  onTake: (plan: BoxPlan) => void;
}) {
  const { style } = useUnits();
  const panels = box.panels.filter(({ fromLog }) => !fromLog);
  const [chosen, setChosen] = useState('side-left');
  const [count, setCount] = useState('8');
  const [board, setBoard] = useState(USUAL[style.system]);
  const [found, setFound] = useState<SoMany | null>(null);
  if (locked) return null;
  const panel = panels.some(({ id }) => id === chosen) ? chosen : (panels[0]?.id ?? '');
  const pieces = Number(count);
  const isRight = Number.isInteger(pieces) && pieces >= 1 && pieces <= 500;
  return (
    <details className="mt-2 text-sm" onToggle={() => setFound(null)}>
      <summary className="font-slab text-base font-semibold">So many to a board</summary>
      <form
        className="mt-1 flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (isRight) setFound(soManyToABoard({ plan, panel, count: pieces, board, kerf }));
        }}
      >
        <label>
          <span className="label block">Pieces</span>
          <input
            className="field mono w-14"
            inputMode="numeric"
            value={count}
            aria-invalid={!isRight}
            onChange={(event) => {
              setCount(event.target.value);
              setFound(null);
            }}
          />
        </label>
        <label className="min-w-0 flex-1">
          <span className="label block">of the</span>
          <select
            className="field w-full"
            value={panel}
            onChange={(event) => {
              setChosen(event.target.value);
              setFound(null);
            }}
          >
            {panels.map(({ id }) => (
              <option key={id} value={id}>
                {names.get(id) ?? id}
              </option>
            ))}
          </select>
        </label>
        <LengthField
          label="from a board"
          value={board}
          problem={null}
          disabled={false}
          onChange={(ticks) => {
            setBoard(ticks);
            setFound(null);
          }}
        />
        <button type="submit" className="btn !min-h-8" disabled={!isRight}>
          Set the size
        </button>
      </form>
      {found && (
        <Found
          found={found}
          onTake={(next) => {
            setFound(null);
            onTake(next);
          }}
        />
      )}
    </details>
  );
}
