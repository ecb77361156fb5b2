import { sameValue } from './change-paths';

type Fields = Readonly<Record<string, unknown>>;
export type Path = readonly string[];

const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** What both sides made of one thing, and where both changed the same in another way; there what is here stands. */
export interface Merged<T> {
  merged: T;
  clashes: readonly Path[];
}

/** How many levels into a document fields are put together; what lies deeper (the wood of one panel) is one thing. */
const LEVELS = 2;

const keysOf = (...all: readonly Fields[]): string[] => [
  ...new Set(all.flatMap((each) => Object.keys(each))),
];

/** One thing as both sides left it. */
function mergeValue(
  [before, here, there]: readonly [before: unknown, here: unknown, there: unknown],
  path: Path,
  levels: number,
): Merged<unknown> {
  if (sameValue(here, there) || sameValue(before, there)) return { merged: here, clashes: [] };
  if (sameValue(before, here)) return { merged: there, clashes: [] };
  const canGoOn = isFields(before) && isFields(here) && isFields(there);
  if (!canGoOn || levels === 0) return { merged: here, clashes: [path] };
  const merged: Record<string, unknown> = {};
  const clashes: Path[] = [];
  for (const key of keysOf(here, there)) {
    const three = [before[key], here[key], there[key]] as const;
    const each = mergeValue(three, [...path, key], levels - 1);
    clashes.push(...each.clashes);
    if (each.merged !== undefined) merged[key] = each.merged;
  }
  return { merged, clashes };
}

/** Another family or other animals make another box: of such a plan nothing is put together with sizes of the one before. */
const isOtherBox = (a: unknown, b: unknown): boolean =>
  isFields(a) &&
  isFields(b) &&
  'family' in a &&
  (!sameValue(a.family, b.family) || !sameValue(a.animals, b.animals));

/**
 * Two changes of one draft put together field by field, and field by field within them.
 *
 * @param before what both began with
 * @param here as it stands in this window
 * @param there as it is kept by now
 */
export function merge<T extends object>(before: T, here: T, there: T): Merged<T> {
  const [b, h, t] = [before, here, there] as unknown as [Fields, Fields, Fields];
  const merged: Record<string, unknown> = { ...t };
  const clashes: Path[] = [];
  for (const key of Object.keys(b)) {
    const isWhole = isOtherBox(b[key], h[key]) || isOtherBox(b[key], t[key]);
    const each = mergeValue([b[key], h[key], t[key]], [key], isWhole ? 0 : LEVELS);
    merged[key] = each.merged;
    clashes.push(...each.clashes);
  }
  return { merged: merged as T, clashes };
}

/** What stands at a path; undefined where there is nothing. */
export const valueAt = (value: unknown, path: Path): unknown =>
  path.reduce<unknown>((inside, key) => (isFields(inside) ? inside[key] : undefined), value);
