import type { BatchPatch, BatchRecord, BoardRecord, Bought, FromBin } from '@spare-knot/core/api';
import type { Layout } from '@spare-knot/core/layout';

import { currentBatch, newKey, Trouble } from '../api/client';
import { messageOf } from '../ui/message-of';
import { changedPath, sameValue } from './change-paths';
import {
  applyPatch,
  asKnown,
  changedFields,
  DRAFT_FIELDS,
  type Draft,
  draftOf,
  patchOf,
  readUnsaved,
  type Sent,
  withFields,
  writeUnsaved,
} from './draft';

import type { DraftShelf } from './draft-shelf';
import { merge, type Path, valueAt } from './merge';

export type Keeping =
  | { state: 'kept'; at: Date | null }
  | { state: 'keeping' }
  | { state: 'not kept'; why: string };

/** What is on the screen of a batch. */
export interface BatchState {
  /** As the server keeps it. */
  batch: BatchRecord;
  /** As the maker has it. */
  draft: Draft;
  keeping: Keeping;
  canUndo: boolean;
  canRedo: boolean;
  /** Somebody else's version, when both changed the same, and what that is. */
  theirs: BatchRecord | null;
  clashes: readonly Difference[];
  /** Something that was typed here before cannot be read any more. */
  isTorn: boolean;
}

/** What both changed in one place. */
export interface Difference {
  path: Path;
  here: unknown;
  there: unknown;
}

export interface BatchServer {
  batch(id: string): Promise<BatchRecord>;
  changeBatch(id: string, patch: BatchPatch, key: string): Promise<BatchRecord>;
  proposeLayout(id: string, layout: Layout): Promise<unknown>;
  acceptLayout(id: string, version: number, layout: Layout): Promise<BatchRecord>;
  giveBack(id: string, version: number): Promise<BatchRecord>;
  buy(id: string, version: number, layout: Layout): Promise<Bought>;
  takeFromBin(id: string, version: number, take: readonly FromBin[]): Promise<BatchRecord>;
  putBackInBin(id: string, version: number, spares: readonly string[] | null): Promise<BatchRecord>;
}

/** Where unsaved changes wait. */
export type Shelf = Pick<DraftShelf, 'read' | 'lay' | 'clear' | 'setAside' | 'leftOver'>;

const WAIT = 500;
const RETRY = 4000;
const MAX_STEPS = 100;
/** Keystrokes in one field within this of each other are one step to undo, in milliseconds. */
const ONE_STEP = 1500;
const TYPED = /^(name|boxes|wishes\.goals\.classes)$/;

const wordsOf = (error: unknown): string => messageOf(error);
/** Whether the same write may be sent again: it never came to an answer. */
const isUnanswered = (error: unknown): boolean => !(error instanceof Trouble) || error.passes;

/**
 * Editing of one batch. Every change is kept by itself, and whatever is written goes through one queue, each write knowing the version that
 * the one before it left. A write without an answer is sent again as the same write; a refused one is not sent again until something is
 * changed. What two windows changed in different fields is put together; what they changed alike in one field is asked about.
 */
export class BatchSession {
  private state: BatchState;
  /** The draft as the server has it. */
  private base: Draft;
  private readonly listeners = new Set<() => void>();
  private past: Draft[] = [];
  private future: Draft[] = [];
  private lastStep = { path: '', at: Number.NEGATIVE_INFINITY };
  private queue: Promise<unknown> = Promise.resolve();
  private sent: Sent | null = null;
  private refused = false;
  private isOpen = false;
  private timer: ReturnType<typeof setTimeout> | null = null;

