import { z } from 'zod';
import { boardKindFields, count, name, woodFactFields } from '../exchange/index.js';
import { id, version } from './fields.js';
import { besideRows } from './unreadable.js';

/** Boards on the rack as somebody enters them. */
export const newBoard = z.object({
  name,
  quantity: count.min(1).max(1000),
  ...boardKindFields,
  ...woodFactFields,
});
export const boardRecord = z.object({
  id,
  version,
  name,
  /** More than anybody may enter at once: what is given back comes on top. */
  quantity: z.number().int().nonnegative(),
  ...boardKindFields,
  ...woodFactFields,
  /** The batch that left it, where it is an offcut of one. */
  fromBatch: id.nullable(),
});
export const boardChange = newBoard.extend({ version, quantity: count });
export const newBoards = z.object({ boards: z.array(newBoard).min(1).max(500) });
export const boardList = z.object({ boards: z.array(boardRecord), ...besideRows });

export type NewBoard = z.output<typeof newBoard>;
export type BoardRecord = z.output<typeof boardRecord>;
export type BoardChange = z.output<typeof boardChange>;

export const csvBody = z.object({ csv: z.string().max(2_000_000) });
/** The answer to a CSV import: the boards that were kept and what was wrong with the other lines. */
export const csvReport = z.object({
  boards: z.array(boardRecord),
  problems: z.array(z.object({ line: z.number().int(), message: z.string() })),
});
