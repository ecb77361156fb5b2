/** Whatever keeps text by keys: the browser's own store, or one that stands in for it. */
export type TextStore = Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>;

/** `works`; `full`: no room for more; `forbidden`: the browser lets nothing be kept. */
export type StoreState = 'works' | 'full' | 'forbidden';

const isFull = (error: unknown): boolean =>
  error instanceof Error && /quota/i.test(`${error.name} ${error.message}`);

/**
 * The browser's store, or what there is of it. What it will not take is kept in memory, as long as this window is open, and whoever asks is
 * told that it is so: a page whose store is full or forbidden works, and says what that means.
 */
export class SteadyStore implements TextStore {
  private readonly memory = new Map<string, string>();
  private state: StoreState = 'works';
  private readonly listeners = new Set<() => void>();

  /** @param open gives the store; it may throw, and so may all that is asked of it */
  constructor(private readonly open: () => TextStore) {
    this.tryOut(() => this.open().length);
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly snapshot = (): StoreState => this.state;

  getItem(key: string): string | null {
    return this.memory.get(key) ?? this.tryOut(() => this.open().getItem(key)) ?? null;
  }

  setItem(key: string, text: string): void {
    try {
      this.open().setItem(key, text);
      this.memory.delete(key);
      if (this.memory.size === 0) this.become('works');
    } catch (error) {
      this.memory.set(key, text);
      // What lies there under this key is older: it must not come back after a reload as if it were the last.
      this.tryOut(() => this.open().removeItem(key));
      this.become(isFull(error) ? 'full' : 'forbidden');
    }
  }

  removeItem(key: string): void {
    this.memory.delete(key);
    this.tryOut(() => this.open().removeItem(key));
    if (this.memory.size === 0 && this.state === 'full') this.become('works');
  }

  key(index: number): string | null {
    return this.keys()[index] ?? null;
  }

  get length(): number {
    return this.keys().length;
  }

  private keys(): string[] {
    const kept = this.tryOut(() => {
      const store = this.open();
      return Array.from({ length: store.length }, (_, index) => store.key(index) ?? '');
    });
    return [...new Set([...(kept ?? []), ...this.memory.keys()])];
  }

  private tryOut<T>(ask: () => T): T | undefined {
    try {
      return ask();
    } catch {
      this.become('forbidden');
      return undefined;
    }
  }

  private become(state: StoreState): void {
    if (state === this.state) return;
    this.state = state;
    for (const listener of this.listeners) listener();
  }
}

/** What outlives the window, and what goes with it. */
export const lasting = new SteadyStore(() => globalThis.localStorage);
export const ofWindow = new SteadyStore(() => globalThis.sessionStorage);
