import type { UnreadableRow } from '@spare-knot/core/api';

const NONE: readonly UnreadableRow[] = [];
const byList = new Map<string, readonly UnreadableRow[]>();
const listeners = new Set<() => void>();

/** What of the lists that were last read could not be read, by the path of the list. */
export const unreadableRows = {
  subscribe: (listener: () => void): (() => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  },
  of: (list: string): readonly UnreadableRow[] => byList.get(list) ?? NONE,
  heard: (list: string, rows: readonly UnreadableRow[]): void => {
    if (rows.length === 0 && !byList.has(list)) return;
    byList.set(list, rows);
    for (const listener of listeners) listener();
  },
};
