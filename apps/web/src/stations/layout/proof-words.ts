import type { Supply } from '@spare-knot/core/api';
import { aboveBest, type Layout } from '@spare-knot/core/layout';
import { printMoney } from '@spare-knot/core/measure';

/** How a bound was proven, in words. */
const PROOFS: Record<Layout['boundProof'], string> = {
  area: 'by area and length with kerfs',
  lp: 'by the best mix of boards',
  exact: 'by trying every mix of boards',
};

type Proven = Pick<Layout, 'cost' | 'lowerBound' | 'boundProof' | 'optimal' | 'unplaced'>;

/** How far from the best possible a layout is, as far as that is known. */
export function provenWords(layout: Proven, supply: Supply): string {
  const { cost, optimal, boundProof, lowerBound } = layout;
  const buys = supply !== 'rack';
  if (optimal && layout.unplaced.length > 0)
    return `Proven ${PROOFS[boundProof]}: these boards hold no more of the panels, and what they hold needs boards of at least this price.`;
  if (optimal && buys && cost === 0) return 'Nothing costs less than nothing.';
  if (optimal && buys)
    return `Proven ${PROOFS[boundProof]}: whatever is bought of these yards, the panels with their kerfs cost at least this in this wood.`;
  if (optimal)
    return `Proven ${PROOFS[boundProof]}: the panels with their kerfs need boards of at least this price.`;
  const above = aboveBest(layout);
  if (above === null)
    return 'How far from the best possible is not known: no bound was found for these boards.';
  return `At most ${(above * 100).toFixed(1)} % above the best possible: ${PROOFS[boundProof]}, no layout can cost less than ${printMoney(lowerBound)}.`;
}

const boardsIn = (count: number): string => `${count} ${count === 1 ? 'board' : 'boards'}`;

/** What a layout comes to, in one line; `toBuy` boards of it are not on the rack. */
export function headline(
  { boards, cost, lowerBound, optimal, unplaced }: Proven & Pick<Layout, 'boards'>,
  supply: Supply,
  toBuy: number,
): string {
  const count = boardsIn(boards.length);
  if (supply !== 'rack' && toBuy === 0) return `${count}, all on the rack: nothing to buy`;
  if (toBuy > 0) {
    const what = toBuy === boards.length ? `${count} to buy` : `${count}, ${toBuy} of them to buy`;
    return `${what} for ${printMoney(cost)}${optimal && unplaced.length === 0 ? ', and no layout can cost less' : ''}`;
  }
  if (cost === 0) return `${count}, none with a price`;
  if (optimal && unplaced.length > 0) return `${count}, and no layout holds more`;
  if (optimal) return `${count}, and no layout can cost less`;
  return `${count} for ${printMoney(cost)}; at least ${printMoney(lowerBound)} is needed`;
}
