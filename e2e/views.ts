import { expect, type Page } from '@playwright/test';
import { must } from '@spare-knot/core/lists';
import { laidOut, openDemo, searchEnded, startBatch } from './test-server.js';

/** A view, a dialog or a state of the pages, and how a maker comes to it. */
export interface View {
  name: string;
  open: (page: Page) => Promise<void>;
}

/** A page by its address, and something that is seen when it is there. */
const at =
  (address: string, sees: string) =>
  async (page: Page): Promise<void> => {
    await page.goto(address);
    await expect(page.locator(sees).first()).toBeVisible();
  };

/** A tab of where the page is. */
const tab = (page: Page, name: string) => page.getByRole('tab', { name, exact: true }).click();

/** The first box of the trail that hangs, on its own page. */
async function trailBox(page: Page): Promise<void> {
  await page.goto('/trail?at=boxes');
  await page
    .getByRole('link', { name: /^Box 12\b|^12$/ })
    .first()
    .click();
  await expect(page.getByRole('button', { name: 'Record a visit' })).toBeVisible();
}

async function layout(page: Page): Promise<void> {
  await openDemo(page, 'layout');
  await expect(page.locator('[data-part]').first()).toBeVisible();
  await expect(page.getByText(/^(The search has ended|As it was kept)\.$/)).toBeVisible({
    timeout: 90_000,
  });
}

const boxTab = (name: string) => async (page: Page) => {
  await openDemo(page, 'box');
  await expect(page.getByRole('img', { name: /Front view and section/ })).toBeVisible();
  await tab(page, name);
};

const buildTab = (name: string) => async (page: Page) => {
  await openDemo(page, 'build');
  await expect(page.getByText(/^1 of \d+ sides$/)).toBeVisible();
  await tab(page, name);
};

/** Every place and its parts. */
const PLACES: readonly View[] = [
  { name: 'Bench', open: at('/', 'text=Six boxes for the rail trail') },
  { name: 'Start a batch', open: at('/new', '[aria-label="Animals"]') },
  {
    name: 'Start a batch, an animal chosen',
    open: async (page) => {
      await page.goto('/new');
      await page.getByRole('button', { name: /Black-capped chickadee/ }).click();
    },
  },
  {
    name: 'Start a batch, nothing found',
    open: async (page) => {
      await page.goto('/new');
      await page.getByLabel('Search animals').fill('walrus');
      await expect(page.getByText(/No animal of the table/)).toBeVisible();
    },
  },
  {
    name: 'Start a batch from a sheet of sizes',
    open: async (page) => {
      await page.goto('/new');
      await page.getByRole('button', { name: 'From a sheet of sizes' }).click();
    },
  },
  { name: 'Rack', open: at('/rack', '[data-board]') },
  {
    name: 'Rack, a board measured',
    open: async (page) => {
      await page.goto('/rack');
      await page.getByRole('button', { name: 'Measure and mark' }).first().click();
      await expect(page.getByTestId('board-face')).toBeVisible();
    },
  },
  { name: 'Yard', open: at('/yard', '[data-offer]') },
  { name: 'Spares: scraps', open: at('/spares', '[aria-label^="A scrap in one line"], input') },
  {
    name: 'Spares: a scrap held up',
    open: async (page) => {
      await page.goto('/spares');
      await page.getByLabel(/^A scrap in one line/).fill('5/8 x 5 1/2 x 14 cedar rough');
      await page.keyboard.press('Enter');
      await expect(page.locator('[data-become]').first()).toBeVisible();
    },
  },
  { name: 'Spares: bin', open: at('/spares?at=bin', '[role=tabpanel] button') },
  { name: 'Spares: today', open: at('/spares?at=today', '[role=tabpanel] li, [role=tabpanel] p') },
  { name: 'Spares: broken', open: at('/spares?at=broken', '[data-repair]') },
  {
    name: 'Spares: what is broken',
    open: async (page) => {
      await page.goto('/spares?at=broken');
      await page
        .getByRole('button', { name: /^Say what is broken of box/ })
        .first()
        .click();
      await expect(page.getByRole('dialog')).toBeVisible();
    },
  },
  { name: 'Spares: templates and jigs', open: at('/spares?at=aids', '[role=tabpanel] h2') },
  { name: 'Trail: to visit', open: at('/trail', '[role=tabpanel] li') },
  { name: 'Trail: boxes', open: at('/trail?at=boxes', '[role=tabpanel] a') },
  { name: 'Trail: plan', open: at('/trail?at=plan', '.leaflet-container') },
  { name: 'Trail: season', open: at('/trail?at=season', '[data-season]') },
  { name: 'Trail: next winter', open: at('/trail?at=winter', '[data-winter]') },
  { name: 'A box on the trail', open: trailBox },
  {
    name: 'A visit',
    open: async (page) => {
      await trailBox(page);
      await page.getByRole('button', { name: 'Record a visit' }).click();
      await page.getByRole('dialog').getByLabel('Eggs', { exact: true }).check();
      await page.getByRole('dialog').getByText('Day, who, and a note').click();
    },
  },
  {
    name: 'What is broken',
    open: async (page) => {
      await trailBox(page);
      await page.getByRole('button', { name: 'Something is broken' }).click();
      await expect(page.getByRole('dialog')).toBeVisible();
    },
  },
  {
    name: 'Beyond mending',
    open: async (page) => {
      await trailBox(page);
      await page.getByRole('button', { name: 'It is beyond mending' }).click();
      await expect(page.getByRole('dialog')).toBeVisible();
    },
  },
  { name: 'Shop', open: at('/shop', '[data-saw]') },
  ...['Animals', 'Kinds of box', 'Where makers disagree', 'Wood and fasteners', 'Cautions'].map(
    (name) => ({
      name: `Handbook: ${name}`,
      open: async (page: Page) => {
        await page.goto('/handbook');
        await tab(page, name);
      },
    }),
  ),
];

