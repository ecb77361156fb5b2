import type { BoxRecord, SketchRecord } from '@spare-knot/core/api';
import { type Coordinates, fitSketch, flatPlan, type SketchFit } from '@spare-knot/core/trail';

/** A spot on the plan as it is drawn: upwards, then to the right. Metres, or pixels of a picture that is not fitted. */
export type Spot = [up: number, right: number];

/** What the plan is drawn on. */
export interface Ground {
  /** Of a place that it was laid for. */
  spotOf: (place: Coordinates) => Spot;
  /** Null where nobody knows how the picture lies. */
  placeOf: ((spot: Spot) => Coordinates) | null;
  picture: { url: string; bounds: [Spot, Spot] } | null;
}

/** Without a picture: north is up, and the middle of all places is the middle. */
export function plainGround(places: readonly Coordinates[]): Ground {
  const spots = flatPlan(places);
  const known = new Map(places.map((place, index) => [place, spots[index]]));
  return {
    spotOf: (place) => {
      const { north, east } = known.get(place) ?? { north: 0, east: 0 };
      return [north, east];
    },
    placeOf: null,
    picture: null,
  };
}

export const fitOf = ({ spots: [first, second] }: SketchRecord): SketchFit | null =>
  first && second ? fitSketch([first, second]) : null;

/** On a picture: in metres once two of its spots are known, so that a scale holds; in its pixels till then. */
export function pictureGround(sketch: SketchRecord): Ground {
  const { id, version, width, height } = sketch;
  const fit = fitOf(sketch);
  const scale = fit?.metresPerPixel ?? 1;
  return {
    spotOf: (place) => {
      const { x, y } = fit?.toPicture(place) ?? { x: 0, y: 0 };
      return [-y * scale, x * scale];
    },
    placeOf: fit && (([up, right]) => fit.toPlace({ x: right / scale, y: -up / scale })),
    picture: {
      url: `/api/sketches/${id}/picture?of=${version}`,
      bounds: [
        [-height * scale, 0],
        [0, width * scale],
      ],
    },
  };
}

/** A box of which it is known where it hangs. */
export type Placed = BoxRecord & { at: NonNullable<BoxRecord['at']> };
export const isPlaced = (box: BoxRecord): box is Placed => box.at !== null;

/** Where each box lies, by its id, as the plan is drawn. */
export const placesOf = (boxes: readonly Placed[], ground: Ground): Map<string, Spot> =>
  new Map(boxes.map(({ id, at }) => [id, ground.spotOf(at)] as const));
export type Places = ReturnType<typeof placesOf>;
