import { Injectable } from '@nestjs/common';
import { eachOf, type PlanVersion, type Rows } from '@spare-knot/core/api';
import { planDocument } from '@spare-knot/core/exchange';
import { digestOf } from '@spare-knot/core/lists';
import type { BoxPlan } from '@spare-knot/core/plan';
import { z } from 'zod';
import { Database } from '../database/database.js';
import { parsedJson } from '../database/kept-table.js';

interface PlanVersionRow {
  key: string;
  name: string;
  plan: unknown;
  created_at: Date;
}

/** Versions of plans that something was made by: each kept once, by what it says, and never changed. */
@Injectable()
export class PlanVersionsRepository {
  constructor(private readonly database: Database) {}

  /**
   * Keeps a version; gives its key.
   *
   * @param name of the batch that it is first kept for
   */
  async keep(plan: BoxPlan, name: string): Promise<string> {
    const written = z.encode(planDocument, plan);
    const key = digestOf(written);
    await this.database
      .now('plan_versions')
      .insert({
        key,
        name,
        family: plan.family,
        plan: JSON.stringify(written),
        created_at: new Date(),
      })
      .onConflict('key')
      .ignore();
    return key;
  }

  async byKeys(keys: readonly string[]): Promise<PlanVersion[]> {
    return (await this.rowsByKeys(keys)).kept;
  }

  async rowsByKeys(keys: readonly string[]): Promise<Rows<PlanVersion>> {
    if (keys.length === 0) return { kept: [], unreadable: [] };
    const rows = (await this.database
      .now('plan_versions')
      .whereIn('key', [...new Set(keys)])
      .orderBy(['created_at', 'key'])) as PlanVersionRow[];
    return eachOf(
      rows.map((row) => ({ ...row, id: row.key })),
      ({ key, name, plan, created_at }) => ({
        key,
        name,
        since: created_at.toISOString(),
        plan: planDocument.parse(parsedJson(plan)),
      }),
    );
  }
}
