import { type NewVisit, newVisit } from '@spare-knot/core/api';
import { z } from 'zod';
import { Trouble } from '../api/client';
import { messageOf } from '../ui/message-of';

/** Whatever keeps text by keys until it is taken off again. */
export type Shelf = Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>;

/** The server, as far as visits go. */
export interface VisitServer {
  addVisits(visits: readonly NewVisit[]): Promise<unknown>;
  keepPhoto(id: string, jpeg: string): Promise<unknown>;
}

const waitingVisit = z.object({
  visit: newVisit,
  /** JPEG in base64. */
  photo: z.string().nullable(),
  /** The visit is kept, its photo is not yet. */
  isKept: z.boolean(),
  /** Why the server would not have it; it waits until somebody sees to it. */
  refused: z.string().nullable(),
});
export type WaitingVisit = z.output<typeof waitingVisit>;

const PREFIX = 'spare-knot.visit.';
const RETRY = 4000;

/**
 * Visits that are recorded here and not kept by the server yet. Each lies on the browser's shelf under a key of its own, so that two windows
 * do not lose each other's; it is sent until it is answered, and kept once by its id. One that is refused is not let go: it stays, with the
 * reason.
 */
export class VisitOutbox {
  private waiting: readonly WaitingVisit[];
  private readonly listeners = new Set<() => void>();
  private isSending = false;
  private timer: ReturnType<typeof setTimeout> | null = null;

  constructor(
    private readonly server: VisitServer,
    private readonly shelf: Shelf,
    /** Visits were kept: what is shown of them is to be read anew. */
    private readonly onKept: () => void = () => {},
  ) {
    this.waiting = this.onShelf();
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly snapshot = (): readonly WaitingVisit[] => this.waiting;

  /** Keeps a visit here and sends it as soon as that can be. Throws what the shelf throws: then nothing was recorded. */
  readonly record = (visit: NewVisit, photo: string | null): void => {
    this.lay({ visit, photo, isKept: false, refused: null });
    void this.send();
  };

  /** What was refused is given up, or tried once more. */
  readonly discard = (id: string): void => {
    this.shelf.removeItem(PREFIX + id);
    this.read();
  };
  readonly again = (id: string): void => {
    const found = this.waiting.find(({ visit }) => visit.id === id);
    if (found) this.lay({ ...found, refused: null });
    void this.send();
  };

  readonly send = async (): Promise<void> => {
    if (this.isSending) return;
    this.isSending = true;
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
    this.read();
    let sent = 0;
    for (let next = this.next(); next; next = this.next()) {
      if (!(await this.sendOne(next))) {
        this.timer = setTimeout(() => void this.send(), RETRY);
        break;
      }
      sent += 1;
    }
    this.isSending = false;
    if (sent > 0) this.onKept();
  };

  private next(): WaitingVisit | undefined {
    return this.waiting.find(({ refused }) => refused === null);
  }

  /** False where the server cannot be reached, so that all that waits goes on waiting. */
  private async sendOne(waiting: WaitingVisit): Promise<boolean> {
    const { visit, photo, isKept } = waiting;
    try {
      if (!isKept) await this.server.addVisits([visit]);
      if (photo !== null) {
        this.lay({ ...waiting, isKept: true });
        await this.server.keepPhoto(visit.id, photo);
      }
      this.discard(visit.id);
      return true;
    } catch (error) {
      const isRefused = error instanceof Trouble && !error.passes;
      if (isRefused) this.lay({ ...this.latest(waiting), refused: messageOf(error) });
      return isRefused;
    }
  }

  private latest(waiting: WaitingVisit): WaitingVisit {
    return this.waiting.find(({ visit }) => visit.id === waiting.visit.id) ?? waiting;
  }

  private lay(waiting: WaitingVisit): void {
    const { visit } = waiting;
    this.shelf.setItem(PREFIX + visit.id, JSON.stringify(z.encode(waitingVisit, waiting)));
    this.read();
  }

  private read(): void {
    this.waiting = this.onShelf();
    for (const listener of this.listeners) listener();
  }

  /** What lies on the shelf, in the order of the visits; what cannot be read is left where it lies. */
  private onShelf(): WaitingVisit[] {
    const keys = Array.from({ length: this.shelf.length }, (_unused, index) =>
      this.shelf.key(index),
    ).filter((key): key is string => key?.startsWith(PREFIX) ?? false);
    return keys
      .flatMap((key) => {
        try {
          return waitingVisit.parse(JSON.parse(this.shelf.getItem(key) ?? ''));
        } catch {
          return [];
        }
      })
      .sort((a, b) => (a.visit.on + a.visit.id < b.visit.on + b.visit.id ? -1 : 1));
  }
}
