import 'reflect-metadata';
import { resolve } from 'node:path';
import { Module } from '@nestjs/common';
import { NestFactory } from '@nestjs/core';
import { ArchiveModule } from '../archive/archive.module.js';
import { ArchiveService } from '../archive/archive.service.js';
import { KNEX } from '../database/database.js';
import { DatabaseModule } from '../database/database.module.js';
import { STEP_NAMES, stepsOf } from '../database/migrate.js';
import { mustBeKnown, writeWhole } from '../database/upgrade.js';
import { backupOf } from './backup-of.js';
import { addressFrom } from './dump.js';

@Module({ imports: [DatabaseModule, ArchiveModule] })
class BackupModule {}

/** bin/backup: the database of the environment into the file that is named. */
async function backup(path: string): Promise<string> {
  const app = await NestFactory.createApplicationContext(BackupModule, { logger: false });
  try {
    const knex = app.get(KNEX);
    const steps = await stepsOf(knex);
    mustBeKnown(steps);
    // Lists can be written of the newest schema alone; the dump is there in any case.
    const isNewest = steps.length === STEP_NAMES.length;
    const { file, told } = await backupOf(knex, addressFrom(process.env), () =>
      isNewest ? app.get(ArchiveService).files() : Promise.resolve({}),
    );
    await writeWhole(path, file);
    const rows = Object.values(told.tables).reduce((sum, count) => sum + count, 0);
    return `${path}: ${rows} rows of ${Object.keys(told.tables).length} tables, ${file.length} bytes.`;
  } finally {
    await app.close();
  }
}

try {
  console.log(await backup(resolve(process.argv[2] ?? '')));
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exitCode = 1;
}
