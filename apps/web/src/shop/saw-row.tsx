import type { OwnedSaw } from '@spare-knot/core/cuts';
import { Trash2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import { AngleField } from '../measure/angle-field';
import { LengthField } from '../measure/length-field';
import { SAW_NAMES, WAYS } from './saw-words';

function NameField({ name, onChange }: { name: string; onChange: (name: string) => void }) {
  const [text, setText] = useState(name);
  useEffect(() => setText(name), [name]);
  const keep = () => {
    const said = text.trim();
    if (said === '') setText(name);
    else if (said !== name) onChange(said);
  };
  return (
    <label className="block">
      <span className="label block">What it is called</span>
      <input
        className="field w-48 font-semibold"
        value={text}
        maxLength={60}
        onChange={(event) => setText(event.target.value)}
        onBlur={keep}
        onKeyDown={(event) => event.key === 'Enter' && keep()}
      />
    </label>
  );
}

/** Angles that it is set to, and what its scales are off by. */
function Angles({
  saw,
  onChange,
}: {
  saw: OwnedSaw;
  onChange: (change: Partial<OwnedSaw>) => void;
}) {
  const limited = (value: number, least: number, most: number, change: Partial<OwnedSaw>) =>
    value >= least && value <= most && onChange(change);
  const field = { problem: null, locked: false } as const;
  return (
    <>
      <AngleField
        {...field}
        label="Fence turns to"
        value={saw.maxMitre}
        onChange={(maxMitre) => limited(maxMitre, 0, 90, { maxMitre })}
      />
      <AngleField
        {...field}
        label="Blade tilts to"
        value={saw.maxTilt}
        onChange={(maxTilt) => limited(maxTilt, 0, 90, { maxTilt })}
      />
      <label className="block">
        <span className="label block">It tilts</span>
        <select
          className="field"
          value={saw.tiltsTo}
          onChange={(event) => onChange({ tiltsTo: event.target.value as OwnedSaw['tiltsTo'] })}
        >
          {Object.entries(WAYS).map(([way, words]) => (
            <option key={way} value={way}>
              {words}
            </option>
          ))}
        </select>
      </label>
      <AngleField
        {...field}
        label="Fence scale off by"
        value={saw.mitreOff}
        onChange={(mitreOff) => limited(mitreOff, -5, 5, { mitreOff })}
      />
      <AngleField
        {...field}
        label="Blade scale off by"
        value={saw.tiltOff}
        onChange={(tiltOff) => limited(tiltOff, -5, 5, { tiltOff })}
      />
    </>
  );
}

/** A saw of the shop, every figure of it to be changed where it stands. */
export function SawRow({
  saw,
  onChange,
  onRemove,
}: {
  saw: OwnedSaw;
  onChange: (change: Partial<OwnedSaw>) => void;
  onRemove: () => void;
}) {
  const isFree = saw.kind === 'jigsaw';
  return (
    <li className="card p-3" data-saw={saw.name}>
      <div className="flex flex-wrap items-start gap-x-4 gap-y-3">
        <NameField name={saw.name} onChange={(name) => onChange({ name })} />
        <LengthField
          label="Kerf"
          value={saw.kerf}
          least={1}
          onChange={(kerf) => onChange({ kerf })}
        />
        {!isFree && (
          <>
            <LengthField
              label="Crosses up to (0: any)"
              value={saw.capacity ?? 0}
              onChange={(capacity) => onChange({ capacity: capacity > 0 ? capacity : null })}
            />
            <LengthField
              label="Held by hand from"
              value={saw.handMin}
              onChange={(handMin) => onChange({ handMin })}
            />
            <Angles saw={saw} onChange={onChange} />
            <label className="mt-5 flex min-h-8 items-center gap-2">
              <input
                type="checkbox"
                className="size-4 accent-chalk"
                checked={saw.hasStop}
                onChange={(event) => onChange({ hasStop: event.target.checked })}
              />
              It has a stop
            </label>
          </>
        )}
        <button
          type="button"
          className="btn btn-quiet mt-4 ml-auto"
          aria-label={`Take ${saw.name} off the list`}
          onClick={onRemove}
        >
          <Trash2 size={16} aria-hidden />
        </button>
      </div>
      <p className="mt-1 text-sm text-soft">{SAW_NAMES[saw.kind]}</p>
    </li>
  );
}
