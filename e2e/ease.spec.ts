import { breaksNoRule, expect, fitsEveryScreen, test } from './test-server.js';
import { VIEWS } from './views.js';

for (const { name, open } of VIEWS)
  test(`${name}: no rule broken, and nothing pushed sideways on any screen`, async ({ page }) => {
    await open(page);
    // Stations ask again and again: the net is never at rest there.
    await page.waitForTimeout(400);
    await fitsEveryScreen(page);
    await breaksNoRule(page);
  });

/** One of each kind of page. */
const SOME = VIEWS.filter(({ name }) =>
  /^(Bench|Rack|Box: Drawings|Layout|Trail: plan)$/.test(name),
);

for (const { name, open } of SOME) {
  test(`${name}: in colours of the maker's own no rule is broken, and what is chosen is seen`, async ({
    page,
  }) => {
    await page.emulateMedia({ forcedColors: 'active', colorScheme: 'dark' });
    await open(page);
    await page.waitForTimeout(400);
    await breaksNoRule(page);
    const looks = await page.getByRole('link').evaluateAll((links) =>
      links.map((link) => ({
        isHere: link.hasAttribute('aria-current'),
        background: getComputedStyle(link).backgroundColor,
      })),
    );
    const here = looks.filter(({ isHere }) => isHere).map(({ background }) => background);
    const others = looks.filter(({ isHere }) => !isHere).map(({ background }) => background);
    expect(here.length).toBeGreaterThan(0);
    expect(others.length).toBeGreaterThan(3);
    expect(here.filter((background) => others.includes(background))).toEqual([]);
  });

  test(`${name}: nothing moves by itself where that is not wanted`, async ({ page }) => {
    await page.emulateMedia({ reducedMotion: 'reduce' });
    await open(page);
    const moving = await page.evaluate(() => {
      const lasts = ({ transitionDuration: t, animationName: a }: CSSStyleDeclaration) =>
        a !== 'none' || t.split(',').some((each) => Number.parseFloat(each) > 0);
      return [
        ...document.getAnimations().map(({ id }) => `animation ${id}`),
        ...[...document.querySelectorAll('*')]
          .filter((element) => lasts(getComputedStyle(element)))
          .map((element) => element.outerHTML.slice(0, 100)),
      ];
    });
    expect(moving).toEqual([]);
  });
}
