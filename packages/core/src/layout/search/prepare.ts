import type { LayoutJob } from '../../job/index.js';
import { at } from '../../lists/index.js';
import type { Goals } from '../goals.js';
import { obstaclesOf } from './defects.js';
import { BoardFiller } from './fill-board.js';
import { clustersOf, Group } from './group.js';
import { PinnedBoards } from './pinned-boards.js';
import type { Misfit } from './shapes.js';
import { suitedShapes } from './suited-shapes.js';

/** A job as a search sees it. */
export interface Prepared {
  groups: readonly Group[];
  pinned: PinnedBoards;
  /** Why a part can lie on a kind of board in no way, by part and kind. */
  misfits: readonly (readonly (Misfit | null)[])[];
}

/** The groups of a job that have nothing to do with one another, the same each time: who searches and who proves know them by their index. */
export function prepare(job: LayoutJob, goals: Goals): Prepared {
  const pinned = new PinnedBoards(job);
  const { shapes, partners, misfits } = suitedShapes(job);
  const copies = Int32Array.from(
    job.parts,
    (part) => part.quantity - job.pinned.filter((pin) => pin.part === part.id).length,
  );
  const fillers = job.stock.map(
    (stock, kind) =>
      new BoardFiller(
        stock,
        at(shapes, kind),
        obstaclesOf(stock.defects),
        job.saw,
        job.parts.length,
        goals,
      ),
  );
  const groups = clustersOf(partners).map(({ parts, kinds }) => {
    const piles = kinds.flatMap((kind) => pinned.pilesOf(kind, at(fillers, kind)));
    return new Group(job, parts, piles, partners, copies, goals);
  });
  return { groups, pinned, misfits };
}
