export { colonyHouse } from './colony/family.js';
export { NEST_CAUTIONS, ROOST_CAUTIONS } from './common/cautions.js';
export { creviceBat } from './crevice-bat/family.js';
export type { DrawnDimension, Family } from './family.js';
export { FAMILIES } from './list.js';
export { owlBox } from './owl/family.js';
export { animalsOf, brokenRules, buildBox, checkBox, familyById } from './registry.js';
export { slantRoof } from './slant-roof/family.js';
export { squareCut } from './square-cut/family.js';
