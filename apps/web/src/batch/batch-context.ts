import { type BatchRecord, liesReady } from '@spare-knot/core/api';
import type { ReadyPieces } from '@spare-knot/core/job';
import type { BuiltBox, Derived, PanelSet } from '@spare-knot/core/panels';
import type { BoxPlan } from '@spare-knot/core/plan';

import { createContext, useContext, useMemo } from 'react';
import type { BatchSession, BatchState } from './batch-session';
import type { Draft } from './draft';

/** What stations work on: a draft without its name, which changes with every key that is typed in it. */
export type Work = Omit<Draft, 'name'>;

export interface BatchOnBench extends Pick<BatchState, 'batch'> {
  draft: Work;
  session: BatchSession;
  edit: BatchSession['edit'];
  /** What the plan gives now. */
  built: BuiltBox;
  /** The last sound box: stays on the screen while a size cannot be built. */
  sound: { plan: BoxPlan; box: PanelSet; derived: readonly Derived[] } | null;
  /** True when boards are taken: look, but do not change. */
  locked: boolean;
}

export const BatchContext = createContext<BatchOnBench | null>(null);

export function useBatch(): BatchOnBench {
  const value = useContext(BatchContext);
  if (!value) throw new Error('a station stands outside its batch');
  return value;
}

/** What need not be sawn for the batch; the same while it says the same. */
export function useReady(): readonly ReadyPieces[] {
  const said = JSON.stringify(liesReady(useBatch().batch));
  return useMemo(() => JSON.parse(said) as ReadyPieces[], [said]);
}

/** What is set aside for the batch from the bin. */
export const useFromBin = (): BatchRecord['ready'] => useBatch().batch.ready;

/** The batch's name, for what is named after it. */
export const BatchNameContext = createContext('');
export const useBatchName = (): string => useContext(BatchNameContext);
