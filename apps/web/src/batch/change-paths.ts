const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Whether two plain values say the same. */
export const sameValue = (a: unknown, b: unknown): boolean =>
  a === b || JSON.stringify(a) === JSON.stringify(b);

/** Where two plain values differ when it is in one place, as keys from the outside in; empty where it is in several. */
export function changedPath(before: unknown, after: unknown): readonly string[] {
  if (!isRecord(before) || !isRecord(after)) return [];
  const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])];
  const changed = keys.filter((key) => !sameValue(before[key], after[key]));
  const [only] = changed;
  if (only === undefined || changed.length > 1) return [];
  return [only, ...changedPath(before[only], after[only])];
}
