import { FASTENERS, type Fastener } from '@spare-knot/core/panels';
import type { BoxPlan, PanelRole } from '@spare-knot/core/plan';
import { useUnits } from '../../measure/units';

type Fasteners = BoxPlan['fasteners'];

/** The fastener of one field of a plan. */
function Choice({
  label,
  value,
  none,
  locked,
  onChange,
}: {
  label: string;
  value: string | null;
  /** What is done where none is chosen. */
  none: string;
  locked: boolean;
  onChange: (fastener: string | null) => void;
}) {
  const { style } = useUnits();
  const nameOf = ({ kind, name, inchName }: Fastener) =>
    `${kind} ${style.system === 'inch' ? inchName : name}`;
  return (
    <label className="mt-1 block">
      <span className="block text-sm">{label}</span>
      <select
        className="field w-full"
        value={value ?? ''}
        disabled={locked}
        onChange={(event) => onChange(event.target.value === '' ? null : event.target.value)}
      >
        <option value="">{none}</option>
        {FASTENERS.map((each) => (
          <option key={each.id} value={each.id}>
            {nameOf(each)}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Screws and nails that are on hand: one size for the whole box, and others for what is driven through single panels. */
export function FastenerPicker({
  fasteners,
  roles,
  locked,
  onChange,
}: {
  fasteners: Fasteners;
  roles: readonly PanelRole[];
  locked: boolean;
  onChange: (fasteners: Fasteners) => void;
}) {
  const own = Object.entries(fasteners).filter(([role, each]) => role !== 'default' && each);
  const put = (role: string, fastener: string | null) => {
    const { [role]: _before, ...rest } = fasteners;
    onChange(fastener === null && role !== 'default' ? rest : { ...rest, [role]: fastener });
  };
  return (
    <details className="mt-3" open={own.length > 0 || undefined}>
      <summary className="label min-h-7">Screws and nails on hand</summary>
      <Choice
        label="For the whole box"
        value={fasteners.default ?? null}
        none="each joint the best that fits"
        locked={locked}
        onChange={(fastener) => put('default', fastener)}
      />
      {roles.map(({ id, label }) => (
        <Choice
          key={id}
          label={`Through the ${label.toLowerCase()}`}
          value={fasteners[id] ?? null}
          none="as the whole box"
          locked={locked}
          onChange={(fastener) => put(id, fastener)}
        />
      ))}
    </details>
  );
}
