import { Injectable } from '@nestjs/common';
import { planDocument } from '@spare-knot/core/exchange';
import { digestOf } from '@spare-knot/core/lists';
import type { BoxPlan } from '@spare-knot/core/plan';
import { z } from 'zod';
import { Database } from '../database/database.js';

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
}
