import { Injectable } from '@nestjs/common';
import {
  type BatchRecord,
  type BatchSummary,
  type BoardRecord,
  type KeptPlans,
  liesReady,
  type Picture,
} from '@spare-knot/core/api';
import type { Layout } from '@spare-knot/core/layout';
import { at } from '@spare-knot/core/lists';
import type { BoxPlan } from '@spare-knot/core/plan';
import { CheckPool } from '../checking/check-pool.js';
import { Problem } from '../http/problem.js';
import { askedFor, shortOf } from './asked.js';
import {
  acceptedOf,
  type BatchRow,
  batchOf,
  type LayoutRow,
  layoutOf,
  mendsOf,
  planOf,
  readyOf,
  upByOf,
} from './batch-rows.js';
import { BatchesRepository } from './batches.repository.js';
import { LayoutsRepository } from './layouts.repository.js';
import { WoodInReach } from './wood-in-reach.js';

/** More than any shop has batches: where they are exceeded they are drawn anew. */
const MOST_PICTURES = 5000;

type Kept = { row: BatchRow; layout: LayoutRow | undefined };

/** What a part of a batch says; null where it cannot be read, which its row says. */
function readable<T>(read: () => T): T | null {
  try {
    return read();
  } catch (error) {
    if (error instanceof Problem) return null;
    throw error;
  }
}

/** Batches as they are shown: whole, or in short for the bench. */
@Injectable()
export class SummariesService {
  /** Pictures by the words of the plan they show. */
  private readonly pictures = new Map<string, Picture | null>();

  constructor(
    private readonly batches: BatchesRepository,
    private readonly layouts: LayoutsRepository,
    private readonly wood: WoodInReach,
    private readonly pool: CheckPool,
  ) {}

  async list(): Promise<BatchSummary[]> {
    const kept = await this.batches.list();
    await this.draw(kept);
    const proposed = kept.flatMap(({ layout }) => readable(() => this.proposalOf(layout)) ?? []);
    const { all: boards } = await this.wood.usedBy(...proposed);
    const done = await this.batches.done();
    return kept.map((each) => this.summary(each, boards, done.has(each.row.id)));
  }

  /** One whole batch; undefined where there is none. */
  async one(id: string): Promise<BatchRecord | undefined> {
    const row = await this.batches.byId(id);
    if (!row) return undefined;
    const layout = await this.layouts.of(id);
    const proposed = this.proposalOf(layout);
    const { all: boards } = await this.wood.usedBy(...(proposed ? [proposed] : []));
    const accepted = layout?.accepted_at
      ? acceptedOf({ ...layout, accepted_at: layout.accepted_at })
      : null;
    return {
      ...batchOf(row),
      proposed,
      proposalStale: proposed !== null && this.isStale(row, layout, proposed, boards),
      accepted,
    };
  }

  /** The plans of all batches; one that cannot be read is named and takes the others not down. */
  async plans(): Promise<KeptPlans> {
    const found: KeptPlans = { plans: [], unreadable: [] };
    for (const { row, layout } of await this.batches.list()) {
      try {
        found.plans.push({
          batch: row.id,
          name: row.name,
          plan: planOf(row),
          boxes: row.boxes,
          isTaken: Boolean(layout?.accepted_at),
          ready: [...liesReady({ ready: readyOf(row), mends: mendsOf(row) })],
          isMending: row.mends !== null,
        });
      } catch (error) {
        if (!(error instanceof Problem)) throw error;
        found.unreadable.push(row.name);
      }
    }
    return found;
  }

  private proposalOf(layout: LayoutRow | undefined): Layout | null {
    return layout && !layout.accepted_at ? layoutOf(layout) : null;
  }

  private isStale(
    row: BatchRow,
    layout: LayoutRow | undefined,
    proposed: Layout,
    boards: readonly BoardRecord[],
  ): boolean {
    if (shortOf(proposed, boards).length > 0) return true;
    // A proposal from before it was noted what it was made for.
    if (!layout?.asked) return false;
    return layout.asked !== askedFor(batchOf(row), proposed, boards);
  }

  private summary(
    { row, layout }: Kept,
    boards: readonly BoardRecord[],
    isDone: boolean,
  ): BatchSummary {
    const { id, version, name, boxes } = row;
    const isMending = row.mends !== null;
    const changedAt = row.changed_at.toISOString();
    const alone = { id, version, name, boxes, isMending, isDone, upBy: upByOf(row), changedAt };
    try {
      const plan = planOf(row);
      const { family } = plan;
      const state = this.stateOf({ row, layout }, boards);
      const picture = this.pictures.get(row.plan) ?? null;
      return { ...alone, family, animals: [...plan.animals], picture, state };
    } catch (error) {
      // One batch that cannot be read takes the others not down.
      if (!(error instanceof Problem)) throw error;
      const why = error.document.detail ?? error.document.title;
      return { ...alone, family: '', animals: [], picture: null, state: { is: 'unreadable', why } };
    }
  }

  private stateOf({ row, layout }: Kept, boards: readonly BoardRecord[]): BatchSummary['state'] {
    if (layout?.accepted_at) return { is: 'taken' };
    const proposed = this.proposalOf(layout);
    if (!proposed) return { is: 'planned' };
    const stale = this.isStale(row, layout, proposed, boards);
    return { is: 'proposed', boards: proposed.boards.length, cost: proposed.cost, stale };
  }

  /** Draws the boxes that are not drawn yet. */
  private async draw(kept: readonly Kept[]): Promise<void> {
    const missing = new Map<string, BoxPlan>();
    for (const { row } of kept) {
      const plan = this.pictures.has(row.plan) ? null : readable(() => planOf(row));
      if (plan) missing.set(row.plan, plan);
    }
    if (missing.size === 0) return;
    const drawn = await this.pool.pictures([...missing.values()]);
    if (this.pictures.size + missing.size > MOST_PICTURES) this.pictures.clear();
    for (const [index, words] of [...missing.keys()].entries())
      this.pictures.set(words, at(drawn, index));
  }
}
