import { useState } from 'react';
import { lasting } from '../../store/steady-store';

/** How lengths are marked: at a stop, all of a board before it is sawn, or one after the other from a fresh end. */
export const MARKINGS = {
  stop: 'at a stop',
  all: 'all marked first',
  single: 'one at a time',
} as const;
export type Marking = keyof typeof MARKINGS;

const MARKING_SHELF = 'spare-knot.marking';
const isMarking = (kept: string | null): kept is Marking => kept !== null && kept in MARKINGS;

/** How this device’s maker marks: as it was left. */
export function useMarking(): [Marking, (marking: Marking) => void] {
  const [marking, set] = useState<Marking>(() => {
    const kept = lasting.getItem(MARKING_SHELF);
    return isMarking(kept) ? kept : 'stop';
  });
  return [
    marking,
    (next) => {
      lasting.setItem(MARKING_SHELF, next);
      set(next);
    },
  ];
}
