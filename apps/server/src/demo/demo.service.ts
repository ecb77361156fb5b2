import { Injectable } from '@nestjs/common';
import { BatchesRepository } from '../batches/batches.repository.js';
import { Database } from '../database/database.js';
import { RackRepository } from '../rack/rack.repository.js';
import { YardRepository } from '../yard/yard.repository.js';
import { demoBatches, demoBoards } from './osier-landing.js';
import { demoOffers } from './yard-list.js';

/** Osier Landing, an invented boatyard whose winter crew builds boxes for an invented rail trail. */
@Injectable()
export class DemoService {
  constructor(
    private readonly database: Database,
    private readonly batches: BatchesRepository,
    private readonly rack: RackRepository,
    private readonly yard: YardRepository,
  ) {}

  /** Loads the demo into an empty house; a house with anything in it, even deleted, is left alone. */
  async loadWhenEmpty(): Promise<boolean> {
    // All of it or nothing: a start that is killed half-way leaves no half demo.
    return this.database.transaction(async () => {
      if (!(await this.batches.isEmpty())) return false;
      await this.rack.add(demoBoards());
      await this.yard.add(demoOffers());
      for (const batch of demoBatches()) await this.batches.add(batch);
      return true;
    });
  }
}
