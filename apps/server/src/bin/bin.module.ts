import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.js';
import { BatchBinController, BinController } from './bin.controller.js';
import { BinRepository } from './bin.repository.js';
import { BinService } from './bin.service.js';

@Module({
  imports: [BatchesModule],
  controllers: [BinController, BatchBinController],
  providers: [BinRepository, BinService],
  exports: [BinRepository, BinService],
})
export class BinModule {}
