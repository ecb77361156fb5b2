import type { LayoutJob } from '../job/index.js';
import { type LaidBoard, placePart, stuckTogether } from '../layout/index.js';
import type { Ticks } from '../measure/index.js';

/** What must be known before a board is sawn. */
export interface FirstCuts {
  /** Where to crosscut before anything is ripped, so that an offcut keeps the board's full width; null when nothing asks for it. */
  crosscutAt: Ticks | null;
  /** Parts that no straight cut from edge to edge separates: they are cut out along their lines. */
  jigsaw: readonly string[];
}

/** Half a millimetre. */
const EDGE: Ticks = 160;

/** The cuts of a board that come before its rips, and the parts on it that need a jigsaw. Lengths in ticks from the left end. */
export function firstCuts(job: LayoutJob, board: LaidBoard): FirstCuts {
  const stock = job.stock.find((each) => each.id === board.stock);
  if (!stock) return { crosscutAt: null, jigsaw: [] };
  const lying = board.placements.flatMap((placement) => {
    const part = job.parts.find((each) => each.id === placement.part);
    return part ? [{ part, placed: placePart(part, placement) }] : [];
  });
  const end = stock.length - job.saw.endTrim;
  const ripped = lying.some(({ placed: { bounds } }) => bounds[3] - bounds[1] < stock.width - EDGE);
  const full = board.offcuts.find(
    (offcut) => offcut.width >= stock.width - EDGE && offcut.x + offcut.length >= end - EDGE,
  );
  const solids = lying.map(({ part, placed }) => ({
    part,
    solid: { faceA: placed.faceA, faceB: placed.faceB, depth: stock.thickness },
  }));
  const stuck = job.saw.throughCuts
    ? []
    : stuckTogether(
        solids.map(({ solid }) => solid),
        job.saw,
      );
  return {
    crosscutAt: ripped && full ? full.x - job.saw.kerf : null,
    jigsaw: [
      ...new Set(solids.filter(({ solid }) => stuck.includes(solid)).map(({ part }) => part.id)),
    ],
  };
}
