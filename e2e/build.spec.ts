import { readFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import { must } from '@spare-knot/core/lists';
import { breaksNoRule, expect, laidOut, overTheFoot, startBatch, test } from './test-server.js';

test('every hole from two edges, by panel and by bit; the order changed, kept, and taken back', async ({
  page,
}) => {
  test.slow();
  await startBatch(page, 'Black-capped chickadee', 2);
  await page.getByRole('link', { name: /^Build/ }).click();
  await expect(page.getByRole('heading', { name: 'Front, outside up' })).toBeVisible();
  const sides = await page.getByText(/^1 of \d+ sides$/).innerText();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText(sides.replace('1 of', '2 of'))).toBeVisible();
  await expect(page.getByText(/from the (left|right|lower|upper) e(dge|nd)/).first()).toBeVisible();
  await breaksNoRule(page);
  await page.getByRole('button', { name: /^spade bit .* 1 hole$/ }).click();
  await expect(page.getByText('1 of 1 sides')).toBeVisible();
  await expect(page.getByRole('row', { name: /entrance/ })).toContainText('through');

  await page.getByRole('tab', { name: 'Dry fit' }).click();
  await expect(page.getByText(/Measure the floor from corner to corner/)).toBeVisible();
  await breaksNoRule(page);

  await page.getByRole('tab', { name: 'Assembly' }).click();
  const steps = page.getByRole('list', { name: 'Steps' }).getByRole('button');
  await expect(steps.first()).toHaveText('1 Back');
  const found = await steps.allInnerTexts();
  await expect(page.getByRole('img', { name: /^Step 1/ })).toBeVisible();
  for (const _step of found.slice(1)) await page.keyboard.press(' ');
  await expect(page.getByText(`${found.length} of ${found.length}`, { exact: true })).toBeVisible();
  await expect(page.getByText(/Check:/)).toBeVisible();
  await breaksNoRule(page);

  await page.getByLabel('Order').selectOption('sides-first');
  await expect(steps.first()).not.toHaveText('1 Back');
  const [first = '', second = ''] = (await steps.allInnerTexts()).map((name) => name.slice(2));
  await steps.nth(1).click();
  await page.getByRole('button', { name: 'Do it earlier' }).click();
  await expect(page.getByLabel('Order')).toHaveValue('own');
  await expect(steps.nth(0)).toHaveText(`1 ${second}`);
  await expect(steps.nth(1)).toHaveText(`2 ${first}`);
  await expect(page.getByRole('status').filter({ hasText: /^kept/ })).toBeVisible();
  await page.reload();
  await expect(steps.nth(0)).toHaveText(`1 ${second}`);
  await page.getByRole('button', { name: 'Back to the order that was found' }).click();
  await expect(page.getByLabel('Order')).toHaveValue('sides-first');
  await expect(steps.nth(0)).toHaveText(`1 ${first}`);
});

/** The place of the step that is shown. */
const placeOf = async (page: Page): Promise<number> =>
  Number.parseInt(await page.getByText(/^\d+ of \d+$/).innerText(), 10);

test('a piece that is put too late is a stop, with what to do', async ({ page }) => {
  test.slow();
  await startBatch(page, 'Purple martin', 1);
  await page.getByRole('link', { name: /^Build/ }).click();
  await page.getByRole('tab', { name: 'Assembly' }).click();
  const steps = page.getByRole('list', { name: 'Steps' }).getByRole('button');
  await expect(steps.first()).toBeVisible();
  await steps
    .filter({ hasText: /Partition/ })
    .first()
    .click();
  const wrong = page.getByRole('list', { name: 'What is wrong' });
  const later = page.getByRole('button', { name: 'Do it later' });
  // One place later at a time, until it is the last.
  for (let place = await placeOf(page); place < (await steps.count()); place += 1) {
    await later.click();
    await expect(
      page.getByText(`${place + 1} of ${await steps.count()}`, { exact: true }),
    ).toBeVisible();
  }
  await expect(wrong).toContainText(/No driver reaches|does not go in any more/);
});

test('how it hangs is chosen also when the boards are taken, and its holes are drilled', async ({
  page,
}) => {
  await laidOut(page, 1);
  await page.getByRole('button', { name: 'Take these boards' }).click();
  await page.getByRole('link', { name: /^Build/ }).click();
  await page.getByRole('tab', { name: 'Hanging' }).click();
  await page.getByRole('radio', { name: /^coach screws/ }).check();
  await expect(page.getByRole('heading', { name: 'Hung by coach screws' })).toBeVisible();
  await expect(page.getByText('2 holes in the back for it')).toBeVisible();
  await breaksNoRule(page);
  await expect(page.getByRole('status').filter({ hasText: /^kept/ })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('radio', { name: /^coach screws/ })).toBeChecked();
  await page.getByRole('tab', { name: 'Screws, glue, finish' }).click();
  await expect(page.getByRole('region', { name: 'What it takes' })).toContainText('Coach screw');
  await breaksNoRule(page);
});

