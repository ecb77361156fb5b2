import { Module } from '@nestjs/common';
import { RackModule } from '../rack/rack.module.js';
import { AcceptanceService } from './acceptance.service.js';
import { BatchesController } from './batches.controller.js';
import { BatchesRepository } from './batches.repository.js';
import { LayoutsRepository } from './layouts.repository.js';
import { SummariesService } from './summaries.service.js';

@Module({
  imports: [RackModule],
  controllers: [BatchesController],
  providers: [BatchesRepository, LayoutsRepository, SummariesService, AcceptanceService],
  exports: [BatchesRepository],
})
export class BatchesModule {}
