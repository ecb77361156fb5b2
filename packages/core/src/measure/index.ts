export { acosDegrees, asin, atan2, cos, type Degrees, printAngle, sin, tan } from './angle.js';
export { MARK_MEANINGS, type Mark } from './evidence.js';
export { type Cents, fromDecimal, printMoney, toDecimal } from './money.js';
export { parseLength, type UnitSystem } from './parse.js';
export { type LengthStyle, printLength, printLengthUnit, readTape } from './print.js';
export {
  fromInches,
  fromMm,
  TICKS_PER_INCH,
  TICKS_PER_MM,
  type Ticks,
  TOLERANCE,
  toMm,
} from './ticks.js';
