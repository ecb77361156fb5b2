import { fileURLToPath } from 'node:url';
import type { Page } from '@playwright/test';
import { must } from '@spare-knot/core/lists';
import { expect, test } from './test-server.js';

/** The pictures in docs/screenshots, made from the demo: SPARE_KNOT_PICTURES=1 and the browser tests’ runner. */
const path = (name: string) =>
  fileURLToPath(new URL(`../docs/screenshots/${name}.png`, import.meta.url));

/** The options are drawn by a worker, a moment after the box. */
const optionsDrawn = (page: Page) =>
  expect(page.getByRole('region', { name: 'How it is made' }).locator('svg').nth(3)).toBeVisible();

test('pictures of every main view', async ({ page }) => {
  await page.goto('/new');
  await page.getByRole('button', { name: /Black-capped chickadee/ }).click();
  await page.screenshot({ path: path('start-a-batch') });
  await page.goto('/rack');
  await page
    .locator('[data-board="Picket, knot at 31"]')
    .getByRole('button', { name: 'Measure and mark' })
    .click();
  await page.getByTestId('board-face').focus();
  await page.screenshot({ path: path('rack') });
  await page.goto('/');
  await page.getByRole('link', { name: 'Six boxes for the rail trail', exact: true }).click();
  await expect(page.getByRole('img', { name: /Front view and section/ })).toBeVisible();
  await optionsDrawn(page);
  await page.getByRole('button', { name: 'Why slope?' }).click();
  await page.screenshot({ path: path('box') });
  await page.keyboard.press('Escape');
  await page.getByRole('tab', { name: 'Dry fit' }).click();
  await expect(page.locator('canvas')).toBeVisible();
  await page.waitForTimeout(1500);
  await page.screenshot({ path: path('dry-fit') });
  await page.getByRole('link', { name: 'Choose the wood' }).click();
  await expect(page.locator('[data-board="Picket"]')).toBeVisible();
  await page.screenshot({ path: path('wood') });
  await page.getByRole('link', { name: 'Lay it out' }).click();
  await expect(page.getByText('The search has ended.')).toBeVisible({ timeout: 90_000 });
  await page.screenshot({ path: path('layout') });
  await page.getByRole('button', { name: 'Compare four ways' }).click();
  // Where the front lies is the search's to say: it is dragged to the first place where it may lie.
  const pinned = page.getByRole('button', { name: /pinned\./ });
  for (const shift of [200, 120, 320, 60, 420]) {
    const front = page.locator('[data-part="front"]').first();
    await page.evaluate(() => window.scrollTo(0, 0));
    const from = must(await front.boundingBox(), 'the front');
    await page.mouse.move(from.x + 20, from.y + 20);
    await page.mouse.down();
    await page.mouse.move(from.x + 20 + shift, from.y + 22, { steps: 5 });
    await page.mouse.up();
    await page.waitForTimeout(300);
    if (await pinned.first().isVisible()) break;
  }
  await expect(pinned.first()).toBeVisible();
  await expect(page.getByText('The search has ended.')).toBeVisible({ timeout: 90_000 });
  await page.getByRole('button', { name: 'Compare four ways' }).click();
  await expect(page.getByText(/boards, \d+ cuts/)).toHaveCount(4, { timeout: 20_000 });
  await page.evaluate(() => window.scrollTo(0, 0));
  await page.getByRole('button', { name: /^Let .* go$/ }).click();
  await expect(page.getByText('The search has ended.')).toBeVisible({ timeout: 90_000 });
  await page.getByRole('link', { name: 'Print sheets' }).click();
  await page.setViewportSize({ width: 900, height: 1100 });
  await page.locator('[data-sheet="1"]').screenshot({ path: path('sheet') });
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.getByRole('link', { name: 'Layout', exact: false }).first().click();
  await page.getByLabel(/All bought/).check();
  await expect(page.getByText('The search has ended.')).toBeVisible({ timeout: 90_000 });
  await page.getByRole('button', { name: 'Compare the three' }).click();
  await expect(page.getByText(/pay \d/)).toHaveCount(3, { timeout: 20_000 });
  await expect(page.getByRole('button', { name: 'Compare the three' })).toBeVisible({
    timeout: 20_000,
  });
  await page.evaluate(() => window.scrollTo(0, 390));
  await page.screenshot({ path: path('to-buy') });
  await page.evaluate(() => window.scrollTo(0, 0));
  await page.getByLabel(/Rack only/).check();
  await expect(page.getByText(/^(The search has ended|As it was kept)\.$/)).toBeVisible({
    timeout: 90_000,
  });
  await page.goto('/yard');
  await expect(page.locator('[data-offer]').first()).toBeVisible();
  await page.screenshot({ path: path('yard') });
  await page.goto('/');
  await expect(page.getByText(/Laid out on \d+ boards/).first()).toBeVisible();
  await page.screenshot({ path: path('bench') });
  await page.getByRole('link', { name: 'Two for the slipway swallows', exact: true }).click();
  await page.getByRole('link', { name: /^Build/ }).click();
  await expect(page.getByRole('heading', { name: 'Front, outside up' })).toBeVisible();
  await page.screenshot({ path: path('holes') });
  await page.getByRole('tab', { name: 'Assembly' }).click();
  await page.getByRole('button', { name: '3 Left side' }).click();
  await page.waitForTimeout(300);
  await page.screenshot({ path: path('assembly') });
  await page.goto('/spares');
  await page.getByLabel(/^A scrap in one line/).fill('5/8 x 5 1/2 x 14 cedar rough');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-become]').first()).toBeVisible();
  await page.screenshot({ path: path('spares') });
  await page.goto('/spares?at=broken');
  await expect(page.locator('[data-repair]').first()).toBeVisible();
  await page.evaluate(() => window.scrollTo(0, 640));
  await page.screenshot({ path: path('broken-boxes') });
  await page.goto('/trail?at=plan');
  await expect(page.getByRole('button', { name: /^Box 12,/ })).toBeVisible();
  await page.screenshot({ path: path('trail') });
  await page.goto('/trail?at=season');
  await expect(page.locator('[data-season]').first()).toBeVisible();
  await page.screenshot({ path: path('season') });
  await page.goto('/');
  await page.getByRole('link', { name: 'Six boxes for the rail trail', exact: true }).click();
  await page.getByRole('link', { name: /^Layout/ }).click();
  const take = page.getByRole('button', { name: 'Take these boards' });
  await expect(take).toBeEnabled({ timeout: 30_000 });
  await take.click();
  await page.getByRole('link', { name: /^Saw/ }).click();
  await page.getByRole('button', { name: 'Begin with the first cut' }).click();
  const numbered = page.getByText('from the stop to the blade');
  for (let pressed = 0; pressed < 60 && !(await numbered.isVisible()); pressed += 1) {
    await page.keyboard.press('ArrowRight');
    await page.waitForTimeout(320);
  }
  await expect(numbered).toBeVisible();
  // What the notice says of the boards has been read by then.
  await expect(page.getByText('The boards are off the rack')).toBeHidden({ timeout: 30_000 });
  await page.screenshot({ path: path('saw') });
  await page.getByRole('button', { name: /^That one went wrong/ }).click();
  await page.getByRole('dialog').getByLabel('It is ruined').check();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^(Saw this panel again|Plan what lies in it again)$/ })
    .click();
  await expect(page.getByText(/laid out anew/).first()).toBeVisible();
  await expect(page.getByText('still looking for better…')).toBeHidden({ timeout: 20_000 });
  await page.goto('/shop');
  await expect(page.locator('[data-saw]').first()).toBeVisible();
  await page.screenshot({ path: path('shop') });
  await page.goto('/handbook');
  await page.getByRole('tab', { name: 'Kinds of box' }).click();
  await page.waitForTimeout(500);
  await page.screenshot({ path: path('handbook') });
});
