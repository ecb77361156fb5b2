import { z } from 'zod';
import type {
  NamedBoard,
  NamedCut,
  NamedPiece,
  NamedPlan,
  Progress,
  Ruined,
} from '../cuts/index.js';
import type { LayoutJob } from '../job/index.js';
import { TICKS_PER_MM, type Ticks, toMm } from '../measure/index.js';
import type { Point } from '../plane/index.js';
import { type Read, readDocument } from './document.js';
import { defect } from './layout-job-file.js';
import { count, degrees, length, name, positiveLength } from './units.js';

export const CUT_PLAN_FORMAT = 'spare-knot/cut-plan' as const;
export const PROGRESS_FORMAT = 'spare-knot/progress' as const;

/** Millimetres to four places: a hundredth of what a file may be off. */
const fine = (ticks: number): number => Math.round(toMm(ticks) * 1e4) / 1e4;

/** What is sawn lies between whole ticks: lengths of pieces are not rounded to them. */
const exactly = z.codec(z.number(), z.number(), {
  decode: (mm) => mm * TICKS_PER_MM,
  encode: fine,
});
const point = z.codec(z.tuple([z.number(), z.number()]), z.custom<Point>(), {
  decode: ([x, y]): Point => [x * TICKS_PER_MM, y * TICKS_PER_MM],
  encode: ([x, y]): [number, number] => [fine(x), fine(y)],
});
/** A face without wood is empty. */
const face = z.array(point).max(400);
const id = z.string().min(1).max(40);
const side = z.enum(['near', 'far', 'low', 'high']);

const piece = z.object({
  id,
  faceA: face.optional(),
  faceB: face.optional(),
  is: z.enum(['part', 'offcut', 'waste']).optional(),
  part: name.optional(),
  copy: count.optional(),
});
const cut = z.object({
  id,
  of: id,
  line: z.tuple([point, point]).optional(),
  shift: exactly.optional(),
  frees: id.optional(),
  gives: z.tuple([id.nullable(), id.nullable()]),
});

export const cutPlanSchema = z.object({
  format: z.literal(CUT_PLAN_FORMAT),
  version: z.literal(1),
  boards: z
    .array(
      z.object({
        stock: name,
        piece: count,
        pieces: z.array(piece).min(1).max(20_000),
        cuts: z.array(cut).max(20_000),
      }),
    )
    .max(10_000),
  steps: z
    .array(
      z.object({
        id: count,
        tool: z.enum(['crosscut', 'rip', 'free']),
        saw: name,
        angle: degrees,
        tilt: degrees,
        stop: exactly.nullable(),
        cuts: z
          .array(
            z.object({
              cut: id,
              board: count,
              faceUp: z.enum(['A', 'B']).nullable(),
              fence: side.nullable(),
              end: side.nullable(),
              hold: z.enum(['hand', 'clamp', 'sled', 'jig']),
            }),
          )
          .max(20_000),
        before: z.array(z.string().max(1000)),
      }),
    )
    .max(10_000),
  settings: count,
  boardAfterBoard: count,
  lowerBound: count,
  minutes: z.number().nonnegative(),
});
type CutPlanFile = z.output<typeof cutPlanSchema>;
type PieceFile = CutPlanFile['boards'][number]['pieces'][number];
type CutFile = CutPlanFile['boards'][number]['cuts'][number];

const fineDegrees = (value: number): number => Math.round(value * 1e4) / 1e4;

const pieceFile = ({ id: named, wood, is }: NamedPiece): PieceFile => ({
  id: named,
  ...(wood && { faceA: [...wood.faceA], faceB: [...wood.faceB] }),
  ...(typeof is === 'string' && { is }),
  ...(is && typeof is === 'object' && { is: 'part' as const, part: is.part, copy: is.copy }),
});

const cutFile = ({ id: named, of, line, shift, gives }: NamedCut): CutFile => ({
  id: named,
  of,
  ...(line ? { line: [line[0], line[1]] as [Point, Point], shift } : { frees: gives[0] ?? '' }),
  gives: [gives[0], gives[1]],
});

const leafOf = ({ is, part, copy }: PieceFile): NamedPiece['is'] => {
  if (is === 'part') return part === undefined || copy === undefined ? null : { part, copy };
  return is ?? null;
};

