import { z } from 'zod';
import { CLIMATES, COVERS, MOUNTS } from '../plan/index.js';
import { length, name } from './units.js';

/** Where a box is to hang; null is unknown, and asked for where it matters. */
export const placeSchema = z.strictObject({
  cover: z.enum(COVERS).nullable(),
  on: z.enum(MOUNTS).nullable(),
  climate: z.enum(CLIMATES).nullable(),
  height: length.nullable(),
  facing: name.nullable(),
});

export const finishSchema = z.strictObject({
  where: name,
  what: z.enum(['stain', 'paint', 'oil']),
  base: z.enum(['water', 'oil']).nullable().default(null),
  shade: z.enum(['dark', 'pale']).nullable().default(null),
});
