import { Module } from '@nestjs/common';
import { SuppliesController } from './supplies.controller.js';
import { SuppliesRepository } from './supplies.repository.js';

@Module({
  controllers: [SuppliesController],
  providers: [SuppliesRepository],
  exports: [SuppliesRepository],
})
export class SuppliesModule {}
