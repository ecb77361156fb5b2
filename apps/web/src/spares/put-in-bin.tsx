import type { KeptPlans, NewSpares } from '@spare-knot/core/api';
import { buildBox, familyById } from '@spare-knot/core/families';
import { panelNames } from '@spare-knot/core/panels';
import { MATERIALS, materialName, woodRefused } from '@spare-knot/core/wood';
import { useMemo, useState } from 'react';

type Plan = KeptPlans['plans'][number];

/** Panels of a plan with their names; none where it gives no box. */
function usePanels(of: Plan | undefined) {
  return useMemo(() => {
    const built = of && buildBox(of.plan);
    if (!of || !built?.ok) return [];
    const names = panelNames(familyById(of.plan.family), built.box);
    return built.box.panels.map(({ id, role }) => ({
      id,
      name: names.get(id) ?? id,
      material: of.plan.wood[role]?.material ?? '',
    }));
  }, [of]);
}

/** One of some things, asked for where none is chosen. */
function Choice({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: string;
  options: readonly { id: string; name: string }[];
  onChange: (id: string) => void;
}) {
  return (
    <label>
      <span className="label block">{label}</span>
      <select
        className="field"
        value={value}
        disabled={options.length === 0}
        onChange={(event) => onChange(event.target.value)}
      >
        <option value="">which?</option>
        {options.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Woods that boxes are built of. */
const WOODS = MATERIALS.filter(({ id }) => woodRefused({ material: id }) === null).map(
  ({ id }) => ({ id, name: materialName(id) }),
);

/** What is being told of panels that are made, and what is still missing of it. */
function useMade(plans: KeptPlans['plans']) {
  const [batch, setBatch] = useState('');
  const [panel, setPanel] = useState('');
  const [count, setCount] = useState('');
  const [wood, setWood] = useState<string | null>(null);
  const [place, setPlace] = useState('');
  const plan = plans.find((each) => each.batch === batch);
  const panels = usePanels(plan);
  const chosen = panels.find(({ id }) => id === panel);
  const material = wood ?? chosen?.material ?? '';
  const amount = /^\d{1,6}$/.test(count.trim()) ? Number(count) : 0;
  const missing = [
    !plan && 'the plan',
    !chosen && 'the panel',
    (amount < 1 || amount > 100_000) && 'how many',
    material === '' && 'the wood',
  ].filter((each) => each !== false);
  const made: NewSpares | null =
    plan && chosen && missing.length === 0
      ? {
          plan: plan.plan,
          planName: plan.name,
          panels: [{ panel: chosen.id, count: amount, material, place: place.trim() }],
        }
      : null;
  const chooseBatch = (id: string) => {
    setBatch(id);
    setPanel('');
    setWood(null);
  };
  const choosePanel = (id: string) => {
    setPanel(id);
    setWood(null);
  };
  return {
    ...{ batch, chooseBatch, panel, choosePanel, count, setCount, material, setWood, place },
    ...{ setPlace, plan, panels, missing, made },
  };
}

/** Says which panels are made and where they lie. Wood that the plan does not name is asked for. */
export function PutInBin({
  plans,
  onPut,
}: {
  plans: KeptPlans['plans'];
  onPut: (spares: NewSpares) => Promise<boolean>;
}) {
  const told = useMade(plans);
  const { plan, panels, missing, made } = told;
  const named = plans.map(({ batch: id, name }) => ({ id, name }));
  return (
    <form
      className="card mt-3 grid gap-2 p-3"
      aria-label="Put panels in the bin"
      onSubmit={(event) => {
        event.preventDefault();
        if (made) void onPut(made).then((isKept) => isKept && told.setCount(''));
      }}
    >
      <div className="flex flex-wrap items-end gap-3">
        <Choice
          label="Of which plan"
          value={told.batch}
          options={named}
          onChange={told.chooseBatch}
        />
        <Choice label="Panel" value={told.panel} options={panels} onChange={told.choosePanel} />
        <label>
          <span className="label block">How many</span>
          <input
            className="field mono w-20"
            inputMode="numeric"
            value={told.count}
            onChange={(event) => told.setCount(event.target.value)}
          />
        </label>
        <Choice label="Wood" value={told.material} options={WOODS} onChange={told.setWood} />
        <label>
          <span className="label block">Lies where</span>
          <input
            className="field w-44"
            value={told.place}
            maxLength={120}
            placeholder="bin 2, under the bench"
            onChange={(event) => told.setPlace(event.target.value)}
          />
        </label>
        <button type="submit" className="btn btn-main" disabled={made === null}>
          Put them in the bin
        </button>
      </div>
      {told.batch !== '' && missing.length > 0 && (
        <p className="text-sm text-soft">Still to be said: {missing.join(', ')}.</p>
      )}
      {plan && panels.length === 0 && (
        <p role="alert" className="text-danger">
          This plan gives no box as it stands: set it right at its batch first.
        </p>
      )}
    </form>
  );
}
