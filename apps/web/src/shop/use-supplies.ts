import type { NewSupply, SupplyRecord } from '@spare-knot/core/api';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { client } from '../api/client';
import { useNotice } from '../ui/notice';
import { useAttempt } from '../ui/use-attempt';

const NONE: readonly SupplyRecord[] = [];

const SUPPLIES = ['supplies'];

/** One change after the other: what is typed in two fields of one thing is both kept, each on what the other left. */
let last: Promise<void> = Promise.resolve();
const afterTheLast = (work: () => Promise<void>): Promise<void> => {
  last = last.then(work, work);
  return last;
};

/** What lies in the shop’s drawers and what can be done with the list; every change says what it did and can be undone. */
export function useSupplies() {
  const query = useQuery({ queryKey: SUPPLIES, queryFn: client.supplies });
  const queries = useQueryClient();
  const say = useNotice();
  const { attempt } = useAttempt('supplies', 'thing in the drawers');
  const supplies = query.data ?? NONE;
  /** Puts something in, or changes some of what is there of it. */
  const tell = useCallback(
    (supply: NewSupply, change: Partial<NewSupply> = {}) =>
      afterTheLast(async () => {
        // Told before the list has come, it waits for it: what is there of it stays.
        const there =
          queries.getQueryData<readonly SupplyRecord[]>(SUPPLIES) ??
          (await attempt(() =>
            queries.ensureQueryData({ queryKey: SUPPLIES, queryFn: client.supplies }),
          ));
        if (!there) return;
        const before = there.find(({ item }) => item === supply.item);
        if (!before) {
          const added = await attempt(() => client.putSupplies([{ ...supply, ...change }]));
          const [kept] = added ?? [];
          if (!kept) return;
          const undo = () => void attempt(() => client.removeSupply(kept.id, kept.version));
          say(`In the drawers: ${kept.name}.`, { undo });
          return;
        }
        const { id, ...was } = before;
        const changed = await attempt(() => client.changeSupply(id, { ...was, ...change }));
        if (!changed) return;
        const back = () => client.changeSupply(id, { ...was, version: changed.version });
        say(`Changed: ${changed.name}.`, { undo: () => void attempt(back) });
      }),
    [queries, attempt, say],
  );
  const remove = useCallback(
    async ({ id, version, name }: SupplyRecord) => {
      if (!(await attempt(() => client.removeSupply(id, version)))) return;
      const undo = () => void attempt(() => client.restoreSupply(id));
      say(`${name} is off the list.`, { undo });
    },
    [attempt, say],
  );
  return { query, supplies, tell, remove, attempt };
}
