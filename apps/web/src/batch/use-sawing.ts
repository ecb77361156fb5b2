import type { SawingRecord } from '@spare-knot/core/api';
import { copyKey, cutAtHand, lostParts, type Progress } from '@spare-knot/core/cuts';
import { useQuery } from '@tanstack/react-query';
import { client } from '../api/client';

export const sawingKey = (id: string) => ['sawing', id];

/** The cut plan of a batch whose boards are taken, and how far it is; null before sawing has begun. */
export const useSawing = (id: string, isTaken: boolean) =>
  useQuery({ queryKey: sawingKey(id), queryFn: () => client.sawing(id), enabled: isTaken });

/** What is known of a batch’s sawing, with another progress: what has to be sawn again follows from it. */
export function withProgress(sawing: SawingRecord, progress: Progress): SawingRecord {
  const { boards } = sawing.plan;
  const before = new Set(lostParts(boards, sawing.progress).map(copyKey));
  const unplaced = sawing.wanted.filter((each) => !before.has(copyKey(each)));
  return { ...sawing, progress, wanted: [...unplaced, ...lostParts(boards, progress)] };
}

/** Whether every cut is made and no panel is missing. */
export const isSawn = (sawing: SawingRecord | null | undefined): boolean =>
  !!sawing && sawing.wanted.length === 0 && cutAtHand(sawing.plan, sawing.progress) === null;
