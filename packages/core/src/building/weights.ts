import { TICKS_PER_MM } from '../measure/index.js';
import { fastenerById, type PanelSet, weightOf } from '../panels/index.js';
import type { BoxPlan } from '../plan/index.js';
import type { ItemCount } from './items.js';

/** Kilograms. */
export interface Weights {
  dry: number;
  wet: number;
  withFixings: number;
}

/**
 * Wood soaked to its fibres: about 30 % of its dry weight is water there, beside 12 % in the densities used. FPL Wood Handbook, fibre
 * saturation point, from memory [M].
 */
const SOAKED = 1.3 / 1.12;
/** Steel, kilograms in a cubic millimetre. */
const STEEL = 7.85e-6;
/** Thread and point leave so much of a shank’s cylinder; its head makes up for some. Common practice, no source. */
const SHANK = 0.85;
/** Hinges, hooks, bolts, straps: each about so much. Common practice, no source. */
const PIECE = 0.03;

function weightOfItem({ item, count }: ItemCount): number {
  const fastener = fastenerById(item);
  if (!fastener) return count * PIECE;
  const [long, thick] = [fastener.length / TICKS_PER_MM, fastener.diameter / TICKS_PER_MM];
  return count * (Math.PI / 4) * thick ** 2 * long * STEEL * SHANK;
}

/** Weight of a box: dry, soaked by rain, and soaked with screws and what hangs it. */
export function weightsOf(
  plan: BoxPlan,
  box: PanelSet,
  items: readonly ItemCount[],
  hung: readonly ItemCount[],
): Weights {
  const dry = weightOf(plan, box);
  const wet = dry * SOAKED;
  const metal = [...items, ...hung].reduce((total, each) => total + weightOfItem(each), 0);
  return { dry, wet, withFixings: wet + metal };
}
