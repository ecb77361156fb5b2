import type { BoxPlan, Parameter } from '@spare-knot/core/plan';
import type { Text } from '@spare-knot/core/text';

import { AngleField } from '../../measure/angle-field';
import { LengthField } from '../../measure/length-field';

/** Sizes and angles that are not on the drawings. */
export function OtherSizes({
  parameters,
  plan,
  problems,
  locked,
  onChange,
}: {
  parameters: readonly Parameter[];
  plan: BoxPlan;
  problems: ReadonlyMap<string, Text>;
  locked: boolean;
  onChange: (change: (plan: BoxPlan) => BoxPlan) => void;
}) {
  return (
    <div className="mt-1 grid grid-cols-2 gap-x-3 gap-y-1.5">
      {parameters.map(({ id, label, kind }) =>
        kind === 'angle' ? (
          <AngleField
            key={id}
            label={label}
            value={plan.angles[id] ?? 0}
            problem={problems.get(id) ?? null}
            locked={locked}
            onChange={(angle) =>
              onChange((current) => ({ ...current, angles: { ...current.angles, [id]: angle } }))
            }
          />
        ) : (
          <LengthField
            key={id}
            label={label}
            value={plan.sizes[id] ?? 0}
            problem={problems.get(id) ?? null}
            disabled={locked}
            onChange={(ticks) =>
              onChange((current) => ({ ...current, sizes: { ...current.sizes, [id]: ticks } }))
            }
          />
        ),
      )}
    </div>
  );
}
