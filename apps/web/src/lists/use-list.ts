import type { ListRow } from '@spare-knot/core/api';
import type { ListFields, ShopList } from '@spare-knot/core/exchange';
import { useQuery } from '@tanstack/react-query';
import { useCallback } from 'react';
import { client } from '../api/client';
import { useNotice } from '../ui/notice';
import { useAttempt } from '../ui/use-attempt';

const NONE: readonly ListRow[] = [];

/** One of the shop’s lists and what can be done with it; every change says what it did and can be undone. */
export function useList(list: ShopList) {
  const { id: key, one } = list;
  const query = useQuery({ queryKey: [key], queryFn: () => client.list(list) });
  const say = useNotice();
  const { attempt } = useAttempt(key, one);
  const rows = query.data ?? NONE;
  const nameOf = useCallback(
    ({ fields }: Pick<ListRow, 'fields'>) => fields[list.columns[0]?.id ?? ''] ?? one,
    [list, one],
  );
  const add = useCallback(
    async (fields: ListFields): Promise<boolean> => {
      const [kept] = (await attempt(() => client.addToList(list, [fields]))) ?? [];
      if (!kept) return false;
      say(`On the list: ${nameOf(kept)}.`, {
        undo: () => void attempt(() => client.removeFromList(list, kept.id, kept.version)),
      });
      return true;
    },
    [list, attempt, say, nameOf],
  );
  const change = useCallback(
    async ({ id, version, fields }: ListRow, to: ListFields) => {
      const kept = await attempt(() =>
        client.changeInList(list, id, { version, fields: { ...fields, ...to } }),
      );
      if (!kept) return;
      const back = () => client.changeInList(list, id, { version: kept.version, fields });
      say(`Changed: ${nameOf(kept)}.`, { undo: () => void attempt(back) });
    },
    [list, attempt, say, nameOf],
  );
  const remove = useCallback(
    async (row: ListRow) => {
      if (!(await attempt(() => client.removeFromList(list, row.id, row.version)))) return;
      say(`${nameOf(row)} is off the list.`, {
        undo: () => void attempt(() => client.restoreInList(list, row.id)),
      });
    },
    [list, attempt, say, nameOf],
  );
  const read = useCallback(
    async (csv: string) => {
      const report = await attempt(() => client.importListCsv(list, csv));
      if (!report) return undefined;
      const takeBack = () =>
        Promise.all(report.rows.map(({ id, version }) => client.removeFromList(list, id, version)));
      return {
        kept: report.rows.length,
        problems: report.problems,
        undo: () => void attempt(takeBack),
      };
    },
    [list, attempt],
  );
  return { query, rows, nameOf, add, change, remove, read };
}
