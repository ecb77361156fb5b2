import { readFileSync } from 'node:fs';
import { at } from '@spare-knot/core/lists';

import {
  breaksNoRule,
  chooseWood,
  expect,
  kept,
  onTheRack,
  startBatch,
  test,
  type,
} from './test-server.js';

const rackCount = async (page: import('@playwright/test').Page): Promise<number> => {
  await page.goto('/rack');
  const text = await page.getByText(/boards? and offcuts, drawn to one scale/).innerText();
  return Number(/\d+/.exec(text)?.[0]);
};

test('boards are taken once, though two windows press, and undo gives them back', async ({
  page,
  context,
}) => {
  const before = await rackCount(page);
  await startBatch(page, 'Black-capped chickadee', 2);
  await chooseWood(page);
  await page.getByRole('link', { name: 'Lay it out' }).click();
  await expect(page.getByText('The search has ended.')).toBeVisible({ timeout: 90_000 });
  await kept(page);
  const other = await context.newPage();
  await other.goto(page.url());
  const presses = [page, other].map((window) =>
    window.getByRole('button', { name: 'Take these boards' }),
  );
  await expect(at(presses, 1)).toBeEnabled();
  await Promise.all(presses.map((press) => press.dblclick()));
  for (const window of [page, other])
    await expect(window.getByRole('button', { name: 'Give the boards back' })).toBeVisible();
  const said = (window: typeof page) => window.getByText('The boards are off the rack').isVisible();
  await expect.poll(async () => (await said(page)) || (await said(other))).toBe(true);

  const laid = await page
    .getByRole('region', { name: 'Boards laid out' })
    .getByLabel(/panels, \d+ offcuts/)
    .count();
  const keptPieces = Number(
    /Back to the rack\s+(\d+)/.exec(
      await page.getByRole('region', { name: 'Result' }).innerText(),
    )?.[1],
  );
  const address = page.url();
  expect(await rackCount(page)).toBe(before - laid + keptPieces);
  await page.goto(address);
  await expect(page.getByText(/The boards of this batch are taken/)).toBeVisible();
  await page.getByRole('button', { name: 'Give the boards back' }).click();
  await expect(page.getByText('The boards are back on the rack.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Take these boards' })).toBeVisible();
  expect(await rackCount(page)).toBe(before);
  await other.close();
});

test('two windows that change one batch: the later one sees both versions and chooses', async ({
  page,
  context,
}) => {
  await startBatch(page, 'House wren', 3);
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByRole('img', { name: /Front view and section/ })).toBeVisible();
  await page.getByLabel('Name of the batch').fill('Wrens by the slip');
  await expect(page.getByText(/^kept \d/)).toBeVisible();
  await other.getByLabel('Name of the batch').fill('Wrens by the shed');
  await expect(other.getByRole('alertdialog')).toContainText('Wrens by the slip');
  await expect(other.getByRole('alertdialog')).toContainText('Wrens by the shed');
  await other.getByRole('button', { name: 'Keep what is here' }).click();
  await expect(other.getByText(/^kept \d/)).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Name of the batch')).toHaveValue('Wrens by the shed');
  await other.close();
});

