import 'reflect-metadata';
import { rm } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import { NestFactory } from '@nestjs/core';
import { AppModule } from './app.module.js';
import { dress } from './create-app.js';
import { KNEX } from './database/database.js';
import { migrate } from './database/migrate.js';
import { DemoService } from './demo/demo.service.js';

const port = Number(process.env.SPARE_KNOT_PORT ?? 4310);
const host = process.env.SPARE_KNOT_HOST ?? '127.0.0.1';

const app = await NestFactory.create(AppModule, {
  logger: ['error', 'warn'],
  bodyParser: false,
  forceCloseConnections: true,
});
dress(
  app,
  fileURLToPath(new URL('../../web/dist', import.meta.url)),
  process.env.SPARE_KNOT_PUBLIC_HOST,
);
await migrate(app.get(KNEX));
// A shop of one's own begins without the invented one.
if (process.env.SPARE_KNOT_DEMO !== 'no') await app.get(DemoService).loadWhenEmpty();
// A first start that was ended before this begins anew: see bin/start.
const firstStart = process.env.SPARE_KNOT_FIRST_START;
if (firstStart) await rm(firstStart, { force: true });
await app.listen(port, host);
console.log(`Spare Knot is ready: http://${host}:${port}/  (Ctrl-C stops it)`);
