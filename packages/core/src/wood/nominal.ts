import { type Evidence, fromInches, fromMm, type Ticks } from '../measure/index.js';

/** A size that wood is sold by, beside what a tape finds there. */
export interface NominalSize {
  name: string;
  thickness: Ticks;
  width: Ticks;
  mark: Evidence;
  source: string;
}

const inch = (
  name: string,
  thickness: number,
  width: number,
  mark: Evidence,
  source: string,
): NominalSize => ({
  name,
  thickness: fromInches(thickness),
  width: fromInches(width),
  mark,
  source,
});
const metric = (
  name: string,
  thickness: number,
  width: number,
  mark: Evidence,
  source: string,
): NominalSize => ({
  name,
  thickness: fromMm(thickness),
  width: fromMm(width),
  mark,
  source,
});

const PS20 = 'DOC PS 20, American Softwood Lumber Standard';

/** Sold as → actual. Sizes without a source are common practice. */
export const NOMINAL_SIZES: readonly NominalSize[] = [
  inch('1×4', 3 / 4, 3.5, 'P', PS20),
  inch('1×6', 3 / 4, 5.5, 'P', PS20),
  inch('1×8', 3 / 4, 7.25, 'P', PS20),
  inch('1×10', 3 / 4, 9.25, 'P', PS20),
  inch('1×12', 3 / 4, 11.25, 'P', PS20),
  inch('2×2', 1.5, 1.5, 'P', PS20),
  inch('2×4', 1.5, 3.5, 'P', PS20),
  inch('2×6', 1.5, 5.5, 'P', PS20),
  inch('2×8', 1.5, 7.25, 'P', PS20),
  inch('picket', 5 / 8, 5.5, 'C', 'common practice, no source'),
  metric('pallet board, narrow', 22, 100, 'P', 'EN 13698-1'),
  metric('pallet board, wide', 22, 145, 'P', 'EN 13698-1'),
  metric('scaffold board', 38, 225, 'C', 'common practice, no source'),
  metric('19 × 150 sawn', 19, 150, 'M', 'EN 1313-1, from memory'),
  metric('22 × 150 sawn', 22, 150, 'M', 'EN 1313-1, from memory'),
  metric('ply sheet 12 mm', 12, 1220, 'M', 'PS 1, from memory'),
];

/** The nominal size that a typed name such as `1x6` means, or undefined. */
export const nominalByName = (name: string): NominalSize | undefined => {
  const wanted = name.toLowerCase().replace(/\s*[x×]\s*/, '×');
  return NOMINAL_SIZES.find((size) => size.name.toLowerCase() === wanted);
};
