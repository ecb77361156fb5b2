export { colonyHouse } from './colony/family.js';
export { creviceBat } from './crevice-bat/family.js';
export { brokenRules, buildBox, checkBox, FAMILIES, familyById } from './families.js';
export type { DrawnDimension, Family } from './family.js';
export { owlBox } from './owl/family.js';
export { NEST_CAUTIONS, ROOST_CAUTIONS, SHOP_CAUTIONS } from './shared/cautions.js';
export { slantRoof } from './slant-roof/family.js';
export { squareCut } from './square-cut/family.js';
