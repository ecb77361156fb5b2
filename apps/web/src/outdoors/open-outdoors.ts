import { z } from 'zod';
import { FILES, PAGE, pagesOf, SAID } from './shelf';

const files = z.object({ build: z.string(), files: z.array(z.string()) });
/** Files that are fetched at once, so that the house stays free for what is wanted now. */
const AT_ONCE = 6;

/**
 * Lays by every file that the pages of this build are made of, so that each place and station opens where the server cannot be reached,
 * also one that was never opened before. What lay there of an older build goes when this one is whole; of two windows that do it at once
 * both end with the same.
 */
async function stock(): Promise<void> {
  const told = files.parse(await (await fetch(FILES, { cache: 'no-store' })).json());
  const own = pagesOf(told.build);
  const shelf = await caches.open(own);
  const there = new Set((await shelf.keys()).map(({ url }) => new URL(url).pathname));
  const missing = told.files.filter((file) => !there.has(file));
  for (let from = 0; from < missing.length; from += AT_ONCE)
    await shelf.addAll(missing.slice(from, from + AT_ONCE));
  // Last: a build without its page is not opened.
  await shelf.add(PAGE);
  const others = (await caches.keys()).filter((each) => each !== SAID && each !== own);
  // A window that is still open may be of the build before.
  await Promise.all(others.slice(0, -1).map((each) => caches.delete(each)));
  document.documentElement.dataset.outdoors = 'ready';
}

/** Makes the page open again outdoors, where the browser can: it needs the house's own address, or a secure one. */
export function openOutdoors(): void {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return;
  addEventListener('load', () => {
    navigator.serviceWorker
      .register('/service-worker.js', { type: 'module' })
      .then(() => navigator.serviceWorker.ready)
      .then(stock)
      // Without it the page is as it was: it opens where the server answers.
      .catch(() => {});
  });
}
