import type { NewBox } from '@spare-knot/core/api';

const PLACE = /^\s*(-?\d{1,2}(?:\.\d+)?)\s*[,; ]\s*(-?\d{1,3}(?:\.\d+)?)\s*$/;

/** Two numbers as a phone gives them: latitude, then longitude. */
export function readPlace(typed: string): NewBox['at'] | undefined {
  const [, latitude, longitude] = PLACE.exec(typed) ?? [];
  const at = { latitude: Number(latitude), longitude: Number(longitude) };
  return Math.abs(at.latitude) <= 90 && Math.abs(at.longitude) <= 180 ? at : undefined;
}
