import { ofWindow, type TextStore } from './steady-store';

/** As much of the browser's locks as is used here (W3C, Web Locks API). */
export interface Locks {
  request<T>(
    name: string,
    options: { ifAvailable?: boolean },
    hold: (lock: unknown) => T | Promise<T>,
  ): Promise<T>;
  query(): Promise<{ held?: { name?: string | undefined }[] | undefined }>;
}

const KEY = 'spare-knot.window';
const lockOf = (window: string): string => `spare-knot.window.${window}`;
const newName = (): string => Math.random().toString(36).slice(2, 10);

/**
 * Which window this is. Each has a name of its own, which it has again after a reload; as long as it is open it holds a lock of that name,
 * so that the others know.
 */
export class Windows {
  /** The name of this one. */
  own: string;
  /** Settled when this window's name is its own alone. */
  readonly settled: Promise<void>;

  /** @param locks null where the browser has none, as away from the house's own address */
  constructor(
    private readonly store: TextStore,
    private readonly locks: Locks | null,
  ) {
    this.own = store.getItem(KEY) ?? newName();
    store.setItem(KEY, this.own);
    this.settled = this.claim();
  }

  /** The names of the windows that are open; null where nobody can tell. */
  async open(): Promise<ReadonlySet<string> | null> {
    if (!this.locks) return null;
    await this.settled;
    const { held = [] } = await this.locks.query();
    const names = held.map(({ name = '' }) => name);
    const prefix = lockOf('');
    return new Set(
      names.filter((name) => name.startsWith(prefix)).map((name) => name.slice(prefix.length)),
    );
  }

  /** Does something while no other window does the same. */
  async alone(work: () => void): Promise<void> {
    if (this.locks) await this.locks.request('spare-knot.alone', {}, work);
    else work();
  }

  /** Holds the lock of its name till it is closed. A window that was doubled has its name from the other: it takes a new one. */
  private claim(): Promise<void> {
    const { locks } = this;
    if (!locks) return Promise.resolve();
    return new Promise((settled) => {
      void locks.request(lockOf(this.own), { ifAvailable: true }, (lock) => {
        if (lock !== null) {
          settled();
          return new Promise<void>(() => {});
        }
        this.own = newName();
        this.store.setItem(KEY, this.own);
        void this.claim().then(settled);
        return undefined;
      });
    });
  }
}

/** This window. */
export const windows = new Windows(
  ofWindow,
  (globalThis.navigator as { locks?: Locks } | undefined)?.locks ?? null,
);
