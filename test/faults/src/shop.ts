import {
  type BatchRecord,
  batchList,
  batchQuestion,
  batchRecord,
  boardChange,
  boardList,
  liesReady,
} from '@spare-knot/core/api';
import { layoutDocument } from '@spare-knot/core/exchange';
import { layoutJob } from '@spare-knot/core/job';
import { type Layout, searchLayout, sortPins } from '@spare-knot/core/layout';
import { z } from 'zod';
import { ask, json } from './ask.js';

/** Steps of the search: a layout is wanted, not the best one. */
const STEPS = 4;

/** What a maker's page asks of a house, as records. */
export class Shop {
  constructor(private readonly port: number) {}

  async read(path: string): Promise<unknown> {
    const { status, text } = await ask(this.port, { method: 'GET', path });
    if (status !== 200) throw new Error(`GET ${path}: ${status} ${text.slice(0, 200)}`);
    return JSON.parse(text);
  }

  async batches() {
    return batchList.parse(await this.read('/api/batches')).batches;
  }

  async batch(id: string): Promise<BatchRecord> {
    return batchRecord.parse(await this.read(`/api/batches/${id}`));
  }

  async boards() {
    return boardList.parse(await this.read('/api/rack')).boards;
  }

  /** Makes one kind of board a pile of so many. */
  async pileUp(id: string, quantity: number): Promise<void> {
    const board = (await this.boards()).find((each) => each.id === id);
    if (!board) throw new Error('there is no such board');
    const sent = z.encode(boardChange, { ...board, quantity });
    const { status } = await ask(this.port, {
      method: 'PUT',
      path: `/api/rack/${id}`,
      ...json(sent),
    });
    if (status !== 200) throw new Error(`the pile was refused: ${status}`);
  }

  /** Any layout of a batch on what lies on the rack now; null where it gives none. */
  async layOut(batch: BatchRecord): Promise<Layout | null> {
    const question = batchQuestion({ ...batch, liesReady: liesReady(batch) }, await this.boards());
    const made = layoutJob(question);
    if (!made.ok) return null;
    let steps = 0;
    const { job } = sortPins(made.job);
    const layout = searchLayout(job, { clock: () => 0, stopped: () => ++steps > STEPS });
    return layout.boards.length > 0 ? layout : null;
  }
}

export const written = (layout: Layout): z.input<typeof layoutDocument> =>
  z.encode(layoutDocument, layout);
