import {
  Body,
  Controller,
  Delete,
  Get,
  Header,
  Param,
  ParseUUIDPipe,
  Post,
  Put,
  Query,
} from '@nestjs/common';
import {
  csvBody,
  newOffers,
  type OfferChange,
  type OfferRecord,
  offerChange,
  offerList,
  offerRecord,
  offerReport,
  versionQuery,
} from '@spare-knot/core/api';
import { readYardCsv, writeYardCsv } from '@spare-knot/core/exchange';
import { z } from 'zod';
import { notFound, stale } from '../http/problem.js';
import { Read } from '../http/read.pipe.js';
import { YardRepository } from './yard.repository.js';

const show = (offer: OfferRecord) => z.encode(offerRecord, offer);

@Controller('api/yard')
export class YardController {
  constructor(private readonly yard: YardRepository) {}

  @Get()
  async list() {
    return z.encode(offerList, { offers: await this.yard.list() });
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
    return show((await this.yard.change(id, change)) ?? (await this.missed(id)));
  }

  @Delete(':id')
  async remove(
    @Param('id', ParseUUIDPipe) id: string,
    @Query(new Read(versionQuery)) { version }: z.output<typeof versionQuery>,
  ) {
    if (!(await this.yard.remove(id, version))) await this.missed(id);
    return { removed: id };
  }

  @Post(':id/restore')
  async restore(@Param('id', ParseUUIDPipe) id: string) {
    const offer = await this.yard.restore(id);
    if (!offer) throw notFound('offer of a yard');
    return show(offer);
  }

  /** Why a write did not take: the offer is gone, or somebody else changed it first. */
  private async missed(id: string): Promise<never> {
    const [current] = await this.yard.byIds([id]);
    throw current ? stale('offer of a yard', show(current)) : notFound('offer of a yard');
  }
}
