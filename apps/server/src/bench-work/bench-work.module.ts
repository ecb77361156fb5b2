import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.js';
import { BenchWorkController, PaceController } from './bench-work.controller.js';
import { BenchWorkRepository } from './bench-work.repository.js';

@Module({
  imports: [BatchesModule],
  controllers: [BenchWorkController, PaceController],
  providers: [BenchWorkRepository],
})
export class BenchWorkModule {}
