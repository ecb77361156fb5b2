import { Injectable } from '@nestjs/common';
import { Database } from '../database/database.js';

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

  async write(
    act: Act,
    board: string,
    quantity: number,
    batch: string | null = null,
  ): Promise<void> {
    if (quantity === 0) return;
    await this.database
      .now('wood_ledger')
      .insert({ at: new Date(), board_id: board, batch_id: batch, act, quantity });
  }
}
