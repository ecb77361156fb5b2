import {
  type BatchRecord,
  type BoardRecord,
  batchQuestion,
  batchRecord,
  boardList,
  liesReady,
  newBatch,
} from '@spare-knot/core/api';
import { layoutDocument } from '@spare-knot/core/exchange';
import { layoutJob } from '@spare-knot/core/job';
import { type Layout, searchLayout, sortPins } from '@spare-knot/core/layout';

import { z } from 'zod';
import { demoBatches } from '../demo/osier-landing.js';
import type { TestServer } from './test-server.js';

export const picket = {
  name: 'Picket',
  quantity: 8,
  material: 'western-red-cedar',
  thickness: 15.875,
  width: 139.7,
  length: 1828.8,
  price: 3.4,
};
export const roofBoard = {
  name: 'Roof board',
  quantity: 2,
  material: 'eastern-white-pine',
  thickness: 19.05,
  width: 184.15,
  length: 2438.4,
  price: 14.75,
  faceB: 'planed',
};

const [LAST] = demoBatches().slice(-1);

/** The last of the demo's batches, as the page sends it. */
export function railTrail() {
  if (!LAST) throw new Error('the demo has no batch');
  return z.encode(newBatch, LAST);
}

export const total = (boards: readonly BoardRecord[]): number =>
  boards.reduce((sum, board) => sum + board.quantity, 0);

/** What a maker does, over the wire. */
export class Acts {
  constructor(private readonly server: TestServer) {}

  private get http() {
    return this.server.http;
  }

  /** Nothing kept. */
  async clear(): Promise<void> {
    for (const table of [
      'requests',
      'work_done',
      'supplies',
      'repairs',
      'visit_photos',
      'box_years',
      'visits',
      'trail_boxes',
      'spare_panels',
      'aids',
      'people',
      'papers',
      'asked',
      'marks',
      'sketches',
      'plan_versions',
      'wood_ledger',
      'ruined_pieces',
      'round_cuts',
      'saw_rounds',
      'given_offcuts',
      'taken_boards',
      'layouts',
      'defects',
      'boards',
      'offers',
      'batches',
      'shop',
    ])
      await this.server.database(table).delete();
  }

  async rack(): Promise<BoardRecord[]> {
    return boardList.parse((await this.http.get('/api/rack')).body).boards;
  }

  addBoards(...boards: object[]) {
    return this.http.post('/api/rack').send({ boards });
  }

  async batch(change: object = {}): Promise<BatchRecord> {
    const sent = { ...railTrail(), ...change };
    return batchRecord.parse((await this.http.post('/api/batches').send(sent)).body);
  }

  async one(id: string): Promise<BatchRecord> {
    return batchRecord.parse((await this.http.get(`/api/batches/${id}`)).body);
  }

  /** A layout of a batch on what lies on the rack, the same on any machine. */
  async layOut(batch: BatchRecord): Promise<Layout> {
    const made = layoutJob(
      batchQuestion({ ...batch, liesReady: liesReady(batch) }, await this.rack()),
    );
    if (!made.ok) throw new Error('the box is not sound');
    let steps = 0;
    return searchLayout(sortPins(made.job).job, { clock: () => 0, stopped: () => ++steps > 6 });
  }

  async laidOut(): Promise<{ batch: BatchRecord; layout: Layout }> {
    await this.addBoards(picket, roofBoard);
    const batch = await this.batch();
    return { batch, layout: await this.layOut(batch) };
  }

  accept({ id, version }: BatchRecord, layout: Layout) {
    return this.http
      .post(`/api/batches/${id}/accept`)
      .send({ version, layout: z.encode(layoutDocument, layout) });
  }

  propose({ id }: BatchRecord, layout: Layout) {
    return this.http
      .put(`/api/batches/${id}/layout`)
      .send({ layout: z.encode(layoutDocument, layout) });
  }

  giveBack(id: string, version: number) {
    return this.http.post(`/api/batches/${id}/give-back`).send({ version });
  }

  throwAway({ id, version }: Pick<BoardRecord, 'id' | 'version'>) {
    return this.http.delete(`/api/rack/${id}?version=${version}`);
  }
}
