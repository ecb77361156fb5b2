import { expect, test } from '@jest/globals';
import { KEPT_SINCE, reach } from './reach';
import { isAsset, isRead, readAfter } from './shelf';

test('an answer off the shelf is told with its day, until the server answers again; told once each time', () => {
  let told = 0;
  const stop = reach.subscribe(() => {
    told += 1;
  });
  const kept = { headers: new Headers({ [KEPT_SINCE]: 'Fri, 27 Nov 2026 04:00:00 GMT' }) };
  reach.heard(kept);
  reach.heard(kept);
  expect([reach.snapshot(), told]).toEqual(['Fri, 27 Nov 2026 04:00:00 GMT', 1]);
  reach.heard({ headers: new Headers() });
  expect([reach.snapshot(), told]).toEqual([null, 2]);
  stop();
  reach.heard(kept);
  expect(told).toBe(2);
});

const ID = '5f0c2a52-6f0e-4a3c-9d3f-0f4f6d6f7a10';

test('what is laid on the shelf: assets and what is read at the bench and on the trail, no file that is taken away', () => {
  const read = ['trail', 'shop', `trail/${ID}`, 'batches', `batches/${ID}`, `batches/${ID}/sawing`];
  expect(read.filter((path) => !isRead(`/api/${path}`))).toEqual([]);
  const not = ['trail/csv', 'archive', 'health', `visits/${ID}/photo`, 'rack?a=1', 'rack/csv'];
  expect(not.filter((path) => isRead(`/api/${path}`))).toEqual([]);
  expect([isAsset('/assets/a.js'), isAsset('/api/trail')]).toEqual([true, false]);
});

test('what a change of a batch or a cut leaves is read from then on; no other write is taken for a read', () => {
  const batch = `/api/batches/${ID}`;
  expect(readAfter('PATCH', batch)).toBe(batch);
  expect(readAfter('POST', `${batch}/sawing/cuts`)).toBe(`${batch}/sawing/progress`);
  expect(readAfter('POST', `${batch}/accept`)).toBeNull();
  expect(readAfter('GET', batch)).toBeNull();
  expect(readAfter('DELETE', batch)).toBeNull();
});
