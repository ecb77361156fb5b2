import { createHash } from 'node:crypto';
import { type BoardRecord, type LayoutWishes, liesReady } from '@spare-knot/core/api';
import type { Layout } from '@spare-knot/core/layout';
import { kindKey } from '../rack/board-rows.js';
import type { BatchAlone } from './batch-rows.js';

type Asked = Pick<BatchAlone, 'plan' | 'boxes' | 'saw' | 'wishes' | 'ready' | 'mends'>;

const laidOutBy = ({ pinned, forbidden, crosscut, supply }: LayoutWishes) => ({
  pinned,
  forbidden,
  crosscut,
  // Left out where nothing is bought, so that what was asked before there was a yard is still the same question.
  ...(supply !== 'rack' && { supply }),
});

/** What a layout was made for, in one hash: the box, how many, the saw, what was asked, and the boards that it lies on. */
export function askedFor(batch: Asked, layout: Layout, boards: readonly BoardRecord[]): string {
  const used = [...new Set(layout.boards.map(({ stock }) => stock))].sort();
  const kinds = used.map((id) => {
    const board = boards.find((each) => each.id === id);
    return [id, board ? kindKey(board) : null];
  });
  const { plan, boxes, saw, wishes } = batch;
  const ready = liesReady(batch);
  const pieces = ready.map(({ piece, count, panel }) => [piece, count, ...(panel ? [panel] : [])]);
  // Nothing ready is not told either, for the same reason.
  const asked = [plan, boxes, saw, laidOutBy(wishes), kinds, ...(ready.length > 0 ? [pieces] : [])];
  const words = JSON.stringify(asked);
  return createHash('sha256').update(words).digest('hex');
}

/** How many of each kind of board a layout lies on. */
export function countBoards(layout: Layout): Map<string, number> {
  const taken = new Map<string, number>();
  for (const { stock } of layout.boards) taken.set(stock, (taken.get(stock) ?? 0) + 1);
  return taken;
}

/** Kinds of boards of which there are fewer than a layout needs. */
export const shortOf = (layout: Layout, boards: readonly BoardRecord[]): string[] =>
  [...countBoards(layout)]
    .filter(([id, needed]) => (boards.find((each) => each.id === id)?.quantity ?? 0) < needed)
    .map(([id]) => id);
