import { Module } from '@nestjs/common';
import { APP_GUARD } from '@nestjs/core';
import { ThrottlerModule } from '@nestjs/throttler';
import { ArchiveModule } from './archive/archive.module.js';
import { BatchesModule } from './batches/batches.module.js';
import { BenchWorkModule } from './bench-work/bench-work.module.js';
import { BinModule } from './bin/bin.module.js';
import { DatabaseModule } from './database/database.module.js';
import { DemoModule } from './demo/demo.module.js';
import { HealthController } from './health.controller.js';
import { PACE, PaceGuard } from './http/pace.js';
import { RackModule } from './rack/rack.module.js';
import { RepairsModule } from './repairs/repairs.module.js';
import { RequestsModule } from './requests/requests.module.js';
import { SawingModule } from './sawing/sawing.module.js';
import { ShopModule } from './shop/shop.module.js';
import { ShopListsModule } from './shop-lists/shop-lists.module.js';
import { SuppliesModule } from './supplies/supplies.module.js';
import { TrailModule } from './trail/trail.module.js';
import { YardModule } from './yard/yard.module.js';

@Module({
  imports: [
    ThrottlerModule.forRoot(PACE),
    DatabaseModule,
    RequestsModule,
    RackModule,
    YardModule,
    BatchesModule,
    BinModule,
    SawingModule,
    ShopModule,
    SuppliesModule,
    ShopListsModule,
    TrailModule,
    RepairsModule,
    ArchiveModule,
    BenchWorkModule,
    DemoModule,
  ],
  controllers: [HealthController],
  providers: [{ provide: APP_GUARD, useClass: PaceGuard }],
})
export class AppModule {}
