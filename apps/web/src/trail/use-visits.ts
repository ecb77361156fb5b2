import type { NewVisit } from '@spare-knot/core/api';
import { useCallback, useSyncExternalStore } from 'react';
import { client } from '../api/client';
import { queries } from '../api/queries';
import { lasting } from '../store/steady-store';
import { messageOf } from '../ui/message-of';
import { useNotice } from '../ui/notice';
import { VisitOutbox } from './visit-outbox';

/** One for the whole page: visits are sent whatever place is shown. */
const outbox = new VisitOutbox(client, lasting, () => {
  void queries.invalidateQueries({ queryKey: ['trail'] });
  void queries.invalidateQueries({ queryKey: ['box'] });
  void queries.invalidateQueries({ queryKey: ['season'] });
});
addEventListener('online', () => void outbox.send());
void outbox.send();

/** Visits that wait to be sent, and recording another. */
export function useVisits() {
  const waiting = useSyncExternalStore(outbox.subscribe, outbox.snapshot);
  const say = useNotice();
  const record = useCallback(
    (visit: NewVisit, photo: string | null): boolean => {
      try {
        outbox.record(visit, photo);
        return true;
      } catch (error) {
        say(
          `This browser has no room for it: ${messageOf(error)}. Nothing was recorded; leave the photo out, or send first what waits.`,
          { tone: 'danger' },
        );
        return false;
      }
    },
    [say],
  );
  return { waiting, record, again: outbox.again, discard: outbox.discard };
}
