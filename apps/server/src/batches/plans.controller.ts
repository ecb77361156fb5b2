import { Controller, Get } from '@nestjs/common';
import { keptPlans } from '@spare-knot/core/api';
import { z } from 'zod';
import { SummariesService } from './summaries.service.js';

@Controller('api/plans')
export class PlansController {
  constructor(private readonly summaries: SummariesService) {}

  @Get()
  async list() {
    return z.encode(keptPlans, await this.summaries.plans());
  }
}
