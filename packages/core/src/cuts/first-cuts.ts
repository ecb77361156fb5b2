import type { LayoutJob } from '../job/index.js';
import { boardTree, kerfOnFace, type LaidBoard, type ThroughCut } from '../layout/index.js';
import type { Ticks } from '../measure/index.js';
import { boundsOf } from '../plane/index.js';

/** What must be known before a board is sawn. */
export interface FirstCuts {
  /** Where to crosscut before anything is ripped, so that an offcut keeps the board's full width; null when nothing asks for it. */
  crosscutAt: Ticks | null;
  /** Parts that no straight cut from edge to edge separates: they are cut out along their lines. */
  jigsaw: readonly string[];
}

/** Half a millimetre. */
const EDGE: Ticks = 160;

const runsAlong = ({ cut: { along } }: ThroughCut): boolean =>
  Math.abs(along[0]) > Math.abs(along[1]);

/** The cuts of a board that come before its rips, and the parts on it that need a jigsaw. Lengths in ticks from the left end. */
export function firstCuts(job: LayoutJob, board: LaidBoard): FirstCuts {
  const stock = job.stock.find((each) => each.id === board.stock);
  if (!stock) return { crosscutAt: null, jigsaw: [] };
  const { pieces, cuts } = boardTree(job, stock, board);
  const through = cuts.filter((each) => each.kind === 'through');
  const keepsWidth = ({ of, gives }: ThroughCut): boolean => {
    const wood = pieces[of]?.wood;
    if (!wood || gives.every((id) => id === null || pieces[id]?.is !== 'offcut')) return false;
    const [, bottom, , top] = boundsOf(wood.faceA);
    return top - bottom > stock.width - EDGE;
  };
  const full = through.find((each) => !runsAlong(each) && keepsWidth(each));
  const markOf = ({ cut }: ThroughCut): Ticks =>
    Math.round(
      cut.point[0] - (cut.along[1] < 0 ? kerfOnFace(cut, job.saw.kerf, stock.thickness) : 0),
    );
  const freed = cuts.flatMap((each) => (each.kind === 'free' ? [pieces[each.gives[0]]?.is] : []));
  return {
    crosscutAt: full && through.some(runsAlong) ? markOf(full) : null,
    jigsaw: [...new Set(freed.flatMap((is) => (is && typeof is === 'object' ? [is.part] : [])))],
  };
}
