import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import { createServer } from 'node:net';
import { fileURLToPath } from 'node:url';
import { AxeBuilder } from '@axe-core/playwright';
import { test as base, expect, type Locator, type Page } from '@playwright/test';
import { type Connection, createConnection, type RowDataPacket } from 'mysql2/promise';

/** Below the ports that the system gives away by itself, and wide enough that others are seldom met. */
const PORTS = { from: 20_000, count: 10_000 };

/** A port of the loopback interface that nobody listens on. */
async function freePort(): Promise<number> {
  for (;;) {
    const port = PORTS.from + Math.floor(Math.random() * PORTS.count);
    const probe = createServer();
    const isFree = await new Promise<boolean>((done) => {
      probe.once('error', () => done(false));
      probe.listen(port, '127.0.0.1', () => done(true));
    });
    if (!isFree) continue;
    await new Promise((done) => probe.close(done));
    return port;
  }
}

/** The MariaDB that bin/test started. */
async function asAdmin(): Promise<Connection> {
  const { SPARE_KNOT_DB_HOST: host, SPARE_KNOT_DB_PORT: port, ...rest } = process.env;
  const password = rest.SPARE_KNOT_DB_PASSWORD;
  if (!host || !port || !password)
    throw new Error('the browser tests need MariaDB: run them through bin/test, which starts one');
  return createConnection({ host, port: Number(port), user: 'spare_knot', password });
}

async function emptyDatabase(name: string): Promise<void> {
  const admin = await asAdmin();
  await admin.query('drop database if exists ??', [name]);
  await admin.query('create database ??', [name]);
  await admin.end();
}

/** The tables of a database, each with the columns that are written (what MariaDB reckons itself is not). */
async function tablesOf(admin: Connection, database: string): Promise<[string, string[]][]> {
  const [rows] = await admin.query<RowDataPacket[]>(
    `select table_name as named, group_concat(column_name) as written from information_schema.columns
     where table_schema = ? and is_generated = 'NEVER' group by table_name`,
    [database],
  );
  return rows.map(({ named, written }) => [String(named), String(written).split(',')]);
}

/**
 * The real server over the MariaDB that bin/test started, with a port and a database of its own for each worker, so that workers do not
 * see each other's racks, nor wait for what one that was given up still holds; it can be stopped and started again.
 */
export class TestServer {
  readonly address: string;
  private process: ChildProcess | null = null;

  private constructor(
    private readonly port: number,
    private readonly database: string,
  ) {
    this.address = `http://127.0.0.1:${port}`;
  }

  /** Starts with the demo, whatever was kept before. */
  static async anew(worker: number): Promise<TestServer> {
    const database = `spare_knot_browser_${worker}`;
    await emptyDatabase(database);
    const server = new TestServer(await freePort(), database);
    await server.start();
    await server.keepDemo();
    return server;
  }

  /** Copies all that is there now, for {@link asDemo} to put back. */
  private async keepDemo(): Promise<void> {
    await emptyDatabase(this.demo);
    const admin = await asAdmin();
    for (const [table] of await tablesOf(admin, this.database)) {
      const from = [this.demo, table, this.database, table];
      await admin.query('create table ??.?? as select * from ??.??', from);
    }
    await admin.end();
  }

  /** Puts the demo back as it was at the start, whatever a test before has made of it. */
  async asDemo(): Promise<void> {
    const admin = await asAdmin();
    await admin.query('set foreign_key_checks = 0');
    for (const [table, columns] of await tablesOf(admin, this.database)) {
      await admin.query('delete from ??.??', [this.database, table]);
      const from = [this.database, table, columns, columns, this.demo, table];
      await admin.query('insert into ??.?? (??) select ?? from ??.??', from);
    }
    await admin.end();
  }

  private get demo(): string {
    return `${this.database}_demo`;
  }

