import { readdir, readFile } from 'node:fs/promises';
import { expect, kept, startBatch, test, type } from './test-server.js';

/** Kinds of box in the source: a folder each, and one of what they have in common. */
async function kindsOfBox(): Promise<string[]> {
  const families = new URL('../packages/core/src/families/', import.meta.url);
  const entries = await readdir(families, { withFileTypes: true });
  return entries.flatMap((each) => (each.isDirectory() && each.name !== 'common' ? each.name : []));
}

const checks = (page: import('@playwright/test').Page) =>
  page.getByRole('region', { name: 'Checks' });

test('every kind of box a bird can have is drawn for it, pulled apart and cut open', async ({
  page,
}) => {
  await startBatch(page, 'Eurasian nuthatch', 2);
  const kind = page.getByLabel('Kind of box');
  for (const name of [
    'Square-cut box',
    'Ridge-roof box',
    'Deep owl box',
    'Terrace and colony house',
    'Log box',
    'Tube-entrance box',
  ]) {
    await kind.selectOption({ label: name });
    await expect(page.getByText('Not to be built like this.')).toBeHidden();
    await page.getByRole('tab', { name: 'Panels' }).click();
    const flat = page.locator('[data-flat]');
    await expect(flat.first()).toBeVisible();
    expect(await flat.count()).toBeGreaterThan(4);
    await page.getByRole('tab', { name: 'Drawings' }).click();
    await expect(page.getByRole('img', { name: /Front view and section/ })).toBeVisible();
  }
  await page.getByRole('tab', { name: 'Dry fit' }).click();
  await expect(page.locator('canvas')).toBeVisible();
  await page.getByLabel('Pull apart').fill('1');
  await page.getByLabel('Cut open').fill('0.5');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(kind).toHaveValue('log');
});

test('a choice that the others rule out says why, and what would make it possible', async ({
  page,
}) => {
  await startBatch(page, 'Tree swallow', 1);
  await expect(checks(page)).toContainText('swings free');
  await page.getByText('between the sides', { exact: true }).click();
  await expect(
    page.getByRole('alert').filter({ hasText: 'has nothing to pivot in' }),
  ).toBeVisible();
  await page
    .getByRole('group', { name: 'Opens for cleaning by' })
    .getByText('screws', { exact: true })
    .click();
  await expect(page.getByText('Not to be built like this.')).toBeHidden();
  await expect(checks(page)).toContainText('held by screws alone');
});

test('a planed front is a stop until the grip is made, or is said to be', async ({ page }) => {
  await startBatch(page, 'House wren', 1);
  await page.getByRole('link', { name: 'Choose the wood' }).click();
  await page.getByRole('button', { name: 'All boards', exact: true }).click();
  await page
    .locator('[data-board="Ply, corner gone"]')
    .getByRole('button', { name: /^Use for/ })
    .click();
  await page.getByRole('link', { name: 'Box', exact: false }).first().click();
  await page.getByText('as it comes', { exact: true }).click();
  const stop = checks(page).getByRole('listitem').filter({ hasText: 'Nothing to climb by' });
  await expect(stop).toContainText('Stop');
  await stop.getByLabel('Or say how the grip is made').fill('grooves by hand with a gouge');
  await stop.getByRole('button', { name: 'Say' }).click();
  await expect(checks(page)).toContainText('“grooves by hand with a gouge”');
  await page.getByRole('button', { name: 'Undo' }).click();
  await checks(page).getByRole('button', { name: 'Put in strips' }).click();
  await expect(checks(page)).toContainText('Strips under the entrance to climb by');
  await page.getByRole('tab', { name: 'Panels' }).click();
  await expect(page.locator('[data-flat="ladder"]')).toContainText('alike in each box');
});

test('bits decide how the entrance is bored, and stay in the shop', async ({ page }) => {
  await startBatch(page, 'White-breasted nuthatch', 1);
  await page.getByRole('tab', { name: 'Beside the wood' }).click();
  const boring = page.getByRole('region', { name: 'Boring the entrance' });
  await expect(boring).toContainText('spade bit');
  await page.getByRole('tab', { name: 'Drawings' }).click();
  await type(page, 'Entrance', '33mm');
  await page.getByRole('tab', { name: 'Beside the wood' }).click();
  await expect(boring).toContainText('None of your bits bores');
  await boring.getByText(/Bits in the shop/).click();
  await boring.getByLabel('Another bit').fill('33mm');
  await boring.getByLabel('Another bit').press('Enter');
  await boring.getByRole('button', { name: 'Put it in' }).click();
  await expect(boring).toContainText('Bore it with');
  await kept(page);
  await page.reload();
  await page.getByRole('tab', { name: 'Beside the wood' }).click();
  await expect(boring).toContainText('Bore it with');
  await expect(page.getByRole('region', { name: 'Hardware' })).toContainText(
    'Plain nail as a pivot',
  );
});

test('two thin sheets glued into one are offered for a panel, and it is then sawn twice', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'A barn owl box for the grain shed' }).click();
  await page.getByRole('link', { name: 'Choose the wood' }).click();
  await page.getByRole('button', { name: 'Lid', exact: true }).click();
  await page
    .locator('[data-board="Half-inch ply"]')
    .getByRole('button', { name: /^Two of it, glued into one/ })
    .click();
  await expect(page.getByRole('region', { name: 'Panels' })).toContainText('two sheets in one');
  await page.getByRole('link', { name: 'Lay it out' }).click();
  const boards = page.getByRole('region', { name: 'Boards laid out' });
  await expect(boards.locator('[data-part="roof.outer"]')).toBeVisible();
  await expect(boards.locator('[data-part="roof.inner"]')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(boards.locator('[data-part="roof"]').first()).toBeVisible();
});

test('drawings and templates come as files', async ({ page }) => {
  await startBatch(page, 'Black-capped chickadee', 1);
  await page.getByRole('tab', { name: 'Panels' }).click();
  const begins: Record<string, string> = {
    SVG: '<?xml',
    DXF: '0',
    PDF: '%PDF-',
    'Templates 1 : 1': '%PDF-',
  };
  for (const [button, head] of Object.entries(begins)) {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: button, exact: true }).click(),
    ]);
    const file = await readFile(await download.path());
    expect(file.length).toBeGreaterThan(800);
    expect(file.toString('latin1').trimStart().startsWith(head)).toBe(true);
    await expect(page.getByText(/is in your downloads/).first()).toBeVisible();
  }
});

test('the handbook shows every animal, kind of box and choice with its marks', async ({ page }) => {
  await page.goto('/handbook');
  await expect(page.getByRole('heading', { name: 'Eastern bluebird' })).toBeVisible();
  const hung = page.getByText('Hung at').first().locator('..');
  await expect(hung).toContainText(/\d ft to [\d.]+ ft/);
  await page.getByLabel('Lengths in').selectOption('3');
  await expect(hung).toContainText(/\d m to [\d.]+ m/);
  await page.getByRole('tab', { name: 'Kinds of box' }).click();
  await expect(page.getByRole('heading', { level: 2 })).toHaveCount((await kindsOfBox()).length);
  await page.getByRole('tab', { name: 'Where makers disagree' }).click();
  await expect(
    page
      .getByText('So that its end grain stays dry', { exact: false })
      .or(page.getByText('so that its end grain stays dry', { exact: false }))
      .first(),
  ).toBeVisible();
  await page.getByRole('tab', { name: 'Wood and fasteners' }).click();
  await expect(page.getByText('DOC PS 20', { exact: false }).first()).toBeVisible();
});
