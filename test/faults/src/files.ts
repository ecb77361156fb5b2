import { once } from 'node:events';
import { readdirSync, readFileSync } from 'node:fs';
import { setTimeout as pause } from 'node:timers/promises';
import { fileURLToPath } from 'node:url';
import { Worker } from 'node:worker_threads';
import type { FileAnswer, FileTask } from './file-worker.js';
import { type Json, mutate, mutateText } from './mutate.js';
import { type Outcome, Tally } from './outcome.js';
import { Random } from './random.js';

/** Milliseconds after which a command counts as hung. */
const PATIENCE = 20_000;
/** Lines that somebody reads of what is wrong with a file. */
const MOST_LINES = 60;

const EXAMPLES = fileURLToPath(new URL('../../../examples/', import.meta.url));

/** The command line in a thread of its own, so that one that hangs can be ended. */
class CommandLine {
  private worker = this.begin();

  private begin(): Worker {
    return new Worker(new URL('./file-worker.js', import.meta.url));
  }

  /** What a command prints; null when it hangs. */
  async run(task: FileTask): Promise<FileAnswer | null> {
    this.worker.postMessage(task);
    const late = new AbortController();
    const answer = await Promise.race([
      once(this.worker, 'message', { signal: late.signal }).then(([said]) => said as FileAnswer),
      pause(PATIENCE, null, { signal: late.signal }).catch(() => null),
    ]).finally(() => late.abort());
    if (answer !== null) return answer;
    await this.worker.terminate();
    this.worker = this.begin();
    return null;
  }

  async end(): Promise<void> {
    await this.worker.terminate();
  }
}

/** One command with good files: which of them is then made bad is drawn. */
interface Good {
  readonly words: readonly string[];
  readonly texts: Readonly<Record<string, string>>;
}

/** Every command with files of every kind, each file made by the command before it. */
async function goods(line: CommandLine): Promise<Good[]> {
  const folder = `${EXAMPLES}plans/`;
  const plans = readdirSync(folder).map((name) => readFileSync(folder + name, 'utf8'));
  const [rack, sheets, yard] = ['rack.csv', 'rack-sheets.csv', 'yard.csv'].map((name) =>
    readFileSync(EXAMPLES + name, 'utf8'),
  ) as [string, string, string];
  const made = async (words: readonly string[], texts: Good['texts']) => {
    const answer = await line.run({ words, texts });
    if (!answer?.output) throw new Error(`${words.join(' ')}: ${JSON.stringify(answer)}`);
    return answer.output;
  };
  const chickadee = readFileSync(`${EXAMPLES}chickadee.plan.json`, 'utf8');
  const job = await made(['job', 'plan', 'stock', '--boxes', '2'], {
    plan: chickadee,
    stock: rack,
  });
  const layout = await made(['layout', 'job'], { job });
  const cuts = await made(['cuts', 'job', 'layout'], { job, layout });
  const progress = JSON.stringify({
    format: 'spare-knot/progress',
    version: 1,
    done: ['0:c1'],
    ruined: [],
  });
  return [
    ...plans.flatMap((plan): Good[] => [
      { words: ['plan', 'plan'], texts: { plan } },
      { words: ['checks', 'plan'], texts: { plan } },
      { words: ['build', 'plan', '--boxes', '2'], texts: { plan } },
    ]),
    { words: ['job', 'plan', 'stock', '--boxes', '2'], texts: { plan: chickadee, stock: rack } },
    { words: ['job', 'plan', 'stock', '--boxes', '1'], texts: { plan: chickadee, stock: sheets } },
    {
      words: ['job', 'plan', 'stock', '--yard', 'yard'],
      texts: { plan: chickadee, stock: rack, yard },
    },
    { words: ['layout', 'job'], texts: { job } },
    { words: ['check', 'job', 'layout'], texts: { job, layout } },
    { words: ['cuts', 'job', 'layout'], texts: { job, layout } },
    {
      words: ['remain', 'job', 'layout', 'cuts', 'progress'],
      texts: { job, layout, cuts, progress },
    },
  ];
}

function madeBad(text: string, random: Random): string {
  if (!text.startsWith('{') || random.chance(0.2)) return mutateText(text, random);
  let document = JSON.parse(text) as Json;
  for (let times = 1 + random.below(3); times > 0; times -= 1) document = mutate(document, random);
  return JSON.stringify(document);
}

function fault(answer: FileAnswer | null): string | null {
  if (answer === null) return `it hung for ${PATIENCE / 1000} s`;
  if (answer.trace) return answer.trace.split('\n').slice(0, 4).join(' ');
  if (answer.code !== 0 && answer.messages.length === 0) return 'it says nothing of what is wrong';
  if (answer.messages.length > MOST_LINES) return `${answer.messages.length} lines are said`;
  const shown = answer.messages.find((line) => /\n\s+at /.test(line));
  return shown ? `a trace is shown: ${shown.slice(0, 200)}` : null;
}

/** Files as nobody means them: each command says what is wrong, without a trace and without hanging. */
export async function files(count: number, seed = 4): Promise<Outcome> {
  const random = new Random(seed);
  const line = new CommandLine();
  const all = await goods(line);
  const [tally, faults] = [new Tally(), [] as string[]];
  for (let done = 0; done < count; done += 1) {
    const { words, texts } = random.pick(all);
    const name = random.pick(Object.keys(texts));
    const bad = { ...texts, [name]: madeBad(texts[name] ?? '', random) };
    const answer = await line.run({ words, texts: bad });
    tally.add(answer ? `exit ${answer.code}` : 'hung');
    const found = fault(answer);
    if (found)
      faults.push(
        `${found} · ${words.join(' ')}, ${name} (${done}) ${differs(texts[name] ?? '', bad[name] ?? '')}`,
      );
  }
  await line.end();
  return { told: `${count} files: ${tally}`, faults };
}

/** Where two texts begin to differ. */
function differs(good: string, bad: string): string {
  const plain =
    good.startsWith('{') && bad.startsWith('{') ? JSON.stringify(JSON.parse(good)) : good;
  let at = 0;
  while (at < plain.length && plain[at] === bad[at]) at += 1;
  return `…${bad.slice(Math.max(0, at - 60), at + 100)}…`;
}
