import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.js';
import { BinModule } from '../bin/bin.module.js';
import { RackModule } from '../rack/rack.module.js';
import { TrailModule } from '../trail/trail.module.js';
import { BeyondMendingService } from './beyond-mending.service.js';
import { MendingService } from './mending.service.js';
import { RepairsController } from './repairs.controller.js';
import { RepairsRepository } from './repairs.repository.js';
import { WinterController } from './winter.controller.js';

@Module({
  imports: [BatchesModule, BinModule, RackModule, TrailModule],
  controllers: [RepairsController, WinterController],
  providers: [RepairsRepository, MendingService, BeyondMendingService],
  exports: [RepairsRepository, MendingService],
})
export class RepairsModule {}
