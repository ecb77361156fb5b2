import { KEPT_SINCE } from './reach';
import { isAsset, isPages, isRead, MOST_SAID, PAGE, readAfter, SAID } from './shelf';

/** As much of a service worker as is used here (W3C, Service Workers). */
interface Worker {
  addEventListener(kind: 'install' | 'activate', hear: (event: Lasting) => void): void;
  addEventListener(kind: 'fetch', hear: (event: Fetching) => void): void;
  skipWaiting(): Promise<void>;
  clients: { claim(): Promise<void> };
}
interface Lasting {
  waitUntil(work: Promise<unknown>): void;
}
interface Asked extends Lasting {
  request: Request;
}
interface Fetching extends Asked {
  respondWith(answer: Promise<Response>): void;
}
// The page's own types know no worker of this kind.
const worker = self as unknown as Worker;

/** A page or one of its files, of the newest build that has it. */
async function ofPages(address: string): Promise<Response | undefined> {
  const builds = (await caches.keys()).filter(isPages).reverse();
  for (const build of builds) {
    const found = await (await caches.open(build)).match(address);
    if (found) return found;
  }
  return undefined;
}

async function keep(address: string, answer: Response): Promise<void> {
  const shelf = await caches.open(SAID);
  // Put anew, it is the youngest.
  await shelf.delete(address);
  await shelf.put(address, answer);
  const kept = await shelf.keys();
  await Promise.all(
    kept.slice(0, Math.max(0, kept.length - MOST_SAID)).map((old) => shelf.delete(old)),
  );
}

/** An answer off the shelf says so, and when the server gave it. */
function asKept(kept: Response): Response {
  const headers = new Headers(kept.headers);
  headers.set(KEPT_SINCE, kept.headers.get('Date') ?? '');
  return new Response(kept.body, { status: kept.status, headers });
}

/** The server's page; the last that is laid by, where there is no server now. */
async function page({ request }: Asked): Promise<Response> {
  try {
    return await fetch(request);
  } catch (error) {
    const kept = await ofPages(PAGE);
    if (kept) return kept;
    throw error;
  }
}

const asset = async ({ request }: Asked): Promise<Response> =>
  (await ofPages(request.url)) ?? fetch(request);

/** The server's answer, kept for when there is none; what was kept, where there is none now. */
async function read(asked: Asked, address: string): Promise<Response> {
  try {
    const answer = await fetch(asked.request);
    if (answer.ok) asked.waitUntil(keep(address, answer.clone()));
    return answer;
  } catch (error) {
    const kept = await (await caches.open(SAID)).match(address);
    if (kept) return asKept(kept);
    throw error;
  }
}

/** What a write left is what is read from then on. */
async function write(asked: Asked, address: string): Promise<Response> {
  const answer = await fetch(asked.request);
  if (answer.ok) asked.waitUntil(keep(address, answer.clone()));
  return answer;
}

worker.addEventListener('install', (event) => event.waitUntil(worker.skipWaiting()));
worker.addEventListener('activate', (event) => event.waitUntil(worker.clients.claim()));
worker.addEventListener('fetch', (event) => {
  const { method, mode, url } = event.request;
  const { origin, pathname, search } = new URL(url);
  if (origin !== location.origin) return;
  const written = readAfter(method, pathname);
  if (written !== null) event.respondWith(write(event, written));
  else if (method !== 'GET') return;
  else if (mode === 'navigate') event.respondWith(page(event));
  else if (isAsset(pathname)) event.respondWith(asset(event));
  else if (isRead(pathname + search)) event.respondWith(read(event, pathname + search));
});
