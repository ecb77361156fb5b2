import type { Text } from '@spare-knot/core/text';

import { useEffect, useState } from 'react';
import { Sentence } from './length';

/** An angle in degrees, kept on Enter or on leaving the field. */
export function AngleField({
  label,
  value,
  problem,
  locked,
  onChange,
}: {
  label: string;
  value: number;
  problem: Text | null;
  locked: boolean;
  onChange: (angle: number) => void;
}) {
  const [text, setText] = useState(String(value));
  useEffect(() => setText(String(value)), [value]);
  const keep = () => {
    const angle = Number(text.replace(',', '.').replace('°', ''));
    if (Number.isFinite(angle) && text.trim() !== '') onChange(angle);
    else setText(String(value));
  };
  return (
    <label className="block">
      <span className="label block">{label}</span>
      <input
        className="field mono w-20"
        value={text}
        disabled={locked}
        aria-invalid={problem !== null}
        onChange={(event) => setText(event.target.value)}
        onBlur={keep}
        onKeyDown={(event) => event.key === 'Enter' && keep()}
      />
      <span className="text-sm text-soft"> °</span>
      {problem && (
        <span role="alert" className="block text-sm text-danger">
          <Sentence text={problem} />
        </span>
      )}
    </label>
  );
}
