import { Body, Controller, Get, Header, Param, ParseUUIDPipe, Post, Put } from '@nestjs/common';
import {
  type BoardChange,
  type BoardRecord,
  boardChange,
  boardList,
  boardRecord,
  csvBody,
  csvReport,
  type NewBoard,
  newBoards,
  versionOnly,
} from '@spare-knot/core/api';
import { readStockCsv } from '@spare-knot/core/exchange';
import { liesOnBoard } from '@spare-knot/core/wood';
import { z } from 'zod';
import { KeptController } from '../database/kept.controller.js';
import { listed } from '../database/listed.js';
import { badInput } from '../http/problem.js';
import { Read } from '../http/read.pipe.js';
import { RackRepository } from './rack.repository.js';
import { rackCsv } from './rack-csv.js';

const show = (board: BoardRecord) => z.encode(boardRecord, board);

function refuseDefectsOffBoard(boards: readonly NewBoard[], path: (board: number) => string): void {
  const errors = boards.flatMap((board, index) =>
    board.defects.flatMap((defect, at) =>
      liesOnBoard(defect.zone, board.length, board.width)
        ? []
        : [
            {
              path: `${path(index)}defects[${at}]`,
              message: `the ${defect.kind} lies outside its board`,
            },
          ],
    ),
  );
  if (errors.length > 0) throw badInput(errors);
}

@Controller('api/rack')
export class RackController extends KeptController<BoardRecord> {
  constructor(private readonly rack: RackRepository) {
    super(rack, 'board', show);
  }

  @Get()
  async list() {
    return listed('boards', await this.rack.rows(), show);
  }

  @Post()
  async add(@Body(new Read(newBoards)) { boards }: z.output<typeof newBoards>) {
    refuseDefectsOffBoard(boards, (index) => `boards[${index}].`);
    return z.encode(boardList, { boards: await this.rack.add(boards) });
  }

  @Get('csv')
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="rack.csv"')
  async csv() {
    return rackCsv(await this.rack.list());
  }

  @Post('csv')
  async importCsv(@Body(new Read(csvBody)) { csv }: z.output<typeof csvBody>) {
    const { entries, problems } = readStockCsv(csv);
    const boards =
      entries.length > 0
        ? await this.rack.add(
            entries.map(({ name, quantity, kind }) => ({
              name,
              quantity,
              ...kind,
              defects: [...kind.defects],
            })),
          )
        : [];
    return z.encode(csvReport, { boards, problems });
  }

  @Put(':id')
  async change(
    @Param('id', ParseUUIDPipe) id: string,
    @Body(new Read(boardChange)) change: BoardChange,
  ) {
    refuseDefectsOffBoard([change], () => '');
    return this.show((await this.rack.change(id, change)) ?? (await this.missed(id)));
  }

  @Post(':id/split')
  async split(
    @Param('id', ParseUUIDPipe) id: string,
    @Body(new Read(versionOnly)) { version }: z.output<typeof versionOnly>,
  ) {
    return this.show((await this.rack.split(id, version)) ?? (await this.missed(id)));
  }
}
