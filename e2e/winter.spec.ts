import { breaksNoRule, expect, laidOut, test } from './test-server.js';

test('what is asked for becomes a batch of next winter, planned back from its day; Bench calls it up by date', async ({
  page,
}) => {
  await laidOut(page, 2);
  const [, batch] = /batches\/([^/]+)/.exec(page.url()) ?? [];
  await page.goto(`/boxes/${batch}/1`);
  await page.getByRole('button', { name: 'Hang it' }).click();
  await page.getByLabel('Number on its label').fill('821');
  await page.getByRole('button', { name: 'It hangs: keep it' }).click();
  await expect(page.getByRole('heading', { name: 'Box 821' })).toBeVisible();

  await page.goto('/trail?at=winter');
  const wish = 'the mill above the weir';
  await page.getByLabel('Add a wish').fill(wish);
  await page.getByRole('button', { name: 'Put it on the list' }).click();
  const row = page.locator(`[data-row="${wish}"]`);
  await row.getByLabel(/^Animal/).selectOption('black-capped chickadee');
  await expect(row.getByLabel(/^Animal/)).toHaveValue('black-capped chickadee');
  await row.getByLabel(/^How many/).fill('3');
  await page.keyboard.press('Enter');
  const proposal = page.locator('[data-winter="3 boxes for black-capped chickadee"]');
  await expect(proposal).toContainText('3 boxes are asked for');
  await expect(proposal).toContainText('Say how many hours a day');
  await page.getByLabel('hours a day you work at it').fill('2');
  await page.keyboard.press('Enter');
  const days = proposal.getByRole('list', { name: 'Days' });
  await expect(days).toContainText('Buy wood by');
  await expect(days).toContainText('Hang by');
  await breaksNoRule(page);
  await proposal.getByRole('button', { name: 'Start this batch' }).click();
  await expect(page.getByText(/^3 boxes for black-capped chickadee/).first()).toBeVisible();

  await page.goto('/');
  const next = page.getByRole('region', { name: 'What is next' });
  await expect(next).toContainText('3 boxes for black-capped chickadee');
  const said = await next.getByRole('listitem').allInnerTexts();
  const shown = said.map((each) => Date.parse((each.split('\n')[0] ?? '').replace(', late', '')));
  const told = shown.filter((day) => !Number.isNaN(day));
  expect(told.length).toBeGreaterThan(0);
  expect(told).toEqual([...told].sort((a, b) => a - b));
  await breaksNoRule(page);

  // Given, it counts no more.
  await page.goto('/trail?at=winter');
  await row.getByLabel(/^Given on/).fill('2026-11-20');
  await page.getByLabel('Add a wish').focus();
  await expect(proposal).toHaveCount(0);
});
