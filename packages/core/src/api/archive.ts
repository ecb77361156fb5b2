import { z } from 'zod';

/** What came out of an archive into an empty shop. */
export const archiveRead = z.object({ rows: z.number().int(), photos: z.number().int() });
export type ArchiveRead = z.output<typeof archiveRead>;
