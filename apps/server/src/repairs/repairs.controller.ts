import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Param,
  ParseUUIDPipe,
  Post,
  Query,
} from '@nestjs/common';
import {
  type BeyondMending,
  beyondMending,
  type MendingBatch,
  mendingBatch,
  mendingBegun,
  type NewRepairs,
  newRepairs,
  planVersion,
  type RepairRecord,
  type RepairsDone,
  repairList,
  repairRecord,
  repairsDone,
  repairsKept,
  repairsQuery,
  takenApart,
  versionQuery,
} from '@spare-knot/core/api';
import { z } from 'zod';
import { PlanVersionsRepository } from '../batches/plan-versions.repository.js';
import { KeptController } from '../database/kept.controller.js';
import { listed } from '../database/listed.js';
import { notFound } from '../http/problem.js';
import { Read } from '../http/read.pipe.js';
import { BeyondMendingService } from './beyond-mending.service.js';
import { MendingService } from './mending.service.js';
import { RepairsRepository } from './repairs.repository.js';

const show = (repair: RepairRecord) => z.encode(repairRecord, repair);

/** The key of a plan's version: a SHA-256. */
const KEY = /^[0-9a-f]{64}$/;

@Controller('api/repairs')
export class RepairsController extends KeptController<RepairRecord> {
  constructor(
    private readonly repairs: RepairsRepository,
    private readonly mending: MendingService,
    private readonly beyond: BeyondMendingService,
    private readonly plans: PlanVersionsRepository,
  ) {
    super(repairs, 'repair', show);
  }

  @Get()
  async list(@Query(new Read(repairsQuery)) { box }: z.output<typeof repairsQuery>) {
    const repairs = box === undefined ? await this.repairs.open() : await this.repairs.of(box);
    const wanted = box === undefined ? await this.repairs.wanted() : [];
    const keys = [...repairs, ...wanted].flatMap(({ planKey }) => planKey ?? []);
    const { kept: plans, unreadable } = await this.plans.rowsByKeys(keys);
    return {
      ...listed('repairs', { kept: repairs, unreadable }, show),
      ...z.encode(repairList.pick({ wanted: true, plans: true }), { wanted, plans }),
    };
  }

  @Post()
  async tell(@Body(new Read(newRepairs)) told: NewRepairs) {
    return z.encode(repairsKept, { repairs: await this.mending.tell(told) });
  }

  @Post('done')
  @HttpCode(200)
  async done(@Body(new Read(repairsDone)) done: RepairsDone) {
    return z.encode(repairsKept, { repairs: await this.mending.done(done) });
  }

  @Post('batch')
  async begin(@Body(new Read(mendingBatch)) asked: MendingBatch) {
    return z.encode(mendingBegun, await this.mending.begin(asked));
  }

  @Post('beyond/:id')
  @HttpCode(200)
  async takeApart(
    @Param('id', ParseUUIDPipe) id: string,
    @Body(new Read(beyondMending)) told: BeyondMending,
  ) {
    return z.encode(takenApart, await this.beyond.takeApart(id, told));
  }

  @Get('plans/:key')
  async plan(@Param('key') key: string) {
    const [version] = KEY.test(key) ? await this.plans.byKeys([key]) : [];
    if (!version) throw notFound('version of a plan');
    return z.encode(planVersion, version);
  }

  @Delete(':id')
  override async remove(
    @Param('id', ParseUUIDPipe) id: string,
    @Query(new Read(versionQuery)) query: z.output<typeof versionQuery>,
  ) {
    await this.mending.mayGo(id);
    return super.remove(id, query);
  }
}
