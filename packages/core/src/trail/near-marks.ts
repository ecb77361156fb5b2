import { animalById, spokenName } from '../animals/index.js';
import { minBy } from '../lists/index.js';
import { fromMm } from '../measure/index.js';
import { ofHeight, type Text, text } from '../text/index.js';
import { metresBetween } from './near.js';
import type { Coordinates, TrailBox } from './trail.js';

export const MARK_KINDS = ['feeder', 'rival', 'other'] as const;
export type MarkKind = (typeof MARK_KINDS)[number];

/** Something that stands along the trail beside the boxes: a feeder, or where a rival nests. */
export interface TrailMark {
  name: string;
  kind: MarkKind;
  at: Coordinates;
}

/** A box that stands too near to a feeder, or to a rival. */
export interface NearMark {
  /** Their places in the lists that were given. */
  box: number;
  mark: number;
  metres: number;
  wanted: number;
  why: Text;
}

/** Feeders draw rivals and what eats eggs: a box stands as far off at least. Common practice, no source. */
const FEEDER_METRES = 25;

const heightOf = (metres: number) => ofHeight(fromMm(Math.round(metres) * 1000));

/** How far from a mark a box for an animal is to stand, and whose figure that is; null where nobody has one. */
function wantedOf(
  animal: string | null,
  kind: MarkKind,
): { metres: number; words: (metres: number) => Text } | null {
  if (kind === 'feeder')
    return {
      metres: FEEDER_METRES,
      words: (metres) =>
        text`${heightOf(metres)} from a feeder: ${heightOf(FEEDER_METRES)} is the least (common practice, no source).`,
    };
  const known = animal === null ? undefined : animalById(animal);
  const spacing = known?.spacing ?? 0;
  if (kind !== 'rival' || !known || spacing <= 0) return null;
  return {
    metres: spacing,
    words: (metres) =>
      text`${heightOf(metres)} from a rival: the ${spokenName(known)} wants ${heightOf(spacing)} round its box.`,
  };
}

/** Boxes that hang too near to a feeder or to a rival, each with the nearest of its kind. Boxes without a place are not judged. */
export function nearMarks(
  boxes: readonly Pick<TrailBox, 'animal' | 'at' | 'takenDownOn'>[],
  marks: readonly TrailMark[],
): NearMark[] {
  return boxes.flatMap(({ animal, at, takenDownOn }, box) => {
    if (!at || takenDownOn !== null) return [];
    return MARK_KINDS.flatMap((kind): NearMark[] => {
      const wanted = wantedOf(animal, kind);
      if (!wanted) return [];
      const own = marks.flatMap((mark, index) =>
        mark.kind === kind ? [{ index, metres: metresBetween(at, mark.at) }] : [],
      );
      const nearest = minBy(own, ({ metres }) => metres);
      if (!nearest || nearest.metres >= wanted.metres) return [];
      const { index: mark, metres } = nearest;
      return [{ box, mark, metres, wanted: wanted.metres, why: wanted.words(metres) }];
    });
  });
}
