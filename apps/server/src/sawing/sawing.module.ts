import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.js';
import { SawingController } from './sawing.controller.js';
import { SawingService } from './sawing.service.js';

@Module({
  imports: [BatchesModule],
  controllers: [SawingController],
  providers: [SawingService],
})
export class SawingModule {}
