import { must } from '@spare-knot/core/lists';
import { expect, test } from './test-server.js';

test('a batch can be begun without a mouse', async ({ page }) => {
  await page.goto('/new');
  await page.getByLabel('Search animals').fill('saw-whet');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Enter');
  await page.getByLabel('How many boxes').fill('2');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('img', { name: /Front view and section/ })).toBeVisible();
  await page.getByRole('radio', { name: /over the back/ }).press('Space');
  await expect(page.getByRole('radio', { name: /over the back/ })).toBeChecked();
});

test('on a phone the bench is no wider than the screen, and its buttons are in reach', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Six boxes for the rail trail' })).toBeVisible();
  const wide = await page.evaluate(() => document.documentElement.scrollWidth);
  expect(wide).toBeLessThanOrEqual(390);
  for (const name of ['Delete Six boxes for the rail trail', 'Start a batch']) {
    const box = must(
      await page.getByLabel(name).or(page.getByRole('link', { name })).boundingBox(),
      'box',
    );
    expect(box.x).toBeGreaterThanOrEqual(0);
    expect(box.x + box.width).toBeLessThanOrEqual(390);
  }
});
