import { useState } from 'react';

/** Words typed where they stand: kept with Enter or on leaving the field, as they were with Escape. */
export function WordField({
  label,
  value,
  onChange,
  most,
  placeholder,
  className = 'w-full',
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  /** Letters at most. */
  most: number;
  placeholder?: string;
  className?: string;
}) {
  const [text, setText] = useState<string | null>(null);
  const keep = () => {
    if (text !== null && text.trim() !== value) onChange(text.trim());
    setText(null);
  };
  return (
    <input
      className={`field ${className}`}
      aria-label={label}
      placeholder={placeholder}
      maxLength={most}
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
