import { z } from 'zod';
import { type ListFields, listFaults, type ShopList } from '../exchange/index.js';
import { id, version } from './fields.js';
import { besideRows } from './unreadable.js';

/** One row of a list: every column of it, and none of another. */
const listFields = (list: ShopList) =>
  z
    .record(z.string().max(40), z.string().trim().max(1000))
    .transform((said, context): ListFields => {
      for (const { column, why } of listFaults(list, said))
        context.addIssue({ code: 'custom', path: [column], message: why });
      return Object.fromEntries(list.columns.map((column) => [column.id, said[column.id] ?? '']));
    });

export const listRow = z.object({ id, version, fields: z.record(z.string(), z.string()) });
export type ListRow = z.output<typeof listRow>;
export const listRows = z.object({ rows: z.array(listRow), ...besideRows });
export const newListRows = (list: ShopList) =>
  z.object({ rows: z.array(listFields(list)).min(1).max(500) });
export const listChange = (list: ShopList) => z.object({ version, fields: listFields(list) });
export const listReport = z.object({
  rows: z.array(listRow),
  problems: z.array(z.object({ line: z.number().int(), message: z.string() })),
});
