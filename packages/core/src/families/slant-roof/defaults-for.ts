import type { Animal } from '../../animals/index.js';
import { fromMm, type Ticks, toMm } from '../../measure/index.js';
import type { RoomNeeds } from '../common/room.js';

interface Heights {
  frontHeight: Ticks;
  backHeight: Ticks;
}

/** Heights of the sides for an animal's room: the roof line falls a little towards the front. */
export function heightsFor(
  animal: Animal,
  { room, up }: Pick<RoomNeeds, 'room' | 'up'>,
  { floorRecess, depth }: { floorRecess: Ticks; depth: Ticks },
): Heights {
  const rise = animal.region === 'na' ? 25.4 : 25;
  // Floor (about 20 mm) and recess lie below the room.
  const frontHeight = up(room + 20 + toMm(floorRecess));
  const steps = Math.max(1, Math.round(toMm(depth) / 140));
  return { frontHeight, backHeight: frontHeight + fromMm(rise * steps) };
}
