import { boardsOf, breaksNoRule, expect, laidOut, searchEnded, test } from './test-server.js';

test('a scrap is held against every panel of every plan: what it could become, drawn; what it must not', async ({
  page,
}) => {
  await page.goto('/spares');
  const line = page.getByLabel(/^A scrap in one line/);
  await line.fill('5/8 x 5 1/2 x 14 cedar rough');
  await page.getByRole('button', { name: 'What could it become?' }).click();
  await expect(page.getByText(/\d+ of \d+ panels of the plans on the bench/)).toBeVisible();
  const first = page.locator('[data-become]').first();
  await expect(first).toContainText(/wanted/);
  await expect(first.getByRole('img')).toBeVisible();
  await breaksNoRule(page);
  await line.fill('5/8 x 1 x 1 cedar rough');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/is none of the \d+ panels/)).toBeVisible();
  await expect(page.locator('[data-become]')).toHaveCount(0);
  // What kills an animal is a stop.
  await line.fill('5/8 x 5 1/2 x 14 pressure treated pine');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('no box is made of it');
  await expect(page.locator('[data-become]')).toHaveCount(0);
  await page.setViewportSize({ width: 390, height: 844 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
});

test('all offcuts of the rack at once: which panels come out of them, scrap by scrap', async ({
  page,
}) => {
  await page.goto('/spares');
  await page.getByRole('button', { name: /^All \d+ offcuts at once$/ }).click();
  await expect(page.getByText(/^\d+ panels of the \d+ that are wanted/)).toBeVisible({
    timeout: 20_000,
  });
  await expect(page.locator('[data-scrap]').first().getByRole('img')).toBeVisible();
  await breaksNoRule(page);
});

test('panels made ahead go in the bin, make whole boxes, and are taken by a batch before it saws', async ({
  page,
}) => {
  await laidOut(page, 2);
  await searchEnded(page);
  const layout = page.url();
  const floors = boardsOf(page).getByText('Floor', { exact: true });
  await expect(floors).toHaveCount(2);
  await page.goto('/spares?at=bin');
  const made = page.getByRole('form', { name: 'Put panels in the bin' });
  await made
    .getByLabel('Of which plan')
    .selectOption({ label: '2 boxes for black-capped chickadee' });
  for (const panel of ['Floor', 'Front', 'Back', 'Left side', 'Right side', 'Roof']) {
    await made.getByLabel('Panel').selectOption({ label: panel });
    await made.getByLabel('How many').fill('1');
    await made.getByRole('button', { name: 'Put them in the bin' }).click();
    const own = page.locator(`[data-spare="${panel}"]`).filter({ hasText: '2 boxes for' });
    await expect(own).toContainText(`1 × ${panel}`);
  }
  await breaksNoRule(page);
  await page.getByRole('tab', { name: 'Put together today' }).click();
  const round = page.locator('[data-round="2 boxes for black-capped chickadee"]');
  await expect(round).toContainText('1 whole box');
  await breaksNoRule(page);
  await page.goto(layout);
  const bin = page.getByRole('region', { name: 'Out of the bin' });
  await bin.getByRole('button', { name: 'Take 1 Floor' }).click();
  await expect(bin).toContainText('Set aside, not sawn: 1 × floor');
  await expect(floors).toHaveCount(1);
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(floors).toHaveCount(2);
  await bin.getByRole('button', { name: /^Take all 6$/ }).click();
  await expect(bin).toContainText('1 × roof');
  await expect(floors).toHaveCount(1);
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/spares?at=bin');
  await expect(page.locator('[data-spare]').first()).toBeVisible();
  await expect(page.locator('[data-spare]').filter({ hasText: '2 boxes for' })).toHaveCount(0);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
});

test('templates and jigs stand in a table that is typed in', async ({ page }) => {
  await page.goto('/spares?at=aids');
  await page.getByLabel('Add a template or jig').fill('Front in full size');
  await page.keyboard.press('Enter');
  const lent = page.getByLabel('Lent to: Front in full size');
  await lent.fill('the boat shop');
  await lent.press('Enter');
  await expect(page.getByText('Changed: Front in full size.')).toBeVisible();
  await page.reload();
  await expect(lent).toHaveValue('the boat shop');
  await breaksNoRule(page);
});
