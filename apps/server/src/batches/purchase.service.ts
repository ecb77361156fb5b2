import { Injectable } from '@nestjs/common';
import { type BoardRecord, boardBought } from '@spare-knot/core/api';
import { type Layout, layoutBought, piecesBought, shoppingList } from '@spare-knot/core/layout';
import { at, must } from '@spare-knot/core/lists';
import { Database } from '../database/database.js';
import { conflict } from '../http/problem.js';
import { RackRepository } from '../rack/rack.repository.js';
import { askedFor } from './asked.js';
import { BatchesRepository } from './batches.repository.js';
import { LayoutJudge } from './layout-judge.js';
import { LayoutsRepository } from './layouts.repository.js';

/** What was bought at the yard for a layout comes onto the rack, and the layout onto it. */
@Injectable()
export class PurchaseService {
  constructor(
    private readonly database: Database,
    private readonly judge: LayoutJudge,
    private readonly batches: BatchesRepository,
    private readonly layouts: LayoutsRepository,
    private readonly rack: RackRepository,
  ) {}

  /** One transaction. From then on the batch takes from the rack first, where there is nothing left to buy. Gives the bought boards. */
  buy(id: string, version: number, layout: Layout): Promise<BoardRecord[]> {
    return this.database.transaction(async () => {
      const judged = await this.judge.judge(id, layout, version);
      const { batch, wood } = judged;
      const wanted = shoppingList(layout, wood.offers);
      if (wanted.length === 0)
        throw conflict('There is nothing to buy', 'Every board of this layout is on the rack.');
      await this.judge.lock(judged);
      const bought = await this.rack.add(
        wanted.map(({ stock, count }) => {
          const offer = wood.offers.find((each) => each.id === stock);
          return boardBought(must(offer, 'the offer'), count);
        }),
      );
      const boardOf = new Map(wanted.map(({ stock }, index) => [stock, at(bought, index).id]));
      const { wishes } = batch;
      const pinned = wishes.pinned.map(piecesBought(layout, boardOf));
      const next = { ...batch, wishes: { ...wishes, pinned, supply: 'rack-first' as const } };
      await this.batches.patch(id, { version, wishes: next.wishes });
      const laid = layoutBought(layout, boardOf);
      await this.layouts.propose(id, laid, askedFor(next, laid, [...wood.rack, ...bought]));
      return bought;
    });
  }
}
