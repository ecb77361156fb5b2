import type { Ticks } from '../measure/index.js';
import type { BoxPlan } from './plan.js';

/** Shapes of a hole that is not round. */
export type HoleShape = 'oval' | 'arch' | 'square';

/** The hole by which the animal comes in; `centre` is its middle above the floor. All in ticks. */
export interface Entrance {
  shape: 'round' | HoleShape;
  width: Ticks;
  height: Ticks;
  centre: Ticks;
}

/** Entrances whose height is a measure of its own. */
export const UPRIGHT: readonly string[] = ['oval', 'arch', 'slot'];

/** The entrance that a plan asks for. */
export function entranceOf({ sizes, schools }: Pick<BoxPlan, 'sizes' | 'schools'>): Entrance {
  const shape =
    (['oval', 'arch', 'square'] as const).find((each) => each === schools.entrance) ?? 'round';
  const width = sizes.entranceWidth ?? 0;
  const height = UPRIGHT.includes(shape) ? (sizes.entranceUpright ?? 0) : width;
  return {
    shape,
    width,
    height,
    centre: (sizes.entranceHeight ?? 0) + (schools.entranceTo === 'sill' ? height / 2 : 0),
  };
}

export const sillOf = (entrance: Entrance): Ticks => entrance.centre - entrance.height / 2;
