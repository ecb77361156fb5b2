import { animalById, spokenName } from '../animals/index.js';
import { sum } from '../lists/index.js';
import { atan2, cos, fromMm, sin } from '../measure/index.js';
import { ofHeight, type Text, text } from '../text/index.js';
import type { Coordinates, TrailBox } from './trail.js';

/** Mean radius of the earth in metres: IUGG, 6371.0088 km. */
const EARTH = 6_371_008.8;

const halved = (degrees: number): number => sin(degrees / 2) ** 2;

/** Metres between two places along a great circle, by the haversine formula (R. W. Sinnott, Sky and Telescope 68, 1984). */
export function metresBetween(a: Coordinates, b: Coordinates): number {
  const share =
    halved(b.latitude - a.latitude) +
    cos(a.latitude) * cos(b.latitude) * halved(b.longitude - a.longitude);
  return (EARTH * 2 * atan2(Math.sqrt(share), Math.sqrt(1 - share)) * Math.PI) / 180;
}

/** Where a place lies on a plan, in metres from the middle of all places on it. */
export interface OnPlan {
  north: number;
  east: number;
}

/** Places as they lie to each other on a flat plan: true in scale for trails that are not hundreds of kilometres long. */
export function flatPlan(places: readonly Coordinates[]): OnPlan[] {
  const middle = (of: (place: Coordinates) => number): number =>
    sum(places.map(of)) / Math.max(1, places.length);
  const [latitude, longitude] = [
    middle((place) => place.latitude),
    middle((place) => place.longitude),
  ];
  const degree = (EARTH * Math.PI) / 180;
  return places.map((place) => ({
    north: (place.latitude - latitude) * degree,
    east: (place.longitude - longitude) * degree * cos(latitude),
  }));
}

/** Two boxes that stand closer together than the animal they are for bears. */
export interface TooNear {
  /** Their places in the list that was given. */
  boxes: readonly [number, number];
  metres: number;
  /** Metres that the animal wants. */
  wanted: number;
  why: Text;
}

/** Places by squares of a width, so that only neighbours are measured. */
function squares(boxes: readonly Pick<TrailBox, 'at'>[], metres: number) {
  const tall = (metres / EARTH) * (180 / Math.PI);
  const rowOf = ({ latitude }: Coordinates): number => Math.floor(latitude / tall);
  const keyOf = (row: number, longitude: number, right = 0): string => {
    // As wide as the row is at its end nearer to the pole.
    const nearer = Math.min(89, Math.max(Math.abs(row * tall), Math.abs((row + 1) * tall)));
    return `${row} ${Math.floor(longitude / (tall / cos(nearer))) + right}`;
  };
  const filled = new Map<string, number[]>();
  boxes.forEach(({ at }, index) => {
    if (!at) return;
    const key = keyOf(rowOf(at), at.longitude);
    filled.set(key, [...(filled.get(key) ?? []), index]);
  });
  const around = (at: Coordinates): number[] =>
    [-1, 0, 1].flatMap((up) =>
      [-1, 0, 1].flatMap((right) => filled.get(keyOf(rowOf(at) + up, at.longitude, right)) ?? []),
    );
  return around;
}

/** Boxes for one animal that stand too near to each other, by the table’s own figure; those without a place or an animal are not judged. */
export function tooNear(
  boxes: readonly Pick<TrailBox, 'animal' | 'at' | 'takenDownOn'>[],
): TooNear[] {
  const kinds = new Set(boxes.flatMap(({ animal }) => animal ?? []));
  return [...kinds].flatMap((id) => {
    const animal = animalById(id);
    const wanted = animal?.spacing ?? 0;
    if (!animal || wanted <= 0) return [];
    const own = boxes.map((box) =>
      box.animal === id && box.takenDownOn === null ? box : { ...box, at: null },
    );
    const around = squares(own, wanted);
    return own.flatMap(({ at }, index) =>
      at === null
        ? []
        : around(at).flatMap((other): TooNear[] => {
            const there = own[other]?.at;
            if (other <= index || !there) return [];
            const metres = metresBetween(at, there);
            if (metres >= wanted) return [];
            return [
              {
                boxes: [index, other],
                metres,
                wanted,
                why: text`${ofHeight(fromMm(Math.round(metres) * 1000))} apart: a ${spokenName(animal)} wants ${ofHeight(fromMm(wanted * 1000))}.`,
              },
            ];
          }),
    );
  });
}
