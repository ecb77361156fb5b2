import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';

/** What is run, and with what around it. */
export interface Command {
  readonly words: readonly string[];
  readonly environment: NodeJS.ProcessEnv;
}

/** Milliseconds that a program has to end by itself. */
const PATIENCE = 20_000;

/**
 * A program that ends with the one that started it, however that one ends, and that does not hold the house's lock: the kernel kills
 * it when its parent is gone. Not by SIGTERM: MariaDB may wait for itself for ever when it hears that while it starts, and its log makes
 * it whole after a kill.
 */
const BOUND = ['-c', 'exec 9>&-; exec setpriv --pdeathsig KILL -- "$@"', 'program'];

/** One run of a program. */
export class Program {
  readonly ended: Promise<string>;
  readonly began = Date.now();
  private readonly process: ChildProcess;

  /** @param hear is told each piece that it prints; what it complains of goes on to our own standard error */
  constructor(command: Command, hear: (words: string) => void = () => {}) {
    this.process = spawn('bash', [...BOUND, ...command.words], {
      env: command.environment,
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    this.process.stdout?.on('data', (words: Buffer) => {
      hear(words.toString());
    });
    this.ended = once(this.process, 'exit').then(([code, signal]) =>
      signal === null ? `exit code ${code}` : `${signal}`,
    );
  }

  get isRunning(): boolean {
    return this.process.exitCode === null && this.process.signalCode === null;
  }

  get exitCode(): number | null {
    return this.process.exitCode;
  }

  /** Ends it; by force when it does not in time. */
  async stop(): Promise<void> {
    if (!this.isRunning) return;
    this.process.kill('SIGTERM');
    const late = setTimeout(() => this.process.kill('SIGKILL'), PATIENCE);
    await this.ended;
    clearTimeout(late);
  }
}
