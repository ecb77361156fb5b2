import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.js';
import { PaceController, WorkController } from './work.controller.js';
import { WorkRepository } from './work.repository.js';

@Module({
  imports: [BatchesModule],
  controllers: [WorkController, PaceController],
  providers: [WorkRepository],
})
export class WorkModule {}
