import { z } from 'zod';
import type { LayoutJob, Part } from '../layout/job.js';
import { jobProblems } from '../layout/job-problems.js';
import { DEFECT_KINDS, type Defect } from '../wood/board.js';
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
    const parsed = zoneFile.safeParse(Object.fromEntries(Object.entries(rest).filter(([, value]) => value !== undefined)));
    if (parsed.success) return { kind, zone: zoneFromFile(parsed.data) };
    context.issues.push({
      code: 'custom',
      input: raw,
      message: 'a defect is a circle [x, y, r], a rect [x, y, w, h] or a polygon [[x, y], …], in millimetres, larger than nothing',
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
  keep: z.object({ length: distance, width: distance }).default({ length: 150 * 320, width: 60 * 320 }),
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
  decode: (read) => ({ ...read, underside: read.underside ?? read.outline, materials: read.materials ?? null }),
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
export const stock = z.object({ id: name, quantity: count, ...boardKindFields });

export const placementFields = { part: name, copy: count, x: length, y: length, turn, flipped: z.boolean().default(false) };

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
