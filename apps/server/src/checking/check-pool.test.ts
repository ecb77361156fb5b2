import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { batchQuestion, liesReady } from '@spare-knot/core/api';
import { Problem } from '../http/problem.js';
import { Acts } from '../testing/acts.js';
import { openTestServer, type TestServer } from '../testing/test-server.js';
import { CheckPool } from './check-pool.js';
import type { ToCheck } from './to-check.js';

let server: TestServer;
let task: ToCheck;
beforeAll(async () => {
  server = await openTestServer();
  const acts = new Acts(server);
  const { batch, layout } = await acts.laidOut();
  const question = batchQuestion({ ...batch, liesReady: liesReady(batch) }, await acts.rack());
  task = { question, layout };
});
afterAll(() => server.close());

const pool = () => server.app.get(CheckPool);

describe('layouts are checked beside the server', () => {
  test('a sound one has nothing said of it, of another what breaks which rule', async () => {
    expect(await pool().check(task)).toEqual({ refusals: [], broken: [] });
    const [first, ...others] = task.layout.boards;
    if (!first) throw new Error('there is no board');
    const { broken } = await pool().check({
      ...task,
      layout: { ...task.layout, boards: [{ ...first, piece: 999 }, ...others] },
    });
    expect(broken[0]).toEqual({
      path: 'layout.boards[0].piece',
      message: expect.stringMatching(/^rule 8/),
    });
  });

  test('the server answers meanwhile, and whoever comes when too many wait is told to try again', async () => {
    const answers = await Promise.allSettled(Array.from({ length: 120 }, () => pool().check(task)));
    const refused = answers.flatMap((each) => (each.status === 'rejected' ? [each.reason] : []));
    expect(refused.length).toBeGreaterThan(0);
    expect(refused.length).toBeLessThan(120);
    for (const reason of refused) {
      expect(reason).toBeInstanceOf(Problem);
      expect((reason as Problem).document.status).toBe(503);
    }
    expect(await pool().check(task)).toEqual({ refusals: [], broken: [] });
  });
});
