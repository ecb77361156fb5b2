import { z } from 'zod';
import { jobProblems, type LayoutJob, type Part, type Problem } from '../job/index.js';
import type { Text } from '../text/index.js';
import { DEFECT_KINDS, type Defect } from '../wood/index.js';
import { type Read, readDocument } from './document.js';
import {
  count,
  degrees,
  distance,
  length,
  money,
  name,
  polygon,
  positiveLength,
  zone,
  zoneFile,
  zoneFromFile,
  zoneToFile,
} from './units.js';

export const JOB_FORMAT = 'spare-knot/layout-job';

const face = z.enum(['rough', 'planed']);
const anyFace = z.enum(['rough', 'planed', 'any']);
const turn = z.literal([0, 90, 180, 270]);

/** A defect is written as its zone with a kind beside it. */
const defectFile = z.object({
  kind: z.enum(DEFECT_KINDS),
  circle: z.unknown().optional(),
  rect: z.unknown().optional(),
  polygon: z.unknown().optional(),
});
export const defect = z.codec(defectFile, z.custom<Defect>(), {
  decode: (raw, context) => {
    const { kind, ...rest } = raw;
    const parsed = zoneFile.safeParse(
      Object.fromEntries(Object.entries(rest).filter(([, value]) => value !== undefined)),
    );
    if (parsed.success) return { kind, zone: zoneFromFile(parsed.data) };
    context.issues.push({
      code: 'custom',
      input: raw,
      message:
        'a defect is a circle [x, y, r], a rect [x, y, w, h] or a polygon [[x, y], …], in millimetres, larger than nothing',
    });
    return z.NEVER;
  },
  encode: ({ kind, zone: region }) => ({ kind, ...zoneToFile(region) }),
});

export const saw = z.object({
  kerf: distance,
  rip: z.boolean().default(true),
  throughCuts: z.boolean().default(true),
  maxMitre: degrees.min(0).max(90).default(50),
  maxTilt: degrees.min(0).max(90).default(45),
  endTrim: distance.default(0),
  keep: z
    .object({ length: distance, width: distance })
    .default({ length: 150 * 320, width: 60 * 320 }),
});

const partFile = z.object({
  id: name,
  quantity: count,
  thickness: positiveLength,
  outline: polygon,
  underside: polygon.optional(),
  grain: z.enum(['along', 'any']).default('along'),
  outside: anyFace.default('any'),
  inside: anyFace.default('any'),
  knots: z.enum(['none', 'sound']).default('sound'),
  clear: z.array(zone).default([]),
  cutAway: z.array(zone).default([]),
  materials: z.array(name).optional(),
});
const part = z.codec(partFile, z.custom<Part>(), {
  decode: (read) => ({
    ...read,
    underside: read.underside ?? read.outline,
    materials: read.materials ?? null,
  }),
  encode: ({ materials, ...read }) => ({
    ...read,
    outline: [...read.outline],
    underside: [...read.underside],
    clear: [...read.clear],
    cutAway: [...read.cutAway],
    ...(materials && { materials: [...materials] }),
  }),
});

/** What is known of a kind of board, whoever lists it. */
export const boardKindFields = {
  material: name,
  thickness: positiveLength,
  width: positiveLength,
  length: positiveLength,
  faceA: face.default('rough'),
  faceB: face.default('rough'),
  price: money.nullable().default(null),
  offcut: z.boolean().default(false),
  grained: z.boolean().default(true),
  defects: z.array(defect).max(2000).default([]),
};
export const stock = z.object({
  id: name,
  quantity: count,
  ...boardKindFields,
  keepWidth: distance.optional(),
});

export const placementFields = {
  part: name,
  copy: count,
  x: length,
  y: length,
  turn,
  flipped: z.boolean().default(false),
};

export const layoutJobSchema = z.object({
  format: z.literal(JOB_FORMAT),
  version: z.literal(1),
  name: z.string().max(200).default(''),
  saw,
  parts: z.array(part).max(5000),
  stock: z.array(stock).max(5000),
  pinned: z.array(z.object({ ...placementFields, stock: name, piece: count })).default([]),
  effort: z.object({ seconds: z.number().positive().max(3600) }).default({ seconds: 3 }),
});

/** Reads a layout job; problems name the path in the file. */
export function readLayoutJob(text: string): Read<LayoutJob> {
  const read = readDocument(text, JOB_FORMAT, 1, layoutJobSchema);
  if (!read.ok) return read;
  const { format: _format, version: _version, ...job } = read.value;
  const problems = jobProblems(job);
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: job };
}

