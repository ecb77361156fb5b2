import { expect, test } from '@jest/globals';
import { STANDARD_SAW } from '@spare-knot/core/job';
import { checkLayout, searchLayout } from '@spare-knot/core/layout';
import { plainPart, plainStock, rectangleOf } from './bench-sets/plain-parts.js';
import { boundsThread } from './bounds-thread.js';
import { loadSolver } from './load-solver.js';

test('a search is proven by a thread beside it, which ends with it', async () => {
  const job = {
    name: 'shelves',
    saw: STANDARD_SAW,
    parts: [
      plainPart('shelf', 9, rectangleOf(640 * 320, 100 * 320)),
      plainPart('rail', 14, rectangleOf(270 * 320, 44 * 320)),
    ],
    stock: [
      plainStock('long', 9, 1300 * 320, 100 * 320, { price: 210 }),
      plainStock('short', 9, 700 * 320, 100 * 320, { price: 120 }),
    ],
    pinned: [],
    effort: { seconds: 20 },
  };
  const solver = await loadSolver();
  const bounds = boundsThread(job);
  let heard = 0;
  const found = searchLayout(job, {
    clock: () => performance.now(),
    solver,
    bounds: {
      know: bounds.know,
      heard: () => {
        const proven = bounds.heard();
        heard += proven.length;
        return proven;
      },
    },
  });
  bounds.end();
  expect(checkLayout(job, found)).toEqual([]);
  expect(found.optimal).toBe(true);
  // This search proves nothing by itself beyond what wood it takes: the rest came from the thread.
  expect(heard > 0 || found.boundProof === 'area').toBe(true);
});
