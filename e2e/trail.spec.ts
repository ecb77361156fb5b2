import type { Page } from '@playwright/test';
import { must } from '@spare-knot/core/lists';
import { breaksNoRule, expect, laidOut, test } from './test-server.js';

/** A box with a number of its own, told at the list. */
async function hang(page: Page, number: number, place: string): Promise<void> {
  await page.goto('/trail?at=boxes');
  await page.getByRole('button', { name: 'Hang a box' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Number on its label').fill(String(number));
  await dialog.getByLabel('For which animal').selectOption({ label: 'Eastern bluebird' });
  await dialog.getByLabel('Place, in words').fill(place);
  await dialog.getByLabel('Hung on').fill('2026-03-02');
  await dialog.getByRole('button', { name: 'It hangs: keep it' }).click();
  await expect(page.getByText(`Box ${number} is out.`)).toBeVisible();
}

const openBox = async (page: Page, number: number): Promise<void> => {
  await page.getByRole('searchbox').fill(String(number));
  await page.getByRole('link', { name: `Box ${number}`, exact: true }).click();
  await expect(page.getByRole('heading', { name: `Box ${number}` })).toBeVisible();
};

async function visit(page: Page, found: string, more: () => Promise<void> = async () => {}) {
  await page.getByRole('button', { name: 'Record a visit' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel(found, { exact: true }).check();
  await more();
  await dialog.getByRole('button', { name: 'Keep this visit' }).click();
  await expect(dialog).toBeHidden();
}

test('a box is hung, looked at with one thumb, changed, taken off and put back', async ({
  page,
}) => {
  await hang(page, 501, 'gate by the orchard');
  await breaksNoRule(page);
  await openBox(page, 501);
  await expect(page.getByText(/Next: first visit/)).toBeVisible();
  await page.setViewportSize({ width: 390, height: 844 });
  await visit(page, 'Young', async () => {
    await breaksNoRule(page);
    for (let count = 0; count < 3; count += 1)
      await page.getByRole('button', { name: 'One more: Young' }).click();
    await page.getByLabel('What wants mending').fill('roof split');
    await page.getByLabel('A photo of the box').setInputFiles({
      name: 'box.png',
      mimeType: 'image/png',
      // A picture of one dot.
      buffer: Buffer.from(
        'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==',
        'base64',
      ),
    });
    await expect(page.getByAltText('As it will be kept')).toBeVisible();
  });
  const seen = page.locator('[data-visit]');
  await expect(seen).toContainText('3 young');
  await expect(seen).toContainText('To mend: roof split');
  await expect(seen.getByRole('img')).toBeVisible();
  // Young were seen: what would harm them is a stop.
  await expect(page.getByText(/Leave it alone/)).toBeVisible();
  await page.getByRole('button', { name: 'Record a visit' }).click();
  await expect(page.getByRole('alert')).toContainText('do not open it before');
  await page.getByRole('button', { name: 'Close' }).click();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
  await page.getByRole('button', { name: 'Change what is told' }).click();
  await page.getByLabel('Latitude, longitude').fill('91, 8');
  await expect(page.getByText(/two numbers: latitude/)).toBeVisible();
  await page.getByLabel('Latitude, longitude').fill('44.9, -75.2');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('44.9, -75.2')).toBeVisible();
  await page.getByRole('button', { name: 'Off the list' }).click();
  await expect(page.getByText('Box 501 is off the list')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await page.getByRole('searchbox').fill('501');
  await expect(page.locator('[data-box="501"]')).toContainText('young');
});

test('what is no picture is refused, and the rest of the visit stays', async ({ page }) => {
  await hang(page, 502, 'shed');
  await openBox(page, 502);
  await visit(page, 'Empty', async () => {
    await page.getByLabel('A photo of the box').setInputFiles({
      name: 'box.jpg',
      mimeType: 'image/jpeg',
      buffer: Buffer.from('no picture'),
    });
    await expect(page.getByText(/No photo: this is no picture/)).toBeVisible();
  });
  await expect(page.locator('[data-visit]')).toContainText('Empty');
});

test('visits recorded while the server is dead wait on the phone, through a reload, and are kept once with another’s', async ({
  page,
  server,
  browser,
}) => {
  await hang(page, 503, 'over the slough');
  await openBox(page, 503);
  const other = await browser.newPage({ baseURL: server.address });
  await other.goto(page.url());
  await visit(other, 'A nest');
  await expect(other.locator('[data-visit]')).toHaveCount(1);
  await other.close();
  await server.kill();
  await visit(page, 'Eggs', () => page.getByRole('button', { name: 'One more: Eggs' }).click());
  await visit(page, 'Another kind');
  await expect(page.getByText('2 visits are kept on this device')).toBeVisible();
  await server.start();
  await page.reload();
  await expect(page.locator('[data-visit]')).toHaveCount(3);
  await expect(page.getByText(/kept on this device/)).toBeHidden();
  await expect(page.locator('[data-visit]').filter({ hasText: '1 eggs' })).toHaveCount(1);
  await expect(page.getByText(/Another visit is recorded for that day/).first()).toBeVisible();
  await page.reload();
  await expect(page.locator('[data-visit]')).toHaveCount(3);
});

test('out of reach of the house the page opens again, shows the box and takes a visit; back home it is kept', async ({
  page,
  server,
  browser,
}) => {
  await hang(page, 504, 'far end');
  await openBox(page, 504);
  const phone = await browser.newContext({
    baseURL: server.address,
    serviceWorkers: 'allow',
    viewport: { width: 390, height: 844 },
  });
  const outdoors = await phone.newPage();
  await outdoors.goto(page.url());
  await expect(outdoors.locator('html[data-outdoors="ready"]')).toBeAttached();
  // Once more, so that what is asked for goes over the shelf.
  await outdoors.reload();
  await expect(outdoors.getByText('far end')).toBeVisible();
  await outdoors.goto('/trail');
  await expect(outdoors.getByText(/What to carry/)).toBeVisible();
  await server.kill();
  await outdoors.reload();
  await expect(outdoors.getByText(/What to carry/)).toBeVisible();
  await expect(outdoors.getByText(/as things stood/)).toBeVisible();
  await outdoors.goto(page.url());
  await expect(outdoors.getByText('far end')).toBeVisible();
  await visit(outdoors, 'Empty');
  await outdoors.reload();
  await expect(outdoors.getByText('1 visit is kept on this device')).toBeVisible();
  await server.start();
  await expect(outdoors.getByText(/kept on this device/)).toBeHidden({ timeout: 20_000 });
  await expect(outdoors.locator('[data-visit]')).toContainText('Empty');
  await expect(outdoors.getByText(/as things stood/)).toBeHidden();
  await phone.close();
});

test('the walk: what is due, in the shortest order, what to carry, on a phone; a closed time is heeded', async ({
  page,
}) => {
  await page.goto('/trail');
  const due = page.getByRole('region', { name: 'To visit' });
  await due.getByRole('combobox').selectOption({ label: 'within a year' });
  await expect(due.getByText(/round as the crow flies, in this order/)).toBeVisible();
  await expect(due.getByText(/What to carry/)).toBeVisible();
  expect(await due.locator('[data-due]').count()).toBeGreaterThan(20);
  await breaksNoRule(page);
  const heed = page.getByRole('button', { name: 'Heed it' });
  await expect(heed).toBeDisabled();
  await page.getByLabel('From, day').selectOption('1');
  await page.getByLabel('From, month').selectOption('April');
  await page.getByLabel('to, day').selectOption('31');
  await page.getByLabel('to, month').selectOption('August');
  await heed.click();
  await expect(page.getByText('1 April to 31 August').first()).toBeVisible();
  await page.setViewportSize({ width: 390, height: 844 });
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
  const download = page.waitForEvent('download');
  await due.getByRole('button', { name: 'All as a calendar file' }).click();
  expect((await download).suggestedFilename()).toBe('boxes-to-visit.ics');
});

test('the plan shows each box by shape and number, and opens it with Enter; the season has counts and intervals', async ({
  page,
}) => {
  await page.goto('/trail?at=plan');
  const box = page.getByRole('button', { name: /^Box 12,/ });
  await expect(box).toBeVisible();
  // Boxes stand where they stand, however near on the plan: the place of a target is what it says (2.5.8, essential).
  await breaksNoRule(page);
  await box.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Box 12' })).toBeVisible();
  await page.goto('/trail?at=season');
  const season = page.getByRole('region', { name: 'Season' });
  await expect(season.locator('[data-season]').first()).toContainText(/\d+ of \d+/);
  await season.getByRole('combobox').first().selectOption({ label: 'by the way they face' });
  await expect(season.locator('[data-season="east"]')).toContainText(/\d+ % to \d+ %/);
  await breaksNoRule(page);
});

test('files of places: a track of 10,000 points is named, boxes of a GPX come in, what stands already is named', async ({
  page,
}) => {
  await page.goto('/trail?at=boxes');
  await page.getByText('Files: boxes, visits, places').click();
  const file = page.getByLabel('GeoJSON or GPX file of boxes');
  const gpx = (points: string[]) => ({
    name: 'places.gpx',
    mimeType: 'application/gpx+xml',
    buffer: Buffer.from(`<gpx version="1.1">${points.join('')}</gpx>`),
  });
  const point = (number: number) =>
    `<wpt lat="44.9" lon="-75.${number}"><name>${number}</name></wpt>`;
  await file.setInputFiles(gpx(Array.from({ length: 10_000 }, (_none, index) => point(index + 1))));
  await expect(page.getByText(/10000 points/)).toBeVisible();
  await file.setInputFiles(gpx([point(601), point(1), point(602)]));
  await expect(page.getByText('2 boxes are out.')).toBeVisible();
  await expect(page.getByText(/1 stands on another box already/)).toBeVisible();
});

test('the page that a label opens hangs its box, which then knows its plan; Bench calls it up', async ({
  page,
}) => {
  await laidOut(page, 2);
  const [, batch] = /batches\/([^/]+)/.exec(page.url()) ?? [];
  await page.goto(`/boxes/${batch}/2`);
  await page.getByRole('button', { name: 'Hang it' }).click();
  await page.getByLabel('Number on its label').fill('701');
  await page.getByRole('button', { name: 'It hangs: keep it' }).click();
  await expect(page.getByRole('heading', { name: 'Box 701' })).toBeVisible();
  await expect(
    page.getByRole('link', { name: '2 boxes for black-capped chickadee' }),
  ).toBeVisible();
  await page.goto('/');
  await expect(page.getByText(/to be visited within a week/)).toBeVisible();
});

test('a sketch of the place with two known spots carries the boxes; one is put in by a tap; a feeder too near is named', async ({
  page,
}) => {
  await hang(page, 831, 'at the weir');
  await openBox(page, 831);
  await page.getByRole('button', { name: 'Change what is told' }).click();
  await page.getByLabel('Latitude, longitude').fill('47.5001, 9.7001');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('47.5001, 9.7001')).toBeVisible();
  await hang(page, 832, 'at the sluice');
  await page.goto('/trail?at=plan');
  const picture = await page.screenshot({ clip: { x: 0, y: 60, width: 800, height: 500 } });
  await page
    .getByLabel('A picture or sketch of the place')
    .setInputFiles({ name: 'weir.png', mimeType: 'image/png', buffer: picture });
  const map = page.locator('.leaflet-container');
  await expect(page.locator('.leaflet-image-layer')).toBeVisible();
  const tap = async (right: number, down: number) => {
    await map.scrollIntoViewIfNeeded();
    const { x, y, width, height } = must(await map.boundingBox(), 'the plan');
    await page.mouse.click(x + width * right, y + height * down);
  };
  await tap(0.35, 0.1);
  await page.getByLabel('A box hangs there').selectOption({ label: '831, at the weir' });
  await expect(page.getByText('Tap a second one, far from the first.')).toBeVisible();
  await tap(0.65, 0.35);
  await page.getByLabel('or its latitude, longitude').fill('47.4991, 9.7021');
  await page.getByRole('button', { name: 'It lies there' }).click();
  await expect(page.getByText('Two spots of it are known')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Box 831/ })).toBeVisible();
  await page
    .getByRole('combobox', { name: /^Put box/ })
    .selectOption({ label: '832, at the sluice' });
  await tap(0.5, 0.25);
  await expect(page.getByRole('button', { name: /^Box 832/ })).toBeVisible();

  await page.getByLabel('Add a mark').fill('feeder by the weir');
  await page.getByRole('button', { name: 'Put it on the list' }).click();
  const row = page.locator('[data-row="feeder by the weir"]');
  await row.getByLabel(/^Kind/).selectOption('feeder');
  await expect(row.getByLabel(/^Kind/)).toHaveValue('feeder');
  await row.getByLabel(/^Latitude/).fill('47.5002, 9.7001');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Too near' })).toContainText(
    /Box 831, feeder by the weir/,
  );
  await breaksNoRule(page);
});
