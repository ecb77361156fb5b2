import type { LayoutJob } from '../../job/index.js';
import { at, entry, sum } from '../../lists/index.js';
import { meanArea } from '../area.js';
import type { Goals } from '../goals.js';
import { type Construction, construct, type FilledBoard } from './construct.js';
import type { Group } from './group.js';

/** What the moves of one search share. */
export interface MoveSetting {
  job: LayoutJob;
  goals: Goals;
  random: () => number;
  halted: () => boolean;
}

/** Where cuts count first, every other board is filled without rips beside the pieces. */
const isPlain = ({ goals, random }: MoveSetting): boolean =>
  goals.first === 'cuts' && random() < 0.5;

/** Everything anew, parts on badly filled boards having become worth more (sequential value correction). */
export function revalued(group: Group, setting: MoveSetting): Construction | null {
  const { job, goals, random, halted } = setting;
  const values = group.values.map((value) => value * (0.92 + 0.16 * random()));
  const wanted = { copies: group.copies, values, plain: isPlain(setting) };
  const beam = 6 + Math.floor(random() * 14);
  const result = construct(job, group.piles, wanted, beam, goals, halted);
  for (const { pile, filling } of result.boards) {
    const used = sum(filling.pieces.map(({ shape }) => meanArea(at(job.parts, shape.part))));
    const waste = Math.min(3, (pile.stock.length * pile.stock.width) / used);
    filling.used.forEach((count, part) => {
      if (count === 0) return;
      const corrected = 0.15 * meanArea(at(job.parts, part)) * waste;
      group.values[part] = 0.85 * at(group.values, part) + corrected;
    });
  }
  return halted() && sum(result.missing) > 0 ? null : result;
}

/** Boards in the order in which they are taken apart: the emptier the sooner, with some chance. */
function emptiestFirst(boards: readonly FilledBoard[], group: Group, random: () => number) {
  const fullness = ({ filling, pile }: FilledBoard) =>
    sum(filling.used.map((count, part) => count * at(group.values, part))) /
    (pile.stock.length * pile.stock.width);
  return boards
    .map((board, index) => ({ index, key: fullness(board) + random() * 0.6 }))
    .sort((a, b) => a.key - b.key)
    .map(({ index }) => index);
}

/** A few boards taken apart, the emptier the sooner, and their parts laid out again. */
export function rebuilt(group: Group, setting: MoveSetting): Construction | null {
  const { job, goals, random, halted } = setting;
  const { boards, missing } = group.best;
  if (boards.length === 0) return null;
  const order = emptiestFirst(boards, group, random);
  const apart = new Set(order.slice(0, Math.min(boards.length, 2 + Math.floor(random() * 3))));
  const kept = boards.filter((_board, index) => !apart.has(index));
  const copies = Int32Array.from(missing);
  for (const index of apart)
    for (const [part, count] of at(boards, index).filling.used.entries())
      copies[part] = at(copies, part) + count;
  const values = group.values.map((value) => value * (0.8 + 0.4 * random()));
  // The piles themselves stay what boards are known by; only how many are left differs.
  const reduced = group.piles.map((pile) => ({
    ...pile,
    left: pile.left - kept.filter((board) => board.pile === pile).length,
  }));
  const wanted = { copies, values, plain: isPlain(setting) };
  const beam = 8 + Math.floor(random() * 24);
  const result = construct(job, reduced, wanted, beam, goals, halted);
  const original = new Map(reduced.map((pile, index) => [pile, at(group.piles, index)]));
  return {
    boards: [
      ...kept,
      ...result.boards.map((board) => ({ ...board, pile: entry(original, board.pile) })),
    ],
    missing: result.missing,
  };
}
