import 'reflect-metadata';
import { randomUUID } from 'node:crypto';
import type { INestApplication } from '@nestjs/common';
import { Test } from '@nestjs/testing';
import knexFactory, { type Knex } from 'knex';
import request from 'supertest';
import { AppModule } from '../app.module.js';
import { dress } from '../create-app.js';
import { connectionFromEnvironment } from '../database/connection.js';
import { DATABASE } from '../database/database.module.js';
import { migrate } from '../database/migrate.js';

export interface House {
  app: INestApplication;
  database: Knex;
  http: ReturnType<typeof request.agent>;
  close: () => Promise<void>;
}

/** A whole server over a database of its own in the MariaDB that bin/test started. */
export async function openHouse(
  prepare: (database: Knex) => Promise<void> = migrate,
): Promise<House> {
  if (!process.env.SPARE_KNOT_DB_PASSWORD)
    throw new Error('these tests need MariaDB: run them through bin/test, which starts one');
  const name = `spare_knot_test_${randomUUID().slice(0, 8)}`;
  const admin = knexFactory(connectionFromEnvironment(process.env));
  await admin.raw('create database ??', [name]);
  const database = knexFactory(
    connectionFromEnvironment({ ...process.env, SPARE_KNOT_DB_NAME: name }),
  );
  await prepare(database);
  const module = await Test.createTestingModule({ imports: [AppModule] })
    .overrideProvider(DATABASE)
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
