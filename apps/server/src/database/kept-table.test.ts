import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { must } from '@spare-knot/core/lists';
import { openTestServer, type TestServer } from '../testing/test-server.js';
import { Database } from './database.js';
import { type KeptRow, KeptTable, parsedJson } from './kept-table.js';

interface Jar extends KeptRow {
  label: string;
}

let server: TestServer;
let jars: KeptTable<Jar>;
beforeAll(async () => {
  server = await openTestServer();
  await server.database.schema.createTable('jars', (table) => {
    table.specificType('id', 'char(36) character set ascii collate ascii_bin').primary();
    table.integer('version').unsigned().notNullable().defaultTo(1);
    table.string('label', 40).notNullable();
    table.specificType('deleted_at', 'datetime(3)').nullable();
  });
  jars = new KeptTable<Jar>(server.app.get(Database), 'jars');
});
beforeEach(() => server.database('jars').delete());
afterAll(() => server.close());

const jar = async (label: string) => {
  const id = await jars.insert({ label });
  return must(await jars.byId(id), label);
};

describe('a thing that is kept', () => {
  test('is written only at the version that was read, and then has the next', async () => {
    const { id, version } = await jar('screws');
    expect(await jars.update(id, version, { label: 'nails' })).toBe(true);
    expect(await jars.update(id, version, { label: 'hinges' })).toBe(false);
    expect(await jars.byId(id)).toMatchObject({ label: 'nails', version: version + 1 });
  });

  test('of two writers at one version exactly one is heard', async () => {
    const { id, version } = await jar('screws');
    const labels = Array.from({ length: 8 }, (_unused, index) => `writer ${index}`);
    const heard = await Promise.all(labels.map((label) => jars.update(id, version, { label })));
    expect(heard.filter(Boolean)).toHaveLength(1);
    const { label } = must(await jars.byId(id), 'the jar');
    expect(label).toBe(labels[heard.indexOf(true)]);
  });

  test('is gone when it is deleted, and comes back as it was', async () => {
    const { id, version } = await jar('screws');
    expect(await jars.remove(id, version + 1)).toBe(false);
    expect(await jars.remove(id, version)).toBe(true);
    expect(await jars.byId(id)).toBeUndefined();
    expect(await jars.there()).toEqual([]);
    expect(await jars.update(id, version + 1, { label: 'nails' })).toBe(false);
    expect(await jars.restore(id, { label: 'another' })).toBe(false);
    expect(await jars.restore(id)).toBe(true);
    expect(await jars.restore(id)).toBe(false);
    expect(await jars.byId(id)).toMatchObject({ label: 'screws', version: version + 2 });
  });

  test('many are read in the order of their keys, each once', async () => {
    const made = await Promise.all(['a', 'b', 'c', 'd'].map(jar));
    const ids = made.map(({ id }) => id);
    const read = await jars.byIds([...ids, ...ids]);
    expect(read.map(({ id }) => id)).toEqual([...ids].sort());
    expect(await jars.byIds([])).toEqual([]);
  });

  test('is touched whatever its version, when its lock is held', async () => {
    const { id, version } = await jar('screws');
    await jars.touch(id);
    await jars.touch(id, { label: 'nails' });
    expect(await jars.byId(id)).toMatchObject({ label: 'nails', version: version + 2 });
  });
});

test('JSON columns are read as text or as they are', () => {
  expect(parsedJson('{"a":[1]}')).toEqual({ a: [1] });
  expect(parsedJson({ a: [1] })).toEqual({ a: [1] });
});
