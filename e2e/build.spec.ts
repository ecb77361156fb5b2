import type { Page } from '@playwright/test';
import { breaksNoRule, expect, laidOut, startBatch, test } from './test-server.js';

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
  const found = await steps.allInnerTexts();
  expect(found[0]).toBe('1 Back');
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
  await page.getByRole('tab', { name: 'Screws, finish, time' }).click();
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
  await page.getByRole('button', { name: 'Kits' }).click();
  await expect(page.locator('[data-kit]')).toHaveCount(3);
  await expect(page.locator('[data-step]')).toHaveCount(3 * steps);
  await page.getByLabel('Kits in this print').fill('20');
  await expect(page.locator('[data-kit]')).toHaveCount(20);
  // Nothing runs over the foot of its sheet.
  const over = await page.locator('[data-sheet]').evaluateAll(
    (sheets) =>
      sheets.filter((sheet) => {
        const foot = sheet.querySelector('footer')?.getBoundingClientRect().top ?? 0;
        return [...sheet.querySelectorAll('article, [data-kit]')].some(
          (each) => each.getBoundingClientRect().bottom > foot,
        );
      }).length,
  );
  expect(over).toBe(0);
  await breaksNoRule(page);
});
