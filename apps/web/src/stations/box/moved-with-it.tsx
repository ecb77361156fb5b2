import { type PanelChange, type PanelSet, panelChanges } from '@spare-knot/core/panels';
import type { BoxPlan } from '@spare-knot/core/plan';

import { useState } from 'react';
import { Length } from '../../measure/length';

/** Changes that are named; of more only how many. */
const NAMED = 6;

/** What the last change of the plan did to the panels. */
function useMoved(sound: { plan: BoxPlan; box: PanelSet } | null): readonly PanelChange[] {
  const [last, setLast] = useState(sound);
  const [moved, setMoved] = useState<readonly PanelChange[]>([]);
  if (sound !== last && sound?.plan !== last?.plan) {
    setLast(sound);
    setMoved(
      sound && last && sound.plan.family === last.plan.family
        ? panelChanges(last.box, sound.box)
        : [],
    );
  }
  return moved;
}

/** What else was cut anew by the last change. */
export function MovedWithIt({
  sound,
  names,
}: {
  sound: { plan: BoxPlan; box: PanelSet } | null;
  names: ReadonlyMap<string, string>;
}) {
  const moved = useMoved(sound);
  if (moved.length === 0) return null;
  return (
    <p className="mt-2 rounded-md bg-chalk-pale px-3 py-1.5 text-[0.92rem]" aria-live="polite">
      <strong>Moved with it:</strong>{' '}
      {moved.slice(0, NAMED).map((change, index) => (
        <span key={`${change.panel} ${change.measure}`}>
          {index > 0 && '; '}
          {(names.get(change.panel) ?? change.panel).toLowerCase()}, {change.measure}{' '}
          <Length ticks={change.before} /> →{' '}
          <strong>
            <Length ticks={change.after} unit />
          </strong>
        </span>
      ))}
      {moved.length > NAMED && `; and ${moved.length - NAMED} more`}
    </p>
  );
}
