import type { AssemblyStep } from './assembly/steps.js';

export interface ItemCount {
  item: string;
  count: number;
}

/** One thing that a batch takes from a box of screws or a drawer: for one box, for all, and some to spare. */
export interface HardwareCount {
  item: string;
  forOneBox: number;
  forAll: number;
  spare: number;
}

/** Screws and nails drop and break: so many more. Common practice, no source. */
const SPARE = 0.04;
const isSmall = (item: string): boolean => /^(screw|nail|pivot|latch)/.test(item);

export const spareOf = (item: string, count: number): number =>
  isSmall(item) ? Math.ceil(count * SPARE) : 0;

/** What goes into the bag of one kit, its own few to spare with it. */
export const kitItems = (hardware: readonly HardwareCount[]): (ItemCount & { spare: number })[] =>
  hardware.map(({ item, forOneBox }) => ({
    item,
    count: forOneBox,
    spare: spareOf(item, forOneBox),
  }));

/** What the steps take, for one box and for a batch. */
export function itemsOf(steps: readonly AssemblyStep[], boxes: number): HardwareCount[] {
  const counts = new Map<string, number>();
  for (const { joints } of steps)
    for (const { fastener, count } of joints)
      if (fastener !== null) counts.set(fastener, (counts.get(fastener) ?? 0) + count);
  return [...counts]
    .sort(([a], [b]) => a.localeCompare(b))
    .map(([item, forOneBox]) => ({
      item,
      forOneBox,
      forAll: forOneBox * boxes,
      spare: spareOf(item, forOneBox * boxes),
    }));
}
