import { Body, Controller, Get, Header, Param, ParseUUIDPipe, Post, Put } from '@nestjs/common';
import {
  csvBody,
  newSupplies,
  type SupplyChange,
  type SupplyRecord,
  supplyChange,
  supplyList,
  supplyRecord,
  supplyReport,
} from '@spare-knot/core/api';
import { readSuppliesCsv, writeSuppliesCsv } from '@spare-knot/core/exchange';
import { z } from 'zod';
import { KeptController } from '../database/kept.controller.js';
import { listed } from '../database/listed.js';
import { conflict } from '../http/problem.js';
import { Read } from '../http/read.pipe.js';
import { SuppliesRepository } from './supplies.repository.js';

const show = (supply: SupplyRecord) => z.encode(supplyRecord, supply);

@Controller('api/supplies')
export class SuppliesController extends KeptController<SupplyRecord> {
  constructor(private readonly supplies: SuppliesRepository) {
    super(supplies, 'thing in the drawers', show);
  }

  @Get()
  async list() {
    return listed('supplies', await this.supplies.rows(), show);
  }

  @Post()
  async put(@Body(new Read(newSupplies)) { supplies }: z.output<typeof newSupplies>) {
    return z.encode(supplyList, { supplies: await this.supplies.put(supplies) });
  }

  @Get('csv')
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="supplies.csv"')
  async csv() {
    return writeSuppliesCsv(await this.supplies.list());
  }

  @Post('csv')
  async importCsv(@Body(new Read(csvBody)) { csv }: z.output<typeof csvBody>) {
    const { entries, problems } = readSuppliesCsv(csv);
    const supplies = entries.length > 0 ? await this.supplies.put(entries) : [];
    return z.encode(supplyReport, { supplies, problems });
  }

  @Put(':id')
  async change(
    @Param('id', ParseUUIDPipe) id: string,
    @Body(new Read(supplyChange)) change: SupplyChange,
  ) {
    const [before] = await this.supplies.byIds([id]);
    // What it is stays what it is: another item is another thing.
    if (before && before.item !== change.item)
      throw conflict('This is another thing', 'Add it, and take the other off the list.');
    return this.changed(id, await this.supplies.change(id, change));
  }
}
