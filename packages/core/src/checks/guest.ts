import { type Animal, spokenName } from '../animals/index.js';
import { text } from '../text/index.js';
import { type Check, COMMON, type Rule } from './check.js';

const isBat = ({ family }: Animal): boolean => family === 'bat';

/** An animal that the table does not know is said, and so is a box for nobody: what is not known is not held against anything. */
export const knownRule: Rule = ({ plan, animals }) => {
  const unknown = plan.animals.filter((id) => !animals.some((animal) => animal.id === id));
  if (unknown.length === 0 && plan.animals.length > 0) return [];
  return [
    {
      ...COMMON,
      id: 'animal',
      severity: 'warn',
      role: null,
      text:
        unknown.length > 0
          ? text`${unknown.map((id) => `“${id}”`).join(', ')} is not in the table of animals: entrance, floor and heights are held against nothing.`
          : text`For no animal yet: entrance, floor and heights are held against nothing. Choose whom the box is for.`,
      remedies: [],
    },
  ];
};

/** Birds need a room with a floor, bats a crevice that is open below. */
export const guestRule: Rule = ({ animals, kind }) =>
  animals
    .filter((animal) => isBat(animal) !== (kind.guests === 'bats'))
    .map(
      (animal): Check => ({
        ...COMMON,
        id: 'guest',
        severity: 'stop',
        role: null,
        text: isBat(animal)
          ? text`${animal.name} roost in crevices that are open below; this is a box for birds. Take a bat box.`
          : text`${spokenName(animal)} nests in a room with a floor; this is a box for bats. Take a box for birds.`,
        remedies: [],
      }),
    );

/** Solitary animals from here on, in metres: common practice, no source. */
const SOLITARY_M = 15;

/** Those that keep their own kind away do not live wall to wall. */
export const companyRule: Rule = ({ animals, box }) => {
  if (box.cavities.length < 2) return [];
  return animals
    .filter(({ spacing, family }) => family !== 'bat' && (spacing ?? 0) >= SOLITARY_M)
    .map(
      (animal): Check => ({
        id: 'company',
        severity: 'warn',
        role: null,
        text: text`${spokenName(animal)} keeps its own kind ${String(animal.spacing)} m away: of ${String(box.cavities.length)} rooms one will be used.`,
        evidence: animal.evidence,
        source: animal.source,
        remedies: [],
      }),
    );
};
