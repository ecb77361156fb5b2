import type { Animal } from '../../../animals/animal.js';
import { fromInches, fromMm, type Ticks, toMm } from '../../../measure/ticks.js';
import type { BoxPlan } from '../../plan.js';
import { PARAMETERS, SCHOOLS } from './parameters.js';

const middle = ([least, greatest]: readonly [number, number]): number => (least + greatest) / 2;

/** The standard choices, bent to an animal's needs; sizes rounded up to what its region's tapes show. */
export function suit(animal: Animal): Pick<BoxPlan, 'sizes' | 'angles' | 'schools'> {
  const inches = animal.region === 'na';
  const round = (mm: number): Ticks => (inches ? fromInches(Math.max(0, Math.ceil((mm - 0.6) / 3.175)) / 8) : fromMm(Math.ceil(mm)));
  const exact = (mm: number): Ticks => (inches ? fromInches(Math.round((mm / 25.4) * 16) / 16) : fromMm(mm));
  const schools: Record<string, string> = Object.fromEntries(SCHOOLS.map((school) => [school.id, school.options[0]!.id]));
  const sizes: Record<string, Ticks> = Object.fromEntries(
    PARAMETERS.filter((parameter) => parameter.kind === 'length').map((parameter) => [
      parameter.id,
      inches ? round(toMm(parameter.standard)) : parameter.standard,
    ]),
  );
  const angles = Object.fromEntries(
    PARAMETERS.filter((parameter) => parameter.kind === 'angle').map((parameter) => [parameter.id, parameter.standard]),
  );
  schools.entrance = animal.entrance === 'oval' ? 'oval' : 'round';
  schools.entranceTo = animal.entranceReference ?? 'centre';
  if (animal.entranceSize) sizes.entranceWidth = exact(animal.entranceSize[0]);
  if (animal.entranceUpright) sizes.entranceUpright = exact(animal.entranceUpright);
  if (animal.floorWidth) sizes.width = round(animal.floorWidth);
  if (animal.floorDepth) sizes.depth = round(animal.floorDepth);
  const upright = toMm((schools.entrance === 'oval' ? sizes.entranceUpright : sizes.entranceWidth) ?? 0);
  if (animal.entranceAboveFloor) sizes.entranceHeight = round(middle(animal.entranceAboveFloor));
  const entranceTop = toMm(sizes.entranceHeight ?? 0) + (schools.entranceTo === 'sill' ? upright : upright / 2);
  const room = Math.max(animal.cavity ? middle(animal.cavity) : 200, animal.entranceSize ? entranceTop + 30 : 0);
  const rise = inches ? 25.4 : 25;
  // Floor (about 20 mm) and recess lie below the room; the roof line falls a little towards the front.
  sizes.frontHeight = round(room + 20 + toMm(sizes.floorRecess ?? 0));
  sizes.backHeight = sizes.frontHeight + fromMm(rise * Math.max(1, Math.round(toMm(sizes.depth ?? 0) / 140)));
  return { sizes, angles, schools };
}
