import { Body, Controller, Get, HttpCode, Param, ParseUUIDPipe, Post, Put } from '@nestjs/common';
import {
  backToBin,
  batchRecord,
  binList,
  fromBin,
  type NewSpares,
  newSpares,
  type SpareChange,
  type SpareRecord,
  spareChange,
  spareRecord,
} from '@spare-knot/core/api';
import { z } from 'zod';
import { SummariesService } from '../batches/summaries.service.js';
import { KeptController } from '../database/kept.controller.js';
import { listed } from '../database/listed.js';
import { notFound } from '../http/problem.js';
import { Read } from '../http/read.pipe.js';
import { BinRepository } from './bin.repository.js';
import { BinService } from './bin.service.js';

const show = (spare: SpareRecord) => z.encode(spareRecord, spare);

@Controller('api/bin')
export class BinController extends KeptController<SpareRecord> {
  constructor(
    private readonly bin: BinRepository,
    private readonly service: BinService,
  ) {
    super(bin, 'panel in the bin', show);
  }

  @Get()
  async list() {
    return listed('spares', await this.bin.rows(), show);
  }

  @Post()
  async put(@Body(new Read(newSpares)) spares: NewSpares) {
    return z.encode(binList, { spares: await this.service.put(spares) });
  }

  @Put(':id')
  async change(
    @Param('id', ParseUUIDPipe) id: string,
    @Body(new Read(spareChange)) change: SpareChange,
  ) {
    return this.changed(id, await this.bin.change(id, change));
  }
}

/** What a batch takes out of the bin. */
@Controller('api/batches/:id/bin')
export class BatchBinController {
  constructor(
    private readonly service: BinService,
    private readonly summaries: SummariesService,
  ) {}

  @Post()
  @HttpCode(200)
  async take(
    @Param('id', ParseUUIDPipe) id: string,
    @Body(new Read(fromBin)) { version, take }: z.output<typeof fromBin>,
  ) {
    await this.service.take(id, version, take);
    return this.batch(id);
  }

  @Post('back')
  @HttpCode(200)
  async back(
    @Param('id', ParseUUIDPipe) id: string,
    @Body(new Read(backToBin)) { version, spares }: z.output<typeof backToBin>,
  ) {
    await this.service.back(id, version, spares);
    return this.batch(id);
  }

  private async batch(id: string) {
    const batch = await this.summaries.one(id);
    if (!batch) throw notFound('batch');
    return z.encode(batchRecord, batch);
  }
}
