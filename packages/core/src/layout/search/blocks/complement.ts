import { at } from '../../../lists/index.js';
import type { Bin, Block } from './block.js';
import type { Packing } from './counts.js';

/** Every copy there is: the sum of all their marks, and how many they are. */
export interface Whole {
  mark: number;
  pieces: number;
}

/**
 * Two blocks that hold every copy between them, each on one of two boards, by the boards' indexes: what is missing of one is looked up by its
 * mark. Null where there are none.
 */
export function complements(
  blocks: readonly Block[],
  [one, other]: readonly [number, number],
  isOn: (block: Block, bin: number) => boolean,
  bins: readonly Bin[],
  packing: Packing,
  whole: Whole,
): readonly { bin: number; block: Block }[] | null {
  const lies = (block: Block, bin: number) =>
    block.long <= at(bins, bin).long && block.wide <= at(bins, bin).wide && isOn(block, bin);
  const byMark = new Map<number, Block[]>();
  for (const block of blocks)
    if (lies(block, other)) byMark.set(block.mark, [...(byMark.get(block.mark) ?? []), block]);
  for (const first of blocks) {
    const found = (byMark.get(whole.mark - first.mark) ?? []).find(
      (second) =>
        first.pieces + second.pieces === whole.pieces && packing.fits(first.copies, second.copies),
    );
    if (found && lies(first, one))
      return [
        { bin: one, block: first },
        { bin: other, block: found },
      ];
  }
  return null;
}
