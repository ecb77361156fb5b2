import {
  Body,
  Controller,
  Get,
  Header,
  Param,
  ParseUUIDPipe,
  Post,
  Put,
  type Type,
} from '@nestjs/common';
import {
  csvBody,
  type ListRow,
  listChange,
  listReport,
  listRow,
  listRows,
  newListRows,
} from '@spare-knot/core/api';
import {
  type ListFields,
  readListCsv,
  type ShopList,
  writeListCsv,
} from '@spare-knot/core/exchange';
import { z } from 'zod';
import { Database } from '../database/database.js';
import { KeptController } from '../database/kept.controller.js';
import { listed } from '../database/listed.js';
import { Read } from '../http/read.pipe.js';
import { ListRepository } from './list.repository.js';

const show = (row: ListRow) => z.encode(listRow, row);

/** The way to one of the shop’s lists. */
export function listController(list: ShopList): Type {
  const change = listChange(list);

  @Controller(`api/lists/${list.id}`)
  class ListController extends KeptController<ListRow> {
    private readonly rows: ListRepository;

    constructor(database: Database) {
      const rows = new ListRepository(database, list);
      super(rows, list.one, show);
      this.rows = rows;
    }

    @Get()
    async list() {
      return listed('rows', await this.rows.all(), show);
    }

    @Post()
    async add(@Body(new Read(newListRows(list))) { rows }: { rows: ListFields[] }) {
      return z.encode(listRows, { rows: await this.rows.add(rows) });
    }

    @Get('csv')
    @Header('Content-Type', 'text/csv; charset=utf-8')
    @Header('Content-Disposition', `attachment; filename="${list.id}.csv"`)
    async csv() {
      return writeListCsv(list, (await this.rows.all()).kept);
    }

    @Post('csv')
    async importCsv(@Body(new Read(csvBody)) { csv }: z.output<typeof csvBody>) {
      const { entries, problems } = readListCsv(list, csv);
      const rows = entries.length > 0 ? await this.rows.add(entries) : [];
      return z.encode(listReport, { rows, problems });
    }

    @Put(':id')
    async change(
      @Param('id', ParseUUIDPipe) id: string,
      @Body(new Read(change)) { version, fields }: { version: number; fields: ListFields },
    ) {
      return this.changed(id, await this.rows.change(id, version, fields));
    }
  }
  return ListController;
}
