import { describe, expect, test } from '@jest/globals';
import { STATIONS } from './stations';

const done = (progress: { sound: boolean; laidOut: boolean; taken: boolean; sawn?: boolean }) =>
  STATIONS.filter((station) => station.done({ sawn: false, ...progress })).map(({ path }) => path);

describe('the way of a batch', () => {
  test('every station has a path and a name of its own', () => {
    for (const key of ['path', 'label'] as const)
      expect(new Set(STATIONS.map((station) => station[key])).size).toBe(STATIONS.length);
  });

  test('a station is done when what it is for is there, and none before it is undone then', () => {
    expect(done({ sound: false, laidOut: false, taken: false })).toEqual([]);
    expect(done({ sound: true, laidOut: false, taken: false })).toEqual(['box']);
    expect(done({ sound: true, laidOut: true, taken: false })).toEqual(['box', 'wood']);
    expect(done({ sound: true, laidOut: true, taken: true })).toEqual(['box', 'wood', 'layout']);
    expect(done({ sound: true, laidOut: true, taken: true, sawn: true })).toContain('saw');
    expect(done({ sound: false, laidOut: true, taken: false })).toEqual([]);
  });
});
