export { BIT_KINDS, BIT_NAMES, type Bit, boringOf, USUAL_BITS } from './bits.js';
export { SHOP_CAUTIONS } from './cautions.js';
export { amountOf, glueLine, hardwareOf } from './hardware.js';
export { outsideArea } from './surfaces.js';
