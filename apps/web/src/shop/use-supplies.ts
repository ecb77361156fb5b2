import type { NewSupply, SupplyRecord } from '@spare-knot/core/api';
import { useQuery } from '@tanstack/react-query';
import { useCallback } from 'react';
import { client } from '../api/client';
import { useNotice } from '../ui/notice';
import { useAttempt } from '../ui/use-attempt';

const NONE: readonly SupplyRecord[] = [];

/** What lies in the shop’s drawers and what can be done with the list; every change says what it did and can be undone. */
export function useSupplies() {
  const query = useQuery({ queryKey: ['supplies'], queryFn: client.supplies });
  const say = useNotice();
  const { attempt } = useAttempt('supplies', 'thing in the drawers');
  const supplies = query.data ?? NONE;
  /** Puts something in, or changes what is there of it. */
  const tell = useCallback(
    async (supply: NewSupply) => {
      const before = supplies.find(({ item }) => item === supply.item);
      if (!before) {
        const added = await attempt(() => client.putSupplies([supply]));
        const [kept] = added ?? [];
        if (!kept) return;
        const undo = () => void attempt(() => client.removeSupply(kept.id, kept.version));
        say(`In the drawers: ${kept.name}.`, { undo });
        return;
      }
      const { id, version, ...was } = before;
      const changed = await attempt(() => client.changeSupply(id, { ...supply, version }));
      if (!changed) return;
      const back = () => client.changeSupply(id, { ...was, version: changed.version });
      say(`Changed: ${changed.name}.`, { undo: () => void attempt(back) });
    },
    [supplies, attempt, say],
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
