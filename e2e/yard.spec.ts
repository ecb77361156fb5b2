import type { Page } from '@playwright/test';
import {
  boardsOf,
  searchEnded as ended,
  expect,
  kept,
  resultOf as result,
  startBatch,
  test,
} from './test-server.js';

const toBuy = (page: Page) => page.getByRole('region', { name: 'To buy' });
const supplies = (page: Page) => page.getByRole('region', { name: 'Where the wood comes from' });
const station = (page: Page, name: string) =>
  page
    .getByRole('navigation', { name: 'Stations' })
    .getByRole('link', { name: new RegExp(name) })
    .click();

/** What lies on the rack, by the server's own words. */
const rackIds = (page: Page): Promise<{ id: string; version: number }[]> =>
  page.evaluate(async () => (await (await fetch('/api/rack')).json()).boards);

/** Throws all boards away for a while; what was there comes back, what came meanwhile goes. */
async function withEmptyRack(page: Page, work: () => Promise<void>): Promise<void> {
  const throwAway = (boards: { id: string; version: number }[]) =>
    page.evaluate(async (all) => {
      for (const { id, version } of all)
        await fetch(`/api/rack/${id}?version=${version}`, { method: 'DELETE' });
    }, boards);
  await page.goto('/');
  const before = await rackIds(page);
  await throwAway(before);
  try {
    await work();
  } finally {
    await throwAway(await rackIds(page));
    await page.evaluate(async (all) => {
      for (const { id } of all) await fetch(`/api/rack/${id}/restore`, { method: 'POST' });
    }, before);
  }
}

test('six boxes from an empty rack: what to buy, proven; bought, measured and taken', async ({
  page,
}) => {
  await withEmptyRack(page, async () => {
    await startBatch(page, 'Black-capped chickadee', 6);
    await station(page, 'Layout');
    await ended(page);
    await expect(supplies(page).getByLabel(/Rack first, then the yard/)).toBeChecked();
    await expect(result(page)).toContainText(/boards to buy for \d+\.\d\d/);
    await expect(result(page)).toContainText(/Proven|above the best possible/);
    await expect(boardsOf(page)).toContainText('to buy at Alder Slip Timber');
    await expect(page.getByRole('button', { name: 'Take these boards' })).toBeDisabled();
    const lines = toBuy(page).getByRole('listitem');
    await expect(lines.filter({ hasText: 'Picket, 6 ft' })).toContainText('3.40 each');
    const total = await toBuy(page)
      .getByText(/All together/)
      .innerText();
    await kept(page);
    await toBuy(page).getByRole('link', { name: 'Print the list' }).click();
    const sheet = page.locator('[data-sheet="1"]');
    await expect(sheet).toContainText('To buy for 6 boxes');
    await expect(sheet).toContainText(total.replace(/\D*/, ''));
    await station(page, 'Layout');
    await expect(boardsOf(page).locator('[data-part]').first()).toBeVisible();
    const drawn = await boardsOf(page).locator('[data-part]').count();
    await toBuy(page).getByRole('button', { name: 'They are bought' }).click();
    await expect(page.getByText(/boards are on the rack\. Hold a tape/)).toBeVisible();
    await expect(result(page)).toContainText('all on the rack: nothing to buy');
    await expect(toBuy(page)).toBeHidden();
    await expect(boardsOf(page).locator('[data-part]')).toHaveCount(drawn);
    await page.getByRole('link', { name: 'Hold a tape to them' }).click();
    await page.getByRole('button', { name: /^Picket, 6 ft: yes, it measures/ }).click();
    await expect(page.getByRole('button', { name: /^Picket, 6 ft: yes/ })).toBeHidden();
    await page.goBack();
    await expect(boardsOf(page)).toContainText('Not measured yet');
    await expect(boardsOf(page)).not.toContainText('Not measured yet: Picket, 6 ft');
    await page.getByRole('button', { name: 'Take these boards' }).click();
    await expect(page.getByRole('button', { name: 'Give the boards back' })).toBeVisible();
  });
});

test('the rack, the rack and the yard, and all bought stand beside each other', async ({
  page,
}) => {
  await startBatch(page, 'Black-capped chickadee', 3);
  await station(page, 'Layout');
  await ended(page);
  await supplies(page).getByRole('button', { name: 'Compare the three' }).click();
  await expect(supplies(page).getByText(/pay \d/)).toHaveCount(3, { timeout: 30_000 });
  await expect(supplies(page).locator('label', { hasText: 'Rack only' })).toContainText('pay 0.00');
  await expect(supplies(page).locator('label', { hasText: 'All bought' })).toContainText(
    /\d bought/,
  );
  await supplies(page)
    .getByLabel(/All bought/)
    .check();
  await ended(page);
  await expect(toBuy(page)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(supplies(page).getByLabel(/Rack only/)).toBeChecked();
  await expect(toBuy(page)).toBeHidden();
});

test('the woods of the yard are tried for every panel, and the cheapest is taken by a press', async ({
  page,
}) => {
  await startBatch(page, 'Black-capped chickadee', 2);
  await station(page, 'Layout');
  await supplies(page)
    .getByLabel(/All bought/)
    .check();
  await station(page, 'Wood');
  const panel = page.getByRole('region', { name: 'What to buy' });
  await panel.getByRole('button', { name: 'Try the woods' }).click();
  await expect(panel.getByText('Costs least')).toBeVisible({ timeout: 60_000 });
  await expect(panel).toContainText(/ways to give walls, roof and single panels their wood/);
  const price = await panel.getByRole('listitem').first().locator('.mono').first().innerText();
  const press = panel.getByRole('listitem').first().getByRole('button');
  if (await press.isVisible()) await press.click();
  await expect(panel.getByText('✓ planned so').first()).toBeVisible();
  await station(page, 'Layout');
  await ended(page);
  await expect(toBuy(page)).toContainText(price);
});

test('a yard’s list is typed and read from a file; what is missing is asked for, the rest kept', async ({
  page,
}) => {
  await page.goto('/yard');
  const line = page.getByPlaceholder(/6 pickets/);
  const put = page.getByRole('button', { name: 'Put on the list' });
  await line.fill('1x10 x 12ft 31.50');
  await page.getByLabel('Which wood is it?').selectOption({ label: 'larch' });
  await put.click();
  await expect(page.getByText('Which yard sells it? Name it first; the line stays.')).toBeVisible();
  await expect(line).toHaveValue('1x10 x 12ft 31.50');
  await page.getByLabel(/Which yard sells it/).fill('Test Wharf');
  await put.click();
  const wharf = page.getByRole('region', { name: 'Test Wharf' });
  await expect(wharf).toContainText('31.50 each');
  await expect(wharf).toContainText('larch');
  await wharf.getByRole('button', { name: 'Price and size' }).click();
  await wharf.getByLabel('Price of one').fill('29');
  await wharf.getByLabel('Price of one').blur();
  await expect(wharf).toContainText('29.00 each');
  await page.getByLabel('CSV file of what a yard sells').setInputFiles({
    name: 'wharf.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'yard,name,material,thickness,width,length,price\nTest Wharf,Plank,oak,25,150,2000,12\nTest Wharf,Riddle,what,25,150,2000,12\n',
    ),
  });
  await expect(page.getByRole('alert')).toContainText('line 3: material: “what” is not known');
  await expect(wharf.locator('[data-offer="Plank"]')).toContainText('assumed: planed both faces');
  for (const name of ['Plank', '1×10'])
    await wharf.getByRole('button', { name: `Take ${name} off the list` }).click();
  await expect(wharf).toBeHidden();
});
