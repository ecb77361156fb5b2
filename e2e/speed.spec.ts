import { gzipSync } from 'node:zlib';
import type { CDPSession, Page } from '@playwright/test';
import { boardsOf, expect, kept, laidOut, startBatch, test } from './test-server.js';

/** Figures of the real page in the real browser, printed by bin/bench. */
test.describe.configure({ mode: 'serial' });

const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? Number.NaN;

/** Milliseconds of script that the page has run. */
async function scriptTime(session: CDPSession): Promise<number> {
  const { metrics } = await session.send('Performance.getMetrics');
  const found = metrics.find(({ name }) => name === 'ScriptDuration');
  if (!found) throw new Error('the browser tells no script time');
  return 1000 * found.value;
}

async function metricsOf(page: Page): Promise<CDPSession> {
  const session = await page.context().newCDPSession(page);
  await session.send('Performance.enable');
  return session;
}

test('script of the first page', async ({ page }) => {
  const bodies: Promise<number>[] = [];
  page.on('response', (response) => {
    if (response.request().resourceType() === 'script')
      bodies.push(response.body().then((body) => gzipSync(body).length));
  });
  await page.goto('/');
  await page.waitForLoadState('networkidle');
  const sizes = await Promise.all(bodies);
  const total = sizes.reduce((sum, size) => sum + size, 0);
  console.log(`script of the first page, compressed: ${Math.round(total / 1000)} kB`);
});

test('typing', async ({ page }) => {
  await laidOut(page, 6);
  const session = await metricsOf(page);
  const perKey = async (what: string, label: string) => {
    const field = page.getByLabel(label, { exact: true }).first();
    if (what.startsWith('name')) await field.fill('A');
    await field.focus();
    await page.keyboard.press('End');
    const before = await field.inputValue();
    const times: number[] = [];
    for (const key of 'a batch of boxes for the trail') {
      const began = await scriptTime(session);
      await page.keyboard.type(key);
      times.push((await scriptTime(session)) - began);
    }
    expect(await field.inputValue()).not.toBe(before);
    const [middle, most] = [median(times), Math.max(...times)];
    console.log(
      `script for a key, ${what}: median ${middle.toFixed(1)} ms, max ${most.toFixed(1)} ms`,
    );
  };
  for (const station of ['Box', 'Wood', 'Layout', 'Sheets']) {
    await page.getByRole('link', { name: station, exact: false }).first().click();
    await page.waitForTimeout(400);
    await perKey(`name of the batch, on ${station}`, 'Name of the batch');
  }
  await page.getByRole('link', { name: 'Box', exact: false }).first().click();
  await perKey('a size', 'Sides high at the front');
});

test('one size changed', async ({ page }) => {
  await startBatch(page, 'Black-capped chickadee', 6);
  await expect(page.locator('fieldset svg').first()).toBeVisible();
  const times = await page.evaluate(async () => {
    const label = 'Sides high at the front';
    const field = [...document.querySelectorAll('input')].find(
      (input) => input.labels?.[0]?.textContent === label,
    );
    const drawing = document.querySelector('svg[aria-label^="Front view"]');
    if (!field || !drawing) throw new Error('the field is not there');
    const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set;
    const frame = () => new Promise((next) => requestAnimationFrame(next));
    const found: { drawing: number; pictures: number }[] = [];
    for (let run = 0; run < 21; run += 1) {
      field.focus();
      set?.call(field, `${10 + run / 16}`);
      field.dispatchEvent(new Event('input', { bubbles: true }));
      await new Promise((next) => setTimeout(next, 300));
      const changed = { drawing: Number.NaN, pictures: Number.NaN };
      const start = performance.now();
      let last = start;
      const watch = new MutationObserver((records) => {
        last = performance.now();
        const at = last - start;
        for (const { target } of records) {
          if (!(target instanceof Element)) continue;
          if (target.closest('fieldset')) changed.pictures = at;
          else if (drawing.contains(target) && Number.isNaN(changed.drawing)) changed.drawing = at;
        }
      });
      watch.observe(document.body, { subtree: true, childList: true, attributes: true });
      field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
      // Until nothing has changed for a while: pictures come after the drawing.
      while (performance.now() - Math.max(start, last) < 250) await frame();
      watch.disconnect();
      found.push(changed);
    }
    return found;
  });
  const say = (what: string, values: readonly number[]) =>
    console.log(
      `a size changed, ${what}: median ${median(values).toFixed(0)} ms, max ${Math.max(...values).toFixed(0)} ms`,
    );
  say(
    'box redrawn',
    times.map(({ drawing }) => drawing),
  );
  say(
    'all pictures of options too',
    times.map(({ pictures }) => pictures),
  );
});

