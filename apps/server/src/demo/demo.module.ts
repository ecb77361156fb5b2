import { Module } from '@nestjs/common';
import { BatchesModule } from '../batches/batches.module.js';
import { RackModule } from '../rack/rack.module.js';
import { DemoService } from './demo.service.js';

@Module({ imports: [BatchesModule, RackModule], providers: [DemoService] })
export class DemoModule {}
