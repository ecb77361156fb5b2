import { z } from 'zod';
import { BIT_KINDS } from '../building/index.js';
import { SAW_KINDS, type Shop, shopSaws, USUAL_COSTS } from '../cuts/index.js';
import { degrees, distance, positiveLength } from '../exchange/index.js';
import { version } from './fields.js';

/** How far a scale may be off before somebody would mend it. */
const off = z.number().min(-5).max(5);
const minutes = z.number().min(0).max(120);
const dayOfYear = z
  .string()
  .regex(/^\d{2}-\d{2}$/, 'a day of the year is written 04-01')
  // Of a leap year, so that the 29th of February is one.
  .refine((said) => z.iso.date().safeParse(`2028-${said}`).success, 'is no day of the year');

const ownedSaw = z.object({
  name: z.string().trim().min(1).max(60),
  kind: z.enum(SAW_KINDS),
  kerf: positiveLength,
  capacity: positiveLength.nullable(),
  maxMitre: degrees.min(0).max(90),
  maxTilt: degrees.min(0).max(90),
  tiltsTo: z.enum(['left', 'right', 'both']),
  handMin: distance,
  hasStop: z.boolean(),
  mitreOff: off,
  tiltOff: off,
});

/** What the shop owns beside its wood. */
export const shopRecord = z.object({
  version,
  bits: z.array(z.object({ kind: z.enum(BIT_KINDS), diameter: positiveLength })).max(100),
  /** None: what a job's cuts may be is said with the job. */
  saws: z
    .array(ownedSaw)
    .max(20)
    .refine((saws) => new Set(saws.map(({ name }) => name)).size === saws.length, {
      message: 'two saws of one name: steps could not tell them apart',
    })
    .default([]),
  /** By which a phone opens the pages of this house; null while nobody has said. */
  address: z
    .string()
    .regex(/^https?:\/\/[^\s/]{1,200}$/, 'an address begins with http:// or https://')
    .nullable()
    .default(null),
  /** Times of the year in which nests may not be touched, as the maker has them from the local authority. */
  closed: z
    .array(z.object({ from: dayOfYear, to: dayOfYear, what: z.string().trim().max(120) }))
    .max(12)
    .default([]),
  /** What changing a saw costs, in minutes. */
  costs: z
    .object({ saw: minutes, tilt: minutes, angle: minutes, stop: minutes, cut: minutes })
    .default({ ...USUAL_COSTS }),
});
export type ShopRecord = z.output<typeof shopRecord>;

const learnedOne = z.object({ minutes: z.number(), of: z.number().int() });

/** What cuts and changes took in the batches that were sawn, each with how many were timed. */
export const learnedRecord = z.object({
  saw: learnedOne.exactOptional(),
  tilt: learnedOne.exactOptional(),
  angle: learnedOne.exactOptional(),
  stop: learnedOne.exactOptional(),
  cut: learnedOne.exactOptional(),
});
export type LearnedRecord = z.output<typeof learnedRecord>;

/** The shop as its cuts are planned: its own saws where it has told them, else those that the job speaks of. */
export const sawsOf = ({ saws, costs }: Pick<ShopRecord, 'saws' | 'costs'>): Shop => ({
  costs,
  ...(saws.length > 0 && { saws: shopSaws(saws) }),
});
