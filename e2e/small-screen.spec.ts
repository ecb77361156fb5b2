import type { Page } from '@playwright/test';
import { boardsOf, expect, kept, laidOut, startBatch, test } from './test-server.js';

/** Whether two things on the screen lie on each other by more than a pixel. */
const overlaps = (page: Page, selector: string) =>
  page.locator(selector).evaluateAll((elements) => {
    const boxes = elements.map((element) => ({
      words: element.textContent,
      box: element.getBoundingClientRect(),
    }));
    return boxes.flatMap(({ words, box }, index) =>
      boxes.slice(index + 1).flatMap(({ words: other, box: next }) => {
        const across = Math.min(box.right, next.right) - Math.max(box.left, next.left);
        // Digits are not as high as the box of their line.
        const down = Math.min(box.bottom, next.bottom) - Math.max(box.top, next.top);
        return across > 1 && down > 5 ? [`${words} on ${other}`] : [];
      }),
    );
  });

test('on a phone no number of the tape lies on another, and nothing reaches past the screen', async ({
  page,
}) => {
  await laidOut(page, 6);
  await page.setViewportSize({ width: 390, height: 844 });
  await expect(boardsOf(page)).toBeVisible();
  const numbers = '[aria-label="Boards laid out"] svg text.mono';
  await expect(page.locator(numbers).first()).toBeVisible();
  expect(await page.locator(numbers).count()).toBeGreaterThan(20);
  expect(await overlaps(page, numbers)).toEqual([]);
  for (const station of ['Box', 'Wood', 'Layout']) {
    await page.getByRole('link', { name: station, exact: false }).first().click();
    const wide = await page.evaluate(() => document.documentElement.scrollWidth);
    expect([station, wide]).toEqual([station, 390]);
  }
  await page.getByRole('link', { name: /^Build/ }).click();
  const tabs = page.getByRole('tablist', { name: 'Building' }).getByRole('tab');
  await expect(page.getByText(/^1 of \d+ sides$/)).toBeVisible();
  for (const name of await tabs.allInnerTexts()) {
    await tabs.filter({ hasText: name }).click();
    await expect(page.getByRole('tabpanel', { name })).toBeVisible();
    const wide = await page.evaluate(() => document.documentElement.scrollWidth);
    expect([name, wide]).toEqual([name, 390]);
  }
});

test('a shelf for a robin is drawn, checked and cut, and its panels say every hole in words', async ({
  page,
}) => {
  await startBatch(page, 'American robin', 1);
  await page.getByLabel('Kind of box').selectOption({ label: 'Corner roost shelf' });
  await expect(page.getByText('The open front’s edge is', { exact: false })).toBeVisible();
  await expect(page.getByText('Not to be built like this.')).toBeHidden();
  await page.getByText('five holes', { exact: true }).click();
  await page.getByRole('tab', { name: 'Panels' }).click();
  const floor = page.locator('[data-flat="floor"]');
  await expect(floor).toContainText('Seen from outside, grain level.');
  await expect(floor).toContainText(/A: Drain, ø [\d/ ]+, .+ from the left and .+ from below/);
  await expect(page.locator('[data-flat="bracket"]')).toContainText('2 alike in each box');
  expect(await overlaps(page, '[data-flat] svg text')).toEqual([]);
});

test('a name that is cleared comes back when the field is left', async ({ page }) => {
  await startBatch(page, 'Tree swallow', 2);
  const name = page.getByLabel('Name of the batch');
  await name.fill('Swallows by the slip');
  await kept(page);
  await name.fill('');
  await expect(name).toHaveAttribute('aria-invalid', 'true');
  await name.blur();
  await expect(name).toHaveValue('Swallows by the slip');
});
