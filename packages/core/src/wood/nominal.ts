import { type Evidence, fromInches, fromMm, type Ticks } from '../measure/index.js';
import type { Face } from './board.js';

/** A size that wood is sold by, beside what a tape finds there. */
export interface NominalSize {
  name: string;
  thickness: Ticks;
  width: Ticks;
  mark: Evidence;
  source: string;
  /** How its faces are sold: surfaced lumber and sheets planed, pickets, sawn, scaffold and pallet wood rough. */
  faces: Face;
  /** The wood it is made of, where that is said by its name. */
  material?: string;
}

const PS20 = 'DOC PS 20, American Softwood Lumber Standard';
const COMMON = 'common practice, no source';
const EN1313 = 'EN 1313-1, from memory';
const PS1 = 'PS 1, from memory';

/** Surfaced lumber, dry. */
const surfaced = (name: string, thickness: number, width: number): NominalSize => ({
  name,
  thickness: fromInches(thickness),
  width: fromInches(width),
  mark: 'P',
  source: PS20,
  faces: 'planed',
});
const metric = (
  name: string,
  thickness: number,
  width: number,
  more: Pick<NominalSize, 'mark' | 'source' | 'faces'> & Partial<NominalSize>,
): NominalSize => ({ name, thickness: fromMm(thickness), width: fromMm(width), ...more });

const PALLET = {
  mark: 'P',
  source: 'EN 13698-1',
  faces: 'rough',
  material: 'pallet-wood',
} as const;
const SAWN = { mark: 'M', source: EN1313, faces: 'rough' } as const;

/** Sold as → actual. Sizes without a source are common practice. */
export const NOMINAL_SIZES: readonly NominalSize[] = [
  surfaced('1×2', 3 / 4, 1.5),
  surfaced('1×3', 3 / 4, 2.5),
  surfaced('1×4', 3 / 4, 3.5),
  surfaced('1×6', 3 / 4, 5.5),
  surfaced('1×8', 3 / 4, 7.25),
  surfaced('1×10', 3 / 4, 9.25),
  surfaced('1×12', 3 / 4, 11.25),
  surfaced('2×2', 1.5, 1.5),
  surfaced('2×4', 1.5, 3.5),
  surfaced('2×6', 1.5, 5.5),
  surfaced('2×8', 1.5, 7.25),
  surfaced('4×4', 3.5, 3.5),
  {
    name: 'picket',
    thickness: fromInches(5 / 8),
    width: fromInches(5.5),
    mark: 'C',
    source: COMMON,
    faces: 'rough',
  },
  metric('pallet board, narrow', 22, 100, PALLET),
  metric('pallet board, wide', 22, 145, PALLET),
  metric('scaffold board', 38, 225, {
    mark: 'C',
    source: COMMON,
    faces: 'rough',
    material: 'scaffold-board',
  }),
  metric('19 × 150 sawn', 19, 150, SAWN),
  metric('22 × 150 sawn', 22, 150, SAWN),
  metric('ply sheet 12 mm', 12, 1220, {
    mark: 'M',
    source: PS1,
    faces: 'planed',
    material: 'plywood',
  }),
];

/** Sheets sold by a thickness that a rule does not find there. */
const SHEETS: readonly (readonly [sold: Ticks, actual: Ticks])[] = [
  [fromInches(1 / 2), fromInches(15 / 32)],
];
/** A sheet's thickness as measured, for the one it is sold by. PS 1, from memory. */
export const sheetThickness = (sold: Ticks): Ticks =>
  SHEETS.find(([name]) => name === sold)?.[1] ?? sold;

/** The nominal size that a typed name such as `1x6` means, or undefined. */
export const nominalByName = (name: string): NominalSize | undefined => {
  const wanted = name.toLowerCase().replace(/\s*[x×]\s*/, '×');
  return NOMINAL_SIZES.find((size) => size.name.toLowerCase() === wanted);
};
