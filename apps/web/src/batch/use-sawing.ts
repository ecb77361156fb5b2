import type { SawingRecord } from '@spare-knot/core/api';
import { type Copy, cutAtHand, type Progress, partsIn } from '@spare-knot/core/cuts';
import { useQuery } from '@tanstack/react-query';
import { client } from '../api/client';

export const sawingKey = (id: string) => ['sawing', id];

/** The cut plan of a batch whose boards are taken, and how far it is; null before sawing has begun. */
export const useSawing = (id: string, isTaken: boolean) =>
  useQuery({ queryKey: sawingKey(id), queryFn: () => client.sawing(id), enabled: isTaken });

/** Panels that lie in pieces that went wrong. */
const lostParts = ({ plan }: SawingRecord, { ruined }: Progress): Copy[] =>
  ruined.flatMap(({ piece }) => {
    const [index, id = ''] = piece.split(':');
    const board = plan.boards[Number(index)];
    return board ? partsIn(board, id) : [];
  });

/** What is known of a batch’s sawing, with another progress: what has to be sawn again follows from it. */
export function withProgress(sawing: SawingRecord, progress: Progress): SawingRecord {
  const keyOf = ({ part, copy }: Copy) => `${copy} ${part}`;
  const before = new Set(lostParts(sawing, sawing.progress).map(keyOf));
  const unplaced = sawing.wanted.filter((each) => !before.has(keyOf(each)));
  return { ...sawing, progress, wanted: [...unplaced, ...lostParts(sawing, progress)] };
}

/** Whether every cut is made and no panel is missing. */
export const isSawn = (sawing: SawingRecord | null | undefined): boolean =>
  !!sawing && sawing.wanted.length === 0 && cutAtHand(sawing.plan, sawing.progress) === null;
