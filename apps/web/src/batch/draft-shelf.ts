import type { TextStore } from '../store/steady-store';
import type { Windows } from '../store/windows';

/** What is typed in one window and not kept lies under its batch and its window; what an earlier release left, under its batch alone. */
const PREFIX = 'spare-knot.draft.';
const TORN = 'spare-knot.torn.';

/** Where unsaved changes of one batch wait, each window's by itself. */
export class DraftShelf {
  constructor(
    private readonly batch: string,
    private readonly store: TextStore,
    private readonly windows: Pick<Windows, 'own' | 'open' | 'alone'>,
  ) {}

  read(): string | null {
    return this.store.getItem(this.key);
  }

  lay(text: string): void {
    this.store.setItem(this.key, text);
  }

  clear(): void {
    this.store.removeItem(this.key);
  }

  /** What cannot be read is not thrown away: somebody may be able to. */
  setAside(text: string): void {
    this.store.setItem(`${TORN}${this.batch}.${Date.now()}`, text);
  }

  /**
   * Hands over what a window left that is closed by now, if any did; it is taken off the shelf when `take` says that it has it. Of two
   * windows that ask at once one gets it.
   */
  async leftOver(take: (text: string) => boolean): Promise<void> {
    const open = await this.windows.open();
    await this.windows.alone(() => {
      const key = this.keys().find((each) => !this.isOfOpen(each, open));
      const text = key === undefined ? null : this.store.getItem(key);
      if (key === undefined || text === null) return;
      if (take(text)) this.store.removeItem(key);
    });
  }

  private get key(): string {
    return `${PREFIX}${this.batch}.${this.windows.own}`;
  }

  private keys(): string[] {
    const { store } = this;
    const all = Array.from({ length: store.length }, (_, index) => store.key(index) ?? '');
    const own = `${PREFIX}${this.batch}`;
    return all.filter((key) => key === own || key.startsWith(`${own}.`)).sort();
  }

  private isOfOpen(key: string, open: ReadonlySet<string> | null): boolean {
    if (key === this.key) return true;
    const window = key.slice(`${PREFIX}${this.batch}.`.length);
    return window !== '' && open !== null && open.has(window);
  }
}