/** Every station of a batch and its parts. */
const STATIONS: readonly View[] = [
  ...['Drawings', 'Panels', 'Dry fit', 'Beside the wood'].map((name) => ({
    name: `Box: ${name}`,
    open: boxTab(name),
  })),
  {
    name: 'Box: a reason',
    open: async (page) => {
      await boxTab('Drawings')(page);
      await page.getByRole('button', { name: 'Why slope?' }).click();
    },
  },
  {
    name: 'Box: a size that cannot be built',
    open: async (page) => {
      await startBatch(page, 'House wren', 1);
      await page.getByLabel('Width', { exact: true }).fill('9000');
      await page.keyboard.press('Enter');
      await expect(page.getByRole('alert').first()).toBeVisible();
    },
  },
  {
    name: 'Wood',
    open: async (page) => {
      await openDemo(page, 'wood');
      await expect(page.locator('[data-board]').first()).toBeVisible();
    },
  },
  { name: 'Layout', open: layout },
  {
    name: 'Layout: compared',
    open: async (page) => {
      await layout(page);
      await page.getByRole('button', { name: 'Compare four ways' }).click();
      await expect(page.getByText(/boards, \d+ cuts/)).toHaveCount(4, { timeout: 30_000 });
    },
  },
  {
    name: 'Layout: to buy',
    open: async (page) => {
      // A batch of its own: the demo's is for others to find as it is.
      await laidOut(page, 1);
      await page.getByLabel(/All bought/).check();
      await searchEnded(page);
    },
  },
  {
    name: 'Saw: before wood is taken',
    open: async (page) => {
      await openDemo(page, 'saw');
      await expect(page.getByRole('heading').first()).toBeVisible();
    },
  },
  ...['Holes', 'Dry fit', 'Assembly', 'Screws, glue, finish', 'Time and cost', 'Hanging'].map(
    (name) => ({ name: `Build: ${name}`, open: buildTab(name) }),
  ),
  {
    name: 'Sheets',
    open: async (page) => {
      await openDemo(page, 'sheets');
      await expect(page.locator('[data-sheet]').first()).toBeVisible();
    },
  },
  {
    name: 'A box of a batch',
    open: async (page) => {
      await openDemo(page, 'box');
      const [, batch] = must(/batches\/([^/]+)/.exec(page.url()), 'batch');
      await page.goto(`/boxes/${batch}/1`);
      await expect(page.getByRole('button', { name: 'Hang it' })).toBeVisible();
    },
  },
  {
    name: 'A box that is hung',
    open: async (page) => {
      await openDemo(page, 'box');
      const [, batch] = must(/batches\/([^/]+)/.exec(page.url()), 'batch');
      await page.goto(`/boxes/${batch}/1`);
      await page.getByRole('button', { name: 'Hang it' }).click();
      await expect(page.getByLabel('Number on its label')).toBeVisible();
    },
  },
];

/** Where something is not as it should be. */
const TROUBLES: readonly View[] = [
  { name: 'A page that is none', open: at('/nowhere', 'h1') },
  {
    name: 'A batch that is none',
    open: at('/batches/00000000-0000-4000-8000-000000000000/box', 'main, h1'),
  },
  {
    name: 'A box of the trail that is none',
    open: at('/trail/00000000-0000-4000-8000-000000000000', 'main, h1'),
  },
  {
    name: 'Rack, the server away',
    open: async (page) => {
      await page.route('**/api/**', (route) => route.abort());
      await page.goto('/rack');
      await expect(page.getByRole('button', { name: /again/i })).toBeVisible({ timeout: 20_000 });
    },
  },
  {
    name: 'Box, not kept yet',
    open: async (page) => {
      await startBatch(page, 'House wren', 1);
      await page.route('**/api/batches/*', (route) =>
        route.request().method() === 'PATCH' ? route.abort() : route.continue(),
      );
      await page.getByLabel('Name of the batch').fill('Typed while nobody hears');
      await expect(page.getByText('not kept yet', { exact: true })).toBeVisible();
    },
  },
];

/** Every view, dialog and state there is a rule for. */
export const VIEWS: readonly View[] = [...PLACES, ...STATIONS, ...TROUBLES];
