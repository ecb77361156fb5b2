import { useEffect, useRef, useState } from 'react';

/** A number typed as people write it, kept on Enter or on leaving the field; what is no number of the range is given up. */
export function AmountField({
  label,
  value,
  onChange,
  least = 0,
  most = 1e7,
  hideLabel = false,
  className = 'w-20',
}: {
  label: string;
  /** Null while nobody has said. */
  value: number | null;
  /** Null when the field was emptied. */
  onChange: (value: number | null) => void;
  least?: number;
  most?: number;
  /** Whether the label is read out only. */
  hideLabel?: boolean;
  className?: string;
}) {
  const shown = value === null ? '' : String(value);
  const [text, setText] = useState(shown);
  const editing = useRef(false);
  const entered = useRef(false);
  // What is being typed stays, whatever arrives meanwhile; nor does anything come under the cursor of who is about to type.
  useEffect(() => {
    if (!editing.current && !entered.current) setText(shown);
  }, [shown]);
  const keep = () => {
    entered.current = false;
    if (!editing.current) {
      setText(shown);
      return;
    }
    editing.current = false;
    const said = text.trim();
    const amount = said === '' ? null : Number(said.replace(',', '.'));
    if (amount !== null && !(amount >= least && amount <= most)) setText(shown);
    else if (amount !== value) onChange(amount);
  };
  return (
    <label className={hideLabel ? 'inline-block' : 'flex items-center gap-2'}>
      <input
        className={`field mono ${className}`}
        inputMode="decimal"
        aria-label={hideLabel ? label : undefined}
        value={text}
        onFocus={() => {
          entered.current = true;
        }}
        onChange={(event) => {
          editing.current = true;
          setText(event.target.value);
        }}
        onBlur={keep}
        onKeyDown={(event) => event.key === 'Enter' && keep()}
      />
      {!hideLabel && label}
    </label>
  );
}