/** A cut plan, in a file of its own or inside another document. */
export const cutPlanDocument = z.codec(cutPlanSchema, z.custom<NamedPlan>(), {
  decode: ({ boards, steps, boardAfterBoard, lowerBound, minutes }) => ({
    boards: boards.map(({ pieces, cuts, ...board }) => ({
      ...board,
      pieces: pieces.map((each) => ({
        id: each.id,
        wood: each.faceA && each.faceB ? { faceA: each.faceA, faceB: each.faceB } : null,
        is: leafOf(each),
      })),
      cuts: cuts.map(({ id: named, of, line, shift = 0, gives }) => ({
        id: named,
        of,
        line: line ?? null,
        shift,
        gives,
      })),
    })),
    steps: steps.map(({ id: _number, ...step }) => step),
    boardAfterBoard,
    lowerBound,
    minutes,
  }),
  encode: (plan) => ({
    format: CUT_PLAN_FORMAT,
    version: 1 as const,
    boards: plan.boards.map(({ pieces, cuts, ...board }) => ({
      ...board,
      pieces: pieces.map(pieceFile),
      cuts: cuts.map(cutFile),
    })),
    steps: plan.steps.map((step, index) => ({
      id: index + 1,
      tool: step.tool,
      saw: step.saw,
      angle: fineDegrees(step.angle),
      tilt: fineDegrees(step.tilt),
      stop: step.stop,
      cuts: [...step.cuts],
      before: [...step.before],
    })),
    settings: plan.steps.length,
    boardAfterBoard: plan.boardAfterBoard,
    lowerBound: plan.lowerBound,
    minutes: plan.minutes,
  }),
});

/** A cut plan as a file writes it; `settings` counts its steps. */
export const writeCutPlan = (plan: NamedPlan): z.input<typeof cutPlanDocument> =>
  z.encode(cutPlanDocument, plan);

/** Reads a cut plan; problems name the path in the file. */
export function readCutPlan(source: string): Read<NamedPlan> {
  const read = readDocument(source, CUT_PLAN_FORMAT, 1, cutPlanDocument);
  if (!read.ok) return read;
  const problems = read.value.boards.flatMap(({ pieces, cuts }, index) => {
    const ids = new Set(pieces.map((each) => each.id));
    return cuts.flatMap((each, at) =>
      [each.of, ...each.gives].flatMap((named) =>
        named === null || ids.has(named)
          ? []
          : [{ path: `boards[${index}].cuts[${at}]`, message: `there is no piece “${named}”` }],
      ),
    );
  });
  return problems.length > 0 ? { ok: false, problems } : read;
}

/** Boards of a plan that are not the job's: where, and what. */
export const strangersIn = (job: LayoutJob, boards: readonly NamedBoard[]) =>
  boards.flatMap(({ stock, pieces }, index) => [
    ...(job.stock.some((each) => each.id === stock)
      ? []
      : [{ path: `boards[${index}].stock`, message: `the job has no stock “${stock}”` }]),
    ...pieces.flatMap(({ is }, at) =>
      is && typeof is === 'object' && !job.parts.some((part) => part.id === is.part)
        ? [{ path: `boards[${index}].pieces[${at}]`, message: `the job has no part “${is.part}”` }]
        : [],
    ),
  ]);

const rect = z.codec(
  z.tuple([length, length, positiveLength, positiveLength]),
  z.custom<readonly [Ticks, Ticks, Ticks, Ticks]>(),
  {
    decode: (read) => read,
    encode: ([x, y, long, wide]) => [x, y, long, wide] as [number, number, number, number],
  },
);

/** A piece that went wrong, and what is left of it. */
export const ruinedFields = {
  piece: id,
  left: z.array(rect).max(100).default([]),
  defects: z.array(defect).max(2000).default([]),
};

export const progressSchema = z.object({
  format: z.literal(PROGRESS_FORMAT),
  version: z.literal(1),
  done: z.array(id).max(100_000).default([]),
  ruined: z.array(z.object(ruinedFields)).max(10_000).default([]),
});

/** How far the sawing is, in a file of its own or inside another document. */
export const progressDocument = z.codec(progressSchema, z.custom<Progress>(), {
  decode: ({ done, ruined }) => ({ done, ruined }),
  encode: ({ done, ruined }) => ({
    format: PROGRESS_FORMAT,
    version: 1 as const,
    done: [...done],
    ruined: ruined.map(({ piece: named, left, defects }: Ruined) => ({
      piece: named,
      left: [...left],
      defects: [...defects],
    })),
  }),
});

export const readProgress = (source: string): Read<Progress> =>
  readDocument(source, PROGRESS_FORMAT, 1, progressDocument);

/** A progress as a file writes it. */
export const writeProgress = (progress: Progress): z.input<typeof progressDocument> =>
  z.encode(progressDocument, progress);
