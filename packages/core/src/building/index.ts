export { BIT_KINDS, BIT_NAMES, type Bit, boringOf, USUAL_BITS } from './bits.js';
export { SHOP_CAUTIONS } from './cautions.js';
export { glueLine } from './hardware/glued.js';
export { hardwareOf } from './hardware/hardware-of.js';
export { amountOf } from './hardware/line.js';
export { outsideArea } from './surfaces.js';
