export { BIT_KINDS, BIT_NAMES, type Bit, boringOf, USUAL_BITS } from './bits.js';
export { glueLine, hardwareOf } from './hardware.js';
export { outsideArea } from './surfaces.js';
