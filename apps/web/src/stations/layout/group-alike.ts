import type { LaidBoard } from '@spare-knot/core/layout';

/** Boards cut alike from this many on are drawn once. */
const ALIKE = 12;

/** A board of the layout, which one of its kind it is, and how many are cut like it. */
export interface AlikeBoards {
  laid: LaidBoard;
  number: number;
  count: number;
}

const patternOf = ({ stock, placements }: LaidBoard): string =>
  JSON.stringify([
    stock,
    placements.map(({ part, x, y, turn, flipped }) => [part, x, y, turn, flipped]),
  ]);

/** Boards in order; in large layouts those cut alike stand together once, with how many they are. */
export function groupAlike(boards: readonly LaidBoard[]): AlikeBoards[] {
  const numbers = new Map<string, number>();
  const groups = new Map<string, AlikeBoards>();
  for (const laid of boards) {
    const number = (numbers.get(laid.stock) ?? 0) + 1;
    numbers.set(laid.stock, number);
    const key = boards.length > ALIKE ? patternOf(laid) : `${laid.stock}/${laid.piece}`;
    const known = groups.get(key);
    if (known) known.count += 1;
    else groups.set(key, { laid, number, count: 1 });
  }
  return [...groups.values()];
}
