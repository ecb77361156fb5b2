import 'reflect-metadata';
import { readFileSync } from 'node:fs';
import type { INestApplication } from '@nestjs/common';
import { Test } from '@nestjs/testing';
import type { Knex } from 'knex';
import request from 'supertest';
import { AppModule } from '../app.module.js';
import { dress } from '../create-app.js';
import { KNEX } from '../database/database.js';
import { migrate } from '../database/migrate.js';
import { ownDatabase } from './own-database.js';

export interface TestServer {
  app: INestApplication;
  database: Knex;
  http: ReturnType<typeof request.agent>;
  close: () => Promise<void>;
}

/** A database as the release before left it, with its demo, a batch whose boards are taken, and a board thrown away. */
export async function releaseBefore(database: Knex): Promise<void> {
  const dump = readFileSync(new URL('./release-0.1.0.sql', import.meta.url), 'utf8');
  const statements = dump
    .split('\n')
    .filter((line) => !line.startsWith('--') && !line.startsWith('/*M!'))
    .join('\n')
    .split(/;\n/)
    .map((statement) => statement.trim())
    .filter((statement) => statement !== '');
  // One connection, since the dump sets variables of its session.
  await database.transaction(async (session) => {
    for (const statement of statements) await session.raw(statement.replaceAll('?', '\\?'));
  });
}

/** A whole server over a database of its own in the MariaDB that bin/test started. */
export async function openTestServer(
  prepare: (database: Knex) => Promise<void> = async () => {},
  /** By which way it reaches MariaDB, where that is another than its own. */
  port?: string,
): Promise<TestServer> {
  const { knex: database, close } = await ownDatabase(port);
  await prepare(database);
  await migrate(database);
  const module = await Test.createTestingModule({ imports: [AppModule] })
    .overrideProvider(KNEX)
    .useValue(database)
    .compile();
  const app = module.createNestApplication({ bodyParser: false, logger: ['error'] });
  dress(app, null);
  await app.listen(0, '127.0.0.1');
  return {
    app,
    database,
    http: request.agent(app.getHttpServer()),
    close: async () => {
      await app.close();
      await close();
    },
  };
}
