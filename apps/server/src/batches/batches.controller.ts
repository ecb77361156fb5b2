import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Param,
  ParseUUIDPipe,
  Patch,
  Post,
  Put,
  Query,
} from '@nestjs/common';
import {
  type Acceptance,
  acceptance,
  type BatchPatch,
  batchList,
  batchPatch,
  batchRecord,
  bought,
  type NewBatch,
  newBatch,
  proposal,
  versionOnly,
  versionQuery,
} from '@spare-knot/core/api';
import { sum } from '@spare-knot/core/lists';
import { z } from 'zod';
import { conflict, notFound, stale } from '../http/problem.js';
import { Read } from '../http/read.pipe.js';
import { AcceptanceService } from './acceptance.service.js';
import { mendsOf, readyOf } from './batch-rows.js';
import { BatchesRepository } from './batches.repository.js';
import { LayoutJudge } from './layout-judge.js';
import { PurchaseService } from './purchase.service.js';
import { SummariesService } from './summaries.service.js';

/** Whether a patch changes more than what is decided at the bench, which stays open when boards are taken. */
const changesBox = ({ version: _version, making: _making, ...rest }: BatchPatch): boolean =>
  Object.values(rest).some((value) => value !== undefined);

@Controller('api/batches')
export class BatchesController {
  constructor(
    private readonly batches: BatchesRepository,
    private readonly summaries: SummariesService,
    private readonly acceptance: AcceptanceService,
    private readonly purchase: PurchaseService,
    private readonly judge: LayoutJudge,
  ) {}

  @Get()
  async list() {
    return z.encode(batchList, { batches: await this.summaries.list() });
  }

  @Post()
  async add(@Body(new Read(newBatch)) batch: NewBatch) {
    return this.show(await this.batches.add(batch));
  }

  @Get(':id')
  async one(@Param('id', ParseUUIDPipe) id: string) {
    return this.show(id);
  }

  @Patch(':id')
  async change(
    @Param('id', ParseUUIDPipe) id: string,
    @Body(new Read(batchPatch)) patch: BatchPatch,
  ) {
    const current = await this.batches.byId(id, true);
    if (!current) throw notFound('batch');
    if (current.version !== patch.version) throw stale('batch', await this.show(id));
    if (changesBox(patch) && (await this.judge.isTaken(id)))
      throw conflict(
        'The boards of this batch are taken',
        'Give them back before changing the box, or start another batch.',
        await this.show(id),
      );
    if (patch.boxes !== undefined && patch.boxes !== current.boxes && current.mends !== null)
      throw conflict(
        'This batch mends boxes that are out',
        `Those are ${current.boxes}: how many it is for stands fast.`,
        await this.show(id),
      );
    await this.batches.patch(id, patch);
    return this.show(id);
  }

  @Delete(':id')
  async remove(
    @Param('id', ParseUUIDPipe) id: string,
    @Query(new Read(versionQuery)) { version }: z.output<typeof versionQuery>,
  ) {
    const current = await this.batches.byId(id, true);
    if (!current) throw notFound('batch');
    if (await this.judge.isTaken(id))
      throw conflict(
        'The boards of this batch are taken',
        'Give them back first: off the bench, they would be out of reach.',
      );
    if (readyOf(current).length > 0)
      throw conflict(
        'Panels out of the bin are set aside for this batch',
        'Put them back first: off the bench, they would be out of reach.',
      );
    if (!(await this.batches.remove(id, version))) throw stale('batch', await this.show(id));
    return { removed: id };
  }

  @Post(':id/restore')
  async restore(@Param('id', ParseUUIDPipe) id: string) {
    await this.mustMendStill(id);
    await this.batches.restore(id);
    return this.show(id);
  }

  @Post(':id/accept')
  @HttpCode(200)
  async accept(
    @Param('id', ParseUUIDPipe) id: string,
    @Body(new Read(acceptance)) { version, layout }: Acceptance,
  ) {
    await this.acceptance.accept(id, version, layout);
    return this.show(id);
  }

  @Post(':id/buy')
  @HttpCode(200)
  async buy(
    @Param('id', ParseUUIDPipe) id: string,
    @Body(new Read(acceptance)) { version, layout }: Acceptance,
  ) {
    const boards = await this.purchase.buy(id, version, layout);
    const batch = await this.summaries.one(id);
    if (!batch) throw notFound('batch');
    return z.encode(bought, { batch, boards });
  }

  @Put(':id/layout')
  async propose(
    @Param('id', ParseUUIDPipe) id: string,
    @Body(new Read(proposal)) { layout }: z.output<typeof proposal>,
  ) {
    await this.acceptance.propose(id, layout);
    return { kept: id };
  }

  @Post(':id/give-back')
  @HttpCode(200)
  async giveBack(
    @Param('id', ParseUUIDPipe) id: string,
    @Body(new Read(versionOnly)) { version }: z.output<typeof versionOnly>,
  ) {
    await this.acceptance.giveBack(id, version);
    return this.show(id);
  }

  /** A batch that mends comes back only while all that it mends is still left to it. */
  private async mustMendStill(id: string): Promise<void> {
    const row = await this.batches.removed(id);
    const mends = row && mendsOf(row);
    if (!mends) return;
    const repairs = sum(mends.boxes.map(({ panels }) => panels.length));
    if ((await this.batches.repairsOf(id)) < repairs)
      throw conflict(
        'What this batch mended is mended elsewhere',
        'Some of its repairs were put in another batch meanwhile, or taken off the list.',
      );
  }

  private async show(id: string) {
    const batch = await this.summaries.one(id);
    if (!batch) throw notFound('batch');
    return z.encode(batchRecord, batch);
  }
}
