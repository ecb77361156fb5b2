import type { LayoutJob, Part } from '../job/index.js';
import { areaOf } from '../plane/index.js';
import type { LaidBoard } from './layout.js';

/** Mean of the areas of both faces, in square ticks. */
export const meanArea = (part: Part): number => (areaOf(part.outline) + areaOf(part.underside)) / 2;

/** Area of parts over area of boards in use less kept offcuts; 0 for no boards. */
export function yieldOf(job: LayoutJob, boards: readonly LaidBoard[]): number {
  const parts = new Map(job.parts.map((part) => [part.id, meanArea(part)]));
  const stock = new Map(job.stock.map((kind) => [kind.id, kind.length * kind.width]));
  let used = 0;
  let wood = 0;
  for (const board of boards) {
    if (board.placements.length === 0) continue;
    wood += stock.get(board.stock) ?? 0;
    for (const offcut of board.offcuts) wood -= offcut.length * offcut.width;
    for (const placement of board.placements) used += parts.get(placement.part) ?? 0;
  }
  return wood > 0 ? used / wood : 0;
}
