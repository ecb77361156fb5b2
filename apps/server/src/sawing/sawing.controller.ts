import { Body, Controller, Get, HttpCode, Param, ParseUUIDPipe, Post } from '@nestjs/common';
import {
  learnedRecord,
  leftRecord,
  roundOnly,
  type SawAgain,
  type SawnCuts,
  sawAgain,
  sawingLog,
  sawingProgress,
  sawingRecord,
  sawingState,
  sawnCuts,
} from '@spare-knot/core/api';
import { z } from 'zod';
import { Read } from '../http/read.pipe.js';
import { AgainService } from './again.service.js';
import { LogService } from './log.service.js';
import { SawingService } from './sawing.service.js';

/** What the batches that were sawn tell of the shop's saws. */
@Controller('api/shop/learned')
export class LearnedController {
  constructor(private readonly logs: LogService) {}

  @Get()
  async get() {
    return z.encode(learnedRecord, await this.logs.learned());
  }
}

@Controller('api/batches/:id/sawing')
export class SawingController {
  constructor(
    private readonly sawings: SawingService,
    private readonly plans: AgainService,
    private readonly logs: LogService,
  ) {}

  @Get()
  async one(@Param('id', ParseUUIDPipe) id: string) {
    return z.encode(sawingState, { sawing: await this.sawings.of(id) });
  }

  @Get('progress')
  async progress(@Param('id', ParseUUIDPipe) id: string) {
    return z.encode(sawingProgress, await this.sawings.progressOf(id));
  }

  @Get('left')
  async left(@Param('id', ParseUUIDPipe) id: string) {
    return z.encode(leftRecord, await this.plans.left(id));
  }

  @Get('log')
  async log(@Param('id', ParseUUIDPipe) id: string) {
    return z.encode(sawingLog, await this.logs.of(id));
  }

  @Post()
  @HttpCode(200)
  async begin(@Param('id', ParseUUIDPipe) id: string) {
    return z.encode(sawingRecord, await this.sawings.begin(id));
  }

  @Post('cuts')
  @HttpCode(200)
  async keep(@Param('id', ParseUUIDPipe) id: string, @Body(new Read(sawnCuts)) cuts: SawnCuts) {
    return z.encode(sawingProgress, await this.sawings.keep(id, cuts));
  }

  @Post('again')
  @HttpCode(200)
  async again(@Param('id', ParseUUIDPipe) id: string, @Body(new Read(sawAgain)) plan: SawAgain) {
    await this.plans.again(id, plan);
    return z.encode(sawingRecord, this.sawings.recordOf(await this.sawings.sawn(id)));
  }

  @Post('back')
  @HttpCode(200)
  async back(
    @Param('id', ParseUUIDPipe) id: string,
    @Body(new Read(roundOnly)) { round }: { round: number },
  ) {
    await this.plans.back(id, round);
    return z.encode(sawingRecord, this.sawings.recordOf(await this.sawings.sawn(id)));
  }
}
