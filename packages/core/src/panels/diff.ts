import type { Ticks } from '../measure/index.js';
import { measuresOf } from './measures.js';
import type { PanelSet } from './panel-set.js';

/** One measure of one panel that is not what it was. */
export interface PanelChange {
  panel: string;
  measure: 'length' | 'width' | 'thickness';
  before: Ticks;
  after: Ticks;
}

/** Which panels are cut differently after a change of the plan, by at least 1/64 in or half a millimetre, from what to what. */
export function panelChanges(before: PanelSet, after: PanelSet): PanelChange[] {
  const least: Ticks = 127;
  return after.panels.flatMap((panel) => {
    const old = before.panels.find((candidate) => candidate.id === panel.id);
    if (!old) return [];
    const [was, is] = [measuresOf(old), measuresOf(panel)];
    const changes: PanelChange[] = [
      { panel: panel.id, measure: 'length', before: was.longPoint, after: is.longPoint },
      { panel: panel.id, measure: 'width', before: was.blankWidth, after: is.blankWidth },
      { panel: panel.id, measure: 'thickness', before: old.thickness, after: panel.thickness },
    ];
    return changes.filter((change) => Math.abs(change.after - change.before) >= least);
  });
}