test('sheets for the bench: a chart of holes, the assembly, and a kit for each box', async ({
  page,
}) => {
  test.slow();
  await startBatch(page, 'Black-capped chickadee', 3);
  await page.getByRole('link', { name: /^Sheets/ }).click();
  await page.getByRole('button', { name: 'For the bench' }).click();
  await expect(page.locator('[data-step]').first()).toBeVisible();
  const steps = await page.locator('[data-step]').count();
  await page.getByRole('button', { name: 'Drilling chart' }).click();
  await expect(page.locator('[data-side]').first()).toBeVisible();
  await page.getByRole('button', { name: 'Kits', exact: true }).click();
  await expect(page.locator('[data-kit]')).toHaveCount(3);
  await expect(page.locator('[data-step]')).toHaveCount(3 * steps);
  await page.getByLabel('Kits in this print').fill('20');
  await expect(page.locator('[data-kit]')).toHaveCount(20);
  expect(await overTheFoot(page)).toBe(0);
  await breaksNoRule(page);
  await page.getByRole('button', { name: 'Letters on the pieces', exact: true }).click();
  // Six pieces of a slant-roof box, a letter for each joint on both of its pieces.
  await expect(page.locator('[data-piece]')).toHaveCount(6);
  expect(await overTheFoot(page)).toBe(0);
  const letters = (await page.locator('[data-piece] text').allInnerTexts()).filter((each) =>
    /^[A-Z]$/.test(each),
  );
  expect(letters.length).toBe(2 * new Set(letters).size);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Holes PDF 1 : 1' }).click(),
  ]);
  expect((await readFile(await download.path())).subarray(0, 5).toString()).toBe('%PDF-');
});

test('a kit of many pieces has a second sheet for what has no room on its first, the caution for children too', async ({
  page,
}) => {
  await startBatch(page, 'Barn owl (Europe)', 1);
  await page.getByRole('link', { name: /^Sheets/ }).click();
  await page.getByRole('button', { name: 'For the bench' }).click();
  await page.getByRole('button', { name: 'Kits', exact: true }).click();
  await expect(page.locator('[data-kit]')).toHaveCount(1);
  for (const paper of ['A4', 'Letter']) {
    await page.getByLabel('Paper').selectOption(paper);
    expect(await overTheFoot(page)).toBe(0);
    await expect(page.locator('[data-sheet="1"]')).not.toContainText('Children: an adult drives');
    await expect(page.locator('[data-sheet="2"]')).toContainText('Children: an adult drives');
  }
});

test('what is done at the bench is kept, through a lost connection and on another device', async ({
  page,
  context,
}) => {
  test.slow();
  await startBatch(page, 'Black-capped chickadee', 2);
  await page.getByRole('link', { name: /^Build/ }).click();
  await page.getByRole('button', { name: 'These are bored in all 2 boxes' }).click();
  await expect(page.getByText('1 bored')).toBeVisible();
  await page.getByRole('tab', { name: 'Assembly' }).click();
  const steps = page.getByRole('list', { name: 'Steps' }).getByRole('button');
  await expect(steps.first()).toBeVisible();
  const done = page.getByRole('button', { name: 'Done', exact: true });
  const count = await steps.count();
  for (let step = 0; step < count - 1; step += 1) await done.click();
  await page.route('**/work', (route) =>
    route.request().method() === 'POST' ? route.abort() : route.continue(),
  );
  await done.click();
  // The first box is together, and the second comes on the bench.
  await expect(page.getByLabel('Box on the bench')).toHaveValue('2');
  await expect(page.getByText(/^Not kept yet/)).toBeVisible();
  await page.reload();
  await expect(page.getByText('1 of them together')).toBeVisible();
  await page.unroute('**/work');
  await expect(page.getByText(/^Not kept yet/)).toBeHidden({ timeout: 60_000 });
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByText('1 of them together')).toBeVisible();
  await page.keyboard.press(' ');
  await expect(other.getByRole('button', { name: /^done: ?1/ })).toBeVisible({ timeout: 20_000 });
  await breaksNoRule(page);
  // Taken back.
  await steps.first().click();
  await page.getByRole('button', { name: 'It is not done' }).click();
  await expect(other.getByRole('button', { name: /^done: ?1/ })).toBeHidden({ timeout: 20_000 });
  // What the label of the first box opens says how far it is.
  const batch = must(/batches\/([^/]+)/.exec(page.url())?.[1], 'batch');
  await other.goto(`/boxes/${batch}/1`);
  await expect(other.getByText(`${count} steps are done`)).toBeVisible();
  await breaksNoRule(other);
  await other.goto(`/boxes/${batch}/9`);
  await expect(other.getByText(/they go from 1 to 2/)).toBeVisible();
});

