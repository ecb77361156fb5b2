import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.js';
import { RackModule } from '../rack/rack.module.js';
import { AgainService } from './again.service.js';
import { RoundWood } from './round-wood.js';
import { SawingController } from './sawing.controller.js';
import { SawingService } from './sawing.service.js';

@Module({
  imports: [BatchesModule, RackModule],
  controllers: [SawingController],
  providers: [SawingService, AgainService, RoundWood],
})
export class SawingModule {}
