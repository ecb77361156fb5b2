import { at } from '@spare-knot/core/lists';
import type { LengthStyle } from '@spare-knot/core/measure';

import { type ReactNode, useEffect, useState } from 'react';
import { createPortal } from 'react-dom';
import { useUnits } from '../measure/units';

/** Puts something at the right end of the header. */
export function HeaderEnd({ children }: { children?: ReactNode }) {
  const [slot, setSlot] = useState<HTMLElement | null>(null);
  useEffect(() => setSlot(document.getElementById('header-end')), []);
  return (
    slot &&
    createPortal(
      <>
        {children}
        <UnitSwitch />
      </>,
      slot,
    )
  );
}

const CHOICES: readonly { label: string; name: string; style: LengthStyle }[] = [
  { label: '1/16', name: 'Inches to a sixteenth', style: { system: 'inch', division: 16 } },
  { label: '1/32', name: 'Inches to a thirty-second', style: { system: 'inch', division: 32 } },
  { label: '1/64', name: 'Inches to a sixty-fourth', style: { system: 'inch', division: 64 } },
  { label: 'mm', name: 'Whole millimetres', style: { system: 'mm', division: 1 } },
  { label: '0.1 mm', name: 'Tenths of a millimetre', style: { system: 'mm', division: 10 } },
];

/** The one switch for how lengths are shown and bare numbers read. */
function UnitSwitch() {
  const { style, setStyle } = useUnits();
  const where = CHOICES.findIndex(
    (choice) => choice.style.system === style.system && choice.style.division === style.division,
  );
  return (
    <label className="flex items-center gap-2 text-sm">
      <span>Lengths in</span>
      <select
        className="rounded-md border border-[#7c8b82] bg-[#f3eee2] px-2 py-1 font-semibold text-ink"
        value={where}
        onChange={(event) => setStyle(at(CHOICES, Number(event.target.value)).style)}
      >
        <optgroup label="inches">
          {CHOICES.slice(0, 3).map((choice, index) => (
            <option key={choice.label} value={index} aria-label={choice.name}>
              inches, {choice.label}
            </option>
          ))}
        </optgroup>
        <optgroup label="millimetres">
          {CHOICES.slice(3).map((choice, index) => (
            <option key={choice.label} value={index + 3} aria-label={choice.name}>
              {choice.label}
            </option>
          ))}
        </optgroup>
      </select>
    </label>
  );
}
