import type { ShopRecord } from '@spare-knot/core/api';
import { useQuery } from '@tanstack/react-query';
import { useCallback } from 'react';
import { client } from '../api/client';
import { useNotice } from '../ui/notice';
import { useAttempt } from '../ui/use-attempt';

type Tools = ShopRecord;

/** What the shop owns beside its wood, and how it is changed; a change says what it did and can be undone. */
export function useTools() {
  const query = useQuery({ queryKey: ['shop'], queryFn: client.shop });
  const say = useNotice();
  const { attempt } = useAttempt('shop', 'list of tools');
  const shop = query.data;
  const change = useCallback(
    async (next: Partial<Tools>, said?: string) => {
      if (!shop) return undefined;
      const changed = await attempt(() => client.changeShop({ ...shop, ...next }));
      if (changed && said) {
        const back = () => client.changeShop({ ...shop, version: changed.version });
        say(said, { undo: () => void attempt(back) });
      }
      return changed;
    },
    [shop, attempt, say],
  );
  return { query, shop, change };
}
