import type { Making } from '@spare-knot/core/api';
import { useBatch } from '../../batch/batch-context';
import { LengthField } from '../../measure/length-field';

type Site = Making['site'];

/** A measure that nobody has told yet is asked for; an empty one is not known, which is not the same as none. */
function Asked({
  label,
  value,
  onChange,
}: {
  label: string;
  value: number | null;
  onChange: (value: number | null) => void;
}) {
  return (
    <div className="flex items-end gap-2">
      <LengthField
        label={value === null ? `${label} (not known)` : label}
        value={value ?? 0}
        className="w-24"
        onChange={(ticks) => onChange(ticks > 0 ? ticks : null)}
      />
    </div>
  );
}

/** What the place alone can say, for the lengths of pole, wire, chain and rod. */
export function SiteFields({ way }: { way: string | null }) {
  const { draft, edit } = useBatch();
  const { site } = draft.making;
  const set = (change: Partial<Site>) =>
    edit((current) => ({
      ...current,
      making: { ...current.making, site: { ...current.making.site, ...change } },
    }));
  const onPole = way === 'pole' || way === 'winch-pole';
  return (
    <fieldset className="mt-3 flex flex-wrap items-start gap-x-5 gap-y-2 rounded-md bg-paper px-3 py-2">
      <legend className="label">Measured at the place</legend>
      <Asked
        label="Entrance above the ground"
        value={site.height ?? draft.plan.place.height}
        onChange={(height) => set({ height })}
      />
      {(way === 'wire' || way === 'chain') && (
        <Asked
          label="Round the trunk"
          value={site.trunkGirth}
          onChange={(trunkGirth) => set({ trunkGirth })}
        />
      )}
      {way === 'rod' && (
        <Asked
          label="Thickness of the post"
          value={site.postThick}
          onChange={(postThick) => set({ postThick })}
        />
      )}
      {onPole && (
        <LengthField
          label="Pole in the ground"
          value={site.inGround}
          className="w-24"
          onChange={(inGround) => set({ inGround })}
        />
      )}
    </fieldset>
  );
}
