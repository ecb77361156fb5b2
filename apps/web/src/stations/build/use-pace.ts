import type { PaceRecord } from '@spare-knot/core/api';
import { useQuery } from '@tanstack/react-query';
import { client } from '../../api/client';

export const NO_PACE: PaceRecord = {};

/** How long work at the bench takes in this shop; undefined until that is known. */
export const usePace = (): PaceRecord | undefined =>
  useQuery({ queryKey: ['pace'], queryFn: client.pace, staleTime: 60_000 }).data;
