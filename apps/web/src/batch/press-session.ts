import { z } from 'zod';
import { newKey, Trouble } from '../api/client';
import { messageOf } from '../ui/message-of';

/** What is on the screen of work that is told by presses. */
export interface PressState<Progress> {
  /** As the server keeps it and as it was pressed here since. */
  progress: Progress;
  keeping:
    | { state: 'kept' }
    | { state: 'keeping' }
    /** It waits, or it did not fit and is let go. */
    | { state: 'not kept' | 'let go'; why: string };
}

/** Whatever keeps text until it is taken off again. */
export type Shelf = Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>;

/** How one kind of work is told and kept. */
export interface PressedWork<Said, Progress> {
  /** As the server kept it when the page came. */
  start: Progress;
  /** What one press says. */
  said: z.ZodType<Said>;
  shelfKey: string;
  /** Gives what is kept by then; null where it belongs to other work by now. */
  send(said: Said, key: string): Promise<Progress | null>;
  look(): Promise<Progress | null>;
  /** What is kept with one press more; as it is where the press does not fit it. */
  applied(progress: Progress, said: Said): Progress;
  isSame(a: Progress, b: Progress): boolean;
}

const RETRY = 3000;
/** How often another device's presses are asked for. */
const LOOK = 1500;

/** One press. Sent again under the same key until it is answered. */
interface Press<Said> {
  key: string;
  said: Said;
}

/**
 * Work that is told by presses. A press shows at once, waits in the browser's store until the server has it, and is sent once; what
 * another device pressed is put together with it. A press that no longer fits what is kept is let go, and told.
 */
export class PressSession<Said, Progress> {
  private state: PressState<Progress>;
  private kept: Progress;
  private waiting: Press<Said>[];
  private isSending = false;
  private isOpen = false;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private readonly listeners = new Set<() => void>();
  private readonly written: z.ZodType<Press<Said>[]>;

  constructor(
    private readonly work: PressedWork<Said, Progress>,
    private readonly shelf: Shelf,
  ) {
    this.written = z.array(z.object({ key: z.string().min(8), said: work.said }));
    this.kept = work.start;
    this.waiting = this.onShelf();
    this.state = { progress: this.shown(), keeping: { state: 'kept' } };
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly snapshot = (): PressState<Progress> => this.state;

  readonly open = (): void => {
    this.isOpen = true;
    void this.send();
  };

  readonly close = (): void => {
    this.isOpen = false;
    if (this.timer) clearTimeout(this.timer);
  };

  readonly press = (said: Said): void => {
    this.waiting = [...this.waiting, { key: newKey(), said }];
    this.put();
    this.show();
    void this.send();
  };

  /** Presses that an earlier page could not send. */
  private onShelf(): Press<Said>[] {
    try {
      const kept = z
        .array(z.record(z.string(), z.unknown()))
        .parse(JSON.parse(this.shelf.getItem(this.work.shelfKey) ?? '[]'));
      // A page before this one called what was said `cuts`.
      return this.written.parse(kept.map((press) => ({ said: press.cuts, ...press })));
    } catch {
      return [];
    }
  }

  /** Sends what waits, one press after the other; then looks what other devices did. */
  private async send(): Promise<void> {
    if (this.isSending || !this.isOpen) return;
    this.isSending = true;
    if (this.timer) clearTimeout(this.timer);
    let next = LOOK;
    try {
      for (let press = this.waiting[0]; press; press = this.waiting[0]) {
        this.hear(await this.work.send(press.said, press.key));
        this.drop(press);
      }
      if (this.isOpen) this.hear(await this.work.look());
      this.show();
      // Pressed while the answer was on its way.
      if (this.waiting.length > 0) next = 0;
    } catch (error) {
      next = RETRY;
      await this.fail(error);
    }
    this.isSending = false;
    if (this.isOpen) this.timer = setTimeout(() => void this.send(), next);
  }

  /** Without an answer a press waits; one that is refused is let go, and what is kept is shown. */
  private async fail(error: unknown): Promise<void> {
    const [press] = this.waiting;
    const isRefused = error instanceof Trouble && !error.passes;
    if (isRefused && press) this.drop(press);
    // What is kept may still be read where a press cannot be sent.
    this.hear(await this.work.look().catch(() => null));
    this.show({ state: isRefused && press ? 'let go' : 'not kept', why: messageOf(error) });
  }

  private hear(progress: Progress | null): void {
    if (progress !== null) this.kept = progress;
  }

  private drop(press: Press<Said>): void {
    this.waiting = this.waiting.filter((each) => each !== press);
    this.put();
  }

  private put(): void {
    const { shelfKey } = this.work;
    if (this.waiting.length === 0) this.shelf.removeItem(shelfKey);
    // As it is sent: what lies on the shelf is read by the schema of what is said.
    else this.shelf.setItem(shelfKey, JSON.stringify(z.encode(this.written, this.waiting)));
  }

  /** What is kept with what waits. */
  private shown(): Progress {
    return this.waiting.reduce(
      (progress, { said }) => this.work.applied(progress, said),
      this.kept,
    );
  }

  private show(keeping?: PressState<Progress>['keeping']): void {
    const next = this.shown();
    this.state = {
      progress: this.work.isSame(this.state.progress, next) ? this.state.progress : next,
      keeping: keeping ?? { state: this.waiting.length > 0 ? 'keeping' : 'kept' },
    };
    for (const listener of this.listeners) listener();
  }
}
