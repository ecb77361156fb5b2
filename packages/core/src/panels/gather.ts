import { at, entry } from '../lists/index.js';
import type { Draft } from './draft.js';
import type { Panel, PanelCopy } from './panel-set.js';

/** What makes two panels of a group one: everything that is cut, in whatever order. */
const shapeOf = (group: string, panel: Panel): string => {
  const { outline, underside, features, role, thickness, inside, outside } = panel;
  const cuts = features.map((each) => JSON.stringify(each)).sort();
  return JSON.stringify([group, role, thickness, outline, underside, cuts, inside, outside]);
};

/** Copies that came out alike become instances of one panel. Gives the panels, and for each draft which copy of which panel it became. */
export function gather(
  drafts: readonly Draft[],
  cut: readonly Panel[],
): { panels: Panel[]; copyOf: PanelCopy[] } {
  const panels = new Map<string, Panel>();
  const known = new Map<string, string>();
  const groups = new Map<string, number>();
  const copyOf = cut.map((panel, index): PanelCopy => {
    const { group } = at(drafts, index);
    if (!group) {
      panels.set(panel.id, panel);
      return { panel: panel.id, instance: 0 };
    }
    const shape = shapeOf(group, panel);
    const twin = known.get(shape);
    if (twin) {
      const one = entry(panels, twin);
      panels.set(twin, { ...one, instances: [...one.instances, ...panel.instances] });
      return { panel: twin, instance: one.instances.length };
    }
    const number = (groups.get(group) ?? 0) + 1;
    groups.set(group, number);
    const id = number === 1 ? group : `${group}-${number}`;
    known.set(shape, id);
    panels.set(id, { ...panel, id });
    return { panel: id, instance: 0 };
  });
  return { panels: [...panels.values()], copyOf };
}
