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
  type NewSketch,
  newSketch,
  type SketchChange,
  type SketchRecord,
  sketchChange,
  sketchRecord,
} from '@spare-knot/core/api';
import { z } from 'zod';
import { KeptController } from '../database/kept.controller.js';
import { listed } from '../database/listed.js';
import { badInput, notFound } from '../http/problem.js';
import { Read } from '../http/read.pipe.js';
import { barePicture } from './jpeg.js';
import { SketchesRepository } from './sketches.repository.js';

const show = (sketch: SketchRecord) => z.encode(sketchRecord, sketch);

@Controller('api/sketches')
export class SketchesController extends KeptController<SketchRecord> {
  constructor(private readonly sketches: SketchesRepository) {
    super(sketches, 'sketch', show);
  }

  @Get()
  async list() {
    return listed('sketches', await this.sketches.rows(), show);
  }

  @Post()
  async add(@Body(new Read(newSketch)) { jpeg, ...sketch }: NewSketch) {
    const kept = await this.sketches.add(sketch, barePicture(Buffer.from(jpeg, 'base64')));
    if (!kept) throw notFound('sketch');
    return this.show(kept);
  }

  @Put(':id')
  async change(
    @Param('id', ParseUUIDPipe) id: string,
    @Body(new Read(sketchChange)) change: SketchChange,
  ) {
    const [sketch] = await this.sketches.byIds([id]);
    if (sketch && change.spots.some(({ x, y }) => x > sketch.width || y > sketch.height))
      throw badInput([{ path: 'spots', message: 'a spot lies beside the picture' }]);
    return this.changed(id, await this.sketches.change(id, change));
  }

  @Get(':id/picture')
  @Header('Content-Type', 'image/jpeg')
  async picture(@Param('id', ParseUUIDPipe) id: string) {
    const jpeg = await this.sketches.picture(id);
    if (!jpeg) throw notFound('sketch');
    return new StreamableFile(jpeg, { type: 'image/jpeg' });
  }
}
