import { sum } from '../../lists/index.js';
import type { Cents } from '../../measure/index.js';
import type { HardwareLine } from '../hardware/line.js';
import type { HardwareCount } from '../items.js';
import { type Supply, type SupplyUnit, supplyAmount, supplyItem, supplyUnit } from './supplies.js';

/** One thing that a batch takes beside its wood, held against what the shop has. Money is null where its price or its pack is not known. */
export interface Need {
  item: string;
  /** The first line that asks for it: what it is called, and why. */
  line: HardwareLine;
  unit: SupplyUnit;
  /** For all boxes, without what is kept to spare. */
  amount: number;
  spare: number;
  supply: Supply | null;
  /** More than is there; null while nobody has said what is there. */
  short: number | null;
  /** Packs to be bought for what is short. */
  packs: number | null;
  /** What is used up, by its share of a pack; and what the packs cost that have to be bought. */
  share: Cents | null;
  whole: Cents | null;
}

const round = (amount: number): number => Math.round(amount * 100) / 100;

function needOf(
  item: string,
  lines: readonly HardwareLine[],
  boxes: number,
  spare: number,
  supply: Supply | null,
): Need[] {
  const [line] = lines;
  if (!line) return [];
  const amount = round(sum(lines.map((each) => supplyAmount(each, boxes))));
  const short = supply ? round(Math.max(0, amount + spare - supply.count)) : null;
  const { pack = null, price = null } = supply ?? {};
  const packs = short === null || pack === null ? null : Math.ceil(short / pack - 1e-9);
  return [
    {
      item,
      line,
      unit: supplyUnit(line),
      amount,
      spare,
      supply,
      short,
      packs,
      share: price === null || pack === null ? null : Math.round((price * amount) / pack),
      whole: price === null || packs === null ? null : price * packs,
    },
  ];
}

/** What a batch takes beside its wood, line by line; lines that ask for the same are one. */
export function needsOf(
  lines: readonly HardwareLine[],
  boxes: number,
  counts: readonly HardwareCount[],
  supplies: readonly Supply[],
): Need[] {
  const byItem = new Map<string, HardwareLine[]>();
  for (const line of lines) {
    const item = supplyItem(line);
    byItem.set(item, [...(byItem.get(item) ?? []), line]);
  }
  const spares = new Map(counts.map(({ item, spare }) => [item, spare]));
  const there = new Map(supplies.map((supply) => [supply.item, supply]));
  return [...byItem].flatMap(([item, own]) => {
    const spare = sum(own.map(({ id }) => spares.get(id) ?? 0));
    return needOf(item, own, boxes, spare, there.get(item) ?? null);
  });
}
