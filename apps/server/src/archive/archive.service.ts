import { Injectable } from '@nestjs/common';
import { writeBoxesCsv, writeSuppliesCsv, writeVisitsCsv } from '@spare-knot/core/exchange';
import {
  strFromU8,
  strToU8,
  type UnzipFileInfo,
  type Unzipped,
  unzip,
  type Zippable,
  zipSync,
} from 'fflate';
import { z } from 'zod';
import { Database } from '../database/database.js';
import { inBulk } from '../database/kept-table.js';
import { badInput, conflict, Problem } from '../http/problem.js';
import { RackRepository } from '../rack/rack.repository.js';
import { rackCsv } from '../rack/rack-csv.js';
import { SuppliesRepository } from '../supplies/supplies.repository.js';
import { BoxesRepository } from '../trail/boxes.repository.js';
import { barePicture } from '../trail/jpeg.js';
import { VisitsRepository } from '../trail/visits.repository.js';
import { ABOUT } from './about.js';
import { COUNTED, KEPT_TABLES, type KeptTableName } from './kept-tables.js';

export const ARCHIVE_FORMAT = 'spare-knot/shop' as const;

/** What an archive unpacks to at most: a shop of decades is far below it. */
const MOST_BYTES = 400_000_000;
/** What one table of it is read from at most, which is read at once. */
const MOST_OF_TABLE = 100_000_000;

const heading = z.object({
  format: z.literal(ARCHIVE_FORMAT),
  version: z.literal(1),
  written: z.iso.datetime(),
  tables: z.record(z.string(), z.number().int().nonnegative()),
});
const rowsOf = z.array(
  z.record(z.string(), z.union([z.string(), z.number(), z.boolean(), z.null()])),
);
type Row = z.output<typeof rowsOf>[number];

/** A column as the database knows it. */
interface Column {
  table: string;
  name: string;
  type: string;
}

const wrong = (path: string, message: string) => badInput([{ path, message }]);

/** Why the database will not have some rows. */
function whyNot(error: unknown): string {
  switch ((error as { code?: unknown }).code) {
    case 'ER_NO_REFERENCED_ROW_2':
      return 'speaks of a row that is not in the archive';
    case 'ER_DUP_ENTRY':
      return 'has a row twice';
    case 'ER_CONSTRAINT_FAILED':
      return 'has a row that cannot be: a check of the database does not hold';
    default:
      throw error;
  }
}

const PHOTO = /^photos\/(.+)\.jpg$/;

/** The whole shop in one file that needs no program to be read, and such a file back into a shop in which nothing is kept yet. */
@Injectable()
export class ArchiveService {
  constructor(
    private readonly database: Database,
    private readonly rack: RackRepository,
    private readonly supplies: SuppliesRepository,
    private readonly boxes: BoxesRepository,
    private readonly visits: VisitsRepository,
  ) {}

  /** Everything as it is at one moment, as a ZIP. */
  async out(): Promise<Uint8Array> {
    return zipSync(await this.files(), { level: 6 });
  }

  /** The files of that ZIP. */
  files(): Promise<Zippable> {
    return this.database.snapshot(async () => {
      const columns = await this.columns();
      const files: Zippable = {};
      const tables: Record<string, number> = {};
      for (const table of KEPT_TABLES) {
        const own = columns.filter((column) => column.table === table).map(({ name }) => name);
        const found = (await this.database.now(table).select(own).orderBy(own)) as object[];
        const rows = found.map(asWritten);
        tables[table] = rows.length;
        files[`data/${table}.json`] = strToU8(JSON.stringify(rows, null, 1));
      }
      const about = {
        format: ARCHIVE_FORMAT,
        version: 1,
        written: new Date().toISOString(),
        tables,
      };
      files['shop.json'] = strToU8(JSON.stringify(about, null, 2));
      return Object.assign(files, await this.forReading(), await this.photos());
    });
  }

  /**
   * Reads an archive into a shop in which nothing is kept; all of it or nothing. What is no archive, has a column that is not known here
   * or speaks of a row that is not in it is named.
   */
  async in(archive: Uint8Array): Promise<{ rows: number; photos: number }> {
    const files = await unpacked(archive);
    return this.database.transaction(async () => {
      await this.mustBeEmpty();
      const columns = await this.columns();
      let rows = 0;
      for (const table of KEPT_TABLES) rows += await this.put(table, files, columns);
      const boxes = (await this.database.now('trail_boxes').select('id')) as { id: string }[];
      if (boxes.length > 0) await this.visits.recount(boxes.map(({ id }) => id));
      return { rows, photos: await this.putPhotos(files) };
    });
  }

  /** The lists that people read in a spreadsheet. */
  private async forReading(): Promise<Zippable> {
    return {
      'READ-ME.txt': strToU8(ABOUT),
      'boards.csv': strToU8(rackCsv(await this.rack.list())),
      'drawers.csv': strToU8(writeSuppliesCsv(await this.supplies.list())),
      'boxes.csv': strToU8(writeBoxesCsv(await this.boxes.list())),
      'visits.csv': strToU8(writeVisitsCsv(await this.visits.numbered())),
    };
  }

