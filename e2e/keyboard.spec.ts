import type { Locator, Page } from '@playwright/test';
import { boardsOf, expect, searchEnded, test } from './test-server.js';

/** More than stand on any page of these. */
const MOST_PRESSED = 160;

/** Goes to something by Tab alone, and looks whether it is seen that one is there. */
async function tabTo(page: Page, target: Locator): Promise<void> {
  await expect(target).toBeVisible();
  await expect(target).toBeEnabled();
  for (let pressed = 0; pressed < MOST_PRESSED; pressed += 1) {
    await page.keyboard.press('Tab');
    const there = await target.evaluate((element) => element === document.activeElement);
    if (!there) continue;
    const ring = await target.evaluate((element) => {
      // A field within a frame of its own may have its ring there.
      const seen = [element, element.closest('label'), element.closest('div')];
      return seen.some((each) => each && getComputedStyle(each).outlineStyle !== 'none');
    });
    expect(ring, `${target} shows that it is where one is`).toBe(true);
    return;
  }
  throw new Error(`${target} is not reached by ${MOST_PRESSED} presses of Tab`);
}

async function press(page: Page, target: Locator): Promise<void> {
  await tabTo(page, target);
  await page.keyboard.press('Enter');
}

const button = (page: Page, name: string | RegExp) =>
  page.getByRole('button', { name, ...(typeof name === 'string' && { exact: true }) }).first();
const link = (page: Page, name: string | RegExp) => page.getByRole('link', { name }).first();

test('the whole path by keyboard alone: from the animal to sawn, bored and printed, and what is focused is always seen', async ({
  page,
}) => {
  test.slow();
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Bench' })).toBeVisible();
  await page.keyboard.press('Tab');
  await expect(link(page, 'Skip to the page')).toBeFocused();
  await page.keyboard.press('Enter');
  await press(page, link(page, 'Start a batch'));

  await tabTo(page, page.getByLabel('Search animals'));
  await page.keyboard.type('chickadee');
  await press(page, button(page, /Black-capped chickadee/));
  await tabTo(page, page.getByLabel('How many boxes'));
  await page.keyboard.press('Control+A');
  await page.keyboard.type('1');
  await page.keyboard.press('Enter');

  await expect(page.getByRole('img', { name: /Front view and section/ })).toBeVisible();
  await tabTo(page, page.getByLabel('Width', { exact: true }));
  await page.keyboard.press('Control+A');
  await page.keyboard.type('5 1/8');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^kept \d/)).toBeVisible();
  await page.keyboard.press('Tab');
  await page.keyboard.press('Control+Z');
  await press(page, button(page, /^Undo/));
  await press(page, button(page, /^Redo/));
  await press(page, link(page, 'Choose the wood'));

  await press(page, page.locator('[data-board="Picket"]').getByText('Use for the body'));
  await press(page, button(page, 'Roof'));
  await press(page, page.locator('[data-board="Roof board"]').getByText('Use for roof'));
  await press(page, link(page, 'Lay it out'));

  await expect(boardsOf(page).locator('[data-part]').first()).toBeVisible();
  await searchEnded(page);
  await tabTo(page, boardsOf(page).locator('[data-part]').first());
  await press(page, button(page, 'Take these boards'));
  await press(page, link(page, /^Saw/));

  await press(page, button(page, 'Begin with the first cut'));
  const count = page.getByText(/^\d+ of \d+ cuts$/);
  const isSawn = /^([2-9]|\d\d+) of \d+ cuts$/;
  for (let pressed = 0; pressed < 20 && !isSawn.test(await count.innerText()); pressed += 1) {
    await page.keyboard.press('ArrowRight');
    await page.waitForTimeout(350);
  }
  await expect(count).toHaveText(isSawn);
  await press(page, button(page, /^That one went wrong/));
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  // It is where it was before the question.
  await expect(button(page, /^That one went wrong/)).toBeFocused();

  await press(page, link(page, /^Build/));
  await tabTo(page, page.getByRole('tab', { name: 'Holes' }));
  // The next press goes out from the tab that has the focus, which follows a press a moment later.
  for (const name of ['Dry fit', 'Assembly']) {
    await page.keyboard.press('ArrowRight');
    await expect(page.getByRole('tab', { name })).toBeFocused();
    await expect(page.getByRole('tabpanel', { name })).toBeVisible();
  }
  await press(page, link(page, /^Sheets/));
  await tabTo(page, button(page, /^Print/));
  await expect(page.locator('[data-sheet="1"]')).toBeVisible();
});
