import type { AssemblyStep, BuildPlan, Side } from '@spare-knot/core/building';
import { type Block, fill } from './pages';
import { MARGIN, type PaperSize } from './paper';

/** Heading and footer of a sheet, and the title of what stands on it. Millimetres. */
const HEADING = 30;
/** A step’s picture, and what its words need: a title, a line for each joint, two for what is said besides. */
export const PICTURE = 58;
const STEP_WORDS = 26;
const JOINT_LINE = 10;
/** A side’s picture, its title, and a line for each hole. */
export const SIDE_PICTURE = 52;
const SIDE_TITLE = 12;
const HOLE_LINE = 5.2;

const roomOn = ({ height }: PaperSize): number => height - 2 * MARGIN - HEADING;

const stepHeight = ({ joints }: AssemblyStep): number =>
  Math.max(PICTURE, STEP_WORDS + joints.length * JOINT_LINE) + 4;

const sideHeight = ({ holes }: Side): number =>
  Math.max(SIDE_PICTURE, SIDE_TITLE + holes.length * HOLE_LINE) + 4;

/** Holes of one side that stand on one sheet, with the number of the first. */
export interface SideOnPaper {
  side: Side;
  from: number;
}

/** A side with more holes than a sheet has lines goes on in several parts. */
function partsOf(side: Side, room: number): SideOnPaper[] {
  const lines = Math.max(1, Math.floor((room - SIDE_TITLE - 4) / HOLE_LINE));
  const parts: SideOnPaper[] = [];
  for (let from = 0; from < side.holes.length; from += lines)
    parts.push({ side: { ...side, holes: side.holes.slice(from, from + lines) }, from });
  return parts;
}

/** Steps by the sheets that they stand on, each with its place in the order. */
export function stepPages({ steps }: BuildPlan, size: PaperSize): number[][] {
  const blocks = steps.map(
    (step, index): Block<number> => ({ of: index, height: stepHeight(step) }),
  );
  return fill(blocks, roomOn(size)).map((page) => page.map(({ of }) => of));
}

/** Sides by the sheets that they stand on. */
export function sidePages(sides: readonly Side[], size: PaperSize): SideOnPaper[][] {
  const room = roomOn(size);
  const blocks = sides
    .flatMap((side) => partsOf(side, room))
    .map((part): Block<SideOnPaper> => ({ of: part, height: sideHeight(part.side) }));
  return fill(blocks, room).map((page) => page.map(({ of }) => of));
}
