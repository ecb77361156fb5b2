import { breaksNoRule, expect, test } from './test-server.js';

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
