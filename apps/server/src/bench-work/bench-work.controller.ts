import { Body, Controller, Get, HttpCode, Param, ParseUUIDPipe, Post } from '@nestjs/common';
import { paceRecord, type WorkTold, workRecord, workTold } from '@spare-knot/core/api';
import { paceOf } from '@spare-knot/core/building';
import { z } from 'zod';
import { BatchesRepository } from '../batches/batches.repository.js';
import { notFound } from '../http/problem.js';
import { Read } from '../http/read.pipe.js';
import { BenchWorkRepository } from './bench-work.repository.js';

/** Pieces of work that learning looks back on. */
const LOOK_BACK = 5000;

@Controller('api/shop/pace')
export class PaceController {
  constructor(private readonly work: BenchWorkRepository) {}

  @Get()
  async get() {
    return z.encode(paceRecord, paceOf(await this.work.last(LOOK_BACK)));
  }
}

@Controller('api/batches/:id/work')
export class BenchWorkController {
  constructor(
    private readonly batches: BatchesRepository,
    private readonly work: BenchWorkRepository,
  ) {}

  @Get()
  async one(@Param('id', ParseUUIDPipe) id: string) {
    if (!(await this.batches.byId(id))) throw notFound('batch');
    return z.encode(workRecord, await this.work.of(id));
  }

  @Post()
  @HttpCode(200)
  async keep(
    @Param('id', ParseUUIDPipe) id: string,
    @Body(new Read(workTold)) { done, undone }: WorkTold,
  ) {
    // Two devices that tell at once come one after the other.
    if (!(await this.batches.byId(id, true))) throw notFound('batch');
    await this.work.remove(id, undone);
    await this.work.add(id, done);
    return z.encode(workRecord, await this.work.of(id));
  }
}
