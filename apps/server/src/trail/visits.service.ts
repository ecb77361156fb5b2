import { randomUUID } from 'node:crypto';
import { Injectable } from '@nestjs/common';
import type { NewVisit, VisitRecord } from '@spare-knot/core/api';
import type { NumberedVisit } from '@spare-knot/core/exchange';
import { Database } from '../database/database.js';
import { notFound } from '../http/problem.js';
import { VisitsRepository } from './visits.repository.js';

/** Visits are kept, each once, for boxes that there are or were: one that was taken off the list meanwhile keeps its visits. */
@Injectable()
export class VisitsService {
  constructor(
    private readonly database: Database,
    private readonly visits: VisitsRepository,
  ) {}

  add(visits: readonly NewVisit[]): Promise<VisitRecord[]> {
    return this.database.transaction(async () => {
      await this.mustBeThere(visits.map(({ box }) => box));
      await this.visits.add(visits);
      return this.visits.byIds(visits.map(({ id }) => id));
    });
  }

  /** Visits out of a file, by the numbers of boxes; all of them or none. */
  async addNumbered(
    entries: readonly NumberedVisit[],
    ids: ReadonlyMap<number, string>,
  ): Promise<VisitRecord[]> {
    const visits = entries.flatMap(({ number, ...visit }): NewVisit[] => {
      const box = ids.get(number);
      return box === undefined ? [] : [{ ...visit, box, id: randomUUID() }];
    });
    return visits.length > 0 ? this.add(visits) : [];
  }

  async mustBeThere(boxes: readonly string[]): Promise<void> {
    const wanted = [...new Set(boxes)];
    const rows = (await this.database
      .now('trail_boxes')
      .whereIn('id', wanted)
      .select('id')) as unknown[];
    if (rows.length < wanted.length) throw notFound('box');
  }
}
