import { Body, Controller, Get, Put } from '@nestjs/common';
import { shopRecord } from '@spare-knot/core/api';
import { z } from 'zod';
import { stale } from '../http/problem.js';
import { Read } from '../http/read.pipe.js';
import { ShopRepository } from './shop.repository.js';

@Controller('api/shop')
export class ShopController {
  constructor(private readonly shop: ShopRepository) {}

  @Get()
  async get() {
    return z.encode(shopRecord, await this.shop.get());
  }

  @Put()
  async put(@Body(new Read(shopRecord)) change: z.output<typeof shopRecord>) {
    const kept = await this.shop.put(change);
    if (!kept) throw stale('list of the shop’s tools', z.encode(shopRecord, await this.shop.get()));
    return z.encode(shopRecord, kept);
  }
}
