import { parseArgs } from 'node:util';
import {
  jsonSchema,
  type Read,
  readBoxPlan,
  readLayout,
  readLayoutJob,
  readStock,
  SCHEMA_NAMES,
  salvageLayoutJob,
  writeLayout,
  writeLayoutJob,
  writePanelSet,
} from '@spare-knot/core/exchange';
import { buildBox } from '@spare-knot/core/families';
import { jobProblems, layoutJob, STANDARD_SAW } from '@spare-knot/core/job';
import {
  checkLayout,
  type Layout,
  type LinearSolver,
  searchLayout,
  sortPins,
} from '@spare-knot/core/layout';
import { parseLength } from '@spare-knot/core/measure';
import type { Refusal } from '@spare-knot/core/plan';

/** What a command prints and how it ends: 0 success, 1 a problem in the data, 2 wrong usage. */
export interface Result {
  code: 0 | 1 | 2;
  output: string;
  messages: readonly string[];
}

const USAGE = [
  'usage: spare-knot plan FILE                      panel set of a box plan',
  '       spare-knot job PLAN STOCK --boxes N       layout job; STOCK is CSV or JSON [--kerf LENGTH] [--no-rip] [--seconds S] [--name TEXT]',
  '       spare-knot layout FILE                    layout of a layout job',
  '       spare-knot check JOB LAYOUT               is the layout valid? if not, which rule breaks where',
  `       spare-knot schema NAME                    JSON Schema of a file: ${SCHEMA_NAMES.join(', ')}`,
  'FILE may be - for standard input. Lengths in files are millimetres.',
];

class DataProblem extends Error {
  constructor(readonly lines: readonly string[]) {
    super(lines.join('\n'));
  }
}
class WrongUsage extends Error {}

function must<T>(file: string, read: Read<T>): T {
  if (read.ok) return read.value;
  throw new DataProblem(
    read.problems.map(({ path, message }) => `${file}${path ? `: ${path}` : ''}: ${message}`),
  );
}

const json = (value: unknown): string => JSON.stringify(value, null, 2);

/** Carries out one command. `load` gives the text of a file or of standard input; `clock` counts milliseconds. */
export function run(
  args: readonly string[],
  load: (path: string) => string,
  clock: () => number,
  solver: LinearSolver | null = null,
): Result {
  const open = (path: string): string => {
    try {
      return load(path);
    } catch (error) {
      throw new DataProblem([
        `${path}: cannot be read: ${error instanceof Error ? error.message : String(error)}`,
      ]);
    }
  };
  try {
    const notes: string[] = [];
    const output = json(command(args, open, clock, solver, notes));
    return { code: notes.length > 0 ? 1 : 0, messages: notes, output };
  } catch (error) {
    if (error instanceof DataProblem) return { code: 1, output: '', messages: error.lines };
    if (error instanceof WrongUsage)
      return { code: 2, output: '', messages: [error.message, ...USAGE] };
    throw error;
  }
}

