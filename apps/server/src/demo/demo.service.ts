import { Injectable } from '@nestjs/common';
import type { NewBatch, NewBoard } from '@spare-knot/core/api';
import { BatchesRepository } from '../batches/batches.repository.js';
import { RackRepository } from '../rack/rack.repository.js';
import { demoBatches, demoBoards } from './osier-landing.js';

/** Osier Landing, an invented boatyard whose winter crew builds boxes for an invented rail trail. */
@Injectable()
export class DemoService {
  constructor(
    private readonly batches: BatchesRepository,
    private readonly rack: RackRepository,
  ) {}

  /** Loads the demo into an empty house; a house with anything in it, even deleted, is left alone. */
  async loadWhenEmpty(): Promise<boolean> {
    if (!(await this.batches.isEmpty())) return false;
    const boards: readonly NewBoard[] = demoBoards();
    await this.rack.add(boards);
    const batches: readonly NewBatch[] = demoBatches();
    for (const batch of batches) await this.batches.add(batch);
    return true;
  }
}
