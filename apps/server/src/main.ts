import 'reflect-metadata';
import { fileURLToPath } from 'node:url';
import { NestFactory } from '@nestjs/core';
import { AppModule } from './app.module.js';
import { dress } from './create-app.js';
import { KNEX } from './database/database.js';
import { LaterRelease, upgrade } from './database/upgrade.js';
import { DemoService } from './demo/demo.service.js';
import { WILL_NOT_HELP } from './keeping/house.js';

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
try {
  await upgrade(app.get(KNEX), process.env.SPARE_KNOT_DATA ?? null, console.error);
} catch (error) {
  if (!(error instanceof LaterRelease)) throw error;
  console.error(error.message);
  process.exit(WILL_NOT_HELP);
}
// A shop of one's own begins without the invented one.
if (process.env.SPARE_KNOT_DEMO !== 'no') await app.get(DemoService).loadWhenEmpty();
await app.listen(port, host);
console.log(`Spare Knot is ready: http://${host}:${port}/  (Ctrl-C stops it)`);
