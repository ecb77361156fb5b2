import type {
  BeyondMending,
  BoxRecord,
  NewRepairs,
  PlanVersion,
  RepairRecord,
  TakenApart,
  WantedRepair,
} from '@spare-knot/core/api';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { client } from '../api/client';
import { toldOf } from '../trail/use-trail';
import { useNotice } from '../ui/notice';
import { useAttempt } from '../ui/use-attempt';

export const REPAIRS = { queryKey: ['repairs'], queryFn: () => client.repairs() };
const NONE: readonly RepairRecord[] = [];
const NOTHING: readonly WantedRepair[] = [];
const NO_PLANS: readonly PlanVersion[] = [];

/** `Roof of box 12`, or the words that were told of it. */
export const repairWords = ({ name, count, number, what }: RepairRecord): string =>
  `${count > 1 ? `${count} × ` : ''}${name || what} of box ${number}`;

const several = (repairs: readonly RepairRecord[]): string => {
  const [first] = repairs;
  return repairs.length === 1 && first ? repairWords(first) : `${repairs.length} repairs`;
};

/** Takes back that a box was taken apart: it hangs again, what was kept of it is gone. */
async function putTogether(
  before: BoxRecord,
  { bin }: Pick<BeyondMending, 'bin'>,
  { box, repairs, spares, boards }: TakenApart,
): Promise<void> {
  await client.changeBox(box.id, { ...toldOf(before), version: box.version });
  if (repairs.length > 0) await client.repairsDone({ repairs, closedOn: null, how: '' });
  for (const { id, version, count, place, panel } of spares) {
    const left = count - (bin.find((each) => each.panel === panel)?.count ?? 0);
    if (left > 0) await client.changeSpare(id, { version, count: left, place });
    else await client.removeSpare(id, version);
  }
  for (const { id, version } of boards) await client.removeBoard(id, version);
}

/** What is broken of the boxes that are out, and what can be done about it; every change says what it did and can be undone. */
export function useRepairs() {
  const query = useQuery(REPAIRS);
  const queries = useQueryClient();
  const say = useNotice();
  const { attempt } = useAttempt('repairs', 'repair');
  const also = useCallback(
    (...keys: string[]) =>
      Promise.all(keys.map((key) => queries.invalidateQueries({ queryKey: [key] }))),
    [queries],
  );
  const tell = useCallback(
    async (told: NewRepairs): Promise<boolean> => {
      const kept = await attempt(() => client.tellRepairs(told));
      if (!kept) return false;
      const back = () =>
        Promise.all(kept.map(({ id, version }) => client.removeRepair(id, version)));
      say(`To be mended: ${several(kept)}.`, { undo: () => void attempt(back) });
      return true;
    },
    [attempt, say],
  );
  const done = useCallback(
    async (repairs: readonly RepairRecord[], on: string, how = '') => {
      const kept = await attempt(() => client.repairsDone({ repairs, closedOn: on, how }));
      if (!kept) return;
      const back = () => client.repairsDone({ repairs: kept, closedOn: null, how: '' });
      say(`Mended: ${several(kept)}.`, { undo: () => void attempt(back) });
    },
    [attempt, say],
  );
  const remove = useCallback(
    async (repair: RepairRecord) => {
      const { id, version } = repair;
      if (!(await attempt(() => client.removeRepair(id, version)))) return;
      say(`${repairWords(repair)} is off the list.`, {
        undo: () => void attempt(() => client.restoreRepair(id)),
      });
    },
    [attempt, say],
  );
  const takeApart = useCallback(
    async (box: BoxRecord, told: BeyondMending): Promise<boolean> => {
      const all = () => also('trail', 'box', 'bin', 'rack');
      const kept = await attempt(() => client.takeApart(box.id, told));
      await all();
      if (!kept) return false;
      say(`Box ${box.number} is taken down for good.`, {
        undo: () => void attempt(() => putTogether(box, told, kept)).then(all),
      });
      return true;
    },
    [attempt, also, say],
  );
  const { repairs = NONE, wanted = NOTHING, plans = NO_PLANS } = query.data ?? {};
  return { query, repairs, wanted, plans, attempt, tell, done, remove, takeApart };
}

/** The version of a plan that a box was built by; undefined until it is there, or where nobody knows it. */
export function usePlanVersion(key: string | null): PlanVersion | undefined {
  const { data } = useQuery({
    queryKey: ['plan-version', key],
    queryFn: () => client.planVersion(key ?? ''),
    enabled: key !== null,
    // It never changes.
    staleTime: Number.POSITIVE_INFINITY,
  });
  return data;
}
