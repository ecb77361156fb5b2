import { sum } from '../../lists/index.js';
import { TICKS_PER_MM } from '../../measure/index.js';
import type { Feature, PanelSet } from '../../panels/index.js';
import { ofArea, ofHeight, ofLength, ofLiquid, type Text, text } from '../../text/index.js';

/** One line of what is bought beside the wood, for one box. */
export interface HardwareLine {
  id: string;
  name: Text;
  quantity: number;
  /** Lengths in ticks, read by feet or metres where they are long; what is poured in millilitres, what is cut out in square centimetres. */
  unit: 'pieces' | 'ticks' | 'metres' | 'ml' | 'cm²';
  /** From which joints, holes or faces the quantity comes. */
  why: Text;
  /** The name by inches, where it is sold so. */
  inchName?: Text;
}

/** So much of a line, for some boxes, in the reader's units. */
export function amountOf({ quantity, unit }: HardwareLine, boxes: number): Text {
  const amount = quantity * boxes;
  switch (unit) {
    case 'pieces':
      return text`${amount}`;
    case 'ticks':
      return text`${ofLength(amount)}`;
    case 'metres':
      return text`${ofHeight(amount)}`;
    case 'ml':
      return text`${ofLiquid(amount)}`;
    case 'cm²':
      return text`${ofArea(amount / 1e4)}`;
  }
}

export const squareMetres = (ticks2: number): number => ticks2 / (TICKS_PER_MM * 1000) ** 2;

/** Something over every feature of a box, every copy of its panels counted. */
export const overFeatures = (box: PanelSet, of: (feature: Feature) => number): number =>
  sum(box.panels.map(({ features, instances }) => sum(features.map(of)) * instances.length));

export const counted = (box: PanelSet, kind: Feature['kind']): number =>
  overFeatures(box, (feature) => (feature.kind === kind ? 1 : 0));

/** Lines of which there are any. */
export const bought = (line: HardwareLine): HardwareLine[] => (line.quantity > 0 ? [line] : []);
