import type { BuildPlan, Side } from '@spare-knot/core/building';
import { at, sum } from '@spare-knot/core/lists';
import { type Block, fill } from './pages';
import { type Heights, heightOf, type PaperSize, roomOn } from './paper';

/** The highest that the pictures of a step and of a side are, in millimetres. */
export const PICTURE = 58;
export const SIDE_PICTURE = 52;

/** Names under which steps, sides and their holes are measured. */
export const stepName = (step: number): string => `step ${step}`;
export const sideName = ({ key }: Side): string => `side ${key}`;
export const holeName = (side: Side, hole: number): string => `${sideName(side)} hole ${hole}`;

export const kitName = (part: KitPartName): string => `kit ${part}`;

/** Parts of a kit’s own sheet, in their order. */
const KIT_PARTS = ['pack', 'letters', 'hanging', 'children'] as const;
export type KitPartName = (typeof KIT_PARTS)[number];

/** Millimetres on a sheet under its title. */
const roomUnder = (title: string, size: PaperSize, heights: Heights | null): number =>
  roomOn(size, heights) - heightOf(heights, title);

/** Holes of one side that stand on one sheet, with the number of the first. */
export interface SideOnPaper {
  side: Side;
  from: number;
}

/** A side with more holes than a sheet has room for goes on in several parts. */
function partsOf(side: Side, heights: Heights | null, room: number): Block<SideOnPaper>[] {
  const height = heightOf(heights, sideName(side));
  if (height <= room) return [{ of: { side, from: 0 }, height }];
  const rows = side.holes.map(
    (_hole, of): Block<number> => ({ of, height: heightOf(heights, holeName(side, of)) }),
  );
  // What is not rows is above them and round them, in each part.
  const above = height - sum(rows.map((row) => row.height));
  return fill(rows, room - above).map((part) => {
    const from = at(part, 0).of;
    const holes = side.holes.slice(from, from + part.length);
    return {
      of: { side: { ...side, holes }, from },
      height: above + sum(part.map((row) => row.height)),
    };
  });
}

/** Steps by the sheets that they stand on, each with its place in the order. */
export function stepPages(
  { steps }: BuildPlan,
  size: PaperSize,
  heights: Heights | null,
): number[][] {
  const blocks = steps.map(
    (_step, of): Block<number> => ({ of, height: heightOf(heights, stepName(of)) }),
  );
  const room = roomUnder('steps title', size, heights);
  return fill(blocks, room).map((page) => page.map(({ of }) => of));
}

/** Sides by the sheets that they stand on. */
export function sidePages(
  sides: readonly Side[],
  size: PaperSize,
  heights: Heights | null,
): SideOnPaper[][] {
  const room = roomUnder('sides title', size, heights);
  const blocks = sides.flatMap((side) => partsOf(side, heights, room));
  return fill(blocks, room).map((page) => page.map(({ of }) => of));
}

/** Parts of a kit’s own sheet by the sheets that they stand on, without what there is none of. */
export function kitPages(
  { hanging }: BuildPlan,
  size: PaperSize,
  heights: Heights | null,
): KitPartName[][] {
  const parts = KIT_PARTS.filter((part) => part !== 'hanging' || hanging.siting.wants.length > 0);
  const blocks = parts.map(
    (of): Block<KitPartName> => ({ of, height: heightOf(heights, kitName(of)) }),
  );
  return fill(blocks, roomOn(size, heights)).map((page) => page.map(({ of }) => of));
}
