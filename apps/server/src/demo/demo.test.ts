import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { type NewBatch, repairList } from '@spare-knot/core/api';
import { hardwareOf, supplyItem } from '@spare-knot/core/building';
import { buildBox } from '@spare-knot/core/families';
import { tooNear } from '@spare-knot/core/trail';
import { migrate } from '../database/migrate.js';
import { Acts, picket } from '../testing/acts.js';
import { openTestServer, type TestServer } from '../testing/test-server.js';
import { DemoService } from './demo.service.js';
import { demoBatches } from './osier-landing.js';
import { demoBoxes, demoVisits } from './rail-trail.js';

/** What a batch takes beside its wood, by the names that drawers go by. */
function asksFor({ plan }: NewBatch): string[] {
  const built = buildBox(plan);
  return built.ok ? hardwareOf(plan, built.box).map(supplyItem) : [];
}

let server: TestServer;
let acts: Acts;
beforeAll(async () => {
  server = await openTestServer();
  acts = new Acts(server);
});
afterAll(() => server.close());
beforeEach(() => acts.clear());

describe('the demo', () => {
  test('loads once, into an empty house, and all of it reads back', async () => {
    const demo = server.app.get(DemoService);
    expect(await demo.loadWhenEmpty()).toBe(true);
    expect(await demo.loadWhenEmpty()).toBe(false);
    const { body } = await server.http.get('/api/batches');
    expect(body.batches).toHaveLength(demoBatches().length + 1);
    const sawn = body.batches.filter(
      ({ state }: { state: { is: string } }) => state.is === 'taken',
    );
    expect(sawn).toHaveLength(1);
    const { sawing } = (await server.http.get(`/api/batches/${sawn[0].id}/sawing`)).body;
    expect(sawing.wanted).toEqual([]);
    expect(sawing.progress.done.length).toBeGreaterThan(3);
    expect((await server.http.get('/api/shop')).body.saws.length).toBeGreaterThan(1);
    expect((await acts.rack()).length).toBeGreaterThan(5);
    // Most of what the batches call for lies in the drawers under the name by which it is called for.
    const drawers: { item: string }[] = (await server.http.get('/api/supplies')).body.supplies;
    const asked = new Set(demoBatches().flatMap(asksFor));
    expect(drawers.filter(({ item }) => asked.has(item)).length).toBeGreaterThanOrEqual(5);
  });

  test('has forty boxes on the trail, some 250 visits that came after they were hung, and a bin', async () => {
    const until = '2026-11-26';
    const boxes = demoBoxes(until).map((box) => ({ ...box, id: String(box.number) }));
    const visits = demoVisits(boxes, until);
    expect(boxes).toHaveLength(40);
    expect(visits.length).toBeGreaterThan(230);
    expect(visits.length).toBeLessThan(320);
    const hungOn = new Map(boxes.map((box) => [box.id, box.hungOn ?? '']));
    for (const { box, on } of visits) {
      expect(on > (hungOn.get(box) ?? '')).toBe(true);
      expect(on <= until).toBe(true);
    }
    const inSpring = demoBoxes('2027-03-01').map(({ hungOn }) => hungOn ?? '');
    expect(Math.max(...inSpring.map((day) => Number(day.slice(0, 4))))).toBe(2027);
    expect(inSpring.every((day) => day < '2027-03-01')).toBe(true);
    expect(tooNear(boxes)).toHaveLength(1);
    await server.app.get(DemoService).loadWhenEmpty();
    expect((await server.http.get('/api/trail')).body.boxes).toHaveLength(40);
    const { repairs, wanted } = repairList.parse((await server.http.get('/api/repairs')).body);
    expect(repairs.filter(({ panel }) => panel !== null)).toHaveLength(6);
    expect(repairs.every(({ outcome }) => outcome === null)).toBe(true);
    expect(wanted.length).toBeGreaterThan(0);
    expect((await server.http.get('/api/bin')).body.spares.length).toBeGreaterThan(3);
  });

  test('migrating again changes nothing', async () => {
    await acts.addBoards(picket);
    await migrate(server.database);
    expect(await acts.rack()).toHaveLength(1);
  });
});
