import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.js';
import { CheckingModule } from '../checking/checking.module.js';
import { RackModule } from '../rack/rack.module.js';
import { ShopModule } from '../shop/shop.module.js';
import { AgainService } from './again.service.js';
import { LogService } from './log.service.js';
import { RoundWood } from './round-wood.js';
import { LearnedController, SawingController } from './sawing.controller.js';
import { SawingService } from './sawing.service.js';

@Module({
  imports: [BatchesModule, CheckingModule, RackModule, ShopModule],
  controllers: [SawingController, LearnedController],
  providers: [SawingService, AgainService, LogService, RoundWood],
  exports: [SawingService],
})
export class SawingModule {}
