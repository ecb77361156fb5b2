export {
  acosDegrees,
  asin,
  atan2,
  cos,
  type Degrees,
  printAngle,
  printAngleExactly,
  sin,
  tan,
} from './angle.js';
export { EVIDENCE_MEANINGS, type Evidence } from './evidence.js';
export { type Cents, fromDecimal, printMoney, toDecimal } from './money.js';
export { parseLength, type UnitSystem } from './parse.js';
export {
  type FileStyle,
  type LengthStyle,
  printArea,
  printHeight,
  printLength,
  printLengthUnit,
  printLiquid,
  printSpace,
  printWeight,
  readTape,
  roundedOff,
} from './print.js';
export {
  fromInches,
  fromMm,
  TICKS_PER_INCH,
  TICKS_PER_MM,
  type Ticks,
  TOLERANCE,
  toMm,
} from './ticks.js';
