import { expect, fitsEveryScreen, kept, startBatch, test } from './test-server.js';

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
    const shown = page.locator('main').getByText(NAMES[0] ?? '');
    const typed = page.locator(`input[value="${NAMES[0]}"]`);
    await expect(shown.or(typed).first()).toBeAttached();
    await fitsEveryScreen(page);
  }
  for (const station of ['box', 'wood', 'layout', 'build', 'sheets']) {
    await page.goto(address.replace(/box$/, station));
    await page.waitForTimeout(1500);
    await fitsEveryScreen(page);
  }
});
