import { at, must } from '../../lists/index.js';
import type { Ticks } from '../../measure/index.js';
import type { PanelSet } from '../../panels/index.js';

/** The lowest point of a panel, in box space. */
export function lowestOf(box: PanelSet, id: string): Ticks {
  const panel = must(
    box.panels.find((each) => each.id === id),
    `the panel “${id}”`,
  );
  return Math.min(...at(panel.instances, 0).solid.vertices.map((vertex) => vertex[2]));
}
