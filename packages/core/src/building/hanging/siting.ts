import { type Animal, animalById, readySentence, spokenName } from '../../animals/index.js';
import { fromMm } from '../../measure/index.js';
import type { BoxPlan, Place } from '../../plan/index.js';
import { ofHeight, type Text, text } from '../../text/index.js';

/** Where a box belongs: what its animals ask for, and what speaks against the place as it is told. */
export interface Siting {
  wants: readonly Text[];
  against: readonly Text[];
}

const metres = (value: number) => ofHeight(fromMm(value * 1000));

function wantsOf(animal: Animal): Text[] {
  const { mount, facing, spacing, note } = animal;
  const name = spokenName(animal);
  return [
    mount
      ? text`For a ${name} the entrance is ${metres(mount[0])} to ${metres(mount[1])} up; where: ${facing}; ${readySentence(animal)}.`
      : text`For a ${name}: ${facing}; ${readySentence(animal)}; how high is not in the table.`,
    ...(spacing !== null
      ? [text`At least ${metres(spacing)} from the next box for a ${name}.`]
      : []),
    ...(note.length > 0 ? [text`${name.charAt(0).toUpperCase() + name.slice(1)}: ${note}.`] : []),
  ];
}

const isBat = ({ family }: Animal): boolean => family === 'bat';
const NORTHERN = /^north/;
const AFTERNOON = /^(west|south-west)$/;

/** Judged only where both the place and the animal say something. */
function againstOf(animal: Animal, { height, facing, on, cover, climate }: Place): Text[] {
  const { mount } = animal;
  const name = spokenName(animal);
  const found: Text[] = [];
  if (
    height !== null &&
    mount &&
    (height < fromMm(mount[0] * 1000) || height > fromMm(mount[1] * 1000))
  )
    found.push(
      text`${ofHeight(height)} up is not where a ${name} looks: ${metres(mount[0])} to ${metres(mount[1])}.`,
    );
  const inOpen = cover !== 'under-cover' && on !== 'building';
  if (isBat(animal) && inOpen && facing !== null && NORTHERN.test(facing) && animal.region !== 'au')
    found.push(text`Facing ${facing} it gets no six hours of sun: bats want a warm box.`);
  if (isBat(animal) && on === 'tree')
    found.push(
      text`Bats seldom take a box in a tree’s shade, and climbers reach it: a pole or a wall in the sun.`,
    );
  if (
    !isBat(animal) &&
    inOpen &&
    facing !== null &&
    AFTERNOON.test(facing) &&
    (climate === 'hot' || climate === 'warm')
  )
    found.push(
      text`Facing ${facing} it stands in the afternoon sun: young overheat. Between north and east is cooler.`,
    );
  return found;
}

/** For every animal of the plan that the table knows. Beside the animals’ own figures: common practice, no source. */
export function sitingOf({ animals, place }: BoxPlan): Siting {
  const known = animals.flatMap((id) => animalById(id) ?? []);
  const birds = known.some((animal) => !isBat(animal));
  return {
    wants: [
      ...known.flatMap(wantsOf),
      ...(birds ? [text`Not beside a feeder, nor beside a box for a rival of the same size.`] : []),
    ],
    against: known.flatMap((animal) => againstOf(animal, place)),
  };
}
