import type { Animal } from '../../animals/index.js';
import { toMm } from '../../measure/index.js';
import { middle, roundingFor, standardChoices } from '../../plan/index.js';
import type { Family } from '../family.js';

/** The entrance and the floor that an animal needs, in place of the standard ones. */
export function suitRoom(animal: Animal, family: Pick<Family, 'parameters' | 'schools'>) {
  const choices = standardChoices(animal, family);
  const { sizes, schools } = choices;
  const { up, exact } = roundingFor(animal);
  const shapes = family.schools.find((school) => school.id === 'entrance')?.options ?? [];
  if (shapes.some((shape) => shape.id === animal.entrance)) schools.entrance = animal.entrance;
  schools.entranceTo = animal.entranceReference ?? 'centre';
  if (animal.entranceSize) sizes.entranceWidth = exact(animal.entranceSize[0]);
  if (animal.entranceUpright) sizes.entranceUpright = exact(animal.entranceUpright);
  if (animal.floorWidth) sizes.width = up(animal.floorWidth);
  if (animal.floorDepth) sizes.depth = up(animal.floorDepth);
  const shaped = schools.entrance === 'oval' || schools.entrance === 'arch';
  const upright = toMm((shaped ? sizes.entranceUpright : sizes.entranceWidth) ?? 0);
  if (animal.entranceAboveFloor) sizes.entranceHeight = up(middle(animal.entranceAboveFloor));
  const top =
    toMm(sizes.entranceHeight ?? 0) + (schools.entranceTo === 'sill' ? upright : upright / 2);
  /** Height of the room in millimetres: what the animal likes, and enough over the entrance. */
  const room = Math.max(
    animal.cavity ? middle(animal.cavity) : 200,
    animal.entranceSize ? top + 30 : 0,
  );
  return { ...choices, room, up };
}
