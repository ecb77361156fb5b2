import { z } from 'zod';
import { id, version } from './fields.js';
import { besideRows } from './unreadable.js';

const MOST_PIXELS = 10_000;
const pixels = z.number().min(0).max(MOST_PIXELS);
const size = z.number().int().min(1).max(MOST_PIXELS);

/** A spot of a picture of which it is known where it lies. */
const knownSpot = z.object({
  x: pixels,
  y: pixels,
  latitude: z.number().min(-90).max(90),
  longitude: z.number().min(-180).max(180),
});

const fields = {
  name: z.string().trim().min(1).max(120),
  /** Two of them say how it lies on the earth. */
  spots: z.array(knownSpot).max(2).default([]),
};

/** A picture of the place, of the maker’s own; what it shows is asked for apart. */
export const sketchRecord = z.object({ id, version, ...fields, width: size, height: size });
export type SketchRecord = z.output<typeof sketchRecord>;
export const sketchList = z.object({ sketches: z.array(sketchRecord), ...besideRows });

const isOnIt = (of: { spots: { x: number; y: number }[]; width: number; height: number }) =>
  of.spots.every(({ x, y }) => x <= of.width && y <= of.height);
export const newSketch = z
  .object({ ...fields, width: size, height: size, jpeg: z.base64().max(1_400_000) })
  .refine(isOnIt, { path: ['spots'], message: 'a spot lies beside the picture' });
export type NewSketch = z.output<typeof newSketch>;
export const sketchChange = z.object({ ...fields, version });
export type SketchChange = z.output<typeof sketchChange>;
