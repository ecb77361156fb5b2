import { describe, expect, test } from '@jest/globals';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { NotABackup, openBackup, sealBackup } from './backup-file.js';

const told = {
  written: '2026-11-27T08:00:00.000Z',
  schema: '0016-sketches',
  tables: { boards: 2 },
};
const dump = strToU8('create table boards;\n'.repeat(50));
const file = sealBackup(told, dump, { 'boards.csv': strToU8('name\r\n') });

describe('a backup', () => {
  test('is read back as it was, and is a ZIP that any program opens', () => {
    const opened = openBackup(file);
    expect(opened.told).toMatchObject(told);
    expect(strFromU8(opened.dump)).toBe(strFromU8(dump));
    const files = unzipSync(file);
    expect(strFromU8(files['boards.csv'] ?? new Uint8Array())).toBe('name\r\n');
    expect(JSON.parse(strFromU8(files['backup.json'] ?? new Uint8Array()))).toMatchObject(told);
  });

  test('is refused when it was cut anywhere', () => {
    for (let length = 0; length < file.length; length += 1)
      expect(() => openBackup(file.subarray(0, length))).toThrow(NotABackup);
  });

  test('is refused when any byte of it is another', () => {
    for (let at = 0; at < file.length; at += 1) {
      const altered = Uint8Array.from(file);
      altered[at] = (altered[at] ?? 0) ^ 1;
      expect(() => openBackup(altered)).toThrow(NotABackup);
    }
  });

  test('is refused when it is of something else, or of a version that is not known', () => {
    const { 'dump.sql': _dump, ...without } = unzipSync(file);
    for (const other of [
      zipSync(without),
      strToU8('no ZIP file'),
      sealBackup({ ...told, schema: '' }, dump, {}),
    ])
      expect(() => openBackup(other)).toThrow(NotABackup);
  });
});
