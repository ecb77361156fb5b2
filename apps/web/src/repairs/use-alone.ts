import type { BoxRecord } from '@spare-knot/core/api';
import type { Day } from '@spare-knot/core/building';
import { useMemo } from 'react';
import { useDue } from '../trail/use-due';

/** Until which day a box is left alone, since eggs or young may be in it; null where it may be opened. */
export function useAlone(box: BoxRecord): Day | null {
  const { due, day } = useDue(useMemo(() => [box], [box]));
  const alone = due[0]?.due.alone ?? null;
  return alone !== null && alone > day ? alone : null;
}
