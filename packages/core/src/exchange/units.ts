import { z } from 'zod';
import { fromDecimal, fromMm, toDecimal, toMm } from '../measure/index.js';
import type { Point, Zone } from '../plane/index.js';

/** Longest length that a file may give: 100 m. */
const LONGEST_MM = 100_000;
/** Shortest one that is there at all: what is less than a tick would be kept as nothing. */
const SHORTEST_MM = toMm(1);

/** Defects of one board. */
export const MOST_DEFECTS = 2000;

const place = z.number().min(-LONGEST_MM).max(LONGEST_MM);
const extent = z.number().min(SHORTEST_MM).max(LONGEST_MM);

/** Millimetres in files, ticks inside. */
export const length = z.codec(place, z.number(), {
  decode: fromMm,
  encode: toMm,
});
export const positiveLength = z.codec(extent, z.number(), {
  decode: fromMm,
  encode: toMm,
});
export const distance = z.codec(z.number().nonnegative().max(LONGEST_MM), z.number(), {
  decode: fromMm,
  encode: toMm,
});
export const money = z.codec(z.number().nonnegative().max(1e9), z.number(), {
  decode: fromDecimal,
  encode: toDecimal,
});
/** What one thing costs: as much as a column of 32 bits keeps in hundredths, far above what any board does. */
export const price = z.codec(z.number().nonnegative().max(42_949_672), z.number(), {
  decode: fromDecimal,
  encode: toDecimal,
});
export const degrees = z.number().min(-360).max(360);
export const name = z.string().min(1).max(200);
export const count = z.number().int().nonnegative().max(100_000);

export const point = z.codec(z.tuple([place, place]), z.custom<Point>(), {
  decode: ([x, y]): Point => [fromMm(x), fromMm(y)],
  encode: ([x, y]): [number, number] => [toMm(x), toMm(y)],
});
export const polygon = z.array(point).min(3).max(200);

const zoneFile = z.union([
  z.strictObject({ circle: z.tuple([place, place, extent]) }),
  z.strictObject({ rect: z.tuple([place, place, extent, extent]) }),
  z.strictObject({
    polygon: z
      .array(z.tuple([place, place]))
      .min(3)
      .max(200),
  }),
]);
type ZoneFile = z.output<typeof zoneFile>;

function zoneFromFile(zone: ZoneFile): Zone {
  if ('circle' in zone) {
    const [x, y, radius] = zone.circle;
    return { kind: 'circle', centre: [fromMm(x), fromMm(y)], radius: fromMm(radius) };
  }
  if ('rect' in zone) {
    const [x, y, width, height] = zone.rect;
    return {
      kind: 'rect',
      corner: [fromMm(x), fromMm(y)],
      width: fromMm(width),
      height: fromMm(height),
    };
  }
  return { kind: 'polygon', points: zone.polygon.map(([x, y]): Point => [fromMm(x), fromMm(y)]) };
}

/** A zone as a file writes it. */
export function zoneToFile(zone: Zone): ZoneFile {
  if (zone.kind === 'circle')
    return { circle: [toMm(zone.centre[0]), toMm(zone.centre[1]), toMm(zone.radius)] };
  if (zone.kind === 'rect')
    return {
      rect: [toMm(zone.corner[0]), toMm(zone.corner[1]), toMm(zone.width), toMm(zone.height)],
    };
  return { polygon: zone.points.map(([x, y]): [number, number] => [toMm(x), toMm(y)]) };
}

export const zone = z.codec(zoneFile, z.custom<Zone>(), {
  decode: zoneFromFile,
  encode: zoneToFile,
});
export { zoneFile, zoneFromFile };