test('first layout, and frames while it searches', async ({ page }) => {
  await startBatch(page, 'Black-capped chickadee', 6);
  await page.getByRole('link', { name: 'Choose the wood' }).click();
  await page.getByRole('link', { name: 'Lay it out' }).click();
  const shown = Date.now();
  await expect(page.getByRole('region', { name: 'Result' })).toBeVisible();
  console.log(
    `six boxes, first layout on the screen: ${Date.now() - shown} ms after opening Layout`,
  );
  await expect(page.getByText('The search has ended.')).toBeVisible({ timeout: 90_000 });
  await page.getByRole('button', { name: 'Look again' }).click();
  const frames = await page.evaluate(
    () =>
      new Promise<number[]>((done) => {
        const gaps: number[] = [];
        let last = performance.now();
        const step = (now: number) => {
          gaps.push(now - last);
          last = now;
          if (gaps.length < 120) requestAnimationFrame(step);
          else done(gaps.sort((a, b) => a - b));
        };
        requestAnimationFrame(step);
      }),
  );
  const long = frames.filter((gap) => gap > 50).length;
  console.log(
    `frames while it searches: median ${median(frames).toFixed(0)} ms, longest ${Math.max(...frames).toFixed(0)} ms, ${long} of ${frames.length} over 50 ms`,
  );
});

test('a panel dragged', async ({ page }) => {
  await laidOut(page, 10);
  const parts = boardsOf(page).locator('[data-part]');
  const count = await parts.count();
  const box = await parts.first().boundingBox();
  if (!box) throw new Error('no panel is drawn');
  const session = await metricsOf(page);
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  const times: number[] = [];
  for (let step = 1; step <= 60; step += 1) {
    const before = await scriptTime(session);
    await page.mouse.move(x + 2 * step, y + (step % 7));
    times.push((await scriptTime(session)) - before);
  }
  await page.keyboard.press('Escape');
  await page.mouse.up();
  console.log(
    `script for a move of a dragged panel, ${count} panels: median ${median(times).toFixed(1)} ms, max ${Math.max(...times).toFixed(1)} ms`,
  );
});

test('fifty batches', async ({ page, request }) => {
  await startBatch(page, 'Black-capped chickadee', 6);
  await kept(page);
  const { batches } = await (await request.get('/api/batches')).json();
  const whole = await (await request.get(`/api/batches/${batches[0].id}`)).json();
  const { name, boxes, units, division, plan, saw, wishes } = whole;
  for (let more = batches.length; more < 50; more += 1)
    await request.post('/api/batches', {
      data: { name: `${name} ${more}`, boxes, units, division, plan, saw, wishes },
    });
  await page.goto('/handbook');
  const times: number[] = [];
  for (let run = 0; run < 9; run += 1) {
    await page.goto('/');
    await page.waitForFunction(
      () => document.querySelectorAll('a[href^="/batches/"]').length >= 50,
    );
    times.push(await page.evaluate(() => performance.now()));
  }
  console.log(
    `Bench of 50 batches, from the address to the cards: median ${median(times).toFixed(0)} ms, max ${Math.max(...times).toFixed(0)} ms`,
  );
});
