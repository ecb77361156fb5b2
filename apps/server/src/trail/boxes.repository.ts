import { Injectable } from '@nestjs/common';
import type { BoxChange, BoxRecord, NewBox } from '@spare-knot/core/api';
import { planOf } from '../batches/batch-rows.js';
import { BatchesRepository } from '../batches/batches.repository.js';
import { PlanVersionsRepository } from '../batches/plan-versions.repository.js';
import { Database } from '../database/database.js';
import { type KeptRow, KeptTable } from '../database/kept-table.js';
import { conflict, notFound } from '../http/problem.js';
import { type VisitRow, visitOf } from './visits.repository.js';

interface BoxRow extends KeptRow {
  number: number;
  animal: string | null;
  plan: string;
  batch_id: string | null;
  plan_key: string | null;
  place: string;
  latitude: string | null;
  longitude: string | null;
  height: number | null;
  facing: BoxRecord['facing'];
  mount: BoxRecord['mount'];
  host: string;
  keeper: string;
  hung_on: Date | null;
  taken_down_on: Date | null;
  note: string;
  visits: number;
  last_visit: string | null;
  cleaned_on: Date | null;
}

const dayOf = (date: Date | null): string | null => date?.toISOString().slice(0, 10) ?? null;

const columnsOf = (box: NewBox | BoxChange) => ({
  number: box.number,
  animal: box.animal,
  plan: box.plan,
  batch_id: box.batch,
  place: box.place,
  latitude: box.at?.latitude ?? null,
  longitude: box.at?.longitude ?? null,
  height: box.height,
  facing: box.facing,
  mount: box.mount,
  host: box.host,
  keeper: box.keeper,
  hung_on: box.hungOn,
  taken_down_on: box.takenDownOn,
  note: box.note,
});

const recordOf = (row: BoxRow, last: VisitRow | undefined): BoxRecord => ({
  id: row.id,
  version: row.version,
  number: row.number,
  animal: row.animal,
  plan: row.plan,
  batch: row.batch_id,
  planKey: row.plan_key,
  place: row.place,
  at:
    row.latitude === null || row.longitude === null
      ? null
      : { latitude: Number(row.latitude), longitude: Number(row.longitude) },
  height: row.height,
  facing: row.facing,
  mount: row.mount,
  host: row.host,
  keeper: row.keeper,
  hungOn: dayOf(row.hung_on),
  takenDownOn: dayOf(row.taken_down_on),
  note: row.note,
  visits: row.visits,
  last: last ? visitOf(last) : null,
  cleanedOn: dayOf(row.cleaned_on),
});

const MOST_NAMED = 10;
const NUMBER_TAKEN = 'A number stands on one box';
const FEW = 500;

/** Boxes that are out, or are to go out. */
@Injectable()
export class BoxesRepository {
  private readonly boxes: KeptTable<BoxRow>;

  constructor(
    private readonly database: Database,
    private readonly batches: BatchesRepository,
    private readonly plans: PlanVersionsRepository,
  ) {
    this.boxes = new KeptTable(database, 'trail_boxes');
  }

  async list(): Promise<BoxRecord[]> {
    return this.withLast((await this.boxes.there().orderBy('number')) as BoxRow[]);
  }

  /** All boxes without their last visits. */
  async hung(): Promise<BoxRecord[]> {
    return ((await this.boxes.there()) as BoxRow[]).map((row) => recordOf(row, undefined));
  }

  async byIds(ids: readonly string[]): Promise<BoxRecord[]> {
    const boxes = await this.withLast(await this.boxes.byIds(ids));
    return boxes.sort((a, b) => a.number - b.number);
  }

