import 'reflect-metadata';
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import type { INestApplication } from '@nestjs/common';
import { Test } from '@nestjs/testing';
import knexFactory, { type Knex } from 'knex';
import request from 'supertest';
import { AppModule } from '../app.module.js';
import { dress } from '../create-app.js';
import { connectionFromEnvironment } from '../database/connection.js';
import { KNEX } from '../database/database.js';
import { migrate } from '../database/migrate.js';

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
): Promise<TestServer> {
  if (!process.env.SPARE_KNOT_DB_PASSWORD)
    throw new Error('these tests need MariaDB: run them through bin/test, which starts one');
  const name = `spare_knot_test_${randomUUID().slice(0, 8)}`;
  const admin = knexFactory(connectionFromEnvironment(process.env));
  await admin.raw('create database ??', [name]);
  const database = knexFactory(
    connectionFromEnvironment({ ...process.env, SPARE_KNOT_DB_NAME: name }),
  );
  await prepare(database);
  await migrate(database);
  const module = await Test.createTestingModule({ imports: [AppModule] })
    .overrideProvider(KNEX)
    .useValue(database)
    .compile();
  const app = module.createNestApplication({ bodyParser: false, logger: false });
  dress(app, null);
  await app.listen(0, '127.0.0.1');
  return {
    app,
    database,
    http: request.agent(app.getHttpServer()),
    close: async () => {
      await app.close();
      await admin.raw('drop database ??', [name]);
      await admin.destroy();
    },
  };
}
