import { breaksNoRule, expect, test } from './test-server.js';

test('a board is found by its wood, its thickness and what it has to be long enough for', async ({
  page,
}) => {
  await page.goto('/rack');
  const boards = page.locator('[data-board]');
  await expect(boards.first()).toBeVisible();
  const all = await boards.count();
  await page.getByLabel('Look for').fill('picket');
  await expect(boards).not.toHaveCount(all);
  for (const name of await boards.allInnerTexts()) expect(name.toLowerCase()).toContain('picket');
  await page.getByLabel('Look for').fill('');
  await page.getByLabel('Long enough for').fill('7 ft');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^\d+ of \d+ kinds/)).toBeVisible();
  await page.getByLabel('Order').selectOption('by name');
  const names = await boards.evaluateAll((rows) =>
    rows.map((row) => row.getAttribute('data-board')),
  );
  expect(names.length).toBeGreaterThan(1);
  expect(names).toEqual([...names].sort((a, b) => (a ?? '').localeCompare(b ?? '')));
  await breaksNoRule(page);
  await page.getByRole('button', { name: 'Show all' }).click();
  await expect(boards).toHaveCount(all);
});

test('of a rack of a thousand kinds only what is near the window is drawn, and the last is there', async ({
  page,
}) => {
  const boards = Array.from({ length: 1000 }, (_unused, index) => ({
    id: `00000000-0000-4000-8000-${String(index).padStart(12, '0')}`,
    version: 1,
    name: `Scrap ${index + 1}`,
    quantity: 1,
    material: 'western-red-cedar',
    thickness: 15.875,
    width: 60 + (index % 140),
    length: 200 + ((index * 37) % 2200),
    faceA: 'rough',
    faceB: 'planed',
    price: null,
    offcut: true,
    grained: true,
    defects: [],
    fromBatch: null,
  }));
  await page.route('**/api/rack', (route) => route.fulfill({ json: { boards } }));
  await page.goto('/rack');
  const rows = page.locator('[data-board]');
  await expect(rows.first()).toBeVisible();
  expect(await rows.count()).toBeLessThan(60);
  await page.keyboard.press('End');
  await expect(page.locator('[data-board="Scrap 1000"]')).toBeVisible();
  expect(await rows.count()).toBeLessThan(60);
  // What is measured there opens where it lies.
  await page
    .locator('[data-board="Scrap 1000"]')
    .getByRole('button', { name: 'Measure and mark' })
    .click();
  await expect(page.getByRole('button', { name: 'Close' })).toBeVisible();
  await page.getByLabel('Look for').fill('scrap 77');
  await expect(rows).toHaveCount(19);
});
