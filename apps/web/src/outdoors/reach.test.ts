import { expect, test } from '@jest/globals';
import { KEPT_SINCE, reach } from './reach';
import { isAsset, isRead } from './shelf';

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

test('what is laid on the shelf: assets, boxes and the shop, nothing that is written and nothing else', () => {
  const box = '/api/trail/5f0c2a52-6f0e-4a3c-9d3f-0f4f6d6f7a10';
  expect(['/api/trail', '/api/shop', box].every(isRead)).toBe(true);
  expect(['/api/trail/csv', '/api/trail/season', '/api/batches', '/api/archive'].some(isRead)).toBe(
    false,
  );
  expect([isAsset('/assets/a.js'), isAsset('/api/trail')]).toEqual([true, false]);
});
