import type { Page } from '@playwright/test';
import { expect, laidOut, test } from './test-server.js';

interface Told {
  on: string;
  found: string;
  eggs?: number;
  flown?: number;
  wants?: string;
  cleaned?: boolean;
}

/** One visit of the year, told afterwards under its own day. */
async function visit(page: Page, { on, found, eggs = 0, flown = 0, wants, cleaned }: Told) {
  await page.getByRole('button', { name: 'Record a visit' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel(found, { exact: true }).check();
  for (let count = 0; count < eggs; count += 1)
    await dialog.getByRole('button', { name: 'One more: Eggs' }).click();
  for (let count = 0; count < flown; count += 1)
    await dialog.getByRole('button', { name: 'One more: Flown' }).click();
  if (wants) await dialog.getByLabel('What wants mending').fill(wants);
  if (cleaned) await dialog.getByLabel('Cleaned', { exact: true }).check();
  await dialog.getByText('Day, who, and a note').click();
  await dialog.getByLabel('Day of the visit').fill(on);
  await dialog.getByRole('button', { name: 'Keep this visit' }).click();
  await expect(dialog).toBeHidden();
  await expect(page.locator(`[data-visit="${on}"]`)).toBeVisible();
}

test('a whole year: built, hung, visited, lived in, cleaned, found broken, mended, counted, and the next winter proposed from it', async ({
  page,
}) => {
  const year = new Date().getFullYear() - 1;
  await laidOut(page, 2);
  const [, batch] = /batches\/([^/]+)/.exec(page.url()) ?? [];
  await page.goto(`/boxes/${batch}/1`);
  await page.getByRole('button', { name: 'Hang it' }).click();
  await page.getByLabel('Number on its label').fill('851');
  await page.getByLabel('Place, in words').fill('the year walk');
  await page.getByLabel('Hung on').fill(`${year}-03-01`);
  await page.getByRole('button', { name: 'It hangs: keep it' }).click();
  await expect(page.getByRole('heading', { name: 'Box 851' })).toBeVisible();
  const home = page.url();

  await visit(page, { on: `${year}-03-05`, found: 'Empty' });
  await visit(page, { on: `${year}-05-02`, found: 'Eggs', eggs: 6 });
  await visit(page, { on: `${year}-06-20`, found: 'Flown', flown: 5 });
  await visit(page, { on: `${year}-10-04`, found: 'Empty', cleaned: true, wants: 'roof split' });

  await page.goto('/trail?at=season');
  await page.getByRole('combobox', { name: 'Boxes', exact: true }).selectOption('place');
  const row = page.locator('[data-season="the year walk"]');
  await expect(row).toContainText('1 of ');
  await expect(row.getByRole('cell').nth(3)).toHaveText('6');
  await expect(row.getByRole('cell').nth(5)).toHaveText('5');

  await page.goto('/spares?at=broken');
  await page.getByRole('button', { name: 'Say what is broken of box 851' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Roof', exact: true }).click();
  await dialog.getByRole('button', { name: 'These are to be mended' }).click();
  await expect(dialog).toBeHidden();
  await page.getByRole('button', { name: 'Roof of box 851 is mended' }).click();
  await page.goto(home);
  await expect(page.getByRole('region', { name: 'Repairs' })).toContainText('mended');

  // One box says little: nothing is proposed for it, and why stands there.
  await page.goto('/trail?at=winter');
  const none = page.getByRole('region', { name: 'No more of these' });
  const built = page.locator('[data-winter*="black-capped chickadee"]');
  await expect(
    none
      .getByText(/black-capped chickadee/)
      .or(built)
      .first(),
  ).toBeVisible();
  await expect(page.getByRole('region', { name: 'Boxes asked for' })).toBeVisible();
});
