import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.js';
import { RackModule } from '../rack/rack.module.js';
import { SawingModule } from '../sawing/sawing.module.js';
import { ShopModule } from '../shop/shop.module.js';
import { SuppliesModule } from '../supplies/supplies.module.js';
import { YardModule } from '../yard/yard.module.js';
import { DemoService } from './demo.service.js';

@Module({
  imports: [BatchesModule, RackModule, SawingModule, ShopModule, SuppliesModule, YardModule],
  providers: [DemoService],
})
export class DemoModule {}
