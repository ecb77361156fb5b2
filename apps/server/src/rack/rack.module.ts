import { Module } from '@nestjs/common';
import { LedgerRepository } from './ledger.repository.js';
import { RackController } from './rack.controller.js';
import { RackRepository } from './rack.repository.js';

@Module({
  controllers: [RackController],
  providers: [RackRepository, LedgerRepository],
  exports: [RackRepository],
})
export class RackModule {}
