import {
  Body,
  Controller,
  Get,
  Header,
  Param,
  ParseUUIDPipe,
  Post,
  Put,
  StreamableFile,
} from '@nestjs/common';
import {
  csvBody,
  newVisits,
  photoBody,
  type VisitChange,
  type VisitRecord,
  visitChange,
  visitList,
  visitRecord,
  visitReport,
} from '@spare-knot/core/api';
import { readVisitsCsv, writeVisitsCsv } from '@spare-knot/core/exchange';
import { z } from 'zod';
import { KeptController } from '../database/kept.controller.js';
import { notFound } from '../http/problem.js';
import { Read } from '../http/read.pipe.js';
import { BoxesRepository } from './boxes.repository.js';
import { barePicture } from './jpeg.js';
import { VisitsRepository } from './visits.repository.js';
import { VisitsService } from './visits.service.js';

const show = (visit: VisitRecord) => z.encode(visitRecord, visit);

@Controller('api/visits')
export class VisitsController extends KeptController<VisitRecord> {
  constructor(
    private readonly visits: VisitsRepository,
    private readonly boxes: BoxesRepository,
    private readonly service: VisitsService,
  ) {
    super(visits, 'visit', show);
  }

  @Post()
  async add(@Body(new Read(newVisits)) { visits }: z.output<typeof newVisits>) {
    return z.encode(visitList, { visits: await this.service.add(visits) });
  }

  @Get('csv')
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="visits.csv"')
  async csv() {
    return writeVisitsCsv(await this.visits.numbered());
  }

  @Post('csv')
  async importCsv(@Body(new Read(csvBody)) { csv }: z.output<typeof csvBody>) {
    const ids = await this.boxes.idsByNumber();
    const { entries, problems } = readVisitsCsv(csv, ({ number }) =>
      ids.has(number) ? null : `number: no box ${number} is out`,
    );
    const visits = await this.service.addNumbered(entries, ids);
    return z.encode(visitReport, { visits, problems });
  }

  @Put(':id')
  async change(
    @Param('id', ParseUUIDPipe) id: string,
    @Body(new Read(visitChange)) change: VisitChange,
  ) {
    await this.service.mustBeThere([change.box]);
    return this.changed(id, await this.visits.change(id, change));
  }

  @Put(':id/photo')
  async keepPhoto(
    @Param('id', ParseUUIDPipe) id: string,
    @Body(new Read(photoBody)) { jpeg }: z.output<typeof photoBody>,
  ) {
    const picture = barePicture(Buffer.from(jpeg, 'base64'));
    const [visit] = await this.visits.byIds([id]);
    if (!visit) throw notFound('visit');
    await this.visits.keepPhoto(id, picture);
    return this.show({ ...visit, hasPhoto: true });
  }

  @Get(':id/photo')
  @Header('Content-Type', 'image/jpeg')
  async photo(@Param('id', ParseUUIDPipe) id: string) {
    const jpeg = await this.visits.photo(id);
    if (!jpeg) throw notFound('photo');
    return new StreamableFile(jpeg, { type: 'image/jpeg' });
  }
}
