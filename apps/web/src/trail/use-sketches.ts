import type { SketchChange, SketchRecord } from '@spare-knot/core/api';
import { useQuery } from '@tanstack/react-query';
import { useCallback } from 'react';
import { client } from '../api/client';
import { messageOf } from '../ui/message-of';
import { useNotice } from '../ui/notice';
import { useAttempt } from '../ui/use-attempt';
import { smallSketch } from './photo';

const NONE: readonly SketchRecord[] = [];

/** The maker’s own pictures of the place, and what can be done with them; every change says what it did and can be undone. */
export function useSketches() {
  const query = useQuery({ queryKey: ['sketches'], queryFn: client.sketches });
  const say = useNotice();
  const { attempt } = useAttempt('sketches', 'sketch');
  const add = useCallback(
    async (file: File): Promise<SketchRecord | undefined> => {
      const picture = await smallSketch(file).catch((error: unknown) => {
        say(`Not kept: ${messageOf(error)}.`, { tone: 'danger' });
        return null;
      });
      if (!picture) return undefined;
      const name = file.name.replace(/\.[^.]*$/, '').slice(0, 120) || 'Sketch';
      const kept = await attempt(() => client.addSketch({ name, spots: [], ...picture }));
      if (kept)
        say(`“${kept.name}” is kept.`, {
          undo: () => void attempt(() => client.removeSketch(kept.id, kept.version)),
        });
      return kept;
    },
    [attempt, say],
  );
  const change = useCallback(
    async (
      { id, version, name, spots }: SketchRecord,
      to: Partial<Omit<SketchChange, 'version'>>,
    ) => {
      const kept = await attempt(() => client.changeSketch(id, { version, name, spots, ...to }));
      if (!kept) return;
      const back = () => client.changeSketch(id, { version: kept.version, name, spots });
      say(`Changed: “${kept.name}”.`, { undo: () => void attempt(back) });
    },
    [attempt, say],
  );
  const remove = useCallback(
    async ({ id, version, name }: SketchRecord) => {
      if (!(await attempt(() => client.removeSketch(id, version)))) return;
      say(`“${name}” is off the list.`, {
        undo: () => void attempt(() => client.restoreSketch(id)),
      });
    },
    [attempt, say],
  );
  return { sketches: query.data ?? NONE, add, change, remove };
}
