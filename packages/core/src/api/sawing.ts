import { z } from 'zod';
import { cutPlanDocument, progressDocument } from '../exchange/index.js';
import { moment } from './fields.js';

/** The cut plan of a batch whose boards are taken, as it was made when sawing began, and how far it is. */
export const sawingRecord = z.object({
  plan: cutPlanDocument,
  progress: progressDocument,
  startedAt: moment,
});
export type SawingRecord = z.output<typeof sawingRecord>;

/** Null before sawing begins. */
export const sawingState = z.object({ sawing: sawingRecord.nullable() });

/** How far it is alone: what a second device asks for again and again. */
export const sawingProgress = z.object({ progress: progressDocument });

const cutKey = z.string().regex(/^\d{1,5}:[\x21-\x7e]{1,30}$/, 'a cut is named board:cut, as 0:c1');

/** Cuts that were made, and cuts that were not after all. Saying the same again changes nothing. */
export const sawnCuts = z.object({
  done: z.array(cutKey).max(2000).default([]),
  undone: z.array(cutKey).max(2000).default([]),
});
export type SawnCuts = z.output<typeof sawnCuts>;
