import { Global, Module, OnApplicationShutdown } from '@nestjs/common';
import knexFactory from 'knex';
import { connectionFromEnvironment } from './connection.js';
import { Database, KNEX } from './database.js';

@Global()
@Module({
  providers: [
    { provide: KNEX, useFactory: () => knexFactory(connectionFromEnvironment(process.env)) },
    Database,
  ],
  exports: [Database],
})
export class DatabaseModule implements OnApplicationShutdown {
  constructor(private readonly database: Database) {}

  async onApplicationShutdown(): Promise<void> {
    await this.database.close();
  }
}
