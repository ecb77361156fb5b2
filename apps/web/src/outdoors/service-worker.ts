import { KEPT_SINCE } from './reach';
import { isAsset, isRead, MOST_KEPT, PAGE, SHELF } from './shelf';

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

async function keep(address: string, answer: Response): Promise<void> {
  const shelf = await caches.open(SHELF);
  await shelf.put(address, answer);
  const kept = await shelf.keys();
  await Promise.all(
    kept.slice(0, Math.max(0, kept.length - MOST_KEPT)).map((old) => shelf.delete(old)),
  );
}

/** An answer off the shelf says so, and when the server gave it. */
function asKept(kept: Response): Response {
  const headers = new Headers(kept.headers);
  headers.set(KEPT_SINCE, kept.headers.get('Date') ?? '');
  return new Response(kept.body, { status: kept.status, headers });
}

/** The server's answer, kept for when there is none; what was kept, where there is none now. */
async function freshFirst(asked: Asked, address: string): Promise<Response> {
  try {
    const answer = await fetch(asked.request);
    if (answer.ok) asked.waitUntil(keep(address, answer.clone()));
    return answer;
  } catch (error) {
    const kept = await caches.match(address);
    if (kept) return asKept(kept);
    throw error;
  }
}

async function keptFirst(asked: Asked): Promise<Response> {
  const { request } = asked;
  const kept = await caches.match(request);
  if (kept) return kept;
  const answer = await fetch(request);
  if (answer.ok) asked.waitUntil(keep(request.url, answer.clone()));
  return answer;
}

worker.addEventListener('install', (event) => event.waitUntil(worker.skipWaiting()));
worker.addEventListener('activate', (event) => event.waitUntil(worker.clients.claim()));
worker.addEventListener('fetch', (event) => {
  const { method, mode, url } = event.request;
  const { origin, pathname } = new URL(url);
  if (method !== 'GET' || origin !== location.origin) return;
  if (mode === 'navigate') event.respondWith(freshFirst(event, PAGE));
  else if (isAsset(pathname)) event.respondWith(keptFirst(event));
  else if (isRead(pathname)) event.respondWith(freshFirst(event, pathname));
});
