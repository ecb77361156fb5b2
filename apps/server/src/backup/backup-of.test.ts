import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { strFromU8, unzipSync } from 'fflate';
import { ArchiveService } from '../archive/archive.service.js';
import { Acts, picket } from '../testing/acts.js';
import { ownDatabase } from '../testing/own-database.js';
import { openTestServer, type TestServer } from '../testing/test-server.js';
import { openBackup } from './backup-file.js';
import { backupOf } from './backup-of.js';
import { addressFrom, countsOf, dropAll, load } from './dump.js';

let server: TestServer;
let other: Awaited<ReturnType<typeof ownDatabase>>;
beforeAll(async () => {
  server = await openTestServer();
  other = await ownDatabase();
});
afterAll(async () => {
  await server.close();
  await other.close();
});

const addressOf = (database: string) => ({ ...addressFrom(process.env), database });

test('a backup is of one moment, its lists too, while others move boards from pile to pile and add some', async () => {
  await new Acts(server).addBoards({ ...picket, quantity: 500 }, { ...picket, quantity: 500 });
  const { database } = server;
  const [from, to] = (await database('boards').orderBy('id').pluck('id')) as string[];
  let [isDone, moves] = [false, 0];
  const writers = [0, 1, 2].map(async () => {
    for (; !isDone; moves += 1) {
      await database.transaction(async (move) => {
        await move('boards').where({ id: from }).decrement('quantity', 1);
        await move('boards').where({ id: to }).increment('quantity', 1);
      });
      await new Acts(server).addBoards({ ...picket, quantity: (moves % 2) + 1, name: 'More' });
    }
  });
  const [{ name = '' } = {}] = (await database.raw('select database() as name'))[0] as {
    name?: string;
  }[];
  for (let round = 0; round < 4; round += 1) {
    const before = moves;
    const { file } = await backupOf(database, addressOf(name), () =>
      server.app.get(ArchiveService).files(),
    );
    await dropAll(other.knex);
    await load(addressOf(other.name), openBackup(file).dump);
    expect(await countsOf(other.knex)).toEqual(openBackup(file).told.tables);
    const piles = await other
      .knex('boards')
      .whereIn('id', [from ?? '', to ?? ''])
      .sum({ sum: 'quantity' });
    expect(Number(piles[0]?.sum)).toBe(1000);
    const listed = JSON.parse(strFromU8(unzipSync(file)['data/boards.json'] ?? new Uint8Array()));
    const there = await other.knex('boards').select('id', 'quantity').orderBy('id');
    const pile = ({ id, quantity }: { id: string; quantity: number }) => ({ id, quantity });
    expect(
      listed.map(pile).sort((a: { id: string }, b: { id: string }) => (a.id < b.id ? -1 : 1)),
    ).toEqual(there.map(pile));
    while (moves === before) await new Promise((go) => setTimeout(go, 10));
  }
  isDone = true;
  await Promise.all(writers);
});
