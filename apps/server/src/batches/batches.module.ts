import { Module } from '@nestjs/common';
import { CheckingModule } from '../checking/checking.module.js';
import { RackModule } from '../rack/rack.module.js';
import { YardModule } from '../yard/yard.module.js';
import { AcceptanceService } from './acceptance.service.js';
import { BatchesController } from './batches.controller.js';
import { BatchesRepository } from './batches.repository.js';
import { LayoutJudge } from './layout-judge.js';
import { LayoutsRepository } from './layouts.repository.js';
import { PlanVersionsRepository } from './plan-versions.repository.js';
import { PlansController } from './plans.controller.js';
import { PurchaseService } from './purchase.service.js';
import { SawingRepository } from './sawing.repository.js';
import { SummariesService } from './summaries.service.js';
import { WoodInReach } from './wood-in-reach.js';

@Module({
  imports: [CheckingModule, RackModule, YardModule],
  controllers: [BatchesController, PlansController],
  providers: [
    BatchesRepository,
    LayoutsRepository,
    SawingRepository,
    SummariesService,
    AcceptanceService,
    PurchaseService,
    LayoutJudge,
    PlanVersionsRepository,
    WoodInReach,
  ],
  exports: [
    AcceptanceService,
    BatchesRepository,
    LayoutJudge,
    LayoutsRepository,
    PlanVersionsRepository,
    SawingRepository,
    SummariesService,
  ],
})
export class BatchesModule {}
