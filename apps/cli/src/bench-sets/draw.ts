import { at } from '@spare-knot/core/lists';

/** Chances that are the same for the same seed. */
export interface Draw {
  /** From 0 to below 1. */
  chance(): number;
  /** A whole number from `least` to `most`, both among them. */
  whole(least: number, most: number): number;
  /** One of a list. */
  one<T>(list: readonly T[]): T;
}

/** Repeatable chances (mulberry32, public domain). */
export function drawing(seed: number): Draw {
  let state = seed;
  const chance = () => {
    state = (state + 0x6d2b79f5) | 0;
    let value = Math.imul(state ^ (state >>> 15), 1 | state);
    value = (value + Math.imul(value ^ (value >>> 7), 61 | value)) ^ value;
    return ((value ^ (value >>> 14)) >>> 0) / 4294967296;
  };
  const whole = (least: number, most: number) => least + Math.floor(chance() * (most - least + 1));
  return { chance, whole, one: (list) => at(list, whole(0, list.length - 1)) };
}
