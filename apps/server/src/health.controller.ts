import { Controller, Get } from '@nestjs/common';
import { openApi } from '@spare-knot/core/api';
import { Database } from './database/database.js';
import { Problem } from './http/problem.js';

/** Whether the server can keep things, and what can be asked of it. */
@Controller('api')
export class HealthController {
  constructor(private readonly database: Database) {}

  @Get('health')
  async health() {
    if (await this.database.answers()) return { ready: true };
    throw new Problem({
      type: 'about:blank',
      status: 503,
      title: 'The database does not answer',
      detail: 'Nothing can be kept until it does.',
    });
  }

  @Get('openapi.json')
  describe() {
    return openApi();
  }
}
