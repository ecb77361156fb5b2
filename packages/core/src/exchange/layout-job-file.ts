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
  MOST_DEFECTS,
  name,
  polygon,
  positiveLength,
  price,
  zone,
  zoneFile,
  zoneFromFile,
  zoneToFile,
} from './units.js';

export const JOB_FORMAT = 'spare-knot/layout-job' as const;

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
  handMin: distance.exactOptional(),
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
  encode: ({ materials, perBox: _perBox, ...read }) => ({
    ...read,
    outline: [...read.outline],
    underside: [...read.underside],
    clear: [...read.clear],
    cutAway: [...read.cutAway],
    ...(materials && { materials: [...materials] }),
  }),
});

/** What of a board matters to an animal and cannot be measured, as the rack keeps it. */
export const woodFactFields = {
  assumed: z.array(z.string().max(60)).max(20).readonly().exactOptional(),
  treatment: name.exactOptional(),
  grade: name.nullable().exactOptional(),
  stamp: name.nullable().exactOptional(),
  oldPaint: z.boolean().exactOptional(),
  planed: z.object({ from: positiveLength, by: z.enum(['hand', 'machine']) }).exactOptional(),
};

/** What is known of a kind of board, whoever lists it. */
export const boardKindFields = {
  material: name,
  thickness: positiveLength,
  width: positiveLength,
  length: positiveLength,
  // A board is planed until somebody says otherwise.
  faceA: face.default('planed'),
  faceB: face.default('planed'),
  price: price.nullable().default(null),
  offcut: z.boolean().default(false),
  grained: z.boolean().default(true),
  defects: z.array(defect).max(MOST_DEFECTS).default([]),
};
export const stock = z.object({
  id: name,
  quantity: count,
  ...boardKindFields,
  keepWidth: distance.exactOptional(),
  endTrim: distance.exactOptional(),
  from: z
    .object({ piece: name, rect: z.tuple([length, length, distance, distance]).readonly() })
    .exactOptional(),
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
  kept: z.array(name).max(10_000).readonly().exactOptional(),
  effort: z.object({ seconds: z.number().positive().max(3600) }).default({ seconds: 3 }),
});

/** A layout job inside another document. */
export const layoutJobDocument = z.codec(layoutJobSchema, z.custom<LayoutJob>(), {
  decode: ({ format: _format, version: _version, ...job }) => job,
  encode: (job) => ({
    format: JOB_FORMAT,
    version: 1 as const,
    ...job,
    parts: [...job.parts],
    stock: job.stock.map((each) => ({ ...each, defects: [...each.defects] })),
    pinned: [...job.pinned],
  }),
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

/** An entry of a list as it stands in the file, and which of its defects are kept. */
interface RawEntry {
  index: number;
  entry: unknown;
  defects: readonly number[];
}

type LeftOut = Salvaged['leftOut'][number];

const defectsOf = (entry: unknown): readonly unknown[] => {
  const { defects } = (entry ?? {}) as { defects?: unknown };
  return Array.isArray(defects) ? defects : [];
};

/** The parts, boards and pins of a broken file, out of which entries are taken until the rest can be read. */
class Salvage {
  readonly problems: Problem[] = [];
  private readonly missing: LeftOut[] = [];
  private readonly lists: Record<string, RawEntry[]>;

  constructor(private readonly raw: Record<string, unknown>) {
    this.lists = Object.fromEntries(
      ['parts', 'stock', 'pinned'].map((list) => [
        list,
        ((raw[list] ?? []) as unknown[]).map((entry, index) => ({
          index,
          entry,
          defects: defectsOf(entry).map((_defect, at) => at),
        })),
      ]),
    );
  }

  /** Reads what is left of the file. */
  read(): Read<LayoutJob> {
    const entries = Object.entries(this.lists).map(([list, kept]) => [
      list,
      kept.map((each) => this.withoutMarred(each)),
    ]);
    return readLayoutJob(JSON.stringify({ ...this.raw, ...Object.fromEntries(entries) }));
  }

  private withoutMarred({ entry, defects }: RawEntry): unknown {
    const all = defectsOf(entry);
    if (defects.length === all.length) return entry;
    return { ...(entry as object), defects: defects.map((index) => all[index]) };
  }

  /** Leaves out what these problems are about; false when one of them is about the whole job. */
  leaveOut(problems: readonly Problem[]): boolean {
    const gone = new Set<RawEntry>();
    const marred = new Map<RawEntry, number[]>();
    for (const { path, message } of problems) {
      const [, list = '', index, , inner] = LEFT_OUT.exec(path) ?? [];
      const known = this.lists[list]?.[Number(index)];
      if (!known) return false;
      const defect = inner === undefined ? undefined : known.defects[Number(inner)];
      const place = `${list}[${known.index}]${defect === undefined ? '' : `.defects[${defect}]`}`;
      this.problems.push({ path: `${place}${path.replace(LEFT_OUT, '')}`, message });
      if (defect === undefined) gone.add(known);
      else marred.set(known, [...(marred.get(known) ?? []), defect]);
      if (list === 'parts') this.miss(known.entry, message);
    }
    for (const [list, kept] of Object.entries(this.lists))
      this.lists[list] = kept
        .filter((each) => !gone.has(each))
        .map((each) => {
          const out = marred.get(each) ?? [];
          return { ...each, defects: each.defects.filter((index) => !out.includes(index)) };
        });
    return true;
  }

  /** Named among what is not placed only where its name and number can be written down. */
  private miss(entry: unknown, message: string): void {
    const part = missingPart.safeParse(entry);
    if (!part.success || this.missing.some((each) => each.part === part.data.id)) return;
    this.missing.push({ part: part.data.id, count: part.data.quantity, reason: [message] });
  }

  /** Parts that were left out; one that stands there twice is left out once. */
  leftOut({ parts }: LayoutJob): LeftOut[] {
    return this.missing.filter(({ part }) => !parts.some(({ id }) => id === part));
  }
}

/**
 * Reads a layout job, leaving out the entries that cannot be, so that the good rest is laid out all the same. Paths name places in the
 * file as it is. A problem that concerns the whole job (its format, its saw) is one for all of it.
 */
export function salvageLayoutJob(text: string): Read<Salvaged> {
  const strict = readLayoutJob(text);
  if (strict.ok) return { ok: true, value: { job: strict.value, problems: [], leftOut: [] } };
  if (strict.problems.some(({ path }) => !LEFT_OUT.test(path))) return strict;
  const salvage = new Salvage(JSON.parse(text) as Record<string, unknown>);
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const read = salvage.read();
    if (read.ok) {
      const { value: job } = read;
      const { problems } = salvage;
      return { ok: true, value: { job, problems, leftOut: salvage.leftOut(job) } };
    }
    if (!salvage.leaveOut(read.problems)) return strict;
  }
  return strict;
}

/** A layout job as a file writes it: millimetres, degrees, decimals. */
export const writeLayoutJob = (job: LayoutJob): z.input<typeof layoutJobDocument> =>
  z.encode(layoutJobDocument, job);
