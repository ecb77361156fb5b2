import { z } from 'zod';
import { name, planDocument } from '../exchange/index.js';
import { mendedBoxes, newBatch, panelCount } from './batches.js';
import { spareRecord } from './bin.js';
import { boardRecord } from './boards.js';
import { id, moment, version } from './fields.js';
import { boxRecord } from './trail.js';
import { besideRows } from './unreadable.js';

const day = z.iso.date();
const words = (most: number) => z.string().trim().max(most).default('');
const key = z.string().length(64);

/** What came of a repair: the panel is whole again, or the box was beyond mending. */
const OUTCOMES = ['mended', 'given-up'] as const;

/** Something of a box that is out is broken: one of its panels, or what only words say. */
export const repairRecord = z.object({
  id,
  version,
  box: id,
  number: z.number().int(),
  place: z.string(),
  /** The version of its plan; null where nobody knows by which it was built. */
  planKey: key.nullable(),
  panel: name.nullable(),
  /** What the panel is called; empty for what is no panel. */
  name: z.string(),
  count: panelCount.shape.count,
  toldOn: day,
  what: z.string(),
  /** The batch on the bench that it is mended in. */
  batch: z.object({ id, name: z.string() }).nullable(),
  closedOn: day.nullable(),
  outcome: z.enum(OUTCOMES).nullable(),
  /** With what it was mended, in words. */
  how: z.string(),
});
export type RepairRecord = z.output<typeof repairRecord>;

/** What a visit found to be mended in a box of which no repair has been told since. */
const wanted = z.object({
  box: id,
  number: z.number().int(),
  place: z.string(),
  planKey: key.nullable(),
  visit: id,
  on: day,
  wants: z.string(),
});
export type WantedRepair = z.output<typeof wanted>;

/** A version of a plan, as it was when it was first kept. */
export const planVersion = z.object({
  key,
  name: z.string(),
  since: moment,
  plan: planDocument,
});
export type PlanVersion = z.output<typeof planVersion>;

export const repairList = z.object({
  repairs: z.array(repairRecord),
  wanted: z.array(wanted),
  /** The versions of plans that their boxes were built by. */
  plans: z.array(planVersion),
  ...besideRows,
});
export type RepairList = z.output<typeof repairList>;
export const repairsQuery = z.object({ box: id.optional() });
export const repairsKept = z.object({ repairs: z.array(repairRecord) });

const MOST = 1000;
const panels = z.array(panelCount).max(200);
const isSomething = ({ panels: named, what }: { panels: unknown[]; what: string }): boolean =>
  named.length > 0 || what !== '';

/** What is broken of one box. */
export const newRepairs = z
  .object({ box: id, toldOn: day, what: words(400), panels })
  .refine(isSomething, { path: ['panels'], message: 'say which panel is broken, or what else is' });
export type NewRepairs = z.output<typeof newRepairs>;

const one = z.object({ id, version });
/** Repairs that are done; taken back where no day is told. */
export const repairsDone = z.object({
  repairs: z.array(one).min(1).max(MOST),
  closedOn: day.nullable(),
  how: words(200),
});
export type RepairsDone = z.output<typeof repairsDone>;

/** A batch that makes the broken panels of boxes of one plan; what the bin holds of them is set aside for it. */
export const mendingBatch = z.object({
  repairs: z.array(id).min(1).max(MOST),
  batch: newBatch.omit({ plan: true, boxes: true }),
});
export type MendingBatch = z.output<typeof mendingBatch>;
export const mendingBegun = z.object({
  batch: id,
  mends: mendedBoxes,
  /** How many panels came out of the bin. */
  fromBin: z.number().int(),
});
export type MendingBegun = z.output<typeof mendingBegun>;

/** A box that is not mended any more: taken down, its sound panels kept as panels or as wood. */
export const beyondMending = z.object({
  version,
  on: day,
  bin: panels.default([]),
  wood: panels.default([]),
  /** Where the panels lie from now on. */
  place: words(120),
});
export type BeyondMending = z.output<typeof beyondMending>;
export const takenApart = z.object({
  box: boxRecord,
  repairs: z.array(repairRecord),
  spares: z.array(spareRecord),
  boards: z.array(boardRecord),
});
export type TakenApart = z.output<typeof takenApart>;
