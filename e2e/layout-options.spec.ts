import { readFile } from 'node:fs/promises';
import type { Locator, Page } from '@playwright/test';
import { must } from '@spare-knot/core/lists';
import {
  boardsOf as boards,
  searchEnded as ended,
  expect,
  kept,
  laidOut,
  openDemo,
  resultOf as result,
  startBatch,
  test,
  type,
} from './test-server.js';

const money = (text: string | null) => Number(must(text, 'text').replace(/[^\d.]/g, ''));
const price = async (page: Page) =>
  money(
    await result(page)
      .locator('div')
      .filter({ hasText: /^Whole boards, price/ })
      .locator('dd')
      .innerText(),
  );

/** Whether the outline of a panel, not only the box round it, covers some of a round mark on its board. */
const liesIn = (
  part: Locator,
  { x, y, width, height }: { x: number; y: number; width: number; height: number },
) => {
  const [cx, cy] = [x + width / 2, y + height / 2];
  // The mark is drawn with a line round it, which is not the knot.
  const r = 0.7 * (Math.min(width, height) / 2);
  const points = [0, 1, 2, 3, 4, 5, 6, 7].map((eighth) => [
    cx + r * Math.cos((eighth * Math.PI) / 4),
    cy + r * Math.sin((eighth * Math.PI) / 4),
  ]);
  return part
    .locator('polygon')
    .first()
    .evaluate(
      (outline, all) => {
        const shape = outline as SVGPolygonElement;
        const page = shape.getScreenCTM();
        if (!page) throw new Error('the panel is not drawn');
        const inside = ([px, py]: number[]) =>
          shape.isPointInFill(new DOMPoint(px, py).matrixTransform(page.inverse()));
        return all.some(inside);
      },
      [[cx, cy], ...points],
    );
};

test('what each panel costs adds up to the boards’ price', async ({ page }) => {
  await laidOut(page, 3);
  const whole = await price(page);
  await result(page).getByText('What each panel costs').click();
  const rows = result(page).locator('tbody tr');
  await expect(rows).toHaveCount(6);
  let sum = 0;
  for (const row of await rows.all()) {
    const [name, copies, one, all] = await row.locator('td').allInnerTexts();
    expect(must(name, 'name').length).toBeGreaterThan(3);
    // The price of one is the price of all by how many there are, to the cent.
    expect(
      Math.abs(money(must(one, 'one')) * Number(copies) - money(must(all, 'all'))),
    ).toBeLessThan(0.01 * Number(copies));
    sum += money(must(all, 'all'));
  }
  // Each row is rounded to the cent.
  expect(Math.abs(sum - whole)).toBeLessThan(0.04);
});

test('saws differ: a wider kerf, chop saw only and a jigsaw lay out anew, and can be undone', async ({
  page,
}) => {
  await laidOut(page, 2);
  const marks = () => boards(page).innerText();
  const before = await marks();
  await type(page, 'Kerf', '5mm');
  await ended(page);
  expect(await marks()).not.toBe(before);
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await ended(page);
  await expect(page.getByLabel('Kerf')).toHaveValue('1/8');
  await page.getByText('More of the saw').click();
  const jigsaw = page.getByLabel('A jigsaw may part what no through cut does');
  await jigsaw.check();
  await ended(page);
  const free = await price(page);
  await jigsaw.uncheck();
  await ended(page);
  // More ways to lie can cost no more.
  expect(free).toBeLessThanOrEqual(await price(page));
  await page.getByLabel('Chop saw only: nothing is ripped').check();
  await expect(page.getByLabel('Cuts across up to')).toBeVisible();
  await type(page, 'Cuts across up to', '100mm');
  await expect(result(page)).toContainText('find no place');
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByLabel('Chop saw only: nothing is ripped')).not.toBeChecked();
});

test('how often the cuts turn is asked of the layout, stays over a reload, and nothing is left out for it', async ({
  page,
}) => {
  await laidOut(page, 2);
  const parts = boards(page).locator('[data-part]');
  const count = await parts.count();
  await page.getByText('More of the saw').click();
  const turns = page.getByLabel('Stages of the cuts on a board or sheet');
  await expect(turns).toHaveValue('null');
  await turns.selectOption('3');
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(turns).toHaveValue('null');
  await turns.selectOption('2');
  await ended(page);
  await expect(parts).toHaveCount(count);
  await kept(page);
  await page.reload();
  await page.getByText('More of the saw').click();
  await expect(turns).toHaveValue('2');
  await expect(parts).toHaveCount(count);
  // Where nothing is ripped nothing turns.
  await page.getByLabel('Chop saw only: nothing is ripped').check();
  await expect(turns).toBeHidden();
});

