import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.js';
import { BoxesRepository } from './boxes.repository.js';
import { TrailController } from './trail.controller.js';
import { VisitsController } from './visits.controller.js';
import { VisitsRepository } from './visits.repository.js';
import { VisitsService } from './visits.service.js';

@Module({
  imports: [BatchesModule],
  controllers: [TrailController, VisitsController],
  providers: [BoxesRepository, VisitsRepository, VisitsService],
  exports: [BoxesRepository, VisitsRepository, VisitsService],
})
export class TrailModule {}
