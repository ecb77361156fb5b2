import { parentPort } from 'node:worker_threads';
import { run } from '@spare-knot/cli/run';

export interface FileTask {
  readonly words: readonly string[];
  readonly texts: Readonly<Record<string, string>>;
}
export interface FileAnswer {
  readonly code: number;
  readonly output: string;
  readonly messages: readonly string[];
  /** Where the command failed instead of saying what is wrong. */
  readonly trace: string | null;
}

/** Milliseconds by which the clock goes on at each look at it: a search takes so many steps, whatever the machine. */
const STEP = 200;

parentPort?.on('message', ({ words, texts }: FileTask) => {
  let now = 0;
  const clock = () => {
    now += STEP;
    return now;
  };
  let answer: FileAnswer;
  try {
    answer = { ...run(words, (path) => texts[path] ?? '', clock), trace: null };
  } catch (error) {
    const trace = error instanceof Error ? (error.stack ?? error.message) : String(error);
    answer = { code: -1, output: '', messages: [], trace };
  }
  parentPort?.postMessage(answer);
});
