import type { Page } from '@playwright/test';
import {
  breaksNoRule,
  expect,
  fitsEveryScreen,
  kept,
  startBatch,
  test,
  type,
} from './test-server.js';

/** Tabs that are closed in the middle, one after the other. */
const TABS = Number(process.env.SPARE_KNOT_TABS ?? 3);

const field = (page: Page, label: string) => page.getByLabel(label, { exact: true });

test('a size that is typed and not entered, and one that the server never had, are there when the tab was closed', async ({
  page,
  context,
}) => {
  test.setTimeout(120_000 + TABS * 10_000);
  await startBatch(page, 'House wren', 2);
  await kept(page);
  const address = page.url();
  for (let index = 0; index < TABS; index += 1) {
    const typed = `5 ${1 + 2 * (index % 8)}/16`;
    const tab = await context.newPage();
    await tab.goto(address);
    await expect(field(tab, 'Width')).not.toHaveValue(typed);
    // In every other one the server is away.
    if (index % 2 === 1) await tab.route('**/api/batches/*', (route) => route.abort());
    await field(tab, 'Width').fill(typed);
    tab.on('dialog', (dialog) => void dialog.accept());
    const gone = tab.waitForEvent('close');
    await tab.close({ runBeforeUnload: true });
    await gone;
    await page.reload();
    await expect(field(page, 'Width')).toHaveValue(typed);
    await kept(page);
  }
});

test('two windows at one box: what each changed is in both; for the same size it is asked', async ({
  page,
  context,
}) => {
  await startBatch(page, 'House wren', 2);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByRole('img', { name: /Front view and section/ })).toBeVisible();
  await type(page, 'Width', '5 1/8');
  await expect(page.getByText(/^kept \d/)).toBeVisible();
  await type(other, 'Depth', '5 1/4');
  await expect(other.getByText(/^kept \d/)).toBeVisible();
  await expect(field(other, 'Width')).toHaveValue('5 1/8');
  await expect(other.getByRole('alertdialog')).toHaveCount(0);

  await type(page, 'Width', '5 1/2');
  const question = page.getByRole('alertdialog');
  await expect(field(page, 'Depth')).toHaveValue('5 1/4');
  await type(other, 'Width', '5 3/4');
  await expect(other.getByRole('alertdialog')).toContainText('5 1/2');
  await expect(other.getByRole('alertdialog')).toContainText('5 3/4');
  await expect(other.getByRole('alertdialog')).not.toContainText('Depth');
  await breaksNoRule(other);
  await fitsEveryScreen(other);
  await other.getByRole('button', { name: 'Take the other' }).click();
  await expect(field(other, 'Width')).toHaveValue('5 1/2');
  await expect(question).toHaveCount(0);
  await other.close();
});

test('a browser that keeps nothing: the page says so, and all is kept by the server as ever', async ({
  page,
}) => {
  await page.addInitScript(() => {
    Object.defineProperty(window, 'localStorage', {
      get: () => {
        throw new DOMException('The operation is insecure.', 'SecurityError');
      },
    });
  });
  await startBatch(page, 'House wren', 2);
  await expect(page.getByText(/lets the page keep nothing/)).toBeVisible();
  await type(page, 'Width', '5 1/8');
  await expect(page.getByText(/^kept \d/)).toBeVisible();
  await page.reload();
  await expect(field(page, 'Width')).toHaveValue('5 1/8');
});
