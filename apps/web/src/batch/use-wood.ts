import { type BoardRecord, boardOffered, type OfferRecord } from '@spare-knot/core/api';
import { useMemo } from 'react';
import { useRack } from '../rack/use-rack';
import { useYard } from '../yard/use-yard';
import { useBatch } from './batch-context';

const NONE: readonly OfferRecord[] = [];

export interface WoodOfBatch {
  /** Boards on the rack, or those that were taken for the batch. */
  rack: readonly BoardRecord[];
  /** What yards offer; nothing once boards are taken. */
  offers: readonly OfferRecord[];
  /** Both as boards, as layouts name them. */
  all: readonly BoardRecord[];
  /** Whether everything there is has come from the server. */
  isKnown: boolean;
  error: Error | null;
  retry: () => void;
}

/** The wood that a batch can be laid out on. */
export function useWood(): WoodOfBatch {
  const { batch } = useBatch();
  const { accepted } = batch;
  const rack = useRack();
  const yard = useYard();
  const boards: readonly BoardRecord[] = accepted ? accepted.boards : rack.boards;
  const offers = accepted ? NONE : yard.offers;
  const all = useMemo(() => [...boards, ...offers.map(boardOffered)], [boards, offers]);
  return {
    rack: boards,
    offers,
    all,
    isKnown: accepted !== null || (rack.query.data !== undefined && yard.query.data !== undefined),
    error: rack.query.error ?? yard.query.error,
    retry: () => void Promise.all([rack.query.refetch(), yard.query.refetch()]),
  };
}
