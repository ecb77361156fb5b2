import { buildBox, familyById } from '../families/index.js';
import { pieceOf, type ReadyPieces } from '../job/index.js';
import { panelNames } from '../panels/index.js';
import type { KeptPlan } from './wanted.js';

/** One panel of a plan against the bin. */
export interface RoundPanel {
  panel: string;
  name: string;
  /** In one box. */
  each: number;
  /** In the bin; what looks alike is counted once, for the panel that comes first. */
  there: number;
  /** Short for one box more than can be put together now. */
  short: number;
}

/** What can be put together today of one plan, if all of the bin goes into it. */
export interface AssemblyRound {
  batch: string;
  batchName: string;
  /** Whole boxes. */
  boxes: number;
  panels: RoundPanel[];
}

function roundOf({ batch, name, plan }: KeptPlan, bin: readonly ReadyPieces[]): AssemblyRound[] {
  const built = buildBox(plan);
  if (!built.ok) return [];
  const names = panelNames(familyById(plan.family), built.box);
  const pieces = built.box.panels.map((panel) => ({
    panel: panel.id,
    name: names.get(panel.id) ?? panel.id,
    each: panel.instances.length,
    piece: pieceOf(plan, panel),
  }));
  const there = new Map<string, number>();
  for (const { piece, count } of bin) there.set(piece, (there.get(piece) ?? 0) + count);
  const each = new Map<string, number>();
  for (const { piece, each: copies } of pieces) each.set(piece, (each.get(piece) ?? 0) + copies);
  const boxes = Math.min(
    ...[...each].map(([piece, copies]) => Math.floor((there.get(piece) ?? 0) / copies)),
  );
  const panels = pieces.map(({ piece, ...of }): RoundPanel => {
    const own = Math.min(there.get(piece) ?? 0, (boxes + 1) * of.each);
    there.set(piece, (there.get(piece) ?? 0) - own);
    return { ...of, there: own, short: (boxes + 1) * of.each - own };
  });
  return [{ batch, batchName: name, boxes, panels }];
}

/**
 * Which whole boxes the bin allows today, plan by plan, each as if the bin were for it alone, and what is short for one more; first what
 * gives most boxes, then what lacks least. A plan that gives no box, or of which nothing lies in the bin, is left out.
 *
 * @example assemblyRounds(plans, bin)[0].boxes
 */
export const assemblyRounds = (
  plans: readonly KeptPlan[],
  bin: readonly ReadyPieces[],
): AssemblyRound[] => {
  const lacking = ({ panels }: AssemblyRound) =>
    panels.reduce((count, { short }) => count + short, 0);
  return plans
    .flatMap((plan) => roundOf(plan, bin))
    .filter(({ panels }) => panels.some(({ there }) => there > 0))
    .sort((a, b) => b.boxes - a.boxes || lacking(a) - lacking(b));
};