  async start(): Promise<void> {
    const child = spawn(
      process.execPath,
      [fileURLToPath(new URL('../apps/server/dist/main.js', import.meta.url))],
      {
        env: {
          ...process.env,
          SPARE_KNOT_PORT: String(this.port),
          SPARE_KNOT_DB_NAME: this.database,
        },
        stdio: ['ignore', 'pipe', 'inherit'],
      },
    );
    this.process = child;
    // Whoever gives up on it goes without a word: it must not live on beside the next.
    const endToo = () => child.kill('SIGKILL');
    process.once('exit', endToo);
    child.once('exit', () => process.off('exit', endToo));
    await new Promise<void>((ready, failed) => {
      child.stdout?.on('data', (text: Buffer) => text.toString().includes('is ready') && ready());
      child.once('exit', (code) => failed(new Error(`the server ended with ${code}`)));
    });
  }

  /** What a hand at the database does. */
  async query(sql: string): Promise<void> {
    const admin = await asAdmin();
    await admin.query(`use ${this.database}`);
    await admin.query(sql);
    await admin.end();
  }

  stop(): Promise<void> {
    return this.end('SIGTERM');
  }

  /** Ends it at once, with whatever it was doing. */
  kill(): Promise<void> {
    return this.end('SIGKILL');
  }

  private async end(signal: 'SIGTERM' | 'SIGKILL'): Promise<void> {
    const child = this.process;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    child.kill(signal);
    await once(child, 'exit');
  }
}

/** Tests with a running server that holds the demo and nothing else, and a page whose console must stay free of errors. */
export const test = base.extend<{ quiet: undefined; demo: undefined }, { server: TestServer }>({
  server: [
    // biome-ignore lint/correctness/noEmptyPattern: a fixture without others is written so
    async ({}, use, worker) => {
      const server = await TestServer.anew(worker.workerIndex);
      await use(server);
      await server.stop();
    },
    { scope: 'worker', timeout: 300_000 },
  ],
  baseURL: async ({ server }, use) => use(server.address),
  demo: [
    async ({ server }, use) => {
      await server.asDemo();
      await use(undefined);
    },
    { auto: true },
  ],
  quiet: [
    async ({ page }, use) => {
      const complaints: string[] = [];
      page.on('pageerror', (error) => complaints.push(error.message));
      page.on('console', (message) => {
        if (message.type() === 'error' && !/Failed to load resource|ERR_/.test(message.text()))
          complaints.push(message.text());
      });
      await use(undefined);
      expect(complaints).toEqual([]);
      // A sentence that was put among words as it is, not printed.
      if (!page.isClosed()) expect(await page.locator('body').innerText()).not.toContain('[object');
    },
    { auto: true },
  ],
});

export { expect };

/** A station of the demo's first batch, by its address: on the bench things still come in while somebody clicks. */
export async function openDemo(page: Page, station: string): Promise<void> {
  await page.goto('/');
  const link = page.getByRole('link', { name: 'Six boxes for the rail trail', exact: true });
  const address = await link.getAttribute('href');
  await page.goto(String(address).replace(/[^/]*$/, station));
}

/** A new batch for an animal, on its Box station. */
export async function startBatch(page: Page, animal: string, boxes: number): Promise<void> {
  await page.goto('/new');
  await page.getByLabel('Search animals').fill(animal);
  await page.getByRole('button', { name: animal }).first().click();
  await page.getByLabel('How many boxes').fill(String(boxes));
  await page.getByRole('button', { name: 'Draw the box' }).click();
  await expect(page.getByRole('img', { name: /Front view and section/ })).toBeVisible();
}

/** Boards of a name on the rack, looked for: of a long rack only what is near the window is drawn. */
export async function onTheRack(page: Page, name: string): Promise<Locator> {
  await page.getByLabel('Look for').fill(name);
  return page.locator(`[data-board="${name}"]`);
}

/** Pickets, or other boards, for the body and the wide board for the roof. */
export async function chooseWood(page: Page, body = 'Picket'): Promise<void> {
  await page.getByRole('link', { name: 'Choose the wood' }).click();
  await page
    .locator(`[data-board="${body}"]`)
    .getByRole('button', { name: 'Use for the body' })
    .click();
  await page.getByRole('button', { name: 'Roof', exact: true }).click();
  await page
    .locator('[data-board="Roof board"]')
    .getByRole('button', { name: 'Use for roof' })
    .click();
}

