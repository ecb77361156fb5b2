import { parseLength, printLength, type Ticks } from '@spare-knot/core/measure';
import type { Text } from '@spare-knot/core/text';

import { useEffect, useId, useRef, useState } from 'react';
import { Sentence } from './length';
import { useUnits } from './units';

interface Props {
  value: Ticks;
  onChange: (ticks: Ticks) => void;
  label: string;
  /** Whether the label is read out only. */
  hideLabel?: boolean;
  /** What is wrong with the value as it stands, said by whoever uses it. */
  problem?: Text | null;
  least?: Ticks;
  className?: string;
  disabled?: boolean;
}

/** A length typed as people write it, in either system; kept on Enter or on leaving the field, given up with Escape. */
export function LengthField({
  value,
  onChange,
  label,
  hideLabel = false,
  problem = null,
  least = 0,
  className = 'w-20',
  disabled = false,
}: Props) {
  const { style } = useUnits();
  const id = useId();
  // A field shows tenths of a millimetre where there are any, so that what is typed is what stands there.
  const exact = style.system === 'mm' ? ({ system: 'mm', division: 10 } as const) : style;
  const shown = printLength(value, exact);
  const [text, setText] = useState(shown);
  const [wrong, setWrong] = useState<string | null>(null);
  const editing = useRef(false);
  useEffect(() => {
    if (!editing.current) setText(shown);
    setWrong(null);
  }, [shown]);

  const keep = () => {
    editing.current = false;
    if (text.trim() === shown) {
      setWrong(null);
      return;
    }
    const parsed = parseLength(text, style.system);
    if (!parsed.ok) return setWrong(parsed.message);
    if (parsed.ticks < least) return setWrong('That is too small.');
    setWrong(null);
    setText(printLength(parsed.ticks, exact));
    onChange(parsed.ticks);
  };
  const message = wrong === null ? problem : [wrong];
  return (
    <div className="relative">
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'label block'}>
        {label}
      </label>
      <div className="flex items-baseline gap-1">
        <input
          id={id}
          className={`field mono ${className}`}
          value={text}
          disabled={disabled}
          inputMode="text"
          autoComplete="off"
          aria-invalid={message !== null}
          aria-describedby={message ? `${id}-wrong` : undefined}
          onFocus={(event) => {
            editing.current = true;
            event.target.select();
          }}
          onChange={(event) => setText(event.target.value)}
          onBlur={keep}
          onKeyDown={(event) => {
            if (event.key === 'Enter') keep();
            if (event.key === 'Escape') {
              setText(shown);
              setWrong(null);
            }
          }}
        />
        {!hideLabel && (
          <span className="text-soft text-sm">{style.system === 'inch' ? 'in' : 'mm'}</span>
        )}
      </div>
      {message && (
        <p
          id={`${id}-wrong`}
          role="alert"
          className={`text-danger text-sm ${hideLabel ? 'absolute z-20 mt-1 w-56 rounded-md border border-danger bg-card p-2 shadow-md' : 'mt-1 max-w-64'}`}
        >
          <Sentence text={message} />
        </p>
      )}
    </div>
  );
}
