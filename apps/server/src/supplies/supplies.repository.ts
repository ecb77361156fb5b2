import { Injectable } from '@nestjs/common';
import {
  eachOf,
  type NewSupply,
  type Rows,
  type SupplyChange,
  type SupplyRecord,
} from '@spare-knot/core/api';
import { Database } from '../database/database.js';
import { type KeptRow, KeptTable } from '../database/kept-table.js';

interface SupplyRow extends KeptRow {
  item: string;
  name: string;
  unit: SupplyRecord['unit'];
  drive: string;
  weather: SupplyRecord['weather'];
  count: string;
  pack: string | null;
  price: number | null;
}

const columnsOf = ({ item, name, unit, drive, weather, count, pack, price }: NewSupply) => ({
  item,
  name,
  unit,
  drive,
  weather,
  count,
  pack,
  price,
});

const recordOf = (row: SupplyRow): SupplyRecord => ({
  ...columnsOf({
    ...row,
    count: Number(row.count),
    pack: row.pack === null ? null : Number(row.pack),
  }),
  id: row.id,
  version: row.version,
});

/** What lies in the shop’s drawers. */
@Injectable()
export class SuppliesRepository {
  private readonly supplies: KeptTable<SupplyRow>;

  constructor(private readonly database: Database) {
    this.supplies = new KeptTable(database, 'supplies');
  }

  async rows(): Promise<Rows<SupplyRecord>> {
    const rows = (await this.supplies.there().orderBy(['name', 'id'])) as SupplyRow[];
    return eachOf(rows, recordOf);
  }

  async list(): Promise<SupplyRecord[]> {
    return (await this.rows()).kept;
  }

  async byIds(ids: readonly string[]): Promise<SupplyRecord[]> {
    return (await this.supplies.byIds(ids)).map(recordOf);
  }

  /** All of them or none; what is there by its item is changed, what was taken off the list is on it again. */
  put(supplies: readonly NewSupply[]): Promise<SupplyRecord[]> {
    return this.database.transaction(async () => {
      const ids: string[] = [];
      // In the order of their items, so that two writers lock them in one order.
      const ordered = [...supplies].sort((a, b) => (a.item < b.item ? -1 : 1));
      for (const supply of ordered) ids.push(await this.putOne(supply));
      const kept = new Map((await this.byIds(ids)).map((supply) => [supply.id, supply]));
      return [...new Set(ids)].flatMap((id) => kept.get(id) ?? []);
    });
  }

  private async putOne(supply: NewSupply): Promise<string> {
    const there = (await this.database
      .now('supplies')
      .where({ item: supply.item })
      .forUpdate()
      .first('id')) as { id: string } | undefined;
    if (!there) return this.supplies.insert({ ...columnsOf(supply), created_at: new Date() });
    await this.supplies.touch(there.id, { ...columnsOf(supply), deleted_at: null });
    return there.id;
  }

  /** Writes one if its version is still the one that was read; false when it is not. */
  change(id: string, change: SupplyChange): Promise<boolean> {
    return this.supplies.update(id, change.version, columnsOf(change));
  }

  remove(id: string, version: number): Promise<boolean> {
    return this.supplies.remove(id, version);
  }

  async restore(id: string): Promise<SupplyRecord | undefined> {
    await this.supplies.restore(id);
    return (await this.byIds([id]))[0];
  }
}
