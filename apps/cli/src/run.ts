import { build, checks, job, plan, schema } from './box-commands.js';
import { type Command, type Context, DataProblem, readArguments, WrongUsage } from './command.js';
import { cuts, remain } from './cut-commands.js';
import { check, layout } from './layout-commands.js';

/** What a command prints and how it ends: 0 success, 1 a problem in the data, 2 wrong usage. */
export interface Result {
  code: 0 | 1 | 2;
  output: string;
  messages: readonly string[];
}

/** Every command there is; a new one is a line here. */
const COMMANDS: Readonly<Record<string, Command>> = {
  plan,
  checks,
  job,
  layout,
  check,
  cuts,
  remain,
  build,
  schema,
};

const USAGE = [
  ...Object.values(COMMANDS).map(
    ({ usage }, index) => `${index === 0 ? 'usage:' : '      '} spare-knot ${usage}`,
  ),
  'FILE may be - for standard input. Lengths in files are millimetres.',
];

/** The command that was asked for, with its files. */
function commandOf(positionals: readonly string[]): [Command, string[]] {
  const [verb, ...files] = positionals;
  const command = verb !== undefined && Object.hasOwn(COMMANDS, verb) ? COMMANDS[verb] : undefined;
  if (!command)
    throw new WrongUsage(verb === undefined ? 'no command given' : `“${verb}” is no command`);
  if (files.length !== command.files)
    throw new WrongUsage(`${verb} takes ${command.files} file${command.files === 1 ? '' : 's'}`);
  if (files.filter((file) => file === '-').length > 1)
    throw new WrongUsage('only one file can come from standard input');
  return [command, files];
}

const opener =
  (load: (path: string) => string) =>
  (path: string): string => {
    try {
      return load(path);
    } catch (error) {
      const why = error instanceof Error ? error.message : String(error);
      throw new DataProblem([`${path}: cannot be read: ${why}`]);
    }
  };

/** Carries out one command. `load` gives the text of a file or of standard input; `clock` counts milliseconds; `power` is what a search has beside itself. */
export function run(
  args: readonly string[],
  load: (path: string) => string,
  clock: () => number,
  power: Pick<Context, 'solver' | 'proving'> = { solver: null, proving: null },
): Result {
  const notes: string[] = [];
  const remarks: string[] = [];
  try {
    const { values: options, positionals } = readArguments(args);
    const [command, files] = commandOf(positionals);
    const context: Context = { open: opener(load), clock, ...power, options, notes, remarks };
    const output = JSON.stringify(command.run(context, files), null, 2);
    return { code: notes.length > 0 ? 1 : 0, messages: [...remarks, ...notes], output };
  } catch (error) {
    if (error instanceof DataProblem)
      return { code: 1, output: '', messages: [...remarks, ...error.lines] };
    if (error instanceof WrongUsage)
      return { code: 2, output: '', messages: [error.message, ...USAGE] };
    throw error;
  }
}