  private async photos(): Promise<Zippable> {
    const rows = (await this.database.now('visit_photos').orderBy('visit_id')) as {
      visit_id: string;
      jpeg: Buffer;
    }[];
    // A picture is packed already.
    return Object.fromEntries(
      rows.map(({ visit_id, jpeg }) => [
        `photos/${visit_id}.jpg`,
        [new Uint8Array(jpeg), { level: 0 }],
      ]),
    );
  }

  /** What a table keeps, without what is worked out. */
  private async columns(): Promise<Column[]> {
    const rows = (await this.database
      .now('information_schema.columns')
      .where({ table_schema: this.database.now.raw('database()') })
      .whereIn('table_name', [...KEPT_TABLES])
      .where('is_generated', 'NEVER')
      .orderBy(['table_name', 'ordinal_position'])
      .select({ table: 'table_name', name: 'column_name', type: 'data_type' })) as Column[];
    return rows.filter(({ table, name }) => !COUNTED.has(`${table}.${name}`));
  }

  private async mustBeEmpty(): Promise<void> {
    for (const table of KEPT_TABLES) {
      if (await this.database.now(table).first(this.database.now.raw('1')))
        throw conflict(
          'Something is kept here already',
          'An archive is read into an empty shop alone, so that nothing is mixed or lost: start one with bin/start --empty. Nothing was changed.',
        );
    }
  }

  private async put(
    table: KeptTableName,
    files: ReadonlyMap<string, Uint8Array>,
    columns: readonly Column[],
  ): Promise<number> {
    const path = `data/${table}.json`;
    const own = new Map(
      columns.filter((column) => column.table === table).map(({ name, type }) => [name, type]),
    );
    const rows = readRows(path, files.get(path)).map((row, index) =>
      asKept(row, own, `${path}[${index}]`),
    );
    await inBulk(this.database, table, rows).catch((error: unknown) => {
      throw wrong(path, whyNot(error));
    });
    return rows.length;
  }

  private async putPhotos(files: ReadonlyMap<string, Uint8Array>): Promise<number> {
    let photos = 0;
    for (const [path, bytes] of files) {
      const [, visit] = PHOTO.exec(path) ?? [];
      if (visit === undefined) continue;
      const known = await this.database.now('visits').where({ id: visit }).first('id');
      if (!known) throw wrong(path, 'is of a visit that is not in the archive');
      await this.visits.keepPhoto(visit, barePicture(Buffer.from(bytes)));
      photos += 1;
    }
    return photos;
  }
}

/** Documents are text, as they lie in the database, whatever the driver makes of them. */
const asWritten = (row: object): object =>
  Object.fromEntries(
    Object.entries(row).map(([name, value]) => [
      name,
      typeof value === 'object' && value !== null && !(value instanceof Date)
        ? JSON.stringify(value)
        : value,
    ]),
  );

/** Unpacks beside the server's own thread; what is too large is told by the names in its list, before anything is unpacked. */
const unzipped = (archive: Uint8Array): Promise<Unzipped> =>
  new Promise((done, failed) => {
    let size = 0;
    const filter = ({ name, originalSize }: UnzipFileInfo): boolean => {
      size += originalSize;
      if (size > MOST_BYTES) throw wrong('archive', 'unpacks to more than a shop keeps');
      if (originalSize > MOST_OF_TABLE && name.endsWith('.json'))
        throw wrong(name.slice(0, 80), 'unpacks to more than a shop keeps');
      return true;
    };
    unzip(archive, { filter }, (error, files) => (error ? failed(error) : done(files)));
  });

/** The files of an archive; what is none, or would unpack to more than any shop, is refused. */
async function unpacked(archive: Uint8Array): Promise<ReadonlyMap<string, Uint8Array>> {
  const files = await unzipped(archive).catch((error: unknown) => {
    throw error instanceof Problem ? error : wrong('archive', 'is no ZIP file, or a broken one');
  });
  const about = heading.safeParse(readJson('shop.json', files['shop.json']));
  if (!about.success) throw wrong('shop.json', 'does not say that this is the archive of a shop');
  return new Map(Object.entries(files));
}

function readJson(path: string, bytes: Uint8Array | undefined): unknown {
  if (!bytes) throw wrong(path, 'is missing in the archive');
  try {
    return JSON.parse(strFromU8(bytes));
  } catch {
    throw wrong(path, 'is not JSON');
  }
}

function readRows(path: string, bytes: Uint8Array | undefined): Row[] {
  const read = rowsOf.safeParse(readJson(path, bytes));
  if (!read.success) throw wrong(path, 'is no list of rows');
  return read.data;
}

/** A row as the database takes it; days and moments are written as text in the archive. */
function asKept(row: Row, columns: ReadonlyMap<string, string>, path: string) {
  return Object.fromEntries(
    Object.entries(row).map(([name, value]) => {
      const type = columns.get(name);
      if (type === undefined) throw wrong(`${path}.${name}`, 'is not known here');
      if (value === null || (type !== 'date' && type !== 'datetime')) return [name, value];
      const moment = new Date(String(value));
      if (Number.isNaN(moment.getTime())) throw wrong(`${path}.${name}`, 'is no moment');
      return [name, moment];
    }),
  );
}
