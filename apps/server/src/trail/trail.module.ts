import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.js';
import { BoxesRepository } from './boxes.repository.js';
import { SketchesController } from './sketches.controller.js';
import { SketchesRepository } from './sketches.repository.js';
import { TrailController } from './trail.controller.js';
import { VisitsController } from './visits.controller.js';
import { VisitsRepository } from './visits.repository.js';
import { VisitsService } from './visits.service.js';

@Module({
  imports: [BatchesModule],
  controllers: [TrailController, VisitsController, SketchesController],
  providers: [BoxesRepository, SketchesRepository, VisitsRepository, VisitsService],
  exports: [BoxesRepository, VisitsRepository, VisitsService],
})
export class TrailModule {}
