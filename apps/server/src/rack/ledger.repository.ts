import { Injectable } from '@nestjs/common';
import { Database } from '../database/database.js';
import { inBulk } from '../database/kept-table.js';

/**
 * What happened to boards. `added` by the maker, `counted` anew, `split` off a pile, `thrown` away and `restored`; `taken` for a batch
 * and given `back`; offcuts `given` by a batch and `unmade` when its boards are given back.
 */
export type Act =
  | 'added'
  | 'counted'
  | 'split'
  | 'thrown'
  | 'restored'
  | 'taken'
  | 'back'
  | 'given'
  | 'unmade';

/** The ledger of wood: for every board row, the sum of its entries is the number of boards that lie there. */
@Injectable()
export class LedgerRepository {
  constructor(private readonly database: Database) {}

  write(act: Act, board: string, quantity: number, batch: string | null = null): Promise<void> {
    return this.writeAll(act, [{ board, quantity }], batch);
  }

  async writeAll(
    act: Act,
    entries: readonly { board: string; quantity: number }[],
    batch: string | null = null,
  ): Promise<void> {
    const at = new Date();
    const rows = entries
      .filter(({ quantity }) => quantity !== 0)
      .map(({ board, quantity }) => ({ at, board_id: board, batch_id: batch, act, quantity }));
    await inBulk(this.database, 'wood_ledger', rows);
  }
}
