import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { letsIn } from '../database/lets-in.js';
import { BackOff } from './back-off.js';
import { type Command, Program } from './program.js';

/** What the server ends with when starting it again would not help: what it says is why. */
export const WILL_NOT_HELP = 3;

/** Milliseconds for one attempt to reach the database. */
const ONE_ATTEMPT = 2000;

export interface Settings {
  /** The folder of everything that is kept, whole. */
  readonly data: string;
  readonly databasePort: number;
  /** The program that runs the database, and the server's. */
  readonly databaseProgram: string;
  readonly serverProgram: string;
}

/** The house cannot be started, or not be kept running. */
export class HouseFailed extends Error {}

/** Database and server, each started again when it ends by itself; and both ended, in their order, when the house is. */
export class House {
  private database: Program | null = null;
  private server: Program | null = null;
  private isStopping = false;
  private readonly stopped: Promise<void>;
  private sayStopped: () => void = () => {};

  constructor(
    private readonly settings: Settings,
    private readonly say: (words: string) => void,
  ) {
    this.stopped = new Promise((done) => {
      this.sayStopped = done;
    });
  }

  /** Runs until it is stopped. @throws HouseFailed when it does not come to answer, or when starting it again would not help */
  async run(): Promise<void> {
    try {
      await Promise.race([this.stopped, this.keepBoth()]);
    } finally {
      await this.end();
    }
  }

  /** Ends it; `run` returns when both have ended. */
  stop(): void {
    this.isStopping = true;
    this.sayStopped();
  }

  private async keepBoth(): Promise<void> {
    this.database = this.startDatabase();
    await this.answers(this.database);
    await Promise.race([this.keepDatabase(), this.keepServer()]);
  }

  private async keepDatabase(): Promise<never> {
    const backOff = new BackOff();
    for (;;) {
      const program = this.database ?? this.startDatabase();
      await this.again('database', program, backOff);
      this.database = this.startDatabase();
    }
  }

  private async keepServer(): Promise<never> {
    const backOff = new BackOff();
    const environment = await this.serverEnvironment();
    let wasReady = false;
    for (;;) {
      const program = new Program(
        {
          words: [process.execPath, this.settings.serverProgram],
          environment,
        },
        (words) => {
          wasReady ||= words.includes('is ready');
          process.stdout.write(words);
        },
      );
      this.server = program;
      const how = await this.endOf(program);
      if (program.exitCode === WILL_NOT_HELP) throw new HouseFailed('Spare Knot did not start.');
      if (!wasReady) throw new HouseFailed(`Spare Knot did not start: its server ended (${how}).`);
      await this.again('server', program, backOff);
    }
  }

  /** Waits until a program has ended, and then for as long as it takes before it is started again. */
  private async again(name: string, program: Program, backOff: BackOff): Promise<void> {
    const how = await this.endOf(program);
    const wait = backOff.after(Date.now() - program.began);
    this.say(`The ${name} ended by itself (${how}): it is started again in ${wait / 1000} s.`);
    await pause(wait);
    await this.endOf(program);
  }

  /** How a program ended; never, once the house is stopping: that is no end to mend. */
  private async endOf(program: Program): Promise<string> {
    const how = await program.ended;
    return this.isStopping ? new Promise(() => {}) : how;
  }

  private startDatabase(): Program {
    const { data, databasePort, databaseProgram } = this.settings;
    const command: Command = {
      words: [databaseProgram, 'run', join(data, 'mariadb'), String(databasePort)],
      environment: process.env,
    };
    return new Program(command);
  }

  /** Until the database lets its user in. */
  private async answers(program: Program): Promise<void> {
    for (;;) {
      if (!program.isRunning) throw new HouseFailed(await this.whyNot(await program.ended));
      // An attempt may never be answered, when what it met was just ending.
      if (await Promise.race([this.letsIn(), pause(ONE_ATTEMPT, false)])) return;
      await pause(50);
    }
  }

  private async letsIn(): Promise<boolean> {
    // It is not there yet while the database is set up.
    const password = await this.password().catch(() => null);
    return password !== null && letsIn(this.settings.databasePort, password);
  }

  /** What the database wrote into its log last, so that nobody has to look for it. */
  private async whyNot(how: string): Promise<string> {
    const log = join(this.settings.data, 'mariadb', 'mariadb.log');
    const lines = (await readFile(log, 'utf8').catch(() => '')).split('\n');
    const errors = lines.filter((line) => line.includes('[ERROR]')).slice(-5);
    return [`The database did not start (${how}).`, ...errors].join('\n');
  }

  private async password(): Promise<string> {
    return (await readFile(join(this.settings.data, 'mariadb', 'password'), 'utf8')).trim();
  }

  private async serverEnvironment(): Promise<NodeJS.ProcessEnv> {
    return {
      ...process.env,
      SPARE_KNOT_DATA: this.settings.data,
      SPARE_KNOT_DB_HOST: '127.0.0.1',
      SPARE_KNOT_DB_PORT: String(this.settings.databasePort),
      SPARE_KNOT_DB_PASSWORD: await this.password(),
    };
  }

  private async end(): Promise<void> {
    this.isStopping = true;
    await this.server?.stop();
    await this.database?.stop();
  }
}
