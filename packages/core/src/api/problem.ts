import { z } from 'zod';

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
