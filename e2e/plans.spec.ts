import { readFile } from 'node:fs/promises';
import { expect, startBatch, test } from './test-server.js';

test('a plan is saved as a file and opened again as another batch; a file that is none says why', async ({
  page,
}) => {
  await startBatch(page, 'Black-capped chickadee', 2);
  await page.getByRole('radio', { name: /over the back/ }).press('Space');
  await expect(page.getByRole('radio', { name: /over the back/ })).toBeChecked();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save the plan' }).click(),
  ]);
  expect(download.suggestedFilename()).toMatch(/chickadee\.plan\.json$/);
  const saved = await readFile(await download.path(), 'utf8');
  expect(JSON.parse(saved)).toMatchObject({ format: 'spare-knot/box-plan', version: 2 });
  await page.goto('/new');
  const open = page.getByLabel('Box plan file');
  const file = (name: string, text: string) => ({
    name,
    mimeType: 'application/json',
    buffer: Buffer.from(text),
  });
  await open.setInputFiles(file('broken.json', '{"format": "something else"}'));
  await expect(page.getByRole('alert')).toContainText('cannot be read as a box plan');
  const { sizes, ...rest } = JSON.parse(saved);
  const { width: _width, ...others } = sizes;
  await open.setInputFiles(file('narrow.json', JSON.stringify({ ...rest, sizes: others })));
  await expect(page.getByLabel('Said of the file')).toContainText('sizes.width');
  await open.setInputFiles(file('Winter wrens.plan.json', saved));
  await expect(page.getByRole('heading', { name: 'Winter wrens' })).toBeVisible();
  await page.getByLabel('How many boxes').fill('3');
  await page.getByRole('button', { name: 'Draw the box' }).click();
  await expect(page.getByLabel('Name of the batch')).toHaveValue('Winter wrens');
  await expect(page.getByRole('radio', { name: /over the back/ })).toBeChecked();
});

test('a batch is duplicated with its box, and that can be undone', async ({ page }) => {
  await startBatch(page, 'Tree swallow', 5);
  await page.goto('/');
  await page.getByRole('button', { name: 'Duplicate 5 boxes for tree swallow' }).click();
  const again = page.getByRole('link', { name: '5 boxes for tree swallow, again' });
  await expect(again).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(again).toBeHidden();
});

test('one box for two animals: what they share, what no hole gives both, and who comes in too', async ({
  page,
}) => {
  await startBatch(page, 'Black-capped chickadee', 1);
  const guests = page.getByRole('region', { name: 'How it is made' });
  await guests.getByText('Black-capped chickadee', { exact: true }).click();
  await expect(guests).toContainText(/Too big for this hole.*eastern bluebird/);
  const also = guests.getByLabel('The same box also for');
  await also.selectOption({ label: 'House wren' });
  await expect(guests).toContainText('What they share');
  await expect(guests).not.toContainText('No entrance suits them all');
  await also.selectOption({ label: 'Eastern bluebird' });
  await expect(guests).toContainText('No entrance suits them all');
  await guests.getByRole('button', { name: 'Not for eastern bluebird' }).click();
  await expect(guests).not.toContainText('No entrance suits them all');
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(guests).toContainText('No entrance suits them all');
});

test('screws on hand are used for the whole box, one that would come through is refused', async ({
  page,
}) => {
  await startBatch(page, 'Black-capped chickadee', 1);
  await page.getByText('Screws and nails on hand').click();
  const whole = page.getByLabel('For the whole box');
  await whole.selectOption('screw-4x40');
  await page.getByRole('tab', { name: 'Beside the wood' }).click();
  await expect(
    page
      .getByRole('tabpanel')
      .getByText(/#8 × 1 1\/2 in/)
      .first(),
  ).toBeVisible();
  await page.getByLabel('Through the roof').selectOption('screw-6x100');
  await expect(page.getByText('Not to be built like this.')).toBeVisible();
  await expect(page.getByText(/its point would come through/)).toBeVisible();
  await page.getByLabel('Through the roof').selectOption('');
  await expect(page.getByText('Not to be built like this.')).toBeHidden();
});
