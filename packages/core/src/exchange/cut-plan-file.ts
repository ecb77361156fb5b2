import { z } from 'zod';
import {
  type CutPlan,
  cutName,
  type NamedBoard,
  type Progress,
  pieceName,
  type Ruined,
} from '../cuts/index.js';
import type { LayoutJob } from '../job/index.js';
import { type CutTree, chordOf, type TreeCut, type TreePiece, type Wood } from '../layout/index.js';
import { must } from '../lists/index.js';
import { type Ticks, toMm } from '../measure/index.js';
import type { Point } from '../plane/index.js';
import { plainText } from '../text/index.js';
import { type Read, readDocument } from './document.js';
import { defect } from './layout-job-file.js';
import { count, degrees, distance, length, name, point, positiveLength } from './units.js';

export const CUT_PLAN_FORMAT = 'spare-knot/cut-plan' as const;
export const PROGRESS_FORMAT = 'spare-knot/progress' as const;

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
  shift: z.number().optional(),
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
        stop: distance.nullable(),
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
type CutPlanFile = z.input<typeof cutPlanSchema>;
type PlanFileRead = z.output<typeof cutPlanSchema>;

/** Millimetres to four places: a hundredth of what a file may be off. */
const mm = (ticks: number): number => Math.round(toMm(ticks) * 1e4) / 1e4;
const points = (polygon: readonly Point[]): [number, number][] =>
  polygon.map(([x, y]) => [mm(x), mm(y)]);

function pieceFile(
  { wood, is }: TreePiece,
  index: number,
): CutPlanFile['boards'][number]['pieces'][number] {
  return {
    id: pieceName(index),
    ...(wood && { faceA: points(wood.faceA), faceB: points(wood.faceB) }),
    ...(typeof is === 'string' && { is }),
    ...(is && typeof is === 'object' && { is: 'part' as const, part: is.part, copy: is.copy }),
  };
}

const given = (index: number | null): string | null => (index === null ? null : pieceName(index));

function cutFile(
  tree: CutTree,
  each: TreeCut,
  index: number,
): CutPlanFile['boards'][number]['cuts'][number] {
  const shared = {
    id: cutName(index),
    of: pieceName(each.of),
    gives: [given(each.gives[0]), given(each.gives[1])] as [string | null, string | null],
  };
  if (each.kind === 'free') return { ...shared, frees: pieceName(each.gives[0]) };
  const wood = must(tree.pieces[each.of]?.wood, 'wood in hand');
  const [from, to] = must(chordOf(each.cut, wood), 'a cut through the wood in hand');
  return {
    ...shared,
    line: [points([from])[0], points([to])[0]] as [[number, number], [number, number]],
    shift: mm(each.cut.shift),
  };
}

/** A cut plan as a file writes it; `settings` counts its steps. */
export function writeCutPlan(plan: CutPlan): CutPlanFile {
  const angle = (degreesOf: number) => Math.round(degreesOf * 1e4) / 1e4;
  return {
    format: CUT_PLAN_FORMAT,
    version: 1,
    boards: plan.boards.map(({ stock, piece: number, tree }) => ({
      stock,
      piece: number,
      pieces: tree.pieces.map(pieceFile),
      cuts: tree.cuts.map((each, index) => cutFile(tree, each, index)),
    })),
    steps: plan.steps.map((step, index) => ({
      id: index + 1,
      tool: step.tool,
      saw: step.saw,
      angle: angle(step.angle),
      tilt: angle(step.tilt),
      stop: step.stop === null ? null : mm(step.stop),
      cuts: step.cuts.map(({ cut: number, ...rest }) => ({ cut: cutName(number), ...rest })),
      before: step.before.map(plainText),
    })),
    settings: plan.steps.length,
    boardAfterBoard: plan.boardAfterBoard,
    lowerBound: plan.lowerBound,
    minutes: plan.minutes,
  };
}

/** The boards of a cut plan by their names, which is what its progress speaks of. */
export type ReadCutPlan = { boards: NamedBoard[] };

function leafOf({
  is,
  part,
  copy,
}: PlanFileRead['boards'][number]['pieces'][number]): NamedBoard['pieces'][number]['is'] {
  if (is === 'part') return part === undefined || copy === undefined ? null : { part, copy };
  return is ?? null;
}

const woodOf = (
  faceA: readonly Point[] | undefined,
  faceB: readonly Point[] | undefined,
): Wood | null => (faceA && faceB ? { faceA, faceB } : null);

/** Reads a cut plan as far as sawing needs it; problems name the path in the file. */
export function readCutPlan(source: string): Read<ReadCutPlan> {
  const read = readDocument(source, CUT_PLAN_FORMAT, 1, cutPlanSchema);
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
  if (problems.length > 0) return { ok: false, problems };
  const boards = read.value.boards.map(
    ({ stock, piece: number, pieces, cuts }): NamedBoard => ({
      stock,
      piece: number,
      pieces: pieces.map((each) => ({
        id: each.id,
        wood: woodOf(each.faceA, each.faceB),
        is: leafOf(each),
      })),
      cuts: cuts.map(({ id: cutId, of, gives }) => ({ id: cutId, of, gives })),
    }),
  );
  return { ok: true, value: { boards } };
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

export const progressSchema = z.object({
  format: z.literal(PROGRESS_FORMAT),
  version: z.literal(1),
  done: z.array(id).max(100_000).default([]),
  ruined: z
    .array(
      z.object({
        piece: id,
        left: z.array(rect).max(100).default([]),
        defects: z.array(defect).max(2000).default([]),
      }),
    )
    .max(10_000)
    .default([]),
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
