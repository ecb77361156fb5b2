import { once } from 'node:events';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterEach, expect, test } from '@jest/globals';
import { reachServer, Unanswered } from './reach-server';

const nodeFetch = globalThis.fetch;
const servers: Server[] = [];
afterEach(() => {
  globalThis.fetch = nodeFetch;
  for (const server of servers.splice(0)) {
    server.closeAllConnections();
    server.close();
  }
});

/** Where the page’s own address is. */
async function at(answer: 'answers' | 'hangs' | 'is away'): Promise<void> {
  const made = createServer((_, response) => {
    if (answer === 'answers') response.end('{}');
  }).listen(0, '127.0.0.1');
  await once(made, 'listening');
  const { port } = made.address() as AddressInfo;
  if (answer === 'is away') made.close();
  else servers.push(made);
  globalThis.fetch = (path, asked) => nodeFetch(`http://127.0.0.1:${port}${path}`, asked);
}

test('a server that answers is heard, one that is away and one that hangs are told apart', async () => {
  await at('answers');
  expect((await reachServer('shop', {}, 60_000)).ok).toBe(true);
  await at('is away');
  await expect(reachServer('shop', {}, 60_000)).rejects.toMatchObject({ why: 'unreachable' });
  await at('hangs');
  const silent = await reachServer('shop', {}, 50).catch((error: unknown) => error);
  expect(silent).toBeInstanceOf(Unanswered);
  expect(silent).toMatchObject({ why: 'silent' });
});
