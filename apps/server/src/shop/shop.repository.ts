import { Inject, Injectable } from '@nestjs/common';
import { type ShopRecord, shopRecord } from '@spare-knot/core/api';
import { USUAL_BITS } from '@spare-knot/core/building';
import type { Knex } from 'knex';
import { z } from 'zod';
import { DATABASE } from '../database/database.module.js';

interface ShopRow {
  version: number;
  document: string;
}
const FIRST: ShopRecord = { version: 1, bits: [...USUAL_BITS] };

/** The shop's one row. Until something is kept there, the usual bits. */
@Injectable()
export class ShopRepository {
  constructor(@Inject(DATABASE) private readonly database: Knex) {}

  async get(): Promise<ShopRecord> {
    const row = await this.database<ShopRow & { id: number }>('shop').where({ id: 1 }).first();
    if (!row) return FIRST;
    const document = typeof row.document === 'string' ? JSON.parse(row.document) : row.document;
    return z.decode(shopRecord, { ...document, version: row.version });
  }

  /** Keeps the shop if nobody else has since `version`; null when somebody has. */
  async put(change: ShopRecord): Promise<ShopRecord | null> {
    return this.database.transaction(async (transaction) => {
      await transaction('shop')
        .insert({ id: 1, version: 1, document: JSON.stringify(this.documentOf(FIRST)) })
        .onConflict('id')
        .ignore();
      const kept = await transaction('shop')
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
