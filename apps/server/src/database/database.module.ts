import { Global, Inject, Module, OnApplicationShutdown } from '@nestjs/common';
import knexFactory, { type Knex } from 'knex';
import { connectionFromEnvironment } from './connection.js';

export const DATABASE = Symbol('database');

@Global()
@Module({
  providers: [
    { provide: DATABASE, useFactory: () => knexFactory(connectionFromEnvironment(process.env)) },
  ],
  exports: [DATABASE],
})
export class DatabaseModule implements OnApplicationShutdown {
  constructor(@Inject(DATABASE) private readonly database: Knex) {}

  async onApplicationShutdown(): Promise<void> {
    await this.database.destroy();
  }
}
