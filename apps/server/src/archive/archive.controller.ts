import { Body, Controller, Get, Header, HttpCode, Post, StreamableFile } from '@nestjs/common';
import { archiveRead } from '@spare-knot/core/api';
import { z } from 'zod';
import { badInput } from '../http/problem.js';
import { ArchiveService } from './archive.service.js';

@Controller('api/archive')
export class ArchiveController {
  constructor(private readonly archive: ArchiveService) {}

  @Get()
  @Header('Content-Type', 'application/zip')
  @Header('Content-Disposition', 'attachment; filename="spare-knot-shop.zip"')
  async out() {
    return new StreamableFile(await this.archive.out(), { type: 'application/zip' });
  }

  @Post()
  @HttpCode(200)
  async in(@Body() body: unknown) {
    if (!Buffer.isBuffer(body))
      throw badInput([{ path: '', message: 'an archive is sent as application/zip' }]);
    return z.encode(archiveRead, await this.archive.in(body));
  }
}
