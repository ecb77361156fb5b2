/** Since when what is shown was kept on this device; null while the server itself answers. */
let since: string | null = null;
const listeners = new Set<() => void>();

/** Told on an answer that came off the shelf: when the server gave it. */
export const KEPT_SINCE = 'X-Kept-Since';

/** What the last answer said of where it came from. */
export const reach = {
  subscribe: (listener: () => void): (() => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  },
  snapshot: (): string | null => since,
  heard: (answer: Pick<Response, 'headers'>): void => {
    const told = answer.headers.get(KEPT_SINCE);
    if (told === since) return;
    since = told;
    for (const listener of listeners) listener();
  },
};
