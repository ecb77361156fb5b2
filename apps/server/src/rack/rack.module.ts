import { Module } from '@nestjs/common';
import { RackController } from './rack.controller.js';
import { RackRepository } from './rack.repository.js';

@Module({ controllers: [RackController], providers: [RackRepository], exports: [RackRepository] })
export class RackModule {}
