import type { Ticks } from '../measure/index.js';

/** Shapes of a hole that is not round. */
export type HoleShape = 'oval' | 'arch' | 'square';

/** The hole by which the animal comes in; `centre` is its middle above the floor. All in ticks. */
export interface Entrance {
  shape: 'round' | HoleShape;
  width: Ticks;
  height: Ticks;
  centre: Ticks;
}

/** What of a plan says where an entrance is. */
export interface EntrancePlan {
  sizes: Readonly<Record<'entranceWidth' | 'entranceUpright' | 'entranceHeight', Ticks>>;
  choices: {
    readonly entrance: 'round' | HoleShape | 'slot';
    readonly entranceTo: 'centre' | 'sill';
  };
}

/** Whether the height of an entrance is a measure of its own. */
export const isUpright = (entrance: string | undefined): boolean =>
  entrance === 'oval' || entrance === 'arch' || entrance === 'slot';

/** The entrance that a plan asks for; one of a slot is the hole it would be if it were round. */
export function entranceOf({ sizes, choices }: EntrancePlan): Entrance {
  const shape = choices.entrance === 'slot' ? 'round' : choices.entrance;
  const width = sizes.entranceWidth;
  const height = isUpright(shape) ? sizes.entranceUpright : width;
  const lift = choices.entranceTo === 'sill' ? height / 2 : 0;
  return { shape, width, height, centre: sizes.entranceHeight + lift };
}

export const sillOf = (entrance: Entrance): Ticks => entrance.centre - entrance.height / 2;
