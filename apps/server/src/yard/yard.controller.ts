import { Body, Controller, Get, Header, Param, ParseUUIDPipe, Post, Put } from '@nestjs/common';
import {
  csvBody,
  newOffers,
  type OfferChange,
  type OfferRecord,
  offerChange,
  offerList,
  offerRecord,
  offerReport,
} from '@spare-knot/core/api';
import { readYardCsv, writeYardCsv } from '@spare-knot/core/exchange';
import { z } from 'zod';
import { KeptController } from '../database/kept.controller.js';
import { listed } from '../database/listed.js';
import { Read } from '../http/read.pipe.js';
import { YardRepository } from './yard.repository.js';

const show = (offer: OfferRecord) => z.encode(offerRecord, offer);

@Controller('api/yard')
export class YardController extends KeptController<OfferRecord> {
  constructor(private readonly yard: YardRepository) {
    super(yard, 'offer of a yard', show);
  }

  @Get()
  async list() {
    return listed('offers', await this.yard.rows(), show);
  }

  @Post()
  async add(@Body(new Read(newOffers)) { offers }: z.output<typeof newOffers>) {
    return z.encode(offerList, { offers: await this.yard.add(offers) });
  }

  @Get('csv')
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="yard.csv"')
  async csv() {
    return writeYardCsv(await this.yard.list());
  }

  @Post('csv')
  async importCsv(@Body(new Read(csvBody)) { csv }: z.output<typeof csvBody>) {
    const { entries, problems } = readYardCsv(csv);
    const offers = entries.length > 0 ? await this.yard.add(entries) : [];
    return z.encode(offerReport, { offers, problems });
  }

  @Put(':id')
  async change(
    @Param('id', ParseUUIDPipe) id: string,
    @Body(new Read(offerChange)) change: OfferChange,
  ) {
    return this.show((await this.yard.change(id, change)) ?? (await this.missed(id)));
  }
}