test('a loose knot marked on a board in use: the panels make way for it, or an entrance takes it away, and none is lost', async ({
  page,
}) => {
  await laidOut(page, 2);
  const count = await boards(page).locator('[data-part]').count();
  const used = boards(page).locator('li').filter({ hasText: 'Picket, knot at 31' });
  await expect(used).toHaveCount(1);
  await page.goto('/rack');
  await page.getByLabel('Look for').fill('Picket, knot at 31');
  const picket = page.locator('[data-board^="Picket, knot at 31"]');
  await picket.getByRole('button', { name: 'Measure and mark' }).click();
  await page.getByRole('group').getByText('loose knot', { exact: true }).click();
  const face = page.getByTestId('board-face');
  await face.click({ position: { x: 120, y: 30 } });
  await expect(page.getByText(/loose knot marked: Picket/)).toBeVisible();
  // Nothing to press: the boards are other ones, so they are laid out anew where the layout does not stand any more.
  await page.goBack();
  await expect(page.getByText(/The search has ended\.|As it was kept\./)).toBeVisible({
    timeout: 90_000,
  });
  await expect(boards(page).locator('[data-part]')).toHaveCount(count);
  await expect(result(page)).not.toContainText('find no place');
  if ((await used.count()) === 0) return;
  const knot = must(await used.locator('[data-defect="knot-loose"]').boundingBox(), 'knot');
  for (const part of await used.locator('[data-part]').all()) {
    expect(await liesIn(part, must(await part.boundingBox(), 'box'))).toBe(true);
    if (await liesIn(part, knot)) await expect(part).toHaveAttribute('data-part', 'front');
  }
});

test('a size that saves a board is taken with one press, and the layout follows', async ({
  page,
}) => {
  await startBatch(page, 'Eastern bluebird', 8);
  await page.getByRole('link', { name: 'Choose the wood' }).click();
  await page.getByRole('button', { name: 'All boards', exact: true }).click();
  await page
    .locator('[data-board="Ten-inch cedar"]')
    .getByRole('button', { name: /^Use for/ })
    .first()
    .click();
  await page.getByRole('link', { name: 'Lay it out' }).click();
  await expect(boards(page).locator('[data-part]').first()).toBeVisible();
  await ended(page);
  const fit = page.getByRole('region', { name: 'Fit' });
  await fit.getByRole('button', { name: 'Try the sizes' }).click();
  await expect(fit.getByText(/saves|board then gives|No change within/).first()).toBeVisible({
    timeout: 60_000,
  });
  const offers = fit.getByRole('listitem');
  await expect(offers.first()).toContainText(/board then gives 8 of left side, not 7/);
  const words = (await offers.first().innerText()).replace(/\s+/g, ' ');
  const offered = must(/Sides high at the back: .*?→ (\d+(?: \d+\/\d+)?)/.exec(words)?.[1], words);
  await offers.first().getByRole('button', { name: 'Take it' }).click();
  await ended(page);
  await kept(page);
  // The box has the new size, and one press gives the old one back.
  await page.getByRole('link', { name: /^Box/ }).click();
  const back = page.getByLabel('Sides high at the back', { exact: true });
  await expect(back).toHaveValue(offered);
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(back).toHaveValue('12 1/4');
});

test('the printed sheets say what is crosscut before ripping, and print in the paper that is asked for', async ({
  page,
}) => {
  await openDemo(page, 'layout');
  await expect(page.getByText(/The search has ended\.|As it was kept\./)).toBeVisible({
    timeout: 90_000,
  });
  await kept(page);
  await page.getByRole('link', { name: 'Print sheets' }).click();
  await expect(page.locator('[data-sheet="1"]')).toContainText('Long point');
  await expect(
    page
      .locator('[data-sheet]')
      .filter({ hasText: /first crosscut at .*, so that the offcut keeps its width/ })
      .first(),
  ).toBeVisible();
  for (const [button, head] of Object.entries({
    'Cut list CSV': 'panel,quantity',
    'Boards SVG': '<?xml',
    DXF: '0',
    'PDF 1 : 1': '%PDF-',
  })) {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: button, exact: true }).click(),
    ]);
    const file = await readFile(await download.path());
    expect(file.toString('latin1').trimStart().startsWith(head)).toBe(true);
    expect(download.suggestedFilename()).toMatch(/^Six-boxes-for-the-rail-trail-/);
  }
  // Every panel of the six boxes ends somewhere on a tape.
  expect(await page.getByText(/^ends at/).count()).toBe(36);
});

test('sheets of a layout whose wood has gone from the rack say so, and have the cut list alone', async ({
  page,
}) => {
  await openDemo(page, 'layout');
  await expect(page.getByText(/The search has ended\.|As it was kept\./)).toBeVisible({
    timeout: 90_000,
  });
  await kept(page);
  const address = page.url().replace('/layout', '/sheets');
  await page.route('**/api/rack', (route) => route.fulfill({ json: { boards: [] } }));
  await page.goto(address);
  await expect(page.getByText(/wood has changed since it was laid out/)).toBeVisible();
  await expect(page.locator('[data-sheet="1"]')).toContainText('Left side');
  expect(await page.getByText(/^ends at/).count()).toBe(0);
});