test('the rack: a line as people say it, a knot by mouse, another by keys, undo', async ({
  page,
}) => {
  await page.goto('/rack');
  const line = page.getByLabel(/Boards in one line/);
  await line.fill('two nice ones');
  await line.press('Enter');
  await expect(page.getByText(/gives no size/)).toBeVisible();
  await line.fill('3 shelf boards 3/4 x 5 1/2 x 4ft pine rough 5.20');
  await expect(page.getByText(/3 × Shelf board:/)).toBeVisible();
  await line.press('Enter');
  await expect(line).toHaveValue('');
  await page.getByLabel('Sold as').selectOption('1×8');
  await expect(line).toHaveValue('1 1×8 x ');
  await line.pressSequentially('8ft pine');
  await expect(page.getByText(/1×8 is sold larger than it is/)).toBeVisible();
  await line.fill('');
  const pile = await onTheRack(page, 'Shelf board');
  await expect(pile).toHaveCount(1);
  await pile.getByRole('button', { name: 'Measure and mark' }).click();
  await page.getByTestId('board-face').click({ position: { x: 200, y: 30 } });
  await expect(
    page.getByText('One taken out of the pile, sound knot marked: Shelf board.'),
  ).toBeVisible();
  await expect(pile).toHaveCount(2);

  const marked = pile.filter({ has: page.getByTestId('board-face') });
  await expect(marked.locator('[data-defect="knot-sound"]')).toHaveCount(2); // small and large drawing
  await page.getByRole('group').getByText('nail', { exact: true }).click();
  const face = page.getByTestId('board-face');
  await face.focus();
  for (const key of ['ArrowRight', 'ArrowRight', 'ArrowUp', 'Enter']) await face.press(key);
  await expect(marked.locator('[data-defect="nail"]')).toHaveCount(2);
  await expect(page.getByText('nail marked: Shelf board.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(marked.locator('[data-defect="nail"]')).toHaveCount(0);

  await pile
    .first()
    .getByRole('button', { name: /Take Shelf board off/ })
    .click();
  await expect(pile).toHaveCount(1);
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(pile).toHaveCount(2);
});

test('CSV: good lines come onto the rack, bad ones are named', async ({ page }) => {
  await page.goto('/rack');
  const csv =
    'name,quantity,material,thickness,width,length\nDock plank,4,larch,1 in,6 in,8 ft\nBroken,4,larch,thick,6 in,8 ft\nHoley,1,oak,19,140,900\nNobody knows,1,,19,140,900\n';
  await page
    .getByLabel('CSV file of boards')
    .setInputFiles({ name: 'dock.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await expect(page.getByRole('alert')).toContainText('line 3: thickness');
  await expect(page.getByRole('alert')).toContainText('line 5: material: which wood is it?');
  const plank = await onTheRack(page, 'Dock plank');
  await expect(plank).toContainText('Assumed: planed both faces');
  await plank.getByRole('button', { name: 'No, one face rough' }).click();
  await expect(plank).not.toContainText('Assumed');
  await expect(plank).toContainText('face A rough, face B planed');
  await expect(await onTheRack(page, 'Holey')).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Save as CSV' }).click();
  expect((await download).suggestedFilename()).toBe('rack.csv');
});

test('a layout with panels that fit no board says so and places the rest', async ({ page }) => {
  await startBatch(page, 'Wood duck', 1);
  await chooseWood(page);
  await page.getByRole('link', { name: 'Lay it out' }).click();
  // Panels wider than any board are a stop, and the page asks before it lays them out.
  const stops = page.getByRole('alert', { name: 'Stops of this box' });
  await expect(stops).toContainText('choose a wider board');
  await stops.getByRole('button', { name: 'Lay it out all the same' }).click();
  const result = page.getByRole('region', { name: 'Result' });
  await expect(result).toContainText('find no place');
  await expect(result).toContainText(/wider than any board/);
  await expect(page.getByRole('button', { name: 'Look again' })).toBeEnabled();
  await type(page, 'Kerf', 'none');
  await expect(page.getByRole('alert').filter({ hasText: '“none”' })).toBeVisible();
});

test('a bat box out of the sheet with a corner gone: every panel has a name of its own, and the caution stands beside it', async ({
  page,
}) => {
  await startBatch(page, 'Crevice-roosting bats (North America)', 1);
  await expect(page.getByRole('list', { name: 'Cautions' })).toContainText(
    'do not open an occupied box',
  );
  await page
    .getByRole('group', { name: 'Crevices', exact: true })
    .getByText('three', { exact: true })
    .click();
  await page.getByRole('link', { name: 'Choose the wood' }).click();
  await page.getByRole('button', { name: 'All boards', exact: true }).click();
  await page
    .locator('[data-board="Ply, corner gone"]')
    .getByRole('button', { name: 'Use for all boards' })
    .click();
  await page.getByRole('link', { name: 'Lay it out' }).click();
  const boards = page.getByRole('region', { name: 'Boards laid out' });
  await expect(boards.locator('[data-part]')).toHaveCount(8);
  for (const name of ['Front, lower', 'Front, upper', 'Partition 1', 'Partition 2', 'Left cheek'])
    await expect(boards.getByText(name)).toBeVisible();
});

test('a deleted batch can be put back; an unknown address leads back to the bench', async ({
  page,
}) => {
  await startBatch(page, 'Blue tit', 1);
  await page.getByLabel('Name of the batch').fill('A box to lose');
  await expect(page.getByText(/^kept \d/)).toBeVisible();
  await page.goto('/');
  await page.getByRole('button', { name: 'Delete A box to lose' }).click();
  await expect(page.getByRole('heading', { name: 'A box to lose' })).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('heading', { name: 'A box to lose' })).toBeVisible();
  await page.goto('/nowhere');
  await expect(page.getByText('The address leads nowhere.')).toBeVisible();
});

test('the whole shop goes out as one file; into a shop that is not empty nothing is mixed', async ({
  page,
}) => {
  await page.goto('/shop');
  const everything = page.getByRole('region', { name: 'Everything out and in' });
  const download = page.waitForEvent('download');
  await everything.getByRole('link', { name: 'Everything out' }).click();
  const file = await (await download).path();
  await everything.getByLabel('Archive of a shop').setInputFiles({
    name: 'shop.zip',
    mimeType: 'application/zip',
    buffer: readFileSync(file),
  });
  await expect(everything.getByRole('alert')).toContainText('Something is kept here already');
  await everything.getByLabel('Archive of a shop').setInputFiles({
    name: 'shop.zip',
    mimeType: 'application/zip',
    buffer: Buffer.from('no archive'),
  });
  await expect(everything.getByRole('alert')).toContainText('is no ZIP file');
  await breaksNoRule(page);
});
