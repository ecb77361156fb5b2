import type { SawingRecord } from '@spare-knot/core/api';
import { cutsInOrder } from '@spare-knot/core/cuts';
import { useQuery } from '@tanstack/react-query';
import { client } from '../api/client';

export const sawingKey = (id: string) => ['sawing', id];

/** The cut plan of a batch whose boards are taken, and how far it is; null before sawing has begun. */
export const useSawing = (id: string, isTaken: boolean) =>
  useQuery({ queryKey: sawingKey(id), queryFn: () => client.sawing(id), enabled: isTaken });

/** Whether every cut is made. */
export const isSawn = (sawing: SawingRecord | null | undefined): boolean =>
  !!sawing && sawing.progress.done.length === cutsInOrder(sawing.plan).length;
