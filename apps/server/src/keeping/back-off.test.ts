import { expect, test } from '@jest/globals';
import { BackOff } from './back-off.js';

test('waits twice as long after each end, half a minute at most, and anew after a program ran well', () => {
  const backOff = new BackOff();
  const waits = Array.from({ length: 8 }, () => backOff.after(100));
  expect(waits).toEqual([500, 1000, 2000, 4000, 8000, 16_000, 30_000, 30_000]);
  expect(backOff.after(10_000)).toBe(500);
  expect(backOff.after(9999)).toBe(1000);
});
