/** The entry at an index that must be there; negative counts from the end. Throws a RangeError where there is none. */
export function at<T>(list: ArrayLike<T>, index: number): T {
  const found = list[index < 0 ? list.length + index : index];
  if (found === undefined) throw new RangeError(`no entry ${index} in a list of ${list.length}`);
  return found;
}

/** The entry of a map that must be there. Throws a RangeError where there is none. */
export function entry<K, V>(map: ReadonlyMap<K, V>, key: K): V {
  const found = map.get(key);
  if (found === undefined) throw new RangeError(`no entry “${String(key)}”`);
  return found;
}

/** What must be there: the value, or a RangeError that says what is missing. */
export function must<T>(value: T | null | undefined, what: string): T {
  if (value === null || value === undefined) throw new RangeError(`${what} is missing`);
  return value;
}

/** Each entry with the one after it, the last with the first. */
export const ringPairs = <T>(list: readonly T[]): [T, T][] =>
  list.map((each, index) => [each, at(list, (index + 1) % list.length)]);

export const sum = (values: Iterable<number>): number => {
  let total = 0;
  for (const value of values) total += value;
  return total;
};

/** The middle of some values: half of them are less. Throws a RangeError where there is none. */
export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1
    ? at(sorted, middle)
    : (at(sorted, middle - 1) + at(sorted, middle)) / 2;
}

/** The entry with the least value, the first of equals; undefined for an empty list. */
export function minBy<T>(list: Iterable<T>, value: (entry: T) => number): T | undefined {
  let best: T | undefined;
  let least = Number.POSITIVE_INFINITY;
  for (const each of list) {
    const its = value(each);
    if (best === undefined || its < least) {
      best = each;
      least = its;
    }
  }
  return best;
}

/** The entry with the greatest value, the first of equals; undefined for an empty list. */
export const maxBy = <T>(list: Iterable<T>, value: (entry: T) => number): T | undefined =>
  minBy(list, (each) => -value(each));

/** What is made when it is first asked for, and kept. */
export function once<T>(make: () => T): () => T {
  let made: { value: T } | null = null;
  return () => {
    made ??= { value: make() };
    return made.value;
  };
}
