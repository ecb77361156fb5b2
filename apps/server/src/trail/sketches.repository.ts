import { Injectable } from '@nestjs/common';
import {
  eachOf,
  type NewSketch,
  type Rows,
  type SketchChange,
  type SketchRecord,
  sketchRecord,
} from '@spare-knot/core/api';
import { Database } from '../database/database.js';
import { type KeptRow, KeptTable, parsedJson } from '../database/kept-table.js';

interface SketchRow extends KeptRow {
  name: string;
  width: number;
  height: number;
  spots: unknown;
}

const { spots: spotsDocument } = sketchRecord.shape;

const recordOf = ({ id, version, name, width, height, spots }: SketchRow): SketchRecord => ({
  id,
  version,
  name,
  width,
  height,
  spots: spotsDocument.parse(parsedJson(spots)),
});

const COLUMNS = ['id', 'version', 'name', 'width', 'height', 'spots', 'deleted_at'] as const;

/** Pictures of the place; lists leave out what they show. */
@Injectable()
export class SketchesRepository {
  private readonly sketches: KeptTable<SketchRow>;

  constructor(private readonly database: Database) {
    this.sketches = new KeptTable(database, 'sketches');
  }

  async rows(): Promise<Rows<SketchRecord>> {
    const rows = (await this.sketches
      .there()
      .select(...COLUMNS)
      .orderBy(['name', 'id'])) as SketchRow[];
    return eachOf(rows, recordOf);
  }

  async byIds(ids: readonly string[]): Promise<SketchRecord[]> {
    if (ids.length === 0) return [];
    const rows = (await this.sketches
      .there()
      .select(...COLUMNS)
      .whereIn('id', [...ids])) as SketchRow[];
    return rows.map(recordOf);
  }

  async add(sketch: Omit<NewSketch, 'jpeg'>, picture: Buffer): Promise<SketchRecord | undefined> {
    const { name, width, height, spots } = sketch;
    const id = await this.sketches.insert({
      name,
      width,
      height,
      spots: JSON.stringify(spots),
      jpeg: picture.toString('base64'),
      created_at: new Date(),
    });
    return (await this.byIds([id]))[0];
  }

  async picture(id: string): Promise<Buffer | undefined> {
    const row = (await this.database.now('sketches').where({ id }).first('jpeg')) as
      | { jpeg: string }
      | undefined;
    return row && Buffer.from(row.jpeg, 'base64');
  }

  change(id: string, { version, name, spots }: SketchChange): Promise<boolean> {
    return this.sketches.update(id, version, { name, spots: JSON.stringify(spots) });
  }

  remove(id: string, version: number): Promise<boolean> {
    return this.sketches.remove(id, version);
  }

  async restore(id: string): Promise<SketchRecord | undefined> {
    await this.sketches.restore(id);
    return (await this.byIds([id]))[0];
  }
}
