import type { PlanVersion, SpareRecord } from '@spare-knot/core/api';
import { buildBox, familyById } from '@spare-knot/core/families';
import { panelNames } from '@spare-knot/core/panels';
import { seenCuts } from '@spare-knot/core/sheets';

/** A panel of a plan as it is pointed at: what it is called, how often it stands in a box, how it looks. */
export interface PlanPanel extends Pick<SpareRecord, 'name' | 'drawing'> {
  id: string;
  each: number;
}

/** The panels of a version of a plan; none where it gives no box by today’s rules. */
export function planPanels({ plan }: Pick<PlanVersion, 'plan'>): PlanPanel[] {
  const built = buildBox(plan);
  if (!built.ok) return [];
  const names = panelNames(familyById(plan.family), built.box);
  return built.box.panels.map((panel) => ({
    id: panel.id,
    name: names.get(panel.id) ?? panel.id,
    each: panel.instances.length,
    drawing: {
      outline: [...panel.outline],
      underside: [...panel.underside],
      cuts: seenCuts(panel),
    },
  }));
}
