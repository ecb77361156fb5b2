import { z } from 'zod';
import { BIT_KINDS } from '../building/index.js';
import {
  boardKindFields,
  count,
  distance,
  layoutDocument,
  name,
  placementFields,
  planDocument,
  positiveLength,
  saw,
} from '../exchange/index.js';
import { STANDARD_CLASSES } from '../layout/index.js';

/** What the server keeps and the page shows. On the wire lengths are millimetres, inside ticks. */

const id = z.uuid();
const version = z.number().int().positive();
const moment = z.iso.datetime();

/** Boards on the rack as somebody enters them. */
export const newBoard = z.object({ name, quantity: count.min(1).max(1000), ...boardKindFields });
export const boardRecord = z.object({
  id,
  version,
  name,
  quantity: count,
  ...boardKindFields,
  fromBatch: id.nullable(),
});
export const boardChange = newBoard.extend({ version, quantity: count });
export const newBoards = z.object({ boards: z.array(newBoard).min(1).max(500) });
export const boardList = z.object({ boards: z.array(boardRecord) });

export const units = z.enum(['inch', 'mm']);
export const division = z.literal([1, 10, 16, 32, 64]);
/** What the maker asks of a batch's layout beside the saw. Boards are named by their ids on the rack. */
export const layoutChoices = z.object({
  pinned: z
    .array(z.object({ ...placementFields, stock: name, piece: count }))
    .max(2000)
    .default([]),
  /** Boards that are left alone. */
  forbidden: z.array(name).max(1000).default([]),
  goals: z
    .object({
      first: z.enum(['cost', 'cuts', 'offcut']),
      classes: z.array(z.object({ from: distance, worth: z.number().min(0).max(10) })).max(12),
    })
    .default({ first: 'cost', classes: [...STANDARD_CLASSES] }),
  /** Seconds that the search goes on looking for better. */
  seconds: z.number().min(0.1).max(120).default(5),
  /** Widest board that the saw cuts across, where nothing is ripped; null: any. */
  crosscut: positiveLength.nullable().default(null),
  /** Shortest piece that is held by hand at the saw: about 200 mm, common practice, no source. */
  handHeld: distance.default(200 * 320),
});
export type LayoutChoices = z.output<typeof layoutChoices>;
export const NO_CHOICES: LayoutChoices = layoutChoices.decode({});

const batchFields = {
  name: z.string().trim().min(1).max(120),
  boxes: z.number().int().min(1).max(1000),
  units,
  division,
  plan: planDocument,
  saw,
  choices: layoutChoices.default(NO_CHOICES),
};

export const newBatch = z.object(batchFields);
export const batchChange = newBatch.extend({ version });

/** A layout that was accepted: its boards are off the rack, its offcuts on it. */
export const acceptedLayout = z.object({
  layout: layoutDocument,
  /** The boards it was laid on, as they were. */
  boards: z.array(boardRecord),
  acceptedAt: moment,
});
export const batchRecord = z.object({
  id,
  version,
  ...batchFields,
  changedAt: moment,
  /** The best layout found so far, while no board is taken for it. */
  proposed: layoutDocument.nullable(),
  accepted: acceptedLayout.nullable(),
});
export const batchList = z.object({ batches: z.array(batchRecord) });
export const acceptance = z.object({ version, layout: layoutDocument });
export const proposal = z.object({ layout: layoutDocument });
export const versionOnly = z.object({ version });

export type NewBoard = z.output<typeof newBoard>;
export type BoardRecord = z.output<typeof boardRecord>;
export type BoardChange = z.output<typeof boardChange>;
export type NewBatch = z.output<typeof newBatch>;
export type BatchChange = z.output<typeof batchChange>;
export type BatchRecord = z.output<typeof batchRecord>;
export type Acceptance = z.output<typeof acceptance>;

/** What the shop owns beside its wood. */
export const shopRecord = z.object({
  version: z.number().int().positive(),
  bits: z.array(z.object({ kind: z.enum(BIT_KINDS), diameter: positiveLength })).max(100),
});
export type ShopRecord = z.output<typeof shopRecord>;

/** RFC 9457 problem document. `errors` name the fields; `current` is what is kept now, on a conflict. */
export const problemDocument = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number().int(),
  detail: z.string().optional(),
  errors: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
  current: z.unknown().optional(),
});
export type ProblemDocument = z.output<typeof problemDocument>;

/** The answer to a CSV import: how many lines were kept and what was wrong with the others. */
export const csvReport = z.object({
  boards: z.array(boardRecord),
  problems: z.array(z.object({ line: z.number().int(), message: z.string() })),
});
