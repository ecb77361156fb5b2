import { Controller, Get } from '@nestjs/common';
import { type WinterRecord, winterRecord } from '@spare-knot/core/api';
import { ASKED, animalNamed } from '@spare-knot/core/exchange';
import { sum } from '@spare-knot/core/lists';
import { type AskedFor, boxYears, nextWinter } from '@spare-knot/core/trail';
import { z } from 'zod';
import { Database } from '../database/database.js';
import { ListRepository } from '../shop-lists/list.repository.js';
import { BoxesRepository } from '../trail/boxes.repository.js';
import { VisitsRepository } from '../trail/visits.repository.js';
import { RepairsRepository } from './repairs.repository.js';

/** What to build before the next season: from what was lost, what was lived in, what is asked for. */
@Controller('api/winter')
export class WinterController {
  private readonly asked: ListRepository;

  constructor(
    database: Database,
    private readonly boxes: BoxesRepository,
    private readonly visits: VisitsRepository,
    private readonly repairs: RepairsRepository,
  ) {
    this.asked = new ListRepository(database, ASKED);
  }

  @Get()
  async winter() {
    const today = new Date().toISOString().slice(0, 10);
    const seen = await this.visits.years();
    const boxes = await this.boxes.hung();
    const years = boxes.flatMap((box) =>
      boxYears(box, seen.get(box.id) ?? [], Number(today.slice(0, 4))),
    );
    const open = (await this.repairs.open()).filter(({ panel }) => panel !== null);
    const found: WinterRecord = {
      rows: nextWinter(boxes, years, await this.wishes(), today),
      broken: {
        boxes: new Set(open.map(({ box }) => box)).size,
        panels: sum(open.map(({ count }) => count)),
      },
    };
    return z.encode(winterRecord, found);
  }

  /** What is not given yet; a wish that does not say how many asks for none. */
  private async wishes(): Promise<AskedFor[]> {
    return (await this.asked.all()).kept.flatMap(({ fields }) =>
      fields.given_on
        ? []
        : [
            {
              animal: animalNamed(fields.animal ?? ''),
              count: Number(fields.boxes || 0),
              by: fields.wanted_by || null,
            },
          ],
    );
  }
}
