import type { ListColumn } from '@spare-knot/core/exchange';
import { useState } from 'react';

/** What stands in a column, typed or chosen; words are kept on leaving the field or with Enter, Escape leaves them as they were. */
export function ListField({
  column,
  label,
  value,
  onChange,
}: {
  column: ListColumn;
  label: string;
  value: string;
  onChange: (value: string) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  if (column.kind === 'choice')
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
  const keep = () => {
    if (text !== null && text.trim() !== value) onChange(text.trim());
    setText(null);
  };
  return (
    <input
      className={column.kind === 'day' ? 'field' : 'field w-full min-w-32'}
      type={column.kind === 'day' ? 'date' : 'text'}
      aria-label={label}
      maxLength={column.kind === 'words' ? column.most : undefined}
      value={text ?? value}
      onChange={(event) => setText(event.target.value)}
      onBlur={keep}
      onKeyDown={(event) => {
        if (event.key === 'Enter') keep();
        if (event.key === 'Escape') setText(null);
      }}
    />
  );
}