/** WCAG 2.2 AA and what is good practice beside it, as far as a machine can check it. */
export async function breaksNoRule(page: Page): Promise<void> {
  // Where the maker's own colours are taken, the browser answers for them.
  const isForced = await page.evaluate(() => matchMedia('(forced-colors: active)').matches);
  const { violations } = await new AxeBuilder({ page })
    .disableRules(isForced ? ['color-contrast'] : [])
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'])
    .analyze();
  expect(
    violations.map(
      ({ id, nodes }) => `${id}: ${nodes.map((node) => node.html.slice(0, 160)).join(' | ')}`,
    ),
  ).toEqual([]);
}

export const kept = (page: Page) =>
  expect(page.getByRole('status').filter({ hasText: /^kept/ })).toBeVisible();

/** A size on the drawing, typed and kept. */
export async function type(page: Page, label: string, text: string): Promise<void> {
  const field = page.getByLabel(label, { exact: true });
  await field.fill(text);
  await field.press('Enter');
}

/** The boards of a layout, and what is said of it. */
export const boardsOf = (page: Page) => page.getByRole('region', { name: 'Boards laid out' });
export const resultOf = (page: Page) => page.getByRole('region', { name: 'Result' });
export const searchEnded = (page: Page) =>
  expect(page.getByText('The search has ended.')).toBeVisible({ timeout: 90_000 });

/** A chickadee batch on pickets, laid out and at rest. */
export async function laidOut(page: Page, boxes: number): Promise<void> {
  await startBatch(page, 'Black-capped chickadee', boxes);
  await chooseWood(page);
  await page.getByRole('link', { name: 'Lay it out' }).click();
  await expect(boardsOf(page).locator('[data-part]').first()).toBeVisible();
  await searchEnded(page);
  await kept(page);
}

/** Sheets of paper on which something runs over the foot. */
export const overTheFoot = (page: Page): Promise<number> =>
  page.locator('[data-sheet]').evaluateAll(
    (sheets) =>
      sheets.filter((sheet) => {
        const foot = sheet.querySelector('footer')?.getBoundingClientRect().top ?? 0;
        return [...sheet.querySelectorAll(':scope > :not(footer), article, tr, li, p')].some(
          (each) => !each.closest('footer') && each.getBoundingClientRect().bottom > foot,
        );
      }).length,
  );

/** What of the page reaches past its right edge, where it can be pushed sideways for it. */
const wider = (page: Page) =>
  page.evaluate(() => {
    const wide = document.documentElement.scrollWidth;
    if (wide <= innerWidth) return [];
    // What is pushed within a frame of its own pushes nothing else.
    const isFramed = (element: Element): boolean => {
      for (let up = element.parentElement; up && up !== document.body; up = up.parentElement)
        if (getComputedStyle(up).overflowX !== 'visible') return true;
      return false;
    };
    const outside = [...document.querySelectorAll('body *')].filter(
      (element) => element.getBoundingClientRect().right > innerWidth + 1 && !isFramed(element),
    );
    return [
      `${wide} of ${innerWidth}`,
      ...outside.slice(0, 6).map((element) => element.outerHTML.slice(0, 140)),
    ];
  });

/** A tablet, the bench at twice its size, a telephone, and the narrowest there is (WCAG 2.2, 1.4.10). */
const SCREENS = [
  [1024, 768],
  [640, 400],
  [390, 844],
  [320, 568],
] as const;

/** Nothing pushes the page sideways on any screen. */
export async function fitsEveryScreen(page: Page): Promise<void> {
  const before = page.viewportSize();
  for (const [width, height] of SCREENS) {
    await page.setViewportSize({ width, height });
    await page.waitForTimeout(100);
    // Drawings take their new size a moment after the window: how long a moment, a busy machine decides.
    await expect
      .configure({ soft: true })
      .poll(() => wider(page), { message: `${width} wide`, timeout: 20_000 })
      .toEqual([]);
  }
  if (before) await page.setViewportSize(before);
}
