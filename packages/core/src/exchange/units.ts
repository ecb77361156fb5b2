import { z } from 'zod';
import { fromDecimal, fromMm, toDecimal, toMm } from '../measure/index.js';
import type { Point, Zone } from '../plane/index.js';

/** Longest length that a file may give: 100 m. */
const LONGEST_MM = 100_000;

/** Millimetres in files, ticks inside. */
export const length = z.codec(z.number().min(-LONGEST_MM).max(LONGEST_MM), z.number(), {
  decode: fromMm,
  encode: toMm,
});
export const positiveLength = z.codec(z.number().positive().max(LONGEST_MM), z.number(), {
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
export const degrees = z.number().min(-360).max(360);
export const name = z.string().min(1).max(200);
export const count = z.number().int().nonnegative().max(100_000);

export const point = z.codec(z.tuple([z.number(), z.number()]), z.custom<Point>(), {
  decode: ([x, y]): Point => [fromMm(x), fromMm(y)],
  encode: ([x, y]): [number, number] => [toMm(x), toMm(y)],
});
export const polygon = z.array(point).min(3).max(200);

const zoneFile = z.union([
  z.strictObject({ circle: z.tuple([z.number(), z.number(), z.number().positive()]) }),
  z.strictObject({
    rect: z.tuple([z.number(), z.number(), z.number().positive(), z.number().positive()]),
  }),
  z.strictObject({
    polygon: z
      .array(z.tuple([z.number(), z.number()]))
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
