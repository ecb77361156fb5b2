import { Body, Controller, Get, Header, Put } from '@nestjs/common';
import { shopRecord } from '@spare-knot/core/api';
import { writeBitsCsv, writeSawsCsv } from '@spare-knot/core/exchange';
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

  @Get('saws.csv')
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="saws.csv"')
  async saws() {
    return writeSawsCsv((await this.shop.get()).saws);
  }

  @Get('bits.csv')
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="bits.csv"')
  async bits() {
    return writeBitsCsv((await this.shop.get()).bits);
  }

  @Put()
  async put(@Body(new Read(shopRecord)) change: z.output<typeof shopRecord>) {
    const kept = await this.shop.put(change);
    if (!kept) throw stale('list of the shop’s tools', z.encode(shopRecord, await this.shop.get()));
    return z.encode(shopRecord, kept);
  }
}
