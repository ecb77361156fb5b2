import type { Animal } from '../../animals/index.js';
import { type Ticks, toMm } from '../../measure/index.js';
import {
  type EntrancePlan,
  isUpright,
  middle,
  type Rounding,
  roundingFor,
} from '../../plan/index.js';

type Shape = EntrancePlan['choices']['entrance'];

/** What an animal needs of a room with an entrance. */
export interface RoomNeeds<O extends Shape = Shape> {
  sizes: EntrancePlan['sizes'];
  choices: { entrance: O; entranceTo: EntrancePlan['choices']['entranceTo'] };
  /** Width and depth of the floor; null where nothing is known. */
  width: Ticks | null;
  depth: Ticks | null;
  /** Height of the room in millimetres: what the animal likes, and enough over the entrance. */
  room: number;
  up: Rounding['up'];
}

/** The entrance and the floor that an animal needs, in place of the standard ones; of `shapes`, its own where it is one of them. */
export function roomFor<O extends Shape>(
  animal: Animal,
  start: { sizes: EntrancePlan['sizes']; choices: { entrance: O } },
  shapes: readonly O[],
): RoomNeeds<O> {
  const { up, exact } = roundingFor(animal);
  const own = shapes.find((shape) => shape === animal.entrance);
  const choices: RoomNeeds<O>['choices'] = {
    entrance: own ?? start.choices.entrance,
    entranceTo: animal.entranceReference ?? 'centre',
  };
  const { entranceWidth, entranceUpright, entranceHeight } = start.sizes;
  const sizes = {
    entranceWidth: animal.entranceSize ? exact(animal.entranceSize[0]) : entranceWidth,
    entranceUpright: animal.entranceUpright ? exact(animal.entranceUpright) : entranceUpright,
    entranceHeight: animal.entranceAboveFloor
      ? up(middle(animal.entranceAboveFloor))
      : entranceHeight,
  };
  const tall = isUpright(choices.entrance) && choices.entrance !== 'slot';
  const upright = toMm(tall ? sizes.entranceUpright : sizes.entranceWidth);
  const over = choices.entranceTo === 'sill' ? upright : upright / 2;
  const top = toMm(sizes.entranceHeight) + over;
  return {
    sizes,
    choices,
    width: animal.floorWidth ? up(animal.floorWidth) : null,
    depth: animal.floorDepth ? up(animal.floorDepth) : null,
    room: Math.max(animal.cavity ? middle(animal.cavity) : 200, animal.entranceSize ? top + 30 : 0),
    up,
  };
}
