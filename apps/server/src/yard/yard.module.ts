import { Module } from '@nestjs/common';
import { YardController } from './yard.controller.js';
import { YardRepository } from './yard.repository.js';

@Module({
  controllers: [YardController],
  providers: [YardRepository],
  exports: [YardRepository],
})
export class YardModule {}
