import { Injectable } from '@nestjs/common';
import {
  eachOf,
  type NewOffer,
  type OfferChange,
  type OfferRecord,
  type Rows,
} from '@spare-knot/core/api';
import { Database } from '../database/database.js';
import { type KeptRow, KeptTable } from '../database/kept-table.js';
import { type WoodColumns, woodColumns, woodOf } from '../rack/board-rows.js';

interface OfferRow extends KeptRow, WoodColumns {
  yard: string;
  name: string;
  available: number | null;
}

const columnsOf = (offer: NewOffer) => ({
  yard: offer.yard,
  name: offer.name,
  available: offer.available,
  ...woodColumns(offer),
});

const recordOf = (row: OfferRow): OfferRecord => ({
  id: row.id,
  version: row.version,
  yard: row.yard,
  name: row.name,
  available: row.available,
  ...woodOf(row),
});

/** What yards sell. */
@Injectable()
export class YardRepository {
  private readonly offers: KeptTable<OfferRow>;

  constructor(private readonly database: Database) {
    this.offers = new KeptTable(database, 'offers');
  }

  /** Yard by yard, in the order in which the offers came. */
  async rows(): Promise<Rows<OfferRecord>> {
    const rows = (await this.offers
      .there()
      .orderBy([{ column: 'yard' }, { column: 'created_at' }, { column: 'id' }])) as OfferRow[];
    return eachOf(rows, recordOf);
  }

  async list(): Promise<OfferRecord[]> {
    return (await this.rows()).kept;
  }

  async byIds(ids: readonly string[]): Promise<OfferRecord[]> {
    return (await this.offers.byIds(ids)).map(recordOf);
  }

  /** All of them or none. */
  add(offers: readonly NewOffer[]): Promise<OfferRecord[]> {
    return this.database.transaction(async () => {
      const began = Date.now();
      const ids = await this.offers.insertMany(
        offers.map((offer, index) => ({
          ...columnsOf(offer),
          created_at: new Date(began + index),
        })),
      );
      const kept = new Map((await this.byIds(ids)).map((offer) => [offer.id, offer]));
      return ids.flatMap((id) => kept.get(id) ?? []);
    });
  }

  /** Writes an offer if its version is still the one that was read; undefined when it is not. */
  async change(id: string, change: OfferChange): Promise<OfferRecord | undefined> {
    if (!(await this.offers.update(id, change.version, columnsOf(change)))) return undefined;
    return (await this.byIds([id]))[0];
  }

  remove(id: string, version: number): Promise<boolean> {
    return this.offers.remove(id, version);
  }

  async restore(id: string): Promise<OfferRecord | undefined> {
    await this.offers.restore(id);
    return (await this.byIds([id]))[0];
  }
}
