import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Param,
  ParseUUIDPipe,
  Post,
  Put,
  Query,
} from '@nestjs/common';
import {
  type Acceptance,
  acceptance,
  type BatchChange,
  type BatchRecord,
  batchChange,
  batchList,
  batchRecord,
  type NewBatch,
  newBatch,
  proposal,
  versionOnly,
} from '@spare-knot/core/api';
import { z } from 'zod';
import { conflict, notFound, stale } from '../http/problem.js';
import { Read } from '../http/read.pipe.js';
import { AcceptanceService } from './acceptance.service.js';
import { BatchesRepository } from './batches.repository.js';

const versionQuery = z.object({ version: z.coerce.number().int().positive() });
const show = (batch: BatchRecord) => z.encode(batchRecord, batch);

@Controller('api/batches')
export class BatchesController {
  constructor(
    private readonly batches: BatchesRepository,
    private readonly acceptance: AcceptanceService,
  ) {}

  @Get()
  async list() {
    return z.encode(batchList, { batches: await this.batches.list() });
  }

  @Post()
  async add(@Body(new Read(newBatch)) batch: NewBatch) {
    return show(await this.batches.add(batch));
  }

  @Get(':id')
  async one(@Param('id', ParseUUIDPipe) id: string) {
    const batch = await this.batches.byId(id);
    if (!batch) throw notFound('batch');
    return show(batch);
  }

  @Put(':id')
  async change(
    @Param('id', ParseUUIDPipe) id: string,
    @Body(new Read(batchChange)) change: BatchChange,
  ) {
    const current = await this.batches.byId(id);
    if (current?.accepted && current.version === change.version) {
      throw conflict(
        'The boards of this batch are taken',
        'Give them back before changing the box, or start another batch.',
        show(current),
      );
    }
    return show((await this.batches.change(id, change)) ?? (await this.missed(id)));
  }

  @Delete(':id')
  async remove(
    @Param('id', ParseUUIDPipe) id: string,
    @Query(new Read(versionQuery)) { version }: z.output<typeof versionQuery>,
  ) {
    if (!(await this.batches.remove(id, version))) await this.missed(id);
    return { removed: id };
  }

  @Post(':id/restore')
  async restore(@Param('id', ParseUUIDPipe) id: string) {
    const batch = await this.batches.restore(id);
    if (!batch) throw notFound('batch');
    return show(batch);
  }

  @Post(':id/accept')
  @HttpCode(200)
  async accept(
    @Param('id', ParseUUIDPipe) id: string,
    @Body(new Read(acceptance)) { version, layout }: Acceptance,
  ) {
    return show(await this.acceptance.accept(id, version, layout));
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
    return show(await this.acceptance.giveBack(id, version));
  }

  private async missed(id: string): Promise<never> {
    const current = await this.batches.byId(id);
    throw current ? stale('batch', show(current)) : notFound('batch');
  }
}
