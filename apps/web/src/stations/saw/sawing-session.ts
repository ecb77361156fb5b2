import { type SawnCuts, sawnCuts } from '@spare-knot/core/api';
import { type NamedPlan, type Progress, progressProblems } from '@spare-knot/core/cuts';
import { z } from 'zod';
import { newKey, Trouble } from '../../api/client';
import { messageOf } from '../../ui/message-of';

/** What is on the screen of a batch that is being sawn. */
export interface SawingState {
  /** Cuts that are made, as the server keeps them and as they were pressed here since. */
  done: readonly string[];
  keeping:
    | { state: 'kept' }
    | { state: 'keeping' }
    /** It waits, or it did not fit and is let go. */
    | { state: 'not kept' | 'let go'; why: string };
}

export interface SawingServer {
  keepCuts(id: string, cuts: SawnCuts, key: string): Promise<Progress>;
  sawingProgress(id: string): Promise<Progress>;
}

type Shelf = Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>;

/** One press: cuts made, or taken back. Sent again under the same key until it is answered. */
const keptPress = z.object({ key: z.string().min(8), cuts: sawnCuts });
type Press = z.output<typeof keptPress>;

const shelfKey = (id: string): string => `spare-knot.sawing.${id}`;
const RETRY = 3000;
/** How often another device's presses are asked for. */
const LOOK = 1500;

/** Presses that an earlier page could not send. */
function waitingOn(shelf: Shelf, id: string): Press[] {
  try {
    return z.array(keptPress).parse(JSON.parse(shelf.getItem(shelfKey(id)) ?? '[]'));
  } catch {
    return [];
  }
}

const applied = (done: readonly string[], { done: made, undone }: SawnCuts): string[] => {
  const rest = done.filter((cut) => !undone.includes(cut));
  return [...rest, ...made.filter((cut) => !rest.includes(cut))];
};

/**
 * Sawing of one batch. A press shows at once, waits in the browser's store until the server has it, and is sent once; what another
 * device pressed is put together with it. A press that no longer fits what is kept is let go, and told.
 */
export class SawingSession {
  private state: SawingState;
  private kept: readonly string[];
  private waiting: Press[];
  private isSending = false;
  private isOpen = false;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private readonly listeners = new Set<() => void>();

  constructor(
    private readonly id: string,
    private readonly plan: NamedPlan,
    { done }: Progress,
    private readonly server: SawingServer,
    private readonly shelf: Shelf,
  ) {
    this.kept = done;
    this.waiting = waitingOn(shelf, id);
    this.state = { done: this.shown(), keeping: { state: 'kept' } };
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly snapshot = (): SawingState => this.state;

  readonly open = (): void => {
    this.isOpen = true;
    void this.send();
  };

  readonly close = (): void => {
    this.isOpen = false;
    if (this.timer) clearTimeout(this.timer);
  };

  readonly press = (cuts: Partial<SawnCuts>): void => {
    this.waiting = [...this.waiting, { key: newKey(), cuts: { done: [], undone: [], ...cuts } }];
    this.put();
    this.show();
    void this.send();
  };

  /** Sends what waits, one press after the other; then looks what other devices did. */
  private async send(): Promise<void> {
    if (this.isSending || !this.isOpen) return;
    this.isSending = true;
    if (this.timer) clearTimeout(this.timer);
    let next = LOOK;
    try {
      for (let press = this.waiting[0]; press; press = this.waiting[0]) {
        const { done } = await this.server.keepCuts(this.id, press.cuts, press.key);
        this.kept = done;
        this.drop(press);
      }
      if (this.isOpen) this.kept = (await this.server.sawingProgress(this.id)).done;
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
    const isRefused = error instanceof Trouble && !error.unreachable && error.problem.status < 500;
    if (isRefused && press) {
      this.drop(press);
      this.kept = (
        await this.server.sawingProgress(this.id).catch(() => ({ done: this.kept }))
      ).done;
    }
    this.show({ state: isRefused && press ? 'let go' : 'not kept', why: messageOf(error) });
  }

  private drop(press: Press): void {
    this.waiting = this.waiting.filter((each) => each !== press);
    this.put();
  }

  private put(): void {
    if (this.waiting.length === 0) this.shelf.removeItem(shelfKey(this.id));
    else this.shelf.setItem(shelfKey(this.id), JSON.stringify(this.waiting));
  }

  /** What is kept with what waits, as long as that can be. */
  private shown(): readonly string[] {
    return this.waiting.reduce((done, { cuts }) => {
      const next = applied(done, cuts);
      return progressProblems(this.plan.boards, { done: next, ruined: [] }).length > 0
        ? done
        : next;
    }, this.kept);
  }

  private show(keeping?: SawingState['keeping']): void {
    const next = this.shown();
    const isSame =
      next.length === this.state.done.length &&
      next.every((cut, at) => cut === this.state.done[at]);
    this.state = {
      done: isSame ? this.state.done : next,
      keeping: keeping ?? { state: this.waiting.length > 0 ? 'keeping' : 'kept' },
    };
    for (const listener of this.listeners) listener();
  }
}
