import { isAsset, PAGE, SHELF } from './shelf';

/** The places that are used away from the house, fetched while it is near. */
const needed = () =>
  Promise.all([
    import('../places/trail'),
    import('../places/trail-box'),
    import('../places/box-page'),
  ]);

/** Lays on the shelf what the page and its outdoor places are made of, so that they open where the server cannot be reached. */
async function stock(): Promise<void> {
  await needed();
  const shelf = await caches.open(SHELF);
  const loaded = performance
    .getEntriesByType('resource')
    .map(({ name }) => new URL(name))
    .filter(({ origin, pathname }) => origin === location.origin && isAsset(pathname))
    .map(({ href }) => href);
  const there = new Set((await shelf.keys()).map(({ url }) => url));
  await shelf.addAll([...new Set(loaded)].filter((url) => !there.has(url)));
  await shelf.add(PAGE);
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
