import { BIT_KINDS, BIT_NAMES, type Bit } from '@spare-knot/core/building';
import type { Ticks } from '@spare-knot/core/measure';
import { useState } from 'react';
import { Length } from '../measure/length';
import { LengthField } from '../measure/length-field';

function NewBit({ onAdd }: { onAdd: (bit: Bit) => void }) {
  const [kind, setKind] = useState<Bit['kind']>('forstner');
  const [diameter, setDiameter] = useState<Ticks>(32 * 320);
  return (
    <div className="mt-2 flex items-end gap-2">
      <LengthField label="Another bit" value={diameter} onChange={setDiameter} />
      <select
        className="field"
        aria-label="Kind of bit"
        value={kind}
        onChange={(event) => setKind(event.target.value as Bit['kind'])}
      >
        {BIT_KINDS.map((each) => (
          <option key={each} value={each}>
            {BIT_NAMES[each]}
          </option>
        ))}
      </select>
      <button type="button" className="btn" onClick={() => onAdd({ kind, diameter })}>
        Put it in
      </button>
    </div>
  );
}

/** The bits of the shop, each taken out by a press, and another put in. */
export function BitsList({
  bits,
  onChange,
}: {
  bits: readonly Bit[];
  onChange: (bits: Bit[]) => void;
}) {
  return (
    <>
      <ul className="mt-1 flex flex-wrap gap-1.5">
        {bits.map((bit, index) => (
          <li
            key={`${bit.kind} ${bit.diameter} ${index}`}
            className="flex items-center gap-1 rounded-md border border-line bg-white pl-2"
          >
            <Length ticks={bit.diameter} unit /> {BIT_NAMES[bit.kind]}
            <button
              type="button"
              className="min-h-7 min-w-7 font-bold text-danger"
              aria-label={`Take out the ${BIT_NAMES[bit.kind]}`}
              onClick={() => onChange(bits.filter((_each, at) => at !== index))}
            >
              ×
            </button>
          </li>
        ))}
      </ul>
      <NewBit onAdd={(bit) => onChange([...bits, bit].sort((a, b) => a.diameter - b.diameter))} />
    </>
  );
}
