import { z } from 'zod';

/** What the server keeps and the page shows. On the wire lengths are millimetres, inside ticks. */
export const id = z.uuid();
export const version = z.number().int().positive();
export const moment = z.iso.datetime();

export const versionOnly = z.object({ version });
/** A version in a query string, where all is text. */
export const versionQuery = z.object({ version: z.coerce.number().int().positive() });
export const removed = z.object({ removed: id });