  private async withLast(rows: readonly BoxRow[]): Promise<BoxRecord[]> {
    const lasts = (await this.database
      .now('visits')
      .leftJoin('visit_photos', 'visit_photos.visit_id', 'visits.id')
      .join('trail_boxes', 'trail_boxes.last_visit', 'visits.id')
      .modify((query) => {
        // Of all boxes they are joined, not asked for by name.
        if (rows.length < FEW)
          void query.whereIn(
            'trail_boxes.id',
            rows.map(({ id }) => id),
          );
      })
      .select(
        'visits.*',
        this.database.now.raw('visit_photos.visit_id is not null as has_photo'),
      )) as VisitRow[];
    const byBox = new Map(lasts.map((last) => [last.box_id, last]));
    return rows.map((row) => recordOf(row, byBox.get(row.id)));
  }

  /** Ids of boxes by the numbers that stand on them. */
  async idsByNumber(): Promise<Map<number, string>> {
    const rows = (await this.boxes.there().select('number', 'id')) as BoxRow[];
    return new Map(rows.map(({ number, id }) => [number, id]));
  }

  /** All of them or none. A number stands on one box. */
  add(boxes: readonly NewBox[]): Promise<BoxRecord[]> {
    return this.numbering(async () => {
      await this.mustBeFree(boxes.map(({ number }) => number));
      const created_at = new Date();
      const keys = new Map<string | null, string | null>();
      for (const { batch } of boxes)
        if (!keys.has(batch)) keys.set(batch, await this.versionOf({ batch }));
      return this.byIds(
        await this.boxes.insertMany(
          boxes.map((box) => ({
            ...columnsOf(box),
            plan_key: keys.get(box.batch) ?? null,
            created_at,
          })),
        ),
      );
    });
  }

  /** Writes a box if its version is still the one that was read; the version of its plan stays with its batch. */
  change(id: string, change: BoxChange): Promise<boolean> {
    return this.numbering(async () => {
      const row = await this.boxes.byId(id, true);
      if (!row || row.version !== change.version) return false;
      await this.mustBeFree([change.number], id);
      const plan_key = row.batch_id === change.batch ? row.plan_key : await this.versionOf(change);
      return this.boxes.update(id, change.version, { ...columnsOf(change), plan_key });
    });
  }

  takeDown(id: string, version: number, on: string): Promise<boolean> {
    return this.boxes.update(id, version, { taken_down_on: on });
  }

  remove(id: string, version: number): Promise<boolean> {
    return this.boxes.remove(id, version);
  }

  restore(id: string): Promise<BoxRecord | undefined> {
    return this.numbering(async () => {
      const row = (await this.database
        .now('trail_boxes')
        .where({ id })
        .whereNotNull('deleted_at')
        .first('number')) as { number: number } | undefined;
      if (row) await this.mustBeFree([row.number], id);
      await this.boxes.restore(id);
      return (await this.byIds([id]))[0];
    });
  }

  /** Two that take one number at once: the database keeps one, and the other is told as if it had come later. */
  private async numbering<T>(work: () => Promise<T>): Promise<T> {
    try {
      return await this.database.transaction(work);
    } catch (error) {
      if ((error as { code?: unknown }).code !== 'ER_DUP_ENTRY') throw error;
      throw conflict(NUMBER_TAKEN, 'It was taken by another box just now. Nothing was changed.');
    }
  }

  private async versionOf({ batch }: Pick<NewBox, 'batch'>): Promise<string | null> {
    if (batch === null) return null;
    const row = await this.batches.byId(batch);
    if (!row) throw notFound('batch');
    return this.plans.keep(planOf(row), row.name);
  }

  private async mustBeFree(numbers: readonly number[], except?: string): Promise<void> {
    const rows = (await this.boxes
      .there()
      .whereIn('number', [...numbers])
      .select('number', 'id')) as BoxRow[];
    const met = new Set<number>();
    const twice = numbers.filter((number) => met.has(number) || !met.add(number));
    const taken = [...rows.filter(({ id }) => id !== except).map(({ number }) => number), ...twice];
    if (taken.length === 0) return;
    const named = [...new Set(taken)].slice(0, MOST_NAMED).join(', ');
    throw conflict(
      NUMBER_TAKEN,
      `${taken.length === 1 ? `The number ${named} stands` : `These stand (${named}${taken.length > MOST_NAMED ? ' and more' : ''})`} on another box already. Nothing was changed.`,
    );
  }
}
