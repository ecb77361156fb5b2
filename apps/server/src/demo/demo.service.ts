import { Injectable } from '@nestjs/common';
import { batchQuestion } from '@spare-knot/core/api';
import { daysAfter } from '@spare-knot/core/building';
import { cutsInOrder } from '@spare-knot/core/cuts';
import { ASKED, MARKS } from '@spare-knot/core/exchange';
import { layoutJob } from '@spare-knot/core/job';
import { searchLayout } from '@spare-knot/core/layout';
import { AcceptanceService } from '../batches/acceptance.service.js';
import { BatchesRepository } from '../batches/batches.repository.js';
import { BinService } from '../bin/bin.service.js';
import { Database } from '../database/database.js';
import { RackRepository } from '../rack/rack.repository.js';
import { MendingService } from '../repairs/mending.service.js';
import { SawingService } from '../sawing/sawing.service.js';
import { ShopRepository } from '../shop/shop.repository.js';
import { ListRepository } from '../shop-lists/list.repository.js';
import { SuppliesRepository } from '../supplies/supplies.repository.js';
import { BoxesRepository } from '../trail/boxes.repository.js';
import { VisitsService } from '../trail/visits.service.js';
import { YardRepository } from '../yard/yard.repository.js';
import {
  demoBatches,
  demoBoards,
  demoSawn,
  demoSaws,
  demoSpares,
  demoSupplies,
} from './osier-landing.js';
import { demoAsked, demoBoxes, demoMarks, demoRepairs, demoVisits } from './rail-trail.js';
import { demoOffers } from './yard-list.js';

/** Osier Landing, an invented boatyard whose winter crew builds boxes for an invented rail trail. */
@Injectable()
export class DemoService {
  constructor(
    private readonly database: Database,
    private readonly batches: BatchesRepository,
    private readonly rack: RackRepository,
    private readonly yard: YardRepository,
    private readonly shop: ShopRepository,
    private readonly supplies: SuppliesRepository,
    private readonly acceptance: AcceptanceService,
    private readonly sawing: SawingService,
    private readonly boxes: BoxesRepository,
    private readonly visits: VisitsService,
    private readonly bin: BinService,
    private readonly mending: MendingService,
  ) {}

  /** Loads the demo into an empty house; a house with anything in it, even deleted, is left alone. */
  async loadWhenEmpty(): Promise<boolean> {
    // All of it or nothing: a start that is killed half-way leaves no half demo.
    return this.database.transaction(async () => {
      if (!(await this.batches.isEmpty())) return false;
      await this.shop.put({ ...(await this.shop.get()), saws: demoSaws() });
      await this.sawnHalf();
      await this.rack.add(demoBoards());
      await this.yard.add(demoOffers());
      await this.supplies.put(demoSupplies());
      const batches = new Map<string, string>();
      for (const batch of demoBatches()) batches.set(batch.name, await this.batches.add(batch));
      await this.trailSoFar(batches);
      for (const spares of demoSpares()) await this.bin.put(spares);
      return true;
    });
  }

  /** Three seasons on the rail trail, up to yesterday. */
  private async trailSoFar(batches: ReadonlyMap<string, string>): Promise<void> {
    const yesterday = daysAfter(new Date().toISOString().slice(0, 10), -1);
    const boxes = demoBoxes(yesterday);
    const kept = await this.boxes.add(
      boxes.map((box) => ({ ...box, batch: batches.get(box.plan) ?? null })),
    );
    await this.visits.add(demoVisits(kept, yesterday));
    await new ListRepository(this.database, ASKED).add(demoAsked(yesterday));
    await new ListRepository(this.database, MARKS).add(demoMarks(kept));
    for (const { told, mended } of demoRepairs(kept, yesterday)) {
      const repairs = await this.mending.tell(told);
      if (mended) await this.mending.done({ repairs, closedOn: mended.on, how: mended.how });
    }
  }

  /** A batch in the middle of its sawing. */
  private async sawnHalf(): Promise<void> {
    const { batch, boards } = demoSawn();
    const rack = await this.rack.add(boards);
    const id = await this.batches.add(batch);
    const made = layoutJob(batchQuestion({ ...batch, liesReady: [] }, rack));
    if (!made.ok) throw new Error('the box of the batch that is being sawn is not sound');
    let asked = 0;
    // The same on any machine: so many steps, whatever the time.
    const layout = searchLayout(made.job, { clock: () => ++asked * 100 });
    await this.acceptance.accept(id, 1, layout);
    const { plan } = await this.sawing.begin(id);
    const cuts = cutsInOrder(plan);
    const done = cuts.slice(0, Math.floor(cuts.length / 2));
    await this.sawing.keep(id, { round: 0, done, undone: [], ruined: [], mended: [] });
  }
}
