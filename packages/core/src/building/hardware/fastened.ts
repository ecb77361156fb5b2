import { fromMm } from '../../measure/index.js';
import {
  type Fastener,
  fastenerById,
  layerScrews,
  type Panel,
  type PanelSet,
} from '../../panels/index.js';
import type { BoxPlan } from '../../plan/index.js';
import { ofLength, text } from '../../text/index.js';
import type { HardwareLine } from './line.js';

/** Of which metal, as the plan says; nothing where its kind of box does not ask. */
const metalOf = ({ choices }: BoxPlan): string => (choices.metal ? `, ${choices.metal}` : '');

export function fastenerLines(plan: BoxPlan, { joints }: PanelSet): HardwareLine[] {
  const found = new Map<string, { quantity: number; joints: number }>();
  for (const { fastening } of joints) {
    if (!fastening) continue;
    const known = found.get(fastening.fastener) ?? { quantity: 0, joints: 0 };
    found.set(fastening.fastener, {
      quantity: known.quantity + fastening.count,
      joints: known.joints + 1,
    });
  }
  return [...found].sort().flatMap(([id, { quantity, joints: held }]): HardwareLine[] => {
    const fastener = fastenerById(id);
    if (!fastener) return [];
    const word = fastener.kind === 'screw' ? 'Exterior screw' : 'Ring-shank nail';
    return [
      {
        id,
        name: text`${word} ${fastener.name}${metalOf(plan)}`,
        inchName: text`${word} ${fastener.inchName}${metalOf(plan)}`,
        quantity,
        unit: 'pieces',
        why: text`In ${held} ${held === 1 ? 'joint' : 'joints'}; their holes and bits stand among the holes.`,
      },
    ];
  });
}

/** Panels that are made of two sheets. */
export const doubledPanels = ({ wood }: BoxPlan, { panels }: PanelSet): readonly Panel[] =>
  panels.filter(({ role }) => wood[role]?.layers);

/** Farther than a joint’s screw bites into the edge of two sheets; common practice, no source. */
const CLEAR_OF_JOINTS = fromMm(50);

/** Screws that hold two sheets together, those of one size together. */
export function layerLines(plan: BoxPlan, box: PanelSet): HardwareLine[] {
  const found = new Map<Fastener, number>();
  for (const panel of doubledPanels(plan, box)) {
    const screws = layerScrews(panel);
    if (!screws) continue;
    const { fastener, count } = screws;
    found.set(fastener, (found.get(fastener) ?? 0) + count * panel.instances.length);
  }
  return [...found].map(([{ id, name, inchName }, quantity]) => ({
    id: `layers-${id}`,
    name: text`Exterior screw ${name}`,
    inchName: text`Exterior screw ${inchName}`,
    quantity,
    unit: 'pieces',
    why: text`Press two sheets together while their glue sets, driven from the inside. Keep them ${ofLength(CLEAR_OF_JOINTS)} or more from an edge that is screwed: the joints’ screws run in there.`,
  }));
}
