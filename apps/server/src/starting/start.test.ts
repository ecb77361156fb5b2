import { type ChildProcess, spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { mkdir } from 'node:fs/promises';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { fileURLToPath } from 'node:url';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { boardList } from '@spare-knot/core/api';
import { demoBoards } from '../demo/osier-landing.js';

const ROOT = fileURLToPath(new URL('../../../..', import.meta.url));

const DATABASE = join(ROOT, 'bin', 'database');

/** A port of the loopback interface that nobody uses now, below those that the system gives to others by itself. */
async function freePort(): Promise<number> {
  for (;;) {
    const port = 20_000 + Math.floor(Math.random() * 10_000);
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

/** One bin/start on a data folder, in a process group of its own. */
class Start {
  private said = '';
  readonly ended: Promise<number | null>;
  private readonly process: ChildProcess;

  constructor(
    readonly data: string,
    readonly port: number,
    databasePort: number,
  ) {
    this.process = spawn(join(ROOT, 'bin', 'start'), [], {
      cwd: ROOT,
      detached: true,
      env: {
        ...process.env,
        SPARE_KNOT_DATA: data,
        SPARE_KNOT_PORT: String(port),
        SPARE_KNOT_DB_PORT: String(databasePort),
        SPARE_KNOT_DB_FLUSH: '0',
      },
    });
    const hear = (words: Buffer) => {
      this.said += words.toString();
    };
    this.process.stdout?.on('data', hear);
    this.process.stderr?.on('data', hear);
    this.ended = once(this.process, 'exit').then(([code]) => code as number | null);
  }

  get words(): string {
    return this.said;
  }

  /** Until it answers; throws with what it said when it ends before that. */
  async ready(): Promise<void> {
    while (!this.said.includes('is ready')) {
      if (this.process.exitCode !== null) throw new Error(`it ended: ${this.said}`);
      await pause(50);
    }
  }

  async stop(): Promise<void> {
    if (this.process.exitCode !== null || this.process.signalCode !== null) return;
    this.process.kill('SIGTERM');
    await this.ended;
  }

  /** Ends all of it at once, as a power cut does. */
  async kill(): Promise<void> {
    const { pid } = this.process;
    if (pid === undefined) throw new Error('it was never started');
    if (this.process.exitCode !== null) throw new Error(`it ended by itself: ${this.said}`);
    process.kill(-pid, 'SIGKILL');
    await this.ended;
  }
}

let data: string;
let starts: Start[];
const start = async (): Promise<Start> => {
  const made = new Start(data, await freePort(), await freePort());
  starts.push(made);
  return made;
};
const healthOf = async ({ port }: Start) =>
  (await fetch(`http://127.0.0.1:${port}/api/health`)).status;
const boardsOf = async ({ port }: Start) =>
  boardList.parse(await (await fetch(`http://127.0.0.1:${port}/api/rack`)).json()).boards;

beforeEach(() => {
  data = mkdtempSync(join(tmpdir(), 'spare-knot-start-'));
  starts = [];
});
afterEach(async () => {
  for (const each of starts) await each.stop();
  spawnSync(DATABASE, ['stop', join(data, 'mariadb')], { cwd: ROOT });
  rmSync(data, { recursive: true, force: true });
});

describe('bin/start', () => {
  test('a second one on the same data says so and ends; the first goes on answering', async () => {
    const first = await start();
    await first.ready();
    const second = await start();
    expect(await second.ended).toBe(2);
    expect(second.words).toContain('runs on these data already');
    expect(await healthOf(first)).toBe(200);
    await first.stop();
    const third = await start();
    await third.ready();
    expect(await healthOf(third)).toBe(200);
  });

  test('a first one that is killed at any moment starts again whole, the demo once', async () => {
    for (const moment of [400, 1100, 1800, 2500, 3200]) {
      const killed = await start();
      await Promise.race([pause(moment), killed.ended]);
      await killed.kill();
      // Nothing was kept yet: the next one begins anew, as often as it takes.
    }
    const whole = await start();
    await whole.ready();
    // Beside the offcuts of the batch that is being sawn.
    const own = (await boardsOf(whole)).filter(({ fromBatch }) => fromBatch === null);
    const names = own.map(({ name }) => name).sort();
    expect(names).toEqual(
      demoBoards()
        .map(({ name }) => name)
        .sort(),
    );
    expect(existsSync(join(data, 'first-start'))).toBe(false);
  });

  test('a pid file that names a stranger does the stranger no harm', async () => {
    const stranger = spawn('sleep', ['60'], { stdio: 'ignore' });
    await mkdir(join(data, 'mariadb'));
    writeFileSync(join(data, 'mariadb', 'mariadb.pid'), String(stranger.pid));
    const stopped = spawnSync(DATABASE, ['stop', join(data, 'mariadb')], { cwd: ROOT });
    expect(stopped.status).toBe(0);
    expect([stranger.exitCode, stranger.signalCode]).toEqual([null, null]);
    const house = await start();
    await house.ready();
    expect(await healthOf(house)).toBe(200);
    await house.stop();
    expect([stranger.exitCode, stranger.signalCode]).toEqual([null, null]);
    stranger.kill();
  });
});