/** What could be read of a layout job, what was wrong with the rest, and the parts that are left out of it for that. */
export interface Salvaged {
  job: LayoutJob;
  problems: readonly Problem[];
  leftOut: readonly { part: string; count: number; reason: Text }[];
}

/** A part, a board, a pin or a defect that can be left out without touching the others. */
const LEFT_OUT = /^(parts|stock|pinned)\[(\d+)\](?:\.(defects)\[(\d+)\])?/;
const missingPart = z.object({ id: name, quantity: count.positive() });
/** Leaving something out can bring to light what it hid, as a pin on a board that is gone. */
const MOST_ROUNDS = 4;

type RawLists = Record<string, { at: number; entry: unknown; inner: number[] }[]>;

/**
 * Reads a layout job, leaving out the entries that cannot be, so that the good rest is laid out all the same. Paths name places in the
 * file as it is. A problem that concerns the whole job (its format, its saw) is one for all of it.
 */
export function salvageLayoutJob(text: string): Read<Salvaged> {
  const strict = readLayoutJob(text);
  if (strict.ok) return { ok: true, value: { job: strict.value, problems: [], leftOut: [] } };
  if (strict.problems.some(({ path }) => !LEFT_OUT.test(path))) return strict;
  const raw = JSON.parse(text) as Record<string, unknown>;
  const inners = (entry: unknown) => {
    const defects = (entry as { defects?: unknown } | null)?.defects;
    return Array.isArray(defects) ? defects.map((_defect, index) => index) : [];
  };
  const lists: RawLists = Object.fromEntries(
    ['parts', 'stock', 'pinned'].map((list) => [
      list,
      ((raw[list] ?? []) as unknown[]).map((entry, at) => ({ at, entry, inner: inners(entry) })),
    ]),
  );
  const problems: Problem[] = [];
  const leftOut: { part: string; count: number; reason: Text }[] = [];
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const entries = Object.fromEntries(
      Object.entries(lists).map(([list, kept]) => [list, kept.map(({ entry }) => entry)]),
    );
    const read = readLayoutJob(JSON.stringify({ ...raw, ...entries }));
    if (read.ok) {
      const { parts } = read.value;
      // A part that stands there twice is left out once.
      return {
        ok: true,
        value: {
          job: read.value,
          problems,
          leftOut: leftOut.filter(({ part }) => !parts.some(({ id }) => id === part)),
        },
      };
    }
    const gone = new Set<object>();
    const marred = new Map<object, number[]>();
    for (const { path, message } of read.problems) {
      const [, list, index, , inner] = LEFT_OUT.exec(path) ?? [];
      const known = list === undefined ? undefined : lists[list]?.[Number(index)];
      if (!known) return strict;
      const defect = inner === undefined ? undefined : known.inner[Number(inner)];
      const tail = path.replace(LEFT_OUT, '');
      problems.push({
        path: `${list}[${known.at}]${defect === undefined ? '' : `.defects[${defect}]`}${tail}`,
        message,
      });
      if (defect !== undefined) marred.set(known, [...(marred.get(known) ?? []), defect]);
      else gone.add(known);
      // Named among what is not placed only where its name and number can be written down.
      const missing = list === 'parts' ? missingPart.safeParse(known.entry) : null;
      if (missing?.success && !leftOut.some(({ part }) => part === missing.data.id))
        leftOut.push({ part: missing.data.id, count: missing.data.quantity, reason: [message] });
    }
    for (const [list, kept] of Object.entries(lists)) {
      lists[list] = kept
        .filter((each) => !gone.has(each))
        .map((each) => {
          const without = marred.get(each);
          if (!without) return each;
          const inner = each.inner.filter((index) => !without.includes(index));
          const original = ((raw[list] as unknown[])[each.at] as { defects: unknown[] }).defects;
          return {
            ...each,
            inner,
            entry: { ...(each.entry as object), defects: inner.map((index) => original[index]) },
          };
        });
    }
  }
  return strict;
}

/** A layout job as a file writes it: millimetres, degrees, decimals. */
export const writeLayoutJob = (job: LayoutJob): z.input<typeof layoutJobSchema> =>
  z.encode(layoutJobSchema, {
    format: JOB_FORMAT,
    version: 1,
    ...job,
    parts: [...job.parts],
    stock: job.stock.map((each) => ({ ...each, defects: [...each.defects] })),
    pinned: [...job.pinned],
  });
