/** Angles are in degrees everywhere outside the four functions below. */
export type Degrees = number;

const PER_RADIAN = 180 / Math.PI;
const snap = (value: number): number => (Math.abs(value) < 1e-12 ? 0 : value);

export const sin = (angle: Degrees): number => snap(Math.sin(angle / PER_RADIAN));
export const cos = (angle: Degrees): number => snap(Math.cos(angle / PER_RADIAN));
export const tan = (angle: Degrees): number => snap(Math.tan(angle / PER_RADIAN));
export const asin = (ratio: number): Degrees =>
  Math.asin(Math.max(-1, Math.min(1, ratio))) * PER_RADIAN;
/** Angle of the vector (x, y) from the x axis, −180 to 180 degrees. */
export const atan2 = (y: number, x: number): Degrees => Math.atan2(y, x) * PER_RADIAN;

/** An angle for reading on a saw's scale: to a tenth of a degree, without a trailing zero. */
export const printAngle = (angle: Degrees): string => `${Math.round(angle * 10) / 10}°`;
export const acosDegrees = (ratio: number): Degrees =>
  Math.acos(Math.max(-1, Math.min(1, ratio))) * PER_RADIAN;

/** An angle for reading over a sum: to a hundredth of a degree. */
export const printAngleExactly = (angle: Degrees): string => `${Math.round(angle * 100) / 100}°`;
