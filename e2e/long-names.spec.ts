import { at } from '@spare-knot/core/lists';
import {
  chooseWood,
  expect,
  fitsEveryScreen,
  kept,
  overTheFoot,
  searchEnded,
  startBatch,
  test,
} from './test-server.js';

/** As long as a name may be, in scripts that break lines elsewhere, or nowhere. */
const NAMES = [
  'W'.repeat(120),
  `${'بيت'.repeat(30)} للطيور`,
  'घोंसला'.repeat(18),
  '鳥の巣箱を作る'.repeat(16),
  '👩‍🔧🪵'.repeat(15),
  `Z${'\u0301\u0323'.repeat(59)}`,
];

test('long names and odd scripts push no page sideways', async ({ page }) => {
  test.slow();
  await startBatch(page, 'House wren', 1);
  const address = page.url();
  for (const [index, name] of NAMES.entries()) {
    const board = {
      name: name.slice(0, 120),
      quantity: 1,
      material: 'western-red-cedar',
      thickness: 16,
      width: 140,
      length: 1800,
    };
    const box = { number: 871 + index, place: name, host: name, keeper: name, note: name };
    for (const [path, data] of [
      ['rack', { boards: [board] }],
      ['trail', { boxes: [box] }],
      ['yard', { offers: [{ ...board, quantity: undefined, yard: name, price: 3 }] }],
      ['lists/people', { rows: [{ name }] }],
    ] as const)
      expect([path, (await page.request.post(`/api/${path}`, { data })).status()]).toEqual([
        path,
        201,
      ]);
  }
  for (const name of NAMES) {
    await page.goto(address);
    const field = page.getByLabel('Name of the batch');
    await field.fill(name);
    await kept(page);
    await page.getByRole('link', { name: 'Bench', exact: true }).click();
    await expect(page.getByRole('link', { name }).first()).toBeVisible();
    await fitsEveryScreen(page);
  }
  for (const path of ['rack', 'yard', 'shop', 'trail?at=boxes']) {
    await page.goto(`/${path}`);
    // In words, or in fields.
    const shown = page.locator('main').getByText(at(NAMES, 0));
    const typed = page.locator(`input[value="${at(NAMES, 0)}"]`);
    await expect(shown.or(typed).first()).toBeAttached();
    await fitsEveryScreen(page);
  }
  for (const station of ['box', 'wood', 'layout', 'build', 'sheets']) {
    await page.goto(address.replace(/box$/, station));
    await page.waitForTimeout(1500);
    await fitsEveryScreen(page);
  }
});

test('a long name has its lines on paper: nothing runs over the foot of a sheet', async ({
  page,
}) => {
  const name = 'WWWWWWWWW '.repeat(12).trim();
  const board = {
    name,
    quantity: 30,
    material: 'western-red-cedar',
    thickness: 16,
    width: 140,
    length: 1200,
    faceA: 'rough',
    faceB: 'rough',
  };
  expect((await page.request.post('/api/rack', { data: { boards: [board] } })).status()).toBe(201);
  await startBatch(page, 'House wren', 12);
  await page.getByLabel('Name of the batch').fill(name);
  await kept(page);
  await chooseWood(page, name);
  await page.getByRole('link', { name: 'Lay it out' }).click();
  await searchEnded(page);
  await kept(page);
  await page.getByRole('link', { name: 'Print sheets' }).click();
  const sheets = page.locator('[data-sheet]');
  await expect(sheets.filter({ hasText: `${name} 2:` }).first()).toBeVisible();
  await expect(sheets.filter({ hasText: 'Saw steps' }).first()).toBeVisible();
  const onBothPapers = async () => {
    for (const paper of ['A4', 'Letter']) {
      await page.getByLabel('Paper').selectOption(paper);
      expect([paper, await overTheFoot(page)]).toEqual([paper, 0]);
    }
  };
  await onBothPapers();
  await page.getByRole('button', { name: 'For the bench' }).click();
  for (const [button, title] of [
    ['Assembly', 'Putting it together'],
    ['Drilling chart', 'Holes of one box'],
    ['Letters on the pieces', 'Pencil each letter'],
  ] as const) {
    await page.getByRole('button', { name: button, exact: true }).click();
    await expect(sheets.filter({ hasText: title }).first()).toBeVisible();
    await onBothPapers();
  }
});
