import type { NewOffer, OfferRecord } from '@spare-knot/core/api';
import { useQuery } from '@tanstack/react-query';
import { useCallback } from 'react';
import { client } from '../api/client';
import { useNotice } from '../ui/notice';
import { useAttempt } from '../ui/use-attempt';

const NONE: readonly OfferRecord[] = [];

/** What the yards sell and what can be done with the list; every change says what it did and can be undone. */
export function useYard() {
  const query = useQuery({ queryKey: ['yard'], queryFn: client.yard });
  const say = useNotice();
  const { attempt } = useAttempt('yard', 'offer');
  const add = useCallback(
    async (offers: NewOffer[]) => {
      const added = await attempt(() => client.addOffers(offers));
      if (!added) return undefined;
      const undo = () =>
        void attempt(() =>
          Promise.all(added.map(({ id, version }) => client.removeOffer(id, version))),
        );
      say(`On the list: ${added.map(({ name }) => name).join(', ')}.`, { undo });
      return added;
    },
    [attempt, say],
  );
  const change = useCallback(
    async (offer: OfferRecord, next: Partial<NewOffer>) => {
      const { id, ...kept } = offer;
      const changed = await attempt(() => client.changeOffer(id, { ...kept, ...next }));
      if (!changed) return;
      const changeBack = () => client.changeOffer(id, { ...kept, version: changed.version });
      say(`Changed: ${changed.name}.`, { undo: () => void attempt(changeBack) });
    },
    [attempt, say],
  );
  const remove = useCallback(
    async (offer: OfferRecord) => {
      if (!(await attempt(() => client.removeOffer(offer.id, offer.version)))) return;
      const undo = () => void attempt(() => client.restoreOffer(offer.id));
      say(`${offer.name} is off the list.`, { undo });
    },
    [attempt, say],
  );
  return { query, offers: query.data ?? NONE, add, change, remove, attempt };
}
