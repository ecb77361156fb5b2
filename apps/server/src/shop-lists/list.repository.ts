import { eachOf, type ListRow, type Rows } from '@spare-knot/core/api';
import type { ListFields, ShopList } from '@spare-knot/core/exchange';
import type { Database } from '../database/database.js';
import { type KeptRow, KeptTable } from '../database/kept-table.js';

type Row = KeptRow & Record<string, unknown>;

/** One of the shop’s lists, in the table of its name. */
export class ListRepository {
  private readonly rows: KeptTable<Row>;

  constructor(
    private readonly database: Database,
    readonly list: ShopList,
  ) {
    this.rows = new KeptTable(database, list.id);
  }

  async all(): Promise<Rows<ListRow>> {
    const rows = (await this.rows.there().orderBy(['name', 'id'])) as Row[];
    return eachOf(rows, (row) => this.recordOf(row));
  }

  async byIds(ids: readonly string[]): Promise<ListRow[]> {
    return (await this.rows.byIds(ids)).map((row) => this.recordOf(row));
  }

  /** All of them or none. */
  add(rows: readonly ListFields[]): Promise<ListRow[]> {
    return this.database.transaction(async () => {
      const created_at = new Date();
      return this.byIds(
        await this.rows.insertMany(
          rows.map((fields) => ({ ...this.columnsOf(fields), created_at })),
        ),
      );
    });
  }

  change(id: string, version: number, fields: ListFields): Promise<boolean> {
    return this.rows.update(id, version, this.columnsOf(fields));
  }

  remove(id: string, version: number): Promise<boolean> {
    return this.rows.remove(id, version);
  }

  async restore(id: string): Promise<ListRow | undefined> {
    await this.rows.restore(id);
    return (await this.byIds([id]))[0];
  }

  /** A day or a number that nobody has said is none. */
  private columnsOf(fields: ListFields): Record<string, string | null> {
    return Object.fromEntries(
      this.list.columns.map(({ id, kind }) => {
        const said = fields[id] ?? '';
        const isNone = said === '' && (kind === 'day' || kind === 'count');
        return [id, isNone ? null : said];
      }),
    );
  }

  private recordOf(row: Row): ListRow {
    const fields = Object.fromEntries(
      this.list.columns.map(({ id }) => {
        const value = row[id];
        return [id, value instanceof Date ? value.toISOString().slice(0, 10) : String(value ?? '')];
      }),
    );
    return { id: row.id, version: row.version, fields };
  }
}
