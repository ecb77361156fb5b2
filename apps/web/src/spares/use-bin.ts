import type { NewSpares, SpareRecord } from '@spare-knot/core/api';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { client } from '../api/client';
import { useNotice } from '../ui/notice';
import { useAttempt } from '../ui/use-attempt';

const NONE: readonly SpareRecord[] = [];
export const BIN = { queryKey: ['bin'], queryFn: client.bin };

const counted = ({ name, count }: Pick<SpareRecord, 'name' | 'count'>) => `${count} × ${name}`;

/** The panels that are made ahead, and what can be done with them; every change says what it did and can be undone. */
export function useBin() {
  const query = useQuery(BIN);
  const queries = useQueryClient();
  const say = useNotice();
  const { attempt } = useAttempt('bin', 'panel in the bin');
  const spares = query.data ?? NONE;
  const put = useCallback(
    async (made: NewSpares): Promise<boolean> => {
      const before = new Map(
        (queries.getQueryData<SpareRecord[]>(BIN.queryKey) ?? []).map((each) => [each.id, each]),
      );
      const kept = await attempt(() => client.putInBin(made));
      if (!kept) return false;
      const takeBack = () =>
        Promise.all(
          kept.map(({ id, version, place }) => {
            const was = before.get(id);
            return was
              ? client.changeSpare(id, { version, count: was.count, place })
              : client.removeSpare(id, version);
          }),
        );
      say(
        `In the bin: ${kept.map((each) => `${each.name}, ${each.count} there now`).join('; ')}.`,
        { undo: () => void attempt(takeBack) },
      );
      return true;
    },
    [queries, attempt, say],
  );
  const change = useCallback(
    async (spare: SpareRecord, to: Partial<Pick<SpareRecord, 'count' | 'place'>>) => {
      const { id, version, count, place } = spare;
      const kept = await attempt(() => client.changeSpare(id, { version, count, place, ...to }));
      if (!kept) return;
      const back = () => client.changeSpare(id, { version: kept.version, count, place });
      say(`${counted(kept)}${kept.place ? `, ${kept.place}` : ''}.`, {
        undo: () => void attempt(back),
      });
    },
    [attempt, say],
  );
  const remove = useCallback(
    async (spare: SpareRecord) => {
      const { id, version } = spare;
      if (!(await attempt(() => client.removeSpare(id, version)))) return;
      say(`${counted(spare)} out of the bin for good.`, {
        undo: () => void attempt(() => client.restoreSpare(id)),
      });
    },
    [attempt, say],
  );
  return { query, spares, put, change, remove };
}
