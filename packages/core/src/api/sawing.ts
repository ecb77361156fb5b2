import { z } from 'zod';
import {
  count,
  cutPlanDocument,
  layoutDocument,
  layoutJobDocument,
  name,
  positiveLength,
  progressDocument,
  ruinedFields,
} from '../exchange/index.js';
import { moment } from './fields.js';

/** Panels of a batch by their name and number. */
const copies = z.array(z.object({ part: name, copy: count }));

/** Wood of a plan as the maker knows it. */
const namedStock = z.object({ id: name, name: z.string(), thickness: positiveLength });

/**
 * The cut plan that a batch follows, and how far it is. The first is made when sawing begins; when something went wrong another takes its
 * place, and the rounds are counted. Pieces and cuts are named within their round.
 */
export const sawingRecord = z.object({
  round: count,
  plan: cutPlanDocument,
  progress: progressDocument,
  stock: z.array(namedStock),
  /** Cuts made in earlier rounds. */
  cutsBefore: count,
  /** Panels that are wanted and lie on no board of this plan. */
  wanted: copies,
  startedAt: moment,
});
export type SawingRecord = z.output<typeof sawingRecord>;

/** Null before sawing begins. */
export const sawingState = z.object({ sawing: sawingRecord.nullable() });

/** How far it is alone: what a second device asks for again and again. */
export const sawingProgress = z.object({ round: count, progress: progressDocument });
export type SawingProgress = z.output<typeof sawingProgress>;

/** What can go wrong with a piece, for the batch's log. */
const MISHAPS = ['ruined', 'short', 'wrong side', 'split'] as const;
export type Mishap = (typeof MISHAPS)[number];

const key = z
  .string()
  .regex(/^\d{1,5}:[\x21-\x7e]{1,30}$/, 'it is named board:cut or board:piece, as 0:c1 or 0:p3');

/** Cuts that were made, pieces that went wrong, and both taken back. Saying the same again changes nothing. */
export const sawnCuts = z.object({
  round: count.default(0),
  done: z.array(key).max(2000).default([]),
  undone: z.array(key).max(2000).default([]),
  ruined: z
    .array(z.object({ ...ruinedFields, piece: key, mishap: z.enum(MISHAPS) }))
    .max(100)
    .default([]),
  mended: z.array(key).max(100).default([]),
});
export type SawnCuts = z.output<typeof sawnCuts>;

/** What became of the boards of a batch: minutes by setting, what went wrong, where the wood went. */
export const sawingLog = z.object({
  rounds: z.array(
    z.object({
      round: count,
      steps: z.array(
        z.object({
          step: count,
          cuts: count,
          planned: z.number(),
          taken: z.number().nullable(),
        }),
      ),
    }),
  ),
  mishaps: z.array(
    z.object({ round: count, piece: z.string(), mishap: z.enum(MISHAPS), parts: copies }),
  ),
  /** Square millimetres: of the boards that were begun, and what of them is panels, offcuts and the rest. */
  wood: z.object({
    boards: count,
    area: z.number(),
    panels: z.number(),
    offcuts: z.number(),
  }),
});
export type SawingLog = z.output<typeof sawingLog>;

/** What is left to be laid out in the middle of the sawing, on what is there and on the rack. */
export const leftRecord = z.object({
  round: count,
  job: layoutJobDocument,
  /** By part, the numbers in the batch of the copies that are left. */
  copies: z.record(z.string(), z.array(count)),
  stock: z.array(namedStock),
  /** Pieces that are sawn half and stay as they are, and boards that nobody has touched. */
  kept: count,
  untouched: count,
});
export type LeftRecord = z.output<typeof leftRecord>;

/** A layout of what was left in a round: its plan takes the place of the one before. */
export const sawAgain = z.object({ round: count, layout: layoutDocument });
export type SawAgain = z.output<typeof sawAgain>;

/** The round that is taken back. */
export const roundOnly = z.object({ round: count });
