import { type Cents, TICKS_PER_MM } from '../../measure/index.js';
import type { Place } from '../../plan/index.js';
import { plainText, type Text, text } from '../../text/index.js';
import type { HardwareLine } from '../hardware/line.js';

/** How a metal stands the weather; null is not known, and asked for. */
export const WEATHER_CLASSES = ['bare', 'galvanised', 'coated', 'stainless', 'brass'] as const;
export type WeatherClass = (typeof WEATHER_CLASSES)[number];

export const SUPPLY_UNITS = ['pieces', 'm', 'ml', 'cm²'] as const;
export type SupplyUnit = (typeof SUPPLY_UNITS)[number];

/** Something that lies in a drawer or stands on a shelf of the shop. */
export interface Supply {
  /** What it is, as build plans call for it: the id of a fastener, or the name of anything else. */
  item: string;
  name: string;
  unit: SupplyUnit;
  /** Driver or head: cross, star, square, hex; empty where it has none or nobody has said. */
  drive: string;
  weather: WeatherClass | null;
  /** How much is there. */
  count: number;
  /** What one pack or tin holds, and what it costs; null while nobody has said. */
  pack: number | null;
  price: Cents | null;
}

const UNITS: Readonly<Record<HardwareLine['unit'], SupplyUnit>> = {
  pieces: 'pieces',
  ticks: 'm',
  metres: 'm',
  ml: 'ml',
  'cm²': 'cm²',
};

/** What a line of a build plan is called in the shop: fasteners by their id, anything else by its name by millimetres. */
export const supplyItem = ({ id, name }: Pick<HardwareLine, 'id' | 'name'>): string =>
  /^(layers-)?(screw|nail)-\d/.test(id) ? id.replace(/^layers-/, '') : plainText(name);

export const supplyUnit = ({ unit }: Pick<HardwareLine, 'unit'>): SupplyUnit => UNITS[unit];

/** So much of a line as the shop counts it: lengths in metres. */
export function supplyAmount({ quantity, unit }: HardwareLine, boxes: number): number {
  const amount = quantity * boxes;
  return UNITS[unit] === 'm' ? Math.ceil(amount / TICKS_PER_MM / 10) / 100 : amount;
}

/** What metal stands the place, and what does not; nothing where it does, or where no metal is asked for. Common practice, no source. */
export function metalDoubt(
  { item, weather }: Pick<Supply, 'item' | 'weather'>,
  place: Place,
): Text | null {
  if (!/^(screw|nail)-\d/.test(item) || place.cover === 'under-cover') return null;
  if (weather === 'bare')
    return text`Bare steel rusts outdoors, swells and splits the wood: take galvanised, stainless or brass.`;
  return weather === null
    ? text`Of which metal it is, nobody has said: outdoors galvanised, stainless or brass.`
    : null;
}
