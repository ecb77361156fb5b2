import { z } from 'zod';
import { SUPPLY_UNITS, WEATHER_CLASSES } from '../building/index.js';
import { price } from '../exchange/index.js';
import { id, version } from './fields.js';
import { besideRows } from './unreadable.js';

const amount = z.number().nonnegative().max(1e7);

/** Something that lies in a drawer or stands on a shelf, as the shop counts it. */
export const newSupply = z.object({
  /** What it is, as build plans call for it. */
  item: z.string().trim().min(1).max(160),
  name: z.string().trim().min(1).max(160),
  unit: z.enum(SUPPLY_UNITS),
  drive: z.string().trim().max(40).default(''),
  weather: z.enum(WEATHER_CLASSES).nullable().default(null),
  count: amount,
  pack: amount.positive().nullable().default(null),
  /** Of one pack. */
  price: price.nullable().default(null),
});
export type NewSupply = z.output<typeof newSupply>;
export const supplyRecord = newSupply.extend({ id, version });
export type SupplyRecord = z.output<typeof supplyRecord>;
export const supplyChange = newSupply.extend({ version });
export type SupplyChange = z.output<typeof supplyChange>;
/** What is there already, by its item, is changed. */
export const newSupplies = z.object({ supplies: z.array(newSupply).min(1).max(500) });
export const supplyList = z.object({ supplies: z.array(supplyRecord), ...besideRows });
/** The answer to a CSV import: what was kept and what was wrong with the other lines. */
export const supplyReport = z.object({
  supplies: z.array(supplyRecord),
  problems: z.array(z.object({ line: z.number().int(), message: z.string() })),
});
