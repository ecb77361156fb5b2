import { Module } from '@nestjs/common';
import { RackModule } from '../rack/rack.module.js';
import { SuppliesModule } from '../supplies/supplies.module.js';
import { TrailModule } from '../trail/trail.module.js';
import { ArchiveController } from './archive.controller.js';
import { ArchiveService } from './archive.service.js';

@Module({
  imports: [RackModule, SuppliesModule, TrailModule],
  controllers: [ArchiveController],
  providers: [ArchiveService],
  exports: [ArchiveService],
})
export class ArchiveModule {}
