import { Controller, Get } from '@nestjs/common';
import { openApi } from '@spare-knot/core/api';
import { Database } from './database/database.js';
import { Room } from './database/room.js';
import { databaseAway } from './http/problem.js';

/** Whether the server can keep things, and what can be asked of it. */
@Controller('api')
export class HealthController {
  constructor(
    private readonly database: Database,
    private readonly room: Room,
  ) {}

  @Get('health')
  async health() {
    if (!(await this.database.answers())) throw databaseAway();
    return { ready: true, room: await this.room.isThere() };
  }

  @Get('openapi.json')
  describe() {
    return openApi();
  }
}
