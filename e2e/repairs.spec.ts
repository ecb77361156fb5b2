import type { Page } from '@playwright/test';
import { breaksNoRule, expect, laidOut, test } from './test-server.js';

/** A box of a batch of two that hangs under a number of its own. */
async function hangFromBatch(page: Page, number: number): Promise<void> {
  await laidOut(page, 2);
  const [, batch] = /batches\/([^/]+)/.exec(page.url()) ?? [];
  await page.goto(`/boxes/${batch}/2`);
  await page.getByRole('button', { name: 'Hang it' }).click();
  await page.getByLabel('Number on its label').fill(String(number));
  await page.getByRole('button', { name: 'It hangs: keep it' }).click();
  await expect(page.getByRole('heading', { name: `Box ${number}` })).toBeVisible();
}

async function breakPanel(page: Page, panel: string, what: string): Promise<void> {
  await page.getByRole('button', { name: 'Something is broken' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: panel, exact: true }).click();
  await dialog.getByLabel('What is wrong, in words').fill(what);
  await breaksNoRule(page);
  await dialog.getByRole('button', { name: 'These are to be mended' }).click();
  await expect(dialog).toBeHidden();
}

test('a box that is out is mended: its panel is told, made in a batch of its own, put on, and noted at the box', async ({
  page,
}) => {
  await hangFromBatch(page, 811);
  const home = page.url();
  await breakPanel(page, 'Roof', 'split along the grain');
  const repairs = page.getByRole('region', { name: 'Repairs' });
  await expect(repairs).toContainText('split along the grain');
  await expect(repairs).toContainText('to be mended');

  await page.goto('/spares?at=broken');
  await expect(page.locator('[data-repair="Roof of box 811"]')).toBeVisible();
  await breaksNoRule(page);
  const own = page.getByRole('region', { name: /^Of / }).filter({ hasText: 'Box 811' });
  await expect(own).toContainText(/1 × roof/);
  await own.getByRole('button', { name: 'Make a batch of these' }).click();
  await expect(page.getByText('Mends 1 box that is out: 811')).toBeVisible();
  // One roof is all that is laid out.
  await expect(page.locator('[data-part]').first()).toBeVisible();
  expect(
    await page
      .locator('[data-part]')
      .evaluateAll((parts) => parts.map((part) => part.getAttribute('data-part'))),
  ).toEqual(['roof']);
  await expect(page.getByLabel('Boxes', { exact: true })).toBeDisabled();

  // The box hangs as it was built: a plan that is changed under it is named, and undone.
  await page.getByRole('link', { name: /^Box/ }).click();
  await page.getByLabel('Sides high at the back', { exact: true }).fill('13');
  await page.keyboard.press('Enter');
  const hangs = page.getByText('These boxes hang as they were built.');
  await expect(hangs).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(hangs).toBeHidden();

  await page.getByRole('link', { name: /^Build/ }).click();
  await page.getByRole('tab', { name: 'Assembly' }).click();
  await expect(page.getByText('New in this box: Roof')).toBeVisible();
  await expect(page.getByRole('list', { name: 'Steps' }).getByRole('button')).toHaveCount(1);
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByText('all are mended')).toBeVisible();
  await breaksNoRule(page);

  await page.goto('/spares?at=broken');
  await page.getByRole('button', { name: 'Roof of box 811 is mended' }).click();
  await expect(page.locator('[data-repair="Roof of box 811"]')).toHaveCount(0);
  await page.goto(home);
  await expect(repairs).toContainText(/mended \d{4}-\d\d-\d\d, in “Mending box 811”/);
});

test('a box beyond mending gives its sound panels back, and hangs again, nothing of it elsewhere, when that is undone', async ({
  page,
}) => {
  await hangFromBatch(page, 812);
  await breakPanel(page, 'Front', 'pecked wide');
  await page.getByRole('button', { name: 'It is beyond mending' }).click();
  const dialog = page.getByRole('dialog');
  const bin = dialog.getByRole('group', { name: /in the bin/ });
  const rack = dialog.getByRole('group', { name: /on the rack/ });
  await bin.getByRole('button', { name: 'Floor', exact: true }).click();
  // What goes in the bin is not sawn up.
  await expect(rack.getByRole('button', { name: 'Floor', exact: true })).toHaveCount(0);
  await rack.getByRole('button', { name: 'Back', exact: true }).click();
  await dialog.getByLabel('The panels lie where').fill('shelf of old boxes');
  await breaksNoRule(page);
  await dialog.getByRole('button', { name: 'Take it down for good' }).click();
  await expect(page.getByText('Box 812 is taken down for good.')).toBeVisible();
  const repairs = page.getByRole('region', { name: 'Repairs' });
  await expect(repairs).toContainText('given up');
  const kept = async () => {
    const [bin, rack] = await Promise.all([
      page.request.get('/api/bin'),
      page.request.get('/api/rack'),
    ]);
    const [inBin, onRack] = [await bin.text(), await rack.text()];
    return [inBin.includes('shelf of old boxes'), onRack.includes('back of box 812')];
  };
  expect(await kept()).toEqual([true, true]);
  await expect(page.getByRole('button', { name: 'It is beyond mending' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(page.getByRole('button', { name: 'It is beyond mending' })).toBeVisible();
  await expect(repairs).toContainText('to be mended');
  expect(await kept()).toEqual([false, false]);

  // Young in it are a stop.
  await page.getByRole('button', { name: 'Record a visit' }).click();
  await dialog.getByLabel('Young', { exact: true }).check();
  await dialog.getByRole('button', { name: 'Keep this visit' }).click();
  await expect(dialog).toBeHidden();
  await page.getByRole('button', { name: 'It is beyond mending' }).click();
  await expect(dialog.getByRole('alert')).toContainText('Leave it alone');
  await expect(dialog.getByRole('button', { name: 'Take it down for good' })).toBeDisabled();
});