  constructor(
    batch: BatchRecord,
    private readonly server: BatchServer,
    private readonly shelf: Shelf,
    private readonly onKept: (batch: BatchRecord) => void = () => {},
    private readonly now: () => number = Date.now,
  ) {
    this.base = draftOf(batch);
    this.state = {
      batch,
      draft: this.base,
      keeping: { state: 'kept', at: null },
      canUndo: false,
      canRedo: false,
      theirs: null,
      clashes: [],
      isTorn: false,
    };
    this.takeUp(shelf.read());
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly snapshot = (): BatchState => this.state;

  /** Whether there is something that the server does not have. */
  get dirty(): boolean {
    return changedFields(this.base, this.state.draft).length > 0;
  }

  /** Comes onto the bench: what was left over is sent. */
  readonly open = (): void => {
    this.isOpen = true;
    if (this.dirty || this.sent) this.writeSoon(0);
    else this.takeUpOthers();
  };

  readonly edit = (change: (draft: Draft) => Draft): void => {
    const before = this.state.draft;
    const after = change(before);
    if (after === before) return;
    const path = changedPath(before, after).join('.');
    const joins =
      TYPED.test(path) &&
      path === this.lastStep.path &&
      this.now() - this.lastStep.at <= ONE_STEP &&
      this.past.length > 0;
    if (!joins) this.past = [...this.past.slice(1 - MAX_STEPS), before];
    this.lastStep = { path, at: this.now() };
    this.future = [];
    this.put(after);
  };

  readonly undo = (): void => {
    const before = this.past.pop();
    if (!before) return;
    this.future.push(this.state.draft);
    this.put(before);
    this.lastStep.path = '';
  };

  readonly redo = (): void => {
    const after = this.future.pop();
    if (!after) return;
    this.past.push(this.state.draft);
    this.put(after);
    this.lastStep.path = '';
  };

  /** Keeps the best layout found, once what it was found for is kept. */
  readonly propose = (layout: Layout): Promise<void> =>
    this.inTurn(async () => {
      await this.writeAll();
      const { batch } = this.state;
      await this.server.proposeLayout(batch.id, layout);
      const kept = { ...this.state.batch, proposed: layout, proposalStale: false };
      this.show({ batch: kept });
      this.onKept(kept);
    });

  /** Takes the boards of a layout off the rack. */
  readonly accept = (layout: Layout): Promise<void> =>
    this.inTurn(async () => {
      await this.writeAll();
      const { id, version } = this.state.batch;
      await this.adopting(this.server.acceptLayout(id, version, layout));
    });

  /** Puts what a layout wants from the yard on the rack; gives those boards. */
  readonly buy = (layout: Layout): Promise<readonly BoardRecord[]> =>
    this.inTurn(async () => {
      await this.writeAll();
      const { id, version } = this.state.batch;
      const bought = this.server.buy(id, version, layout);
      await this.adopting(bought.then(({ batch }) => batch));
      return (await bought).boards;
    });

  readonly giveBack = (): Promise<void> =>
    this.inTurn(async () => {
      const { id, version } = this.state.batch;
      await this.adopting(this.server.giveBack(id, version));
    });

  /** Sets panels of the bin aside for the batch, once what was typed is kept. */
  readonly takeFromBin = (take: readonly FromBin[]): Promise<void> =>
    this.inTurn(async () => {
      await this.writeAll();
      const { id, version } = this.state.batch;
      await this.adopting(this.server.takeFromBin(id, version, take));
    });

  /** Puts what is set aside back in the bin; all of it where nothing is named. */
  readonly putBackInBin = (spares: readonly string[] | null = null): Promise<void> =>
    this.inTurn(async () => {
      await this.writeAll();
      const { id, version } = this.state.batch;
      await this.adopting(this.server.putBackInBin(id, version, spares));
    });

  /** Ends once everything that was typed is kept; refuses where it cannot be. */
  readonly settle = (): Promise<void> => this.inTurn(() => this.writeAll());

  readonly takeTheirs = (): void => {
    const { theirs } = this.state;
    if (!theirs) return;
    const { draft } = this.state;
    this.past.push(draft);
    this.sent = null;
    // Theirs where both changed the same; what was changed here alone stays.
    const there = draftOf(theirs);
    const { merged } = merge(this.base, there, draft);
    this.base = there;
    this.show({ batch: theirs, draft: asKnown(merged, there), theirs: null, clashes: [] });
    if (this.dirty) this.writeSoon(0);
    else this.wasKept();
  };

  readonly keepMine = (): void => {
    const { theirs } = this.state;
    if (!theirs) return;
    this.sent = null;
    this.rebase(theirs);
    this.writeSoon(0);
  };

  /** Leaves the bench: what is not kept yet is sent at once. */
  readonly close = (): void => {
    this.isOpen = false;
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
    if (this.dirty && !this.state.theirs) void this.settle().catch(() => {});
  };

  /** What a window left that was closed, one after the other: each is kept before the next. */
  private takeUpOthers(): void {
    void this.shelf
      .leftOver((text) => {
        // Something was typed here meanwhile: its turn comes when that is kept.
        if (this.dirty || this.sent || this.state.theirs) return false;
        this.takeUp(text);
        this.lay();
        this.show({});
        if (this.dirty || this.sent) this.writeSoon(0);
        return true;
      })
      .catch(() => {});
  }

  /** What was typed before a reload, or in a window that is closed, and not kept. */
  private takeUp(text: string | null): void {
    const { batch } = this.state;
    if (text === null) return;
    const unsaved = readUnsaved(text);
    if (!unsaved) {
      this.shelf.setAside(text);
      this.shelf.clear();
      this.state = { ...this.state, isTorn: true };
      return;
    }
    const { before, patch, sent } = unsaved;
    // A write whose answer was lost may have been done all the same.
    const done = DRAFT_FIELDS.filter(
      (field) => sent && field in sent.patch && sameValue(batch[field], sent.patch[field]),
    );
    if (sent && patch.version === batch.version) this.sent = sent;
    this.base = withFields(before, batch, done);
    this.state = { ...this.state, draft: applyPatch(before, patch) };
    this.meet(batch);
    if (!this.dirty) this.shelf.clear();
  }

  private put(draft: Draft): void {
    this.refused = false;
    this.show({ draft });
    this.lay();
    this.writeSoon(WAIT);
  }

  private show(change: Partial<BatchState>): void {
    this.state = {
      ...this.state,
      ...change,
      canUndo: this.past.length > 0,
      canRedo: this.future.length > 0,
    };
    for (const listener of this.listeners) listener();
  }

  /** One write after the other; a failed one does not hold up the next. */
  private inTurn<T>(work: () => Promise<T>): Promise<T> {
    const turn = this.queue.then(work);
    this.queue = turn.catch(() => {});
    return turn;
  }

  private writeSoon(wait: number): void {
    if (this.timer) clearTimeout(this.timer);
    this.timer = setTimeout(() => {
      this.timer = null;
      void this.settle().catch(() => {});
    }, wait);
  }

  private async writeAll(): Promise<void> {
    while (this.dirty || this.sent) {
      if (this.state.theirs) throw new Error('Choose first which of the two versions to keep.');
      if (this.refused)
        throw new Error('The last changes were refused: see the batch’s name line.');
      await this.write();
    }
    if (this.state.keeping.state !== 'kept') this.wasKept();
  }

  /** Sends what differs, or once more what was sent and not answered. */
  private async write(): Promise<void> {
    const { batch, draft } = this.state;
    this.sent ??= {
      patch: patchOf(draft, changedFields(this.base, draft), batch.version),
      key: newKey(),
    };
    const asSent = applyPatch(this.base, this.sent.patch);
    this.show({ keeping: { state: 'keeping' } });
    this.lay();
    try {
      const kept = await this.server.changeBatch(batch.id, this.sent.patch, this.sent.key);
      this.sent = null;
      this.adopt(kept, asSent);
      this.lay();
    } catch (error) {
      this.notKept(error);
      if (!(error instanceof Trouble && error.stale) || this.state.theirs) throw error;
    }
  }

  private notKept(error: unknown): void {
    if (!isUnanswered(error)) this.sent = null;
    else if (this.isOpen) this.writeSoon(RETRY);
    const theirs = error instanceof Trouble && error.stale ? currentBatch(error) : null;
    if (theirs) this.meet(theirs);
    else if (!isUnanswered(error)) this.refused = true;
    this.show({ keeping: { state: 'not kept', why: wordsOf(error) } });
  }

  /** Puts another window's version and this one's together, where they do not clash. */
  private meet(theirs: BatchRecord): void {
    const { clashes } = merge(this.base, this.state.draft, draftOf(theirs));
    if (clashes.length > 0) this.show({ theirs, clashes: this.differences(clashes, theirs) });
    else this.rebase(theirs);
  }

  private differences(clashes: readonly Path[], theirs: BatchRecord): Difference[] {
    const there = draftOf(theirs);
    return clashes.map((path) => ({
      path,
      here: valueAt(this.state.draft, path),
      there: valueAt(there, path),
    }));
  }

  /** What was changed here, on top of another version. */
  private rebase(onto: BatchRecord): void {
    const { draft } = this.state;
    const { merged } = merge(this.base, draft, draftOf(onto));
    this.base = asKnown(draftOf(onto), draft);
    const known = asKnown(asKnown(merged, this.base), draft);
    this.show({ batch: onto, draft: known, theirs: null, clashes: [] });
  }

  /** The server's answer to the draft as it was sent; what was typed meanwhile stays. */
  private adopt(kept: BatchRecord, asSent: Draft): void {
    const { draft } = this.state;
    const written = changedFields(this.base, asSent);
    const typed = changedFields(asSent, draft);
    this.base = withFields(asKnown(draftOf(kept), draft), asSent, written);
    this.show({ batch: kept, draft: withFields(this.base, draft, typed) });
    this.onKept(kept);
  }

  private async adopting(answer: Promise<BatchRecord>): Promise<void> {
    try {
      const { draft } = this.state;
      this.adopt(await answer, draft);
    } catch (error) {
      // Somebody was quicker: the batch is shown as it is now.
      if (error instanceof Trouble && error.problem.status === 409)
        await this.server.batch(this.state.batch.id).then(
          (current) => this.meet(current),
          () => {},
        );
      throw error;
    }
  }

  /** Lays what is not kept on the shelf, against a reload. */
  private lay(): void {
    const { batch, draft } = this.state;
    const fields = changedFields(this.base, draft);
    if (fields.length === 0 && !this.sent) {
      this.shelf.clear();
      return;
    }
    this.shelf.lay(
      writeUnsaved({
        before: this.base,
        patch: patchOf(draft, fields, batch.version),
        sent: this.sent,
      }),
    );
  }

  private wasKept(): void {
    this.shelf.clear();
    this.show({ keeping: { state: 'kept', at: new Date(this.now()) } });
    if (this.isOpen) this.takeUpOthers();
  }
}