function command(
  args: readonly string[],
  open: (path: string) => string,
  clock: () => number,
  solver: LinearSolver | null,
  notes: string[],
): unknown {
  const { values, positionals } = options(args);
  const [verb, ...files] = positionals;
  const expect = (number: number) => {
    if (files.length !== number)
      throw new WrongUsage(`${verb} takes ${number} file${number === 1 ? '' : 's'}`);
    if (files.filter((file) => file === '-').length > 1)
      throw new WrongUsage('only one file can come from standard input');
    return files as [string, string];
  };
  switch (verb) {
    case 'plan': {
      const [file] = expect(1);
      return writePanelSet(built(file, open(file)).box);
    }
    case 'job': {
      const [planFile, stockFile] = expect(2);
      const boxes = Number(values.boxes ?? '1');
      if (!Number.isInteger(boxes) || boxes < 1 || boxes > 10_000)
        throw new WrongUsage(`--boxes ${values.boxes}: a whole number from 1 to 10000 is wanted`);
      const plan = must(planFile, readBoxPlan(open(planFile)));
      const { stock, problems: badLines } = must(stockFile, readStock(open(stockFile)));
      notes.push(...badLines.map(({ path, message }) => `${stockFile}: ${path}: ${message}`));
      const kerf = parseLength(values.kerf ?? '3.175', 'mm');
      if (!kerf.ok) throw new WrongUsage(`--kerf: ${kerf.message}`);
      const seconds = Number(values.seconds ?? '3');
      if (!(seconds > 0 && seconds <= 3600)) throw new WrongUsage('--seconds: between 0 and 3600');
      const made = layoutJob({
        name: values.name ?? `${boxes} × ${plan.animal ?? plan.family}`,
        plan,
        boxes,
        stock,
        saw: { ...STANDARD_SAW, kerf: kerf.ticks, rip: !values['no-rip'] },
        seconds,
        pinned: [],
      });
      if (!made.ok) throw refused(planFile, made.refusals);
      const { job } = made;
      const problems = jobProblems(job);
      if (problems.length > 0)
        throw new DataProblem(problems.map(({ path, message }) => `${path}: ${message}`));
      return writeLayoutJob(job);
    }
    case 'layout': {
      const [file] = expect(1);
      const { job: asked, problems, leftOut } = must(file, salvageLayoutJob(open(file)));
      notes.push(...problems.map(({ path, message }) => `${file}: ${path}: ${message}`));
      // Pins that contradict the boards or each other are told, and their panels laid elsewhere.
      const { job, broken: contradictory } = sortPins(asked);
      notes.push(
        ...contradictory.map(
          ({ pin, reason }) =>
            `${file}: pinned “${pin.part}” ${pin.copy} is laid elsewhere: ${reason}`,
        ),
      );
      const answers: Layout[] = [];
      const best = searchLayout(job, { clock, solver, onBetter: (layout) => answers.push(layout) });
      const broken = checkLayout(job, best);
      /** With the parts that could not be read, so that nobody waits for them. */
      const whole = (layout: Layout): Layout => ({
        ...layout,
        unplaced: [...layout.unplaced, ...leftOut],
      });
      if (broken.length === 0) return writeLayout(whole(best));
      // Never seen by a maker: the checker does not trust the search, so an earlier answer that it passes is taken instead.
      const passed = answers.reverse().find((layout) => checkLayout(job, layout).length === 0);
      const faults = broken.map(({ rule, path, message }) => `${path}: rule ${rule}: ${message}`);
      if (!passed)
        throw new DataProblem([
          'the search gave a layout that breaks a rule; nothing is printed',
          ...faults,
        ]);
      notes.push(
        'the last answer of the search breaks a rule; the best one that keeps them all is printed',
        ...faults,
      );
      return writeLayout(whole(passed));
    }
    case 'check': {
      const [jobFile, layoutFile] = expect(2);
      const job = must(jobFile, readLayoutJob(open(jobFile)));
      const layout = must(layoutFile, readLayout(open(layoutFile)));
      const broken = checkLayout(job, layout);
      if (broken.length > 0)
        throw new DataProblem(
          broken.map(
            ({ rule, path, message }) => `${layoutFile}: ${path}: rule ${rule}: ${message}`,
          ),
        );
      return {
        valid: true,
        boards: layout.boards.length,
        placed: layout.boards.reduce((sum, board) => sum + board.placements.length, 0),
        unplaced: layout.unplaced.reduce((sum, entry) => sum + entry.count, 0),
      };
    }
    case 'schema': {
      const name = SCHEMA_NAMES.find((each) => each === files[0]);
      if (!name)
        throw new WrongUsage(
          `schema: ${files[0] ?? 'no name'}; known are ${SCHEMA_NAMES.join(', ')}`,
        );
      return jsonSchema(name);
    }
    default:
      throw new WrongUsage(verb === undefined ? 'no command given' : `“${verb}” is no command`);
  }
}

function options(args: readonly string[]) {
  try {
    return parseArgs({
      args: [...args],
      allowPositionals: true,
      options: {
        boxes: { type: 'string' },
        kerf: { type: 'string' },
        seconds: { type: 'string' },
        name: { type: 'string' },
        'no-rip': { type: 'boolean' },
      },
    });
  } catch (error) {
    throw new WrongUsage(error instanceof Error ? error.message : String(error));
  }
}

function built(file: string, text: string) {
  const plan = must(file, readBoxPlan(text));
  const result = buildBox(plan);
  if (!result.ok) throw refused(file, result.refusals);
  return { plan, box: result.box };
}

const refused = (file: string, refusals: readonly Refusal[]): DataProblem =>
  new DataProblem(refusals.map(({ field, message }) => `${file}: ${field}: ${message}`));
