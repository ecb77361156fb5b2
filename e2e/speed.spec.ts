import { gzipSync } from 'node:zlib';
import { expect, startBatch, test } from './test-server.js';

/** Figures of the real page in the real browser, printed by bin/bench. */
test('speed of the page', async ({ page }) => {
  const bodies: Promise<number>[] = [];
  const count = (response: import('@playwright/test').Response) =>
    response.request().resourceType() === 'script' &&
    bodies.push(response.body().then((body) => gzipSync(body).length));
  page.on('response', count);
  await page.goto('/');
  await page.waitForLoadState('networkidle');
  console.log(
    `script of the first page, compressed: ${Math.round((await Promise.all(bodies)).reduce((sum, size) => sum + size, 0) / 1000)} kB`,
  );
  page.off('response', count);

  await startBatch(page, 'Black-capped chickadee', 6);
  const times = await page.evaluate(async () => {
    const field = [...document.querySelectorAll('input')].find(
      (input) => input.labels?.[0]?.textContent === 'Sides high at the front',
    );
    if (!field) throw new Error('the field is not there');
    const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set;
    const found: number[] = [];
    for (let run = 0; run < 21; run += 1) {
      field.focus();
      set?.call(field, `${10 + run / 16}`);
      field.dispatchEvent(new Event('input', { bubbles: true }));
      await new Promise((next) => setTimeout(next, 30));
      const drawing = document.querySelector('svg[aria-label^="Front view"]');
      const before = drawing?.innerHTML;
      const start = performance.now();
      field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
      while (
        document.querySelector('svg[aria-label^="Front view"]')?.innerHTML === before &&
        performance.now() - start < 2000
      )
        await new Promise((next) => requestAnimationFrame(next));
      found.push(performance.now() - start);
    }
    return found.sort((a, b) => a - b);
  });
  console.log(
    `a size typed, box and panels redrawn: median ${times[10]?.toFixed(0)} ms, max ${times.at(-1)?.toFixed(0)} ms (to the next frame)`,
  );

  await page.getByRole('link', { name: 'Choose the wood' }).click();
  await page.getByRole('link', { name: 'Lay it out' }).click();
  const shown = Date.now();
  await expect(page.getByRole('region', { name: 'Result' })).toBeVisible();
  console.log(
    `six boxes, first layout on the screen: ${Date.now() - shown} ms after opening Layout`,
  );

  await expect(page.getByText('The search has ended.')).toBeVisible({ timeout: 30_000 });
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
  console.log(
    `frames while it searches: median ${frames[60]?.toFixed(0)} ms, longest ${frames.at(-1)?.toFixed(0)} ms, ${frames.filter((gap) => gap > 50).length} of ${frames.length} over 50 ms`,
  );
});
