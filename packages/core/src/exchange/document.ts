import type { z } from 'zod';
import type { Problem } from '../job/index.js';

export type Read<T> = { ok: true; value: T } | { ok: false; problems: Problem[] };

/** A path as people write it: `parts[2].outline[1]`. */
export const showPath = (path: readonly PropertyKey[]): string =>
  path
    .map((step, index) =>
      typeof step === 'number' ? `[${step}]` : `${index > 0 ? '.' : ''}${String(step)}`,
    )
    .join('');

/** Issues of a union lie one level down; the branch that got furthest says most. */
function flatten(issue: z.core.$ZodIssue, before: readonly PropertyKey[]): Problem[] {
  const path = [...before, ...issue.path];
  if (issue.code === 'invalid_union' && issue.errors.length > 0) {
    const depth = (branch: readonly z.core.$ZodIssue[]) =>
      Math.max(
        ...branch.map((each) => each.path.length + (each.code === 'unrecognized_keys' ? -1 : 0)),
      );
    const furthest = [...issue.errors].sort(
      (a, b) => depth(b) - depth(a) || a.length - b.length,
    )[0];
    if (furthest && furthest.length > 0) return furthest.flatMap((each) => flatten(each, path));
  }
  return [{ path: showPath(path), message: issue.message }];
}

/** Whoever reads what is wrong with a file begins at its beginning. */
const MOST_PROBLEMS = 20;

/** What a schema found wrong, each by its place: the first twenty, and how many more there are. */
export function problemsOf({ issues }: z.core.$ZodError): Problem[] {
  const found = issues.slice(0, MOST_PROBLEMS).flatMap((issue) => flatten(issue, []));
  const told = found.slice(0, MOST_PROBLEMS);
  const more = issues.length + found.length - Math.min(issues.length, MOST_PROBLEMS) - told.length;
  return more === 0 ? told : [...told, { path: '', message: `and ${more} more` }];
}

/** Reads text as one kind of document: JSON first, then format and version, then the schema; every problem with its path. */
export function readDocument<S extends z.ZodType>(
  text: string,
  format: string,
  version: number,
  schema: S,
): Read<z.output<S>> {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch (error) {
    return {
      ok: false,
      problems: [
        {
          path: '',
          message: `this is not JSON: ${error instanceof Error ? error.message : String(error)}`,
        },
      ],
    };
  }
  if (typeof raw !== 'object' || raw === null || Array.isArray(raw))
    return {
      ok: false,
      problems: [
        {
          path: '',
          message: `a ${format} is an object; this is ${Array.isArray(raw) ? 'a list' : typeof raw}`,
        },
      ],
    };
  const found = raw as { format?: unknown; version?: unknown };
  if (found.format !== format)
    return {
      ok: false,
      problems: [
        {
          path: 'format',
          message: `found ${JSON.stringify(found.format) ?? 'nothing'}; this reads “${format}” version ${version}`,
        },
      ],
    };
  if (
    typeof found.version !== 'number' ||
    !Number.isInteger(found.version) ||
    found.version < 1 ||
    found.version > version
  ) {
    return {
      ok: false,
      problems: [
        {
          path: 'version',
          message: `found version ${JSON.stringify(found.version) ?? 'nothing'} of “${format}”; this reads version ${version}`,
        },
      ],
    };
  }
  const parsed = schema.safeParse(raw);
  return parsed.success
    ? { ok: true, value: parsed.data }
    : { ok: false, problems: problemsOf(parsed.error) };
}
