import { Global, Module, OnApplicationShutdown } from '@nestjs/common';
import knexFactory from 'knex';
import { connectionFromEnvironment } from './connection.js';
import { Database, KNEX } from './database.js';
import { Room } from './room.js';

@Global()
@Module({
  providers: [
    { provide: KNEX, useFactory: () => knexFactory(connectionFromEnvironment(process.env)) },
    Database,
    Room,
  ],
  exports: [Database, Room],
})
export class DatabaseModule implements OnApplicationShutdown {
  constructor(private readonly database: Database) {}

  async onApplicationShutdown(): Promise<void> {
    await this.database.close();
  }
}
