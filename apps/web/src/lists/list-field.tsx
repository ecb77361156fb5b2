import type { ListColumn } from '@spare-knot/core/exchange';
import { useState } from 'react';
import { AmountField } from '../ui/amount-field';
import { WordField } from '../ui/word-field';

interface Props {
  label: string;
  value: string;
  onChange: (value: string) => void;
}

/** A day is kept when the field is left, since it is a day only when it is whole. */
function DayField({ label, value, onChange }: Props) {
  const [said, setSaid] = useState<string | null>(null);
  return (
    <input
      type="date"
      className="field"
      aria-label={label}
      value={said ?? value}
      onChange={(event) => setSaid(event.target.value)}
      onBlur={() => {
        if (said !== null && said !== value) onChange(said);
        setSaid(null);
      }}
    />
  );
}

/** What stands in a column, typed or chosen. */
export function ListField({ column, ...field }: Props & { column: ListColumn }) {
  const { label, value, onChange } = field;
  switch (column.kind) {
    case 'place':
      return <WordField {...field} most={60} placeholder="46.1234, 8.5678" className="mono w-60" />;
    case 'words':
      return <WordField {...field} most={column.most} className="w-full min-w-32" />;
    case 'day':
      return <DayField {...field} />;
    case 'count':
      return (
        <AmountField
          hideLabel
          label={label}
          className="w-16"
          least={1}
          most={column.most}
          value={value === '' ? null : Number(value)}
          onChange={(count) => onChange(count === null ? '' : String(Math.round(count)))}
        />
      );
    case 'choice':
      return (
        <select
          className="field"
          aria-label={label}
          value={value}
          onChange={(event) => onChange(event.target.value)}
        >
          <option value="">not said</option>
          {column.options.map((option) => (
            <option key={option}>{option}</option>
          ))}
        </select>
      );
  }
}