test('drawers, cost and calendar: what is short, what it costs, and when it has to be begun', async ({
  page,
}) => {
  await startBatch(page, 'Black-capped chickadee', 4);
  await page.getByRole('link', { name: /^Build/ }).click();
  await page.getByRole('tab', { name: 'Screws, glue, finish' }).click();
  const row = page.locator('[data-need^="screw-"]').first();
  await expect(page.getByText('not counted yet').first()).toBeVisible();
  await row.getByLabel(/^How much/).fill('3');
  await page.keyboard.press('Enter');
  await expect(row).toContainText(/\d+ short/);
  await row.getByLabel(/holds$/).fill('100');
  await page.keyboard.press('Enter');
  await row.getByLabel(/costs$/).fill('6,50');
  await page.keyboard.press('Enter');
  await expect(row).toContainText(/short: buy 1 pack, 6\.50/);
  await row.getByLabel(/^How much/).fill('1000');
  await page.keyboard.press('Enter');
  await expect(row).toContainText('enough');
  await breaksNoRule(page);
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(row).toContainText(/\d+ short/);

  await page.getByRole('tab', { name: 'Time and cost' }).click();
  const cost = page.getByRole('region', { name: 'Cost' });
  await expect(cost).toContainText('not laid out yet');
  await expect(cost).toContainText(/Not in these sums, since nobody has told their price/);
  const calendar = page.getByRole('region', { name: 'Calendar' });
  await expect(calendar).toContainText('Say how many hours a day');
  await page.getByLabel('hours a day you work at it').fill('2');
  await page.keyboard.press('Enter');
  await expect(calendar.getByRole('listitem').last()).toContainText('Hang');
  await page.getByLabel('Up by').fill('2020-03-01');
  await expect(calendar).toContainText(/Too late by \d+ days/);
  await calendar.getByRole('button', { name: /^The animal’s own/ }).click();
  await expect(calendar).not.toContainText('Too late');
  await breaksNoRule(page);
  // The same drawer stands in the shop.
  await page.goto('/shop');
  await expect(page.locator('[data-supply^="screw-"]').first()).toBeVisible();
  await breaksNoRule(page);
});

test('as long as the drawers are being looked up nothing is said of them, and nothing can be typed beside', async ({
  page,
}) => {
  let release = () => {};
  const held = new Promise<void>((done) => {
    release = done;
  });
  await page.route('**/api/supplies', async (route) => {
    await held;
    await route.continue();
  });
  await startBatch(page, 'Black-capped chickadee', 4);
  await page.getByRole('link', { name: /^Build/ }).click();
  await page.getByRole('tab', { name: 'Screws, glue, finish' }).click();
  const row = page.locator('[data-need^="screw-"]').first();
  await expect(row).toContainText('looking in the drawers…');
  await expect(row.getByLabel(/^How much/)).toBeDisabled();
  await expect(page.getByText('not counted yet')).toHaveCount(0);
  release();
  await expect(row.getByLabel(/^How much/)).toHaveValue('96');
  await expect(row.getByLabel(/^How much/)).toBeEnabled();
  await expect(page.getByText('not counted yet').first()).toBeVisible();
});

test('labels: one for each box, on the sheet that is chosen, with the address that is typed', async ({
  page,
}) => {
  await startBatch(page, 'Black-capped chickadee', 9);
  await page.getByRole('link', { name: /^Sheets/ }).click();
  await page.getByRole('button', { name: 'For the bench' }).click();
  await page.getByRole('button', { name: 'Labels' }).click();
  await expect(page.locator('[data-label]')).toHaveCount(9);
  await expect(page.getByText(/^Only this machine opens/)).toBeVisible();
  await page
    .getByLabel('Sheet of labels', { exact: true })
    .selectOption({ label: '8 on A4, 99.1 × 67.7 mm' });
  await page.getByLabel('is the first number').fill('17');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-sheet]')).toHaveCount(2);
  await expect(page.locator('[data-sheet="2"] [data-label]')).toHaveText(/^25/);
  await page.getByLabel('labels of the first sheet are gone').fill('7');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-sheet="1"] [data-label]')).toHaveText(/^17/);
  const address = page.getByLabel('Address that the code opens');
  await address.fill('boatshop');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('An address begins with http');
  await address.fill('http://boatshop.example:4310/');
  await page.keyboard.press('Enter');
  await expect(
    page.getByRole('img', { name: /^QR code of http:\/\/boatshop\.example:4310\/boxes\/.*\/17$/ }),
  ).toBeVisible();
  // No word of a label runs out of it.
  const out = await page
    .locator('[data-label]')
    .evaluateAll(
      (labels) => labels.filter((each) => each.scrollHeight > each.clientHeight + 1).length,
    );
  expect(out).toBe(0);
  await breaksNoRule(page);
});
