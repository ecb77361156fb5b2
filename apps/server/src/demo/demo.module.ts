import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.js';
import { BinModule } from '../bin/bin.module.js';
import { RackModule } from '../rack/rack.module.js';
import { RepairsModule } from '../repairs/repairs.module.js';
import { SawingModule } from '../sawing/sawing.module.js';
import { ShopModule } from '../shop/shop.module.js';
import { SuppliesModule } from '../supplies/supplies.module.js';
import { TrailModule } from '../trail/trail.module.js';
import { YardModule } from '../yard/yard.module.js';
import { DemoService } from './demo.service.js';

@Module({
  imports: [
    BatchesModule,
    BinModule,
    RackModule,
    RepairsModule,
    SawingModule,
    ShopModule,
    SuppliesModule,
    TrailModule,
    YardModule,
  ],
  providers: [DemoService],
})
export class DemoModule {}
