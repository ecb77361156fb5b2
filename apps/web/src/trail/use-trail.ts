import { type BatchRecord, type BoxRecord, type NewBox, newBox } from '@spare-knot/core/api';
import { FACINGS, UNTOLD_BOX } from '@spare-knot/core/trail';
import { useQuery } from '@tanstack/react-query';
import { useCallback } from 'react';
import { client } from '../api/client';
import { useNotice } from '../ui/notice';
import { useAttempt } from '../ui/use-attempt';
import { today } from './words';

const NONE: readonly BoxRecord[] = [];
export const TRAIL = { queryKey: ['trail'], queryFn: client.trail };

/** What a box says of itself, without what is known of its visits. */
export const toldOf = (box: BoxRecord): NewBox => {
  const { id: _id, version: _version, planKey: _key, visits: _visits, ...rest } = box;
  const { last: _last, cleanedOn: _cleanedOn, ...told } = rest;
  return told;
};

/** A box of which only its number is told. */
export const untoldBox = (number: number): NewBox => ({ ...UNTOLD_BOX, number, batch: null });

/** A box of a batch as it is hung today: what its plan and its batch say of it is told. */
export function hangingBox(
  { id, name, plan }: Pick<BatchRecord, 'id' | 'name' | 'plan'>,
  number: number,
): NewBox {
  const [animal = null] = plan.animals;
  const { facing, height, on } = plan.place;
  return {
    ...untoldBox(number),
    batch: id,
    animal,
    plan: name.slice(0, 120),
    facing: FACINGS.find((each) => each === facing) ?? null,
    height,
    mount: on,
    hungOn: today(),
  };
}

/** What is wrong with a box that is being told, by its field; null where nothing is. */
export function faultOf(box: NewBox): string | null {
  const read = newBox.safeEncode(box);
  if (read.success) return null;
  const [issue] = read.error.issues;
  return issue ? `${issue.path.join(' ')} ${issue.message}` : 'It cannot be kept like this.';
}

const boxWord = ({ number }: Pick<NewBox, 'number'>) => `Box ${number}`;

/** The boxes that are out and what can be done with the list; every change says what it did and can be undone. */
export function useTrail() {
  const query = useQuery(TRAIL);
  const say = useNotice();
  const { attempt } = useAttempt('trail', 'box');
  const boxes = query.data ?? NONE;
  const add = useCallback(
    async (added: readonly NewBox[]): Promise<readonly BoxRecord[] | undefined> => {
      const kept = await attempt(() => client.addBoxes(added));
      if (!kept) return undefined;
      const takeBack = () =>
        Promise.all(kept.map(({ id, version }) => client.removeBox(id, version)));
      const [first] = kept;
      say(
        first && kept.length === 1 ? `${boxWord(first)} is out.` : `${kept.length} boxes are out.`,
        {
          undo: () => void attempt(takeBack),
        },
      );
      return kept;
    },
    [attempt, say],
  );
  const change = useCallback(
    async (box: BoxRecord, to: NewBox): Promise<boolean> => {
      const kept = await attempt(() => client.changeBox(box.id, { ...to, version: box.version }));
      if (!kept) return false;
      const back = () => client.changeBox(box.id, { ...toldOf(box), version: kept.version });
      say(`Changed: ${boxWord(kept).toLowerCase()}.`, { undo: () => void attempt(back) });
      return true;
    },
    [attempt, say],
  );
  const remove = useCallback(
    async (box: BoxRecord): Promise<boolean> => {
      if (!(await attempt(() => client.removeBox(box.id, box.version)))) return false;
      say(`${boxWord(box)} is off the list, and its visits with it.`, {
        undo: () => void attempt(() => client.restoreBox(box.id)),
      });
      return true;
    },
    [attempt, say],
  );
  return { query, boxes, add, change, remove, attempt };
}
