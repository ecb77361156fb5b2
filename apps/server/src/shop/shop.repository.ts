import { Injectable } from '@nestjs/common';
import { type ShopRecord, shopRecord } from '@spare-knot/core/api';
import { USUAL_BITS } from '@spare-knot/core/building';
import { USUAL_COSTS } from '@spare-knot/core/cuts';
import { z } from 'zod';
import { Database } from '../database/database.js';
import { parsedJson } from '../database/kept-table.js';

interface ShopRow {
  version: number;
  document: string;
}
const FIRST: ShopRecord = {
  version: 1,
  bits: [...USUAL_BITS],
  saws: [],
  address: null,
  closed: [],
  costs: { ...USUAL_COSTS },
};

/** The shop's one row. Until something is kept there, the usual bits. */
@Injectable()
export class ShopRepository {
  constructor(private readonly database: Database) {}

  async get(): Promise<ShopRecord> {
    const row = (await this.database.now('shop').where({ id: 1 }).first()) as ShopRow | undefined;
    if (!row) return FIRST;
    const document = parsedJson(row.document) as object;
    return shopRecord.parse({ ...document, version: row.version });
  }

  /** Keeps the shop if nobody else has since `version`; null when somebody has. */
  async put(change: ShopRecord): Promise<ShopRecord | null> {
    return this.database.transaction(async () => {
      await this.database
        .now('shop')
        .insert({ id: 1, version: 1, document: JSON.stringify(this.documentOf(FIRST)) })
        .onConflict('id')
        .ignore();
      const kept = await this.database
        .now('shop')
        .where({ id: 1, version: change.version })
        .update({ version: change.version + 1, document: JSON.stringify(this.documentOf(change)) });
      return kept === 1 ? { ...change, version: change.version + 1 } : null;
    });
  }

  private documentOf(shop: ShopRecord) {
    const { version: _version, ...document } = z.encode(shopRecord, shop);
    return document;
  }
}
