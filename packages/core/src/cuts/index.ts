export { firstCuts } from './first-cuts.js';
export { boardMarks, type TapeMark } from './tape-marks.js';
