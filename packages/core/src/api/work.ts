import { z } from 'zod';
import { WORK_KINDS } from '../building/index.js';
import { moment } from './fields.js';

/** One piece of work at the bench, as the build plan names it. */
const workFields = {
  kind: z.enum(WORK_KINDS),
  key: z
    .string()
    .regex(/^[\x21-\x7e](?:[\x20-\x7e]{0,98}[\x21-\x7e])?$/, 'a side, a step or a coat'),
  /** From 1; 0 for what is done for all boxes at once. */
  box: z.number().int().min(0).max(1000),
};

/** Work that is done, and work that was said to be done and is not. Saying the same again changes nothing. */
export const workTold = z.object({
  /** With the minutes that are usual for it. */
  done: z
    .array(z.object({ ...workFields, minutes: z.number().min(0).max(10_000) }))
    .max(2000)
    .default([]),
  undone: z.array(z.object(workFields)).max(2000).default([]),
});
export type WorkTold = z.output<typeof workTold>;

/** What is done of a batch, in the order in which it was told. */
export const workRecord = z.object({
  done: z.array(z.object({ ...workFields, at: moment })),
});
export type WorkRecord = z.output<typeof workRecord>;

const learned = z.object({ factor: z.number(), of: z.number().int() });

/** How long work takes in this shop, as a multiple of the usual minutes, each with how many were timed. */
export const paceRecord = z.object({
  bore: learned.exactOptional(),
  assemble: learned.exactOptional(),
  finish: learned.exactOptional(),
});
export type PaceRecord = z.output<typeof paceRecord>;
