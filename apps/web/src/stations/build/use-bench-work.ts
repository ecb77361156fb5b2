import { type WorkRecord, type WorkTold, workTold } from '@spare-knot/core/api';
import { type PlannedWork, type Work, workKey } from '@spare-knot/core/building';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { client } from '../../api/client';
import { PressSession, type PressState } from '../../batch/press-session';
import { lasting } from '../../store/steady-store';

type Done = WorkRecord['done'];

function applied(before: Done, { done, undone }: WorkTold): Done {
  const gone = new Set(undone.map(workKey));
  const kept = before.filter((work) => !gone.has(workKey(work)));
  const known = new Set(kept.map(workKey));
  const at = new Date().toISOString();
  return [
    ...kept,
    ...done
      .filter((work) => !known.has(workKey(work)))
      .map(({ minutes: _minutes, ...work }) => ({ ...work, at })),
  ];
}

const isSame = (a: Done, b: Done): boolean =>
  a.length === b.length && a.every((work, index) => workKey(work) === workKey(b[index] ?? work));

/** Work at the bench as the server keeps it and as it was pressed here since. */
export class BenchSession extends PressSession<WorkTold, Done> {
  constructor(
    id: string,
    start: Done,
    server: Pick<typeof client, 'keepWork' | 'work'>,
    shelf: Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>,
  ) {
    super(
      {
        start,
        said: workTold,
        shelfKey: `spare-knot.work.${id}`,
        send: async (told, key) => (await server.keepWork(id, told, key)).done,
        look: async () => (await server.work(id)).done,
        applied,
        isSame,
      },
      shelf,
    );
  }
}

/** What is done at the bench, and how it is told. */
export interface BenchWork {
  keeping: PressState<Done>['keeping'];
  isDone: (work: Work) => boolean;
  /** When it was told to be done, in milliseconds; null where it is not. */
  doneAt: (work: Work) => number | null;
  tell: (work: readonly PlannedWork[], isDone: boolean) => void;
}

const NOTHING: Done = [];

/** One session for as long as the station is open. */
export function useBenchWork(id: string): BenchWork {
  const queries = useQueryClient();
  const [session] = useState(
    () =>
      new BenchSession(id, queries.getQueryData<Done>(['work', id]) ?? NOTHING, client, lasting),
  );
  const state = useSyncExternalStore(session.subscribe, session.snapshot);
  useEffect(() => {
    session.open();
    return session.close;
  }, [session]);
  const { progress, keeping } = state;
  useEffect(() => {
    queries.setQueryData<Done>(['work', id], progress);
  }, [queries, id, progress]);
  return useMemo(() => {
    const times = new Map(progress.map((work) => [workKey(work), Date.parse(work.at)]));
    const doneAt = (work: Work) => times.get(workKey(work)) ?? null;
    return {
      keeping,
      isDone: (work) => doneAt(work) !== null,
      doneAt,
      tell: (work, isDone) =>
        session.press({
          done: isDone ? [...work] : [],
          undone: isDone ? [] : work.map(({ kind, key, box }) => ({ kind, key, box })),
        }),
    };
  }, [progress, keeping, session]);
}
