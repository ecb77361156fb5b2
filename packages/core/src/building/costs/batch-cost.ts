import { sum } from '../../lists/index.js';
import type { Cents } from '../../measure/index.js';
import type { Need } from './needs.js';

/** What a batch costs: by the share that is used up, and by what has to be bought whole. */
export interface BatchCost {
  wood: { share: Cents; whole: Cents } | null;
  supplies: { share: Cents; whole: Cents };
  share: Cents;
  whole: Cents;
  /** One box, by the share that is used up. */
  eachBox: Cents;
  /** What is not in these sums, since nobody has told its price: wood that is not laid out yet is told by `wood`. */
  unpriced: readonly Need[];
}

/** What a batch of so many boxes costs; what has no price is named, never counted as nothing. */
export function batchCost(
  wood: { share: Cents; whole: Cents } | null,
  needs: readonly Need[],
  boxes: number,
): BatchCost {
  const supplies = {
    share: sum(needs.map(({ share }) => share ?? 0)),
    whole: sum(needs.map(({ whole }) => whole ?? 0)),
  };
  const share = supplies.share + (wood?.share ?? 0);
  return {
    wood,
    supplies,
    share,
    whole: supplies.whole + (wood?.whole ?? 0),
    eachBox: Math.round(share / boxes),
    unpriced: needs.filter(({ share: known }) => known === null),
  };
}
