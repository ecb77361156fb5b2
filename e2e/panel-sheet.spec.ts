import { expect, kept, startBatch, test } from './test-server.js';

const SHEET = `3/4 thick
2 sides 5 1/2 x 10 1/4 to 9 1/4
front 4 x 9 1/4
back 4 x 13
floor 4 5/8 x 4
roof 7 x 8
hole 1 1/8`;

test('a sheet of panel sizes is turned into a box, and its contradiction is said', async ({
  page,
}) => {
  await page.goto('/new');
  await page.getByRole('button', { name: 'From a sheet of sizes' }).click();
  const sheet = page.getByRole('region', { name: 'Sheet of panel sizes' });
  await sheet.getByRole('textbox').fill('front 4\nback 4 x 13');
  await expect(sheet.getByRole('alert')).toContainText('Line 1');
  await sheet.getByRole('textbox').fill(SHEET.replace('3/4 thick\n', ''));
  await sheet.getByLabel('For whom').selectOption({ label: 'Black-capped chickadee' });
  await expect(sheet).toContainText('How thick is the wood');
  await sheet.getByRole('textbox').fill(SHEET);
  await page.getByRole('button', { name: 'From an animal' }).click();
  await page.getByRole('button', { name: 'From a sheet of sizes' }).click();
  await expect(sheet.getByRole('textbox')).toHaveValue(SHEET);
  await sheet.getByRole('button', { name: 'Find the box' }).click();
  await expect(page.getByRole('heading', { name: 'What these panels make' })).toBeVisible({
    timeout: 60_000,
  });
  const found = page.getByRole('list', { name: 'The sheet contradicts itself' }).first();
  await expect(found).toContainText('Line 5, floor');
  await page.getByRole('button', { name: 'Draw the box' }).click();
  await expect(page.getByRole('img', { name: /Front view and section/ })).toBeVisible();
  await expect(page.getByRole('region', { name: 'The box' })).toContainText('10.3°');
});

test('so many pieces to a board set a size; questions fold away with their answers', async ({
  page,
}) => {
  await startBatch(page, 'Black-capped chickadee', 8);
  const checks = page.getByRole('region', { name: 'Checks' });
  await checks.getByText('So many to a board').click();
  await checks.getByLabel('Pieces').fill('8');
  await checks.getByRole('button', { name: 'Set the size' }).click();
  await expect(checks.getByRole('status')).toContainText('long at most');
  await checks.getByRole('button', { name: 'Take it' }).click();
  await kept(page);
  const asked = page.getByRole('region', { name: 'How it is made' });
  await expect(asked.getByText('against the back', { exact: true })).toBeVisible();
  await asked.locator('summary', { hasText: /^Roof/ }).click();
  await expect(asked.locator('summary', { hasText: /^Roof/ })).toContainText('against the back');
  await expect(asked.getByText('Slope is set by')).toBeHidden();
});
