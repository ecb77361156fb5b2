import {
  Body,
  Controller,
  Get,
  Header,
  Param,
  ParseUUIDPipe,
  Post,
  Put,
  Query,
} from '@nestjs/common';
import {
  type BoxChange,
  type BoxRecord,
  boxChange,
  boxList,
  boxRecord,
  boxReport,
  csvBody,
  newBoxes,
  seasonQuery,
  seasonRecord,
  visitRecord,
} from '@spare-knot/core/api';
import { readBoxesCsv, writeBoxesCsv } from '@spare-knot/core/exchange';
import { toMm } from '@spare-knot/core/measure';
import { boxYears, seasonBy } from '@spare-knot/core/trail';
import { z } from 'zod';
import { KeptController } from '../database/kept.controller.js';
import { listed } from '../database/listed.js';
import { notFound } from '../http/problem.js';
import { Read } from '../http/read.pipe.js';
import { BoxesRepository } from './boxes.repository.js';
import { VisitsRepository } from './visits.repository.js';

/** As it goes over the wire; thousands at once are not held against their schema, since they come out of columns with checks. */
const show = (box: BoxRecord): z.input<typeof boxRecord> => ({
  ...box,
  height: box.height === null ? null : toMm(box.height),
});

@Controller('api/trail')
export class TrailController extends KeptController<BoxRecord> {
  constructor(
    private readonly boxes: BoxesRepository,
    private readonly visits: VisitsRepository,
  ) {
    super(boxes, 'box', show);
  }

  @Get()
  async list() {
    return { boxes: (await this.boxes.list()).map(show) } satisfies z.input<typeof boxList>;
  }

  @Post()
  async add(@Body(new Read(newBoxes)) { boxes }: z.output<typeof newBoxes>) {
    return z.encode(boxList, { boxes: await this.boxes.add(boxes) });
  }

  @Get('csv')
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="boxes.csv"')
  async csv() {
    return writeBoxesCsv(await this.boxes.list());
  }

  /** Lines whose number stands on a box already are named; the others are kept. */
  @Post('csv')
  async importCsv(@Body(new Read(csvBody)) { csv }: z.output<typeof csvBody>) {
    const taken = new Set((await this.boxes.idsByNumber()).keys());
    const { entries, problems } = readBoxesCsv(csv, ({ number }) => {
      if (taken.has(number)) return `number: ${number} stands on another box already`;
      taken.add(number);
      return null;
    });
    const boxes =
      entries.length > 0
        ? await this.boxes.add(entries.map((box) => ({ ...box, batch: null })))
        : [];
    return z.encode(boxReport, { boxes, problems });
  }

  @Get('season')
  async season(@Query(new Read(seasonQuery)) { by, year }: z.output<typeof seasonQuery>) {
    const now = new Date();
    const seen = await this.visits.years();
    const all = (await this.boxes.hung()).flatMap((box) =>
      boxYears(box, seen.get(box.id) ?? [], now.getUTCFullYear()),
    );
    const years = [...new Set(all.map((each) => each.year))].sort((a, b) => b - a);
    const asked = year === undefined ? all : all.filter((each) => each.year === year);
    return z.encode(seasonRecord, { years, rows: seasonBy(asked, by), read: now.toISOString() });
  }

  @Get(':id')
  async one(@Param('id', ParseUUIDPipe) id: string) {
    const [box] = await this.boxes.byIds([id]);
    if (!box) throw notFound('box');
    const visits = { kept: await this.visits.of(id), unreadable: [] };
    return {
      box: show(box),
      ...listed('visits', visits, (visit) => z.encode(visitRecord, visit)),
    };
  }

  @Put(':id')
  async change(
    @Param('id', ParseUUIDPipe) id: string,
    @Body(new Read(boxChange)) change: BoxChange,
  ) {
    return this.changed(id, await this.boxes.change(id, change));
  }
}
