import type { Browser, Page } from '@playwright/test';
import { expect, kept, startBatch, type TestServer, test, type } from './test-server.js';

/** A page whose browser lays by what it needs when the server is away, as every browser does outside of tests. */
async function layingBy(browser: Browser, server: TestServer, address: string): Promise<Page> {
  const context = await browser.newContext({
    baseURL: server.address,
    serviceWorkers: 'allow',
    viewport: { width: 1280, height: 800 },
  });
  const page = await context.newPage();
  await page.goto(address);
  await expect(page.locator('html[data-outdoors="ready"]')).toBeAttached({ timeout: 30_000 });
  // Once more, so that what is asked for goes over the shelf.
  await page.reload();
  await expect(page.locator('html[data-outdoors="ready"]')).toBeAttached({ timeout: 30_000 });
  return page;
}

/** Whether what the server said of it lies by. */
const laidBy = (page: Page, path: string) =>
  expect
    .poll(() => page.evaluate(async (each) => Boolean(await caches.match(each)), path), {
      timeout: 60_000,
    })
    .toBe(true);

test('stations that were never opened open with the server away; what is changed then is there after a reload, and kept when it is back', async ({
  page: first,
  server,
  browser,
}) => {
  await startBatch(first, 'House wren', 2);
  await kept(first);
  const address = new URL(first.url()).pathname;
  const page = await layingBy(browser, server, address);
  const [, batch = ''] = /batches\/([^/]+)/.exec(address) ?? [];
  for (const path of ['rack', 'yard', 'shop', 'supplies', `batches/${batch}/work`])
    await laidBy(page, `/api/${path}`);
  // What a write left is what is read.
  await type(page, 'Width', '5 1/8');
  await expect(page.getByText(/^kept \d/)).toBeVisible();
  await server.kill();

  const station = (name: string) =>
    page
      .getByRole('navigation', { name: 'Stations' })
      .getByRole('link', { name: new RegExp(`^${name}`) })
      .click();
  await station('Wood');
  await expect(page.locator('[data-board="Picket"]')).toBeVisible();
  await station('Layout');
  await expect(page.getByRole('region', { name: 'Result' })).toBeVisible();
  await station('Build');
  await expect(page.getByText(/^1 of \d+ sides$/)).toBeVisible({ timeout: 20_000 });
  await station('Sheets');
  await expect(page.locator('[data-sheet="1"]')).toBeVisible({ timeout: 20_000 });
  await expect(page.getByText(/as things stood/)).toBeVisible();

  await page.goto(address);
  await expect(page.getByLabel('Width', { exact: true })).toHaveValue('5 1/8');
  await type(page, 'Depth', '5 1/4');
  await expect(page.getByText('not kept yet', { exact: true })).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Depth', { exact: true })).toHaveValue('5 1/4');
  await server.start();
  await expect(page.getByText(/^kept \d/)).toBeVisible({ timeout: 30_000 });
  await first.reload();
  await expect(first.getByLabel('Depth', { exact: true })).toHaveValue('5 1/4');
  await expect(first.getByLabel('Width', { exact: true })).toHaveValue('5 1/8');
  await page.context().close();
});

test('a batch that is gone back to shows the newest', async ({ page, context }) => {
  await startBatch(page, 'House wren', 2);
  await kept(page);
  const address = page.url();
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Bench' })).toBeVisible();
  const other = await context.newPage();
  await other.goto(address);
  await type(other, 'Width', '5 3/8');
  await expect(other.getByText(/^kept \d/)).toBeVisible();
  await other.close();
  await page.goBack();
  await expect(page.getByLabel('Width', { exact: true })).toHaveValue('5 3/8');
});

for (const [status, title] of [
  [507, 'The disk is full'],
  [503, 'The database does not answer'],
  [429, 'That is more than anybody asks in so short a time'],
] as const)
  test(`${status}: on a list it is told why nothing was kept, and what was typed stays`, async ({
    page,
  }) => {
    await page.goto('/rack');
    await page.route('**/api/rack', (route) =>
      route.request().method() === 'POST'
        ? route.fulfill({
            status,
            contentType: 'application/problem+json',
            body: JSON.stringify({ type: 'about:blank', status, title }),
          })
        : route.continue(),
    );
    const line = page.getByLabel(/^Boards in one line/);
    await line.fill('2 pickets 5/8 x 5 1/2 x 6ft cedar rough 3.40');
    await page.getByRole('button', { name: 'Put on the rack' }).click();
    await expect(page.getByText(title)).toBeVisible();
    await expect(line).toHaveValue('2 pickets 5/8 x 5 1/2 x 6ft cedar rough 3.40');
    await page.unroute('**/api/rack');
    await page.getByRole('button', { name: 'Put on the rack' }).click();
    await expect(line).toHaveValue('');
    await page.getByRole('button', { name: 'Undo' }).last().click();
  });
