import { randomUUID } from 'node:crypto';
import type { Knex } from 'knex';
import type { Database } from './database.js';

/** What every row of a kept thing has. */
export interface KeptRow {
  id: string;
  version: number;
  deleted_at: Date | null;
}

type Columns = Readonly<Record<string, unknown>>;

/** JSON columns come as text or parsed, by the driver's mood. */
export const parsedJson = (value: unknown): unknown =>
  typeof value === 'string' ? JSON.parse(value) : value;

/** Rows that go into one statement. */
const AT_ONCE = 500;

/** Writes rows, many with one statement. */
export async function inBulk(
  database: Database,
  table: string,
  rows: readonly Columns[],
): Promise<void> {
  for (let from = 0; from < rows.length; from += AT_ONCE)
    await database.now(table).insert(rows.slice(from, from + AT_ONCE));
}

/**
 * A table of things that people keep: every row has a version that a write must name, deleting leaves it there to be restored. What
 * the columns mean is the repository's to say.
 */
export class KeptTable<Row extends KeptRow> {
  constructor(
    private readonly database: Database,
    private readonly table: string,
  ) {}

  /** Rows that are not deleted. */
  there(): Knex.QueryBuilder<Row, Row[]> {
    return this.database.now(this.table).whereNull('deleted_at') as Knex.QueryBuilder<Row, Row[]>;
  }

  /** Rows by their ids, in the order of their keys, so that two writers lock them in one order. */
  async byIds(ids: readonly string[], lock = false): Promise<Row[]> {
    if (ids.length === 0) return [];
    const query = this.there()
      .whereIn('id', [...ids])
      .orderBy('id');
    return (await (lock ? query.forUpdate() : query)) as Row[];
  }

  async byId(id: string, lock = false): Promise<Row | undefined> {
    return (await this.byIds([id], lock))[0];
  }

  /** Keeps a new row; gives its id. */
  async insert(columns: Columns): Promise<string> {
    const id = randomUUID();
    await this.database.now(this.table).insert({ id, ...columns });
    return id;
  }

  /** Keeps new rows, many with one statement; gives their ids in the same order. */
  async insertMany(rows: readonly Columns[]): Promise<string[]> {
    const kept = rows.map((columns): Columns & { id: string } => ({
      id: randomUUID(),
      ...columns,
    }));
    await inBulk(this.database, this.table, kept);
    return kept.map(({ id }) => id);
  }

  /** Writes a row if its version is still the one that was read; false when it is not. */
  async update(id: string, version: number, columns: Columns): Promise<boolean> {
    const touched = await this.database
      .now(this.table)
      .where({ id, version })
      .whereNull('deleted_at')
      .update({ ...columns, version: version + 1 });
    return touched > 0;
  }

  /** Writes a row whose lock is held, whatever its version. */
  async touch(id: string, columns: Columns = {}): Promise<void> {
    await this.database
      .now(this.table)
      .where({ id })
      .update({ ...columns, version: this.database.now.raw('version + 1') });
  }

  remove(id: string, version: number): Promise<boolean> {
    return this.update(id, version, { deleted_at: new Date() });
  }

  /** Puts a deleted row back; false where there is none. */
  async restore(id: string, where: Columns = {}): Promise<boolean> {
    const touched = await this.database
      .now(this.table)
      .where({ id, ...where })
      .whereNotNull('deleted_at')
      .update({ deleted_at: null, version: this.database.now.raw('version + 1') });
    return touched > 0;
  }
}
