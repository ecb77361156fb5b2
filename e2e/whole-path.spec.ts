import { gzipSync } from 'node:zlib';
import { at } from '@spare-knot/core/lists';
import { chooseWood, expect, kept, overTheFoot, startBatch, test, type } from './test-server.js';

test('from an animal and a rack of boards to marked boards on paper, and all of it there again after a restart', async ({
  page,
  server,
}) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Six boxes for the rail trail' })).toBeVisible();

  await startBatch(page, 'Black-capped chickadee', 6);
  await expect(page.getByLabel('Entrance', { exact: true })).toHaveValue('1 1/8');
  await expect(page.getByRole('region', { name: 'Checks' })).toContainText(
    'as black-capped chickadee needs',
  );

  await chooseWood(page);
  await page.getByRole('button', { name: 'Body', exact: true }).click();
  const body = (board: string) =>
    page
      .locator(`[data-board="${board}"]`)
      .getByRole('button', { name: 'Use for the body' })
      .click();
  await body('Boat-shop cedar');
  await expect(page.getByText('Boat-shop cedar: these panels are cut anew')).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: /^Front, width:.*→/ })).toBeVisible();
  await body('Picket');
  await expect(page.getByText('Picket: these panels are cut anew')).toBeVisible();

  await page.getByRole('link', { name: 'Lay it out' }).click();
  const result = page.getByRole('region', { name: 'Result' });
  await expect(result.getByRole('heading')).toContainText(/boards/);
  await expect(page.getByText('The search has ended.')).toBeVisible({ timeout: 90_000 });
  const boards = page.getByRole('region', { name: 'Boards laid out' });
  await expect(boards.locator('[data-part]')).toHaveCount(36);
  await kept(page);
  const statement = await result.innerText();
  const boardNames = () =>
    boards
      .getByLabel(/panels, \d+ offcuts/)
      .evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')));
  const drawn = await boardNames();
  expect(drawn.length).toBeGreaterThan(1);

  await page.getByRole('link', { name: 'Print sheets' }).click();
  await expect(page.getByRole('heading', { name: 'Cut list: 6 boxes' })).toBeVisible();
  await expect(page.getByRole('row', { name: /^Left side/ })).toContainText(
    /one end sloped \d+(\.\d)?°/,
  );
  await expect(page.getByRole('row', { name: /Front/ })).toContainText('tilted');
  for (const paper of ['A4', 'Letter']) {
    await page.getByLabel('Paper').selectOption(paper);
    const sheets = await page.locator('[data-sheet]').count();
    expect(await overTheFoot(page)).toBe(0);
    const pdf = await page.pdf({ preferCSSPageSize: true, printBackground: true });
    const pages = pdf.toString('latin1').match(/\/Type\s*\/Page\b/g)?.length;
    expect(pages).toBe(sheets);
    const [, width, height] =
      /\/MediaBox\s*\[\s*0 0 ([\d.]+) ([\d.]+)\s*\]/.exec(pdf.toString('latin1')) ?? [];
    const points = paper === 'A4' ? [595.3, 841.9] : [612, 792];
    expect(Math.abs(Number(width) - at(points, 0))).toBeLessThan(1);
    expect(Math.abs(Number(height) - at(points, 1))).toBeLessThan(1);
  }

  await page.goBack();
  await page.reload();
  await expect(page.getByText('As it was kept.')).toBeVisible();
  expect(await result.innerText()).toBe(statement);
  await server.stop();
  await server.start();
  await page.reload();
  await expect(page.getByText('As it was kept.')).toBeVisible();
  expect(await result.innerText()).toBe(statement);
  expect(await boardNames()).toEqual(drawn);
});

test('a size typed on the drawing moves the panels, can be undone, and survives a server that does not answer', async ({
  page,
  context,
}) => {
  await startBatch(page, 'Tree swallow', 2);
  const slope = page.getByRole('listitem').filter({ hasText: /^Slope/ });
  const before = await slope.innerText();
  await type(page, 'Sides high at the back', "1' 1/2");
  await expect.poll(() => slope.innerText()).not.toBe(before);
  await expect(page.getByLabel('Sides high at the back', { exact: true })).toHaveValue('12 1/2');
  await page.getByRole('button', { name: 'Why slope?' }).click();
  await expect(
    page.getByText(/The saw’s tilt for front, back and roof is this angle/),
  ).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => slope.innerText()).toBe(before);
  await page.getByRole('button', { name: 'Redo' }).click();
  await kept(page);

  await context.route('**/api/batches/*', (route) =>
    route.request().method() === 'PATCH' ? route.abort() : route.continue(),
  );
  await type(page, 'Entrance above the floor', '130mm');
  await expect(page.getByText('not kept yet', { exact: true })).toBeVisible();
  page.once('dialog', (dialog) => dialog.accept());
  await page.reload();
  await expect(page.getByLabel('Entrance above the floor', { exact: true })).toHaveValue('5 1/8');
  await context.unroute('**/api/batches/*');
  await kept(page);
  await page.reload();
  await expect(page.getByLabel('Entrance above the floor', { exact: true })).toHaveValue('5 1/8');
});

test('what cannot be built is refused at its field, and the last sound box stays', async ({
  page,
}) => {
  await startBatch(page, 'House wren', 1);
  await type(page, 'Width', 'wide');
  await expect(page.getByRole('alert').filter({ hasText: '“wide”' })).toBeVisible();
  await page.getByLabel('Width', { exact: true }).press('Escape');
  await type(page, 'Entrance above the floor', '30');
  await expect(page.getByText('Not to be built like this.')).toBeVisible();
  await expect(
    page.getByRole('alert').filter({ hasText: 'The entrance reaches the roof' }),
  ).toBeVisible();
  await expect(page.getByRole('img', { name: /Front view and section/ })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('Not to be built like this.')).toBeHidden();
  await page.getByText('saw kerfs', { exact: true }).click();
  await expect(page.getByText(/scores under the entrance to climb by/)).toBeVisible();
});

test('the solid view is fetched only when it is wanted, and shows the box', async ({ page }) => {
  const scripts: string[] = [];
  page.on(
    'request',
    (request) => request.resourceType() === 'script' && scripts.push(request.url()),
  );
  await startBatch(page, 'Eastern bluebird', 1);
  expect(scripts.filter((url) => url.includes('solid-view'))).toEqual([]);
  await page.getByRole('tab', { name: 'Dry fit' }).click();
  await expect(page.locator('canvas')).toBeVisible();
  expect(scripts.some((url) => url.includes('solid-view'))).toBe(true);
  await page.getByLabel('Pull apart').fill('1');
});

test('the first page needs less than 400 kB of compressed script', async ({ page }) => {
  const bodies: Promise<number>[] = [];
  page.on('response', (response) => {
    if (response.request().resourceType() === 'script')
      bodies.push(response.body().then((body) => gzipSync(body).length));
  });
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Bench' })).toBeVisible();
  const size = (await Promise.all(bodies)).reduce((sum, each) => sum + each, 0);
  expect(size).toBeGreaterThan(10_000);
  expect(size).toBeLessThan(400_000);
});
