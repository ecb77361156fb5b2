import type { Animal } from '../../animals/index.js';
import { fromMm, toMm } from '../../measure/index.js';
import type { BoxPlan } from '../../plan/index.js';
import type { Family } from '../family.js';
import { suitRoom } from '../shared/defaults-for-room.js';
import { PARAMETERS, SCHOOLS } from './parameters.js';

type Choices = Pick<BoxPlan, 'sizes' | 'angles' | 'schools'>;

/** The standard choices, bent to an animal's needs; sizes rounded up to what its region's tapes show. */
export function suit(
  animal: Animal,
  family: Pick<Family, 'parameters' | 'schools'> = { parameters: PARAMETERS, schools: SCHOOLS },
): Choices {
  const { sizes, angles, schools, room, up } = suitRoom(animal, family);
  // A side can only swing between front and back.
  schools.walls = 'over';
  const rise = animal.region === 'na' ? 25.4 : 25;
  // Floor (about 20 mm) and recess lie below the room; the roof line falls a little towards the front.
  sizes.frontHeight = up(room + 20 + toMm(sizes.floorRecess ?? 0));
  sizes.backHeight =
    sizes.frontHeight + fromMm(rise * Math.max(1, Math.round(toMm(sizes.depth ?? 0) / 140)));
  return { sizes, angles, schools };
}
