import { type ChildProcess, spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { readdirSync, readFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { fileURLToPath } from 'node:url';

import knexFactory, { type Knex } from 'knex';
import { tablesOf } from '../backup/dump.js';
import { connectionFromEnvironment } from '../database/connection.js';

const ROOT = fileURLToPath(new URL('../../../..', import.meta.url));
export const bin = (name: string): string => join(ROOT, 'bin', name);

/** A port of the loopback interface that nobody uses now, below those that the system gives to others by itself. */
export async function freePort(): Promise<number> {
  for (;;) {
    const port = 20_000 + Math.floor(Math.random() * 10_000);
    if (await isFree(port)) return port;
  }
}

/** Whether nobody listens there. */
export async function isFree(port: number): Promise<boolean> {
  const probe = createServer();
  const free = await new Promise<boolean>((done) => {
    probe.once('error', () => done(false));
    probe.listen(port, '127.0.0.1', () => done(true));
  });
  if (free) await new Promise((done) => probe.close(done));
  return free;
}

/** The processes of this machine whose words are these, by their numbers. */
function processes(words: (words: readonly string[]) => boolean): number[] {
  return readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .filter((name) => {
      try {
        return words(readFileSync(`/proc/${name}/cmdline`, 'utf8').split('\0'));
      } catch {
        return false;
      }
    })
    .map(Number);
}

const parentOf = (process: number): number => {
  const [, fields = ''] = readFileSync(`/proc/${process}/stat`, 'utf8').split(') ');
  return Number(fields.split(' ')[1]);
};

/** Every row of every table, as they are at one moment. */
export async function rowsOf(knex: Knex): Promise<Record<string, unknown[]>> {
  const tables = await tablesOf(knex);
  const read = async (moment: Knex.Transaction) => {
    const rows: Record<string, unknown[]> = {};
    for (const table of tables) {
      const found = (await moment(table).select()) as unknown[];
      rows[table] = found.map((row) => JSON.stringify(row)).sort();
    }
    return rows;
  };
  return knex.transaction(read, { isolationLevel: 'repeatable read' });
}

export interface HouseOptions {
  readonly port?: string;
  readonly databasePort?: string;
  readonly words?: readonly string[];
}

/** One bin/start on a data folder, in a process group of its own. */
export class HouseProcess {
  readonly ended: Promise<number | null>;
  private said = '';
  private readonly process: ChildProcess;

  private constructor(
    readonly data: string,
    readonly port: string,
    readonly databasePort: string,
    words: readonly string[],
  ) {
    this.process = spawn(bin('start'), words, {
      cwd: ROOT,
      detached: true,
      env: {
        ...process.env,
        SPARE_KNOT_DATA: data,
        SPARE_KNOT_PORT: port,
        SPARE_KNOT_DB_PORT: databasePort,
        // What was committed is with the system, though not yet on the disk: it outlives the process.
        SPARE_KNOT_DB_FLUSH: '2',
      },
    });
    const hear = (words: Buffer) => {
      this.said += words.toString();
    };
    this.process.stdout?.on('data', hear);
    this.process.stderr?.on('data', hear);
    this.ended = once(this.process, 'exit').then(([code]) => code as number | null);
  }

  static async begin(data: string, options: HouseOptions = {}): Promise<HouseProcess> {
    const port = options.port ?? String(await freePort());
    const databasePort = options.databasePort ?? String(await freePort());
    return new HouseProcess(data, port, databasePort, options.words ?? []);
  }

  /** All that it printed, without what the database says of its own limits. */
  get words(): string {
    return this.said
      .split('\n')
      .filter((line) => !line.includes('max_open_files'))
      .join('\n');
  }

  private get pid(): number {
    const { pid } = this.process;
    if (pid === undefined) throw new Error('it was never started');
    return pid;
  }

  get isRunning(): boolean {
    return this.process.exitCode === null && this.process.signalCode === null;
  }

  /** Until it answers; throws with what it said when it ends before that. */
  async ready(times = 1): Promise<this> {
    while (this.said.split('is ready').length <= times) {
      if (!this.isRunning) throw new Error(`it ended: ${this.said}`);
      await pause(30);
    }
    return this;
  }

  async status(path = '/api/health'): Promise<number> {
    const answer = await fetch(`http://127.0.0.1:${this.port}${path}`).catch(() => null);
    return answer?.status ?? 0;
  }

  async ask(path: string): Promise<unknown> {
    return (await fetch(`http://127.0.0.1:${this.port}${path}`)).json();
  }

  /** Every row of every table, as it lies in the database. */
  rows(): Promise<Record<string, unknown[]>> {
    return this.database(rowsOf);
  }

  /** Asks its database past its server. */
  async database<T>(work: (knex: Knex) => Promise<T>): Promise<T> {
    const knex = knexFactory(
      connectionFromEnvironment({
        SPARE_KNOT_DB_PORT: this.databasePort,
        SPARE_KNOT_DB_PASSWORD: readFileSync(join(this.data, 'mariadb', 'password'), 'utf8'),
      }),
    );
    try {
      return await work(knex);
    } finally {
      await knex.destroy();
    }
  }

  /** One of the two programs that it runs. */
  child(which: 'server' | 'database'): number | null {
    const [found] = processes(
      (words) =>
        (which === 'database' ? words[0]?.endsWith('mariadbd') : words[1]?.endsWith('main.js')) ===
        true,
    ).filter((process) => {
      try {
        return parentOf(process) === this.pid;
      } catch {
        return false;
      }
    });
    return found ?? null;
  }

  signal(signal: NodeJS.Signals): void {
    process.kill(this.pid, signal);
  }

  async stop(signal: NodeJS.Signals = 'SIGTERM'): Promise<number | null> {
    if (this.isRunning) this.signal(signal);
    return this.ended;
  }

  /** Ends all of it at once, as a power cut does. */
  async powerCut(): Promise<void> {
    if (!this.isRunning) throw new Error(`it ended by itself: ${this.said}`);
    process.kill(-this.pid, 'SIGKILL');
    await this.ended;
  }

  /** Whatever of it is still there. */
  async clear(): Promise<void> {
    await this.stop();
    spawnSync(bin('database'), ['stop', join(this.data, 'mariadb')], { cwd: ROOT });
  }
}
