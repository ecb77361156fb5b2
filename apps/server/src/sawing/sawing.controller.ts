import { Body, Controller, Get, HttpCode, Param, ParseUUIDPipe, Post } from '@nestjs/common';
import {
  type SawnCuts,
  sawingProgress,
  sawingRecord,
  sawingState,
  sawnCuts,
} from '@spare-knot/core/api';
import { z } from 'zod';
import { Read } from '../http/read.pipe.js';
import { SawingService } from './sawing.service.js';

@Controller('api/batches/:id/sawing')
export class SawingController {
  constructor(private readonly sawings: SawingService) {}

  @Get()
  async one(@Param('id', ParseUUIDPipe) id: string) {
    return z.encode(sawingState, { sawing: await this.sawings.of(id) });
  }

  @Get('progress')
  async progress(@Param('id', ParseUUIDPipe) id: string) {
    return z.encode(sawingProgress, { progress: await this.sawings.progressOf(id) });
  }

  @Post()
  @HttpCode(200)
  async begin(@Param('id', ParseUUIDPipe) id: string) {
    return z.encode(sawingRecord, await this.sawings.begin(id));
  }

  @Post('cuts')
  @HttpCode(200)
  async keep(@Param('id', ParseUUIDPipe) id: string, @Body(new Read(sawnCuts)) cuts: SawnCuts) {
    return z.encode(sawingProgress, { progress: await this.sawings.keep(id, cuts) });
  }
}
