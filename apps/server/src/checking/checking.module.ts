import { Module } from '@nestjs/common';
import { CheckPool } from './check-pool.js';

@Module({ providers: [CheckPool], exports: [CheckPool] })
export class CheckingModule {}
