import {
  type SawingProgress,
  type SawingRecord,
  type SawnCuts,
  sawnCuts,
} from '@spare-knot/core/api';
import { type NamedPlan, type Progress, progressProblems } from '@spare-knot/core/cuts';
import { z } from 'zod';
import { newKey, Trouble } from '../../api/client';
import { messageOf } from '../../ui/message-of';

/** What is on the screen of a batch that is being sawn. */
export interface SawingState {
  /** Cuts that are made and pieces that went wrong, as the server keeps them and as they were pressed here since. */
  progress: Progress;
  keeping:
    | { state: 'kept' }
    | { state: 'keeping' }
    /** It waits, or it did not fit and is let go. */
    | { state: 'not kept' | 'let go'; why: string };
}

export interface SawingServer {
  keepCuts(id: string, cuts: SawnCuts, key: string): Promise<SawingProgress>;
  sawingProgress(id: string): Promise<SawingProgress>;
}

type Shelf = Pick<Storage, 'getItem' | 'setItem' | 'removeItem'>;

/** One press: cuts made, a piece that went wrong, or either taken back. Sent again under the same key until it is answered. */
const keptPress = z.object({ key: z.string().min(8), cuts: sawnCuts });
type Press = z.output<typeof keptPress>;

const shelfKey = (id: string, round: number): string =>
  round === 0 ? `spare-knot.sawing.${id}` : `spare-knot.sawing.${id}.${round}`;
const RETRY = 3000;
/** How often another device's presses are asked for. */
const LOOK = 1500;

/** Presses that an earlier page could not send. */
function waitingOn(shelf: Shelf, key: string): Press[] {
  try {
    return z.array(keptPress).parse(JSON.parse(shelf.getItem(key) ?? '[]'));
  } catch {
    return [];
  }
}

function applied(progress: Progress, { done, undone, ruined, mended }: SawnCuts): Progress {
  const cuts = progress.done.filter((cut) => !undone.includes(cut));
  const pieces = progress.ruined.filter(({ piece }) => !mended.includes(piece));
  const isNew = ({ piece }: { piece: string }) => !pieces.some((each) => each.piece === piece);
  return {
    done: [...cuts, ...done.filter((cut) => !cuts.includes(cut))],
    ruined: [...pieces, ...ruined.filter(isNew)],
  };
}

const isSame = (a: Progress, b: Progress): boolean =>
  a.done.length === b.done.length &&
  a.ruined.length === b.ruined.length &&
  a.done.every((cut, at) => cut === b.done[at]) &&
  a.ruined.every(({ piece }, at) => piece === b.ruined[at]?.piece);

/**
 * Sawing of one batch by one plan. A press shows at once, waits in the browser's store until the server has it, and is sent once; what another
 * device pressed is put together with it. A press that no longer fits what is kept is let go, and told.
 */
export class SawingSession {
  private state: SawingState;
  private kept: Progress;
  private readonly plan: NamedPlan;
  private readonly round: number;
  private readonly shelfKey: string;
  private waiting: Press[];
  private isSending = false;
  private isOpen = false;
  private timer: ReturnType<typeof setTimeout> | null = null;
  private readonly listeners = new Set<() => void>();

  /** Told when another plan is followed by now. */
  onOtherRound: () => void = () => {};

  constructor(
    private readonly id: string,
    { plan, round, progress }: Pick<SawingRecord, 'plan' | 'round' | 'progress'>,
    private readonly server: SawingServer,
    private readonly shelf: Shelf,
  ) {
    this.plan = plan;
    this.round = round;
    this.kept = progress;
    this.shelfKey = shelfKey(id, round);
    this.waiting = waitingOn(shelf, this.shelfKey);
    this.state = { progress: this.shown(), keeping: { state: 'kept' } };
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

  readonly press = (cuts: Partial<Omit<SawnCuts, 'round'>>): void => {
    const said = { round: this.round, done: [], undone: [], ruined: [], mended: [], ...cuts };
    this.waiting = [...this.waiting, { key: newKey(), cuts: said }];
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
        this.hear(await this.server.keepCuts(this.id, press.cuts, press.key));
        this.drop(press);
      }
      if (this.isOpen) this.hear(await this.server.sawingProgress(this.id));
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
      const now = await this.server.sawingProgress(this.id).catch(() => null);
      if (now) this.hear(now);
    }
    this.show({ state: isRefused && press ? 'let go' : 'not kept', why: messageOf(error) });
  }

  private hear({ round, progress }: SawingProgress): void {
    if (round === this.round) this.kept = progress;
    else this.onOtherRound();
  }

  private drop(press: Press): void {
    this.waiting = this.waiting.filter((each) => each !== press);
    this.put();
  }

  private put(): void {
    // As it is sent: what lies on the shelf is read by the schema of what is said.
    const written = this.waiting.map((press) => z.encode(keptPress, press));
    if (written.length === 0) this.shelf.removeItem(this.shelfKey);
    else this.shelf.setItem(this.shelfKey, JSON.stringify(written));
  }

  /** What is kept with what waits, as long as that can be. */
  private shown(): Progress {
    return this.waiting.reduce((progress, { cuts }) => {
      const next = applied(progress, cuts);
      return progressProblems(this.plan.boards, next).length > 0 ? progress : next;
    }, this.kept);
  }

  private show(keeping?: SawingState['keeping']): void {
    const next = this.shown();
    this.state = {
      progress: isSame(this.state.progress, next) ? this.state.progress : next,
      keeping: keeping ?? { state: this.waiting.length > 0 ? 'keeping' : 'kept' },
    };
    for (const listener of this.listeners) listener();
  }
}
