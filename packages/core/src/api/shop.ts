import { z } from 'zod';
import { BIT_KINDS } from '../building/index.js';
import { positiveLength } from '../exchange/index.js';
import { version } from './fields.js';

/** What the shop owns beside its wood. */
export const shopRecord = z.object({
  version,
  bits: z.array(z.object({ kind: z.enum(BIT_KINDS), diameter: positiveLength })).max(100),
});
export type ShopRecord = z.output<typeof shopRecord>;
