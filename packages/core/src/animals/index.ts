export {
  type Animal,
  FAMILY_NAMES,
  type Range,
  REGION_NAMES,
  type Region,
  readySentence,
  readyWords,
  spokenName,
} from './animal.js';
export { animalById, findAnimals } from './find.js';
export {
  atTheHole,
  readyThird,
  type SharedFigure,
  type SharedNeeds,
  sharedNeeds,
} from './shared.js';
export { ANIMALS } from './table.js';
