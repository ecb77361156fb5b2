import { at, must } from '@spare-knot/core/lists';

import {
  boardsOf as boards,
  chooseWood,
  searchEnded as ended,
  expect,
  kept,
  laidOut,
  resultOf,
  startBatch,
  test,
} from './test-server.js';

test('a panel is dragged, stays where it was put, and the rest flows round it; an illegal place says why', async ({
  page,
}) => {
  await laidOut(page, 4);
  const count = await boards(page).locator('[data-part]').count();
  // On a board without knots.
  const front = boards(page)
    .locator('li')
    .filter({ hasText: /^Picket( \d+)?\d/ })
    .first()
    .locator('[data-part]')
    .first();
  const from = must(await front.boundingBox(), 'from');
  const name = at(must(await front.getAttribute('aria-label'), 'the value').split('.'), 0);
  const pinnedOne = boards(page).getByRole('button', { name: new RegExp(`^${name}, pinned`) });
  // Towards the middle of the board, so that it stays on it.
  const by = from.x < 350 ? 120 : -120;
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(from.x + from.width / 2 + by, from.y + from.height / 2 + 4, { steps: 6 });
  await page.mouse.up();
  await expect(pinnedOne).toBeVisible();
  // It lies where it was dropped from the first moment, and when all the others have found their places.
  expect(Math.abs(must(await pinnedOne.boundingBox(), 'the value').x - from.x - by)).toBeLessThan(
    14,
  );
  await ended(page);
  await expect(boards(page).locator('[data-part]')).toHaveCount(count);
  const pinned = must(await pinnedOne.boundingBox(), 'pinned');
  expect(Math.abs(pinned.x - from.x - by)).toBeLessThan(14);
  // It stays over a reload, and an arrow key moves it on.
  await kept(page);
  await page.reload();
  const again = pinnedOne;
  await again.focus();
  await page.keyboard.press('Shift+ArrowRight');
  await ended(page);
  expect(must(await again.boundingBox(), 'the value').x).toBeGreaterThan(pinned.x);
  await again.focus();
  // A picket is 140 mm wide: whichever piece it is, fifteen steps of 10 mm lead over the edge.
  for (let step = 0; step < 15; step += 1) await page.keyboard.press('Shift+ArrowUp');
  await expect(page.getByText(/It cannot lie there: .*edge of the board/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await page.getByRole('button', { name: /^Let .* go$/ }).click();
  await expect(boards(page).getByRole('button', { name: /pinned\./ })).toHaveCount(0);
});

test('a board left alone is not used, and can be used again', async ({ page }) => {
  await laidOut(page, 4);
  const picket = boards(page).locator('li').filter({ hasText: 'Picket, knot at 31' });
  await expect(picket).toHaveCount(1);
  await picket.getByRole('button', { name: 'leave it alone' }).click();
  await expect(picket).toHaveCount(0);
  await ended(page);
  const left = page.getByRole('region', { name: 'Boards left alone' });
  await expect(left).toContainText('Picket, knot at 31');
  await left.getByRole('button', { name: 'use it again' }).click();
  await expect(left).toBeHidden();
});

test('four ways are compared side by side, and one is taken', async ({ page }) => {
  await laidOut(page, 2);
  const compare = page.getByRole('region', { name: 'Compare' });
  await compare.getByRole('button', { name: 'Compare four ways' }).click();
  await expect(compare.getByText(/boards, \d+ cuts/)).toHaveCount(4, { timeout: 30_000 });
  await expect(compare.getByRole('button', { name: 'Compare four ways' })).toBeVisible({
    timeout: 30_000,
  });
  await compare
    .getByRole('listitem')
    .filter({ hasText: 'Fewest cuts' })
    .getByRole('button', { name: 'Lay it out so' })
    .click();
  await ended(page);
  await kept(page);
  await expect(resultOf(page)).toContainText('Cuts');
});

test('small changes of size are tried, with progress, and offered with what they save', async ({
  page,
}) => {
  await laidOut(page, 3);
  const fit = page.getByRole('region', { name: 'Fit' });
  await fit.getByRole('button', { name: 'Try the sizes' }).click();
  await expect(fit.getByLabel('Sizes tried')).toBeVisible();
  await expect(fit.getByText(/saves/).first()).toBeVisible({ timeout: 60_000 });
});

test('a search can be stopped: the best so far stays, and it can look again', async ({ page }) => {
  await laidOut(page, 5);
  // Without its solver nothing is proven, so that the search is at it until it is stopped.
  await page.route('**/*.wasm', (route) => route.abort());
  await page.reload();
  await page.getByText('More of the saw').click();
  await page.getByLabel('Look for better for').selectOption('60');
  await page.getByRole('button', { name: 'Stop, keep the best so far' }).click();
  await expect(page.getByRole('button', { name: 'Look again' })).toBeEnabled();
  await expect(boards(page).locator('[data-part]')).toHaveCount(30);
  await kept(page);
  await page.reload();
  await expect(page.getByText('As it was kept.')).toBeVisible();
  await expect(boards(page).locator('[data-part]')).toHaveCount(30);
});

test('two hundred boxes come as patterns to cut alike, or say what has no place', async ({
  page,
}) => {
  await startBatch(page, 'Black-capped chickadee', 200);
  await chooseWood(page);
  await page.getByRole('link', { name: 'Lay it out' }).click();
  await expect(resultOf(page)).toContainText(/panels find no place/, { timeout: 30_000 });
  await expect(resultOf(page)).toContainText('the boards are used up');
  await expect(
    boards(page)
      .getByText(/cut \d+ boards like this/)
      .first(),
  ).toBeVisible();
});
