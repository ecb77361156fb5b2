import { CLIMATES, COVERS, MOUNTS, type Place } from '@spare-knot/core/plan';
import { FACINGS } from '@spare-knot/core/trail';

const WORDS: Readonly<Record<string, string>> = {
  outdoors: 'outdoors',
  'under-cover': 'under cover, in the dry',
  tree: 'a tree',
  wall: 'a wall',
  post: 'a post',
  pole: 'a pole',
  water: 'over water',
  building: 'in a building',
};
function Asked<T extends string>({
  label,
  value,
  options,
  locked,
  onChange,
}: {
  label: string;
  value: T | null;
  options: readonly T[];
  locked: boolean;
  onChange: (value: T | null) => void;
}) {
  return (
    <label className="grid grid-cols-[4.2rem_1fr] items-center gap-2">
      <span className="label">{label}</span>
      <select
        className="field w-full min-w-0"
        value={value ?? ''}
        disabled={locked}
        onChange={(event) => onChange(options.find((each) => each === event.target.value) ?? null)}
      >
        <option value="">not known yet</option>
        {value !== null && !options.includes(value) && <option value={value}>{value}</option>}
        {options.map((each) => (
          <option key={each} value={each}>
            {WORDS[each] ?? each}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Where the box is to hang: asked, since walls, roof and finish depend on it, and never guessed. */
export function PlacePicker({
  place,
  locked,
  onChange,
}: {
  place: Place;
  locked: boolean;
  onChange: (place: Place) => void;
}) {
  const set = (change: Partial<Place>) => onChange({ ...place, ...change });
  return (
    <fieldset className="mt-3 grid gap-1.5">
      <legend className="label mb-1">Where it hangs</legend>
      <Asked
        label="Cover"
        value={place.cover}
        options={COVERS}
        locked={locked}
        onChange={(cover) => set({ cover })}
      />
      <Asked
        label="On"
        value={place.on}
        options={MOUNTS}
        locked={locked}
        onChange={(on) => set({ on })}
      />
      <Asked
        label="Climate"
        value={place.climate}
        options={CLIMATES}
        locked={locked}
        onChange={(climate) => set({ climate })}
      />
      <Asked
        label="Facing"
        value={place.facing}
        options={FACINGS}
        locked={locked}
        onChange={(facing) => set({ facing })}
      />
    </fieldset>
  );
}
