import { at } from '../lists/index.js';
import { flatPlan, metresBetween, type OnPlan } from './near.js';
import type { Coordinates } from './trail.js';

/** A spot of a picture of which it is known where it lies. Pixels from the upper left corner, y downwards. */
export interface KnownSpot extends Coordinates {
  x: number;
  y: number;
}

/** How a sketch lies on the earth. */
export interface SketchFit {
  metresPerPixel: number;
  /** Where a place is on the picture, in pixels; it may lie outside. */
  toPicture: (place: Coordinates) => { x: number; y: number };
  /** The place that a spot of the picture shows. */
  toPlace: (spot: { x: number; y: number }) => Coordinates;
}

/** Spots or places nearer to each other than this say nothing of how a picture lies. */
const LEAST_PIXELS = 5;
const LEAST_METRES = 1;

/** Metres to a degree at a place, eastwards and northwards. */
function degreeAt(place: Coordinates): OnPlan {
  const corner = { latitude: place.latitude + 0.5, longitude: place.longitude + 0.5 };
  const opposite = { latitude: place.latitude - 0.5, longitude: place.longitude - 0.5 };
  const plan = flatPlan([corner, opposite]);
  const [upper, lower] = [at(plan, 0), at(plan, 1)];
  return { north: upper.north - lower.north, east: upper.east - lower.east };
}

/**
 * How a sketch lies on the earth by two spots that are known: turned, and stretched the same both ways, so that all between them follows.
 * Null where the two spots, or the two places, are one. Flat: true in scale for trails that are not hundreds of kilometres long.
 */
export function fitSketch([first, second]: readonly [KnownSpot, KnownSpot]): SketchFit | null {
  const pixels = Math.hypot(second.x - first.x, second.y - first.y);
  if (pixels < LEAST_PIXELS || metresBetween(first, second) < LEAST_METRES) return null;
  const { east, north } = degreeAt({
    latitude: (first.latitude + second.latitude) / 2,
    longitude: (first.longitude + second.longitude) / 2,
  });
  const flat = (place: Coordinates) => [
    (place.longitude - first.longitude) * east,
    (place.latitude - first.latitude) * north,
  ];
  const [u = 0, v = 0] = flat(second);
  // Upwards is north on the earth, downwards more on a picture.
  const [p, q] = [second.x - first.x, first.y - second.y];
  const square = u * u + v * v;
  // The quotient of two complex numbers turns and stretches at once.
  const [re, im] = [(p * u + q * v) / square, (q * u - p * v) / square];
  const turn = re * re + im * im;
  return {
    metresPerPixel: 1 / Math.sqrt(turn),
    toPicture: (place) => {
      const [x = 0, y = 0] = flat(place);
      return { x: first.x + re * x - im * y, y: first.y - (im * x + re * y) };
    },
    toPlace: ({ x, y }) => {
      const [a, b] = [x - first.x, first.y - y];
      const [right, up] = [(a * re + b * im) / turn, (b * re - a * im) / turn];
      return {
        latitude: first.latitude + up / north,
        longitude: first.longitude + right / east,
      };
    },
  };
}
