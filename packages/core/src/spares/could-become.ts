import {
  type LayoutJob,
  type Part,
  type Saw,
  type Stock,
  suits,
  THICKNESS_LEEWAY,
} from '../job/index.js';
import { fillOne, isLargeEnough, type LaidBoard } from '../layout/index.js';
import { sum } from '../lists/index.js';
import { areaOf } from '../plane/index.js';

/** A panel of a kept plan, and how many of it are short. */
export interface WantedPanel {
  /** Of which batch. */
  batch: string;
  part: Part;
  short: number;
}

/** What a scrap could become: so many copies of one panel, and how they lie on it. */
export interface Become<Wanted extends WantedPanel = WantedPanel> {
  wanted: Wanted;
  copies: number;
  /** The plan names another wood. */
  isOtherWood: boolean;
  /** Of the scrap, as a share of its face. */
  share: number;
  laid: LaidBoard;
}

/** No more than this are cut out of one scrap. */
const MOST = 12;

const areaOfPart = ({ outline }: Part): number => Math.abs(areaOf(outline));

/** One scrap, and as many of one panel as may come out of it. */
export const scrapJob = (part: Part, quantity: number, scrap: Stock, saw: Saw): LayoutJob => ({
  name: 'scrap',
  saw,
  parts: [{ ...part, quantity }],
  stock: [{ ...scrap, quantity: 1 }],
  pinned: [],
  effort: { seconds: 1 },
});

/** A panel may be of another wood than its plan names, where the maker says so; its thickness stays. */
const inAnyWood = (part: Part): Part => ({ ...part, materials: null });

function becomes<Wanted extends WantedPanel>(
  wanted: Wanted,
  scrap: Stock,
  saw: Saw,
): Become<Wanted>[] {
  const part = inAnyWood(wanted.part);
  if (Math.abs(part.thickness - scrap.thickness) > THICKNESS_LEEWAY || !isLargeEnough(part, scrap))
    return [];
  const fits = Math.floor((scrap.length * scrap.width) / Math.max(1, areaOfPart(part)));
  const laid = fillOne(scrapJob(part, Math.max(1, Math.min(MOST, fits)), scrap, saw));
  if (!laid) return [];
  const copies = laid.placements.length;
  return [
    {
      wanted,
      copies,
      isOtherWood: !suits(wanted.part, scrap),
      share: (copies * areaOfPart(part)) / (scrap.length * scrap.width),
      laid,
    },
  ];
}

/** What is short before what is not, the plan’s own wood before another, then what leaves least of the scrap. */
const better = (a: Become, b: Become): number =>
  Number(b.wanted.short > 0) - Number(a.wanted.short > 0) ||
  Number(a.isOtherWood) - Number(b.isOtherWood) ||
  b.share - a.share;

/**
 * What a scrap could become of all panels of all kept plans: thickness, grain, faces, hand and what is wrong with it looked at, and every
 * copy laid on it as it would be sawn. The best first.
 *
 * @example couldBecome({ ...offcut, quantity: 1 }, wanted, STANDARD_SAW)[0].wanted.part.id
 */
export const couldBecome = <Wanted extends WantedPanel>(
  scrap: Stock,
  wanted: readonly Wanted[],
  saw: Saw,
): Become<Wanted>[] => wanted.flatMap((each) => becomes(each, scrap, saw)).sort(better);

/** How many panels lie on some boards. */
export const panelsOn = (boards: readonly LaidBoard[]): number =>
  sum(boards.map(({ placements }) => placements.length));
