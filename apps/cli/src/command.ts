import { parseArgs } from 'node:util';
import { type Read, readBoxPlan } from '@spare-knot/core/exchange';
import type { LayoutJob, Problem } from '@spare-knot/core/job';
import type { LinearSolver } from '@spare-knot/core/layout';
import type { BoxPlan, Refusal } from '@spare-knot/core/plan';
import { plainText } from '@spare-knot/core/text';
import type { BoundsThread } from './bounds-thread.js';

/** A problem in the data, one line for each: exit 1. */
export class DataProblem extends Error {
  readonly code = 'data-problem';
  constructor(readonly lines: readonly string[]) {
    super(lines.join('\n'));
  }
}

/** A command that was called wrongly: exit 2. */
export class WrongUsage extends Error {
  readonly code = 'wrong-usage';
}

/** What a command works with. */
export interface Context {
  /** The text of a file, or of standard input for `-`. */
  open(path: string): string;
  /** Milliseconds. */
  clock(): number;
  solver: LinearSolver | null;
  /** Where there are other threads: bounds proven on one beside the search of a job. */
  proving: ((job: LayoutJob) => BoundsThread) | null;
  options: Options;
  /** Something in the data is wrong, though the rest is printed: the command ends with 1. */
  notes: string[];
  /** Said, and no fault: the command still ends with 0. */
  remarks: string[];
}

export interface Command {
  /** What stands after the name of the program. */
  usage: string;
  files: number;
  /** Gives what is printed. Throws a DataProblem. */
  run(context: Context, files: readonly string[]): unknown;
}

const OPTIONS = {
  boxes: { type: 'string' },
  kerf: { type: 'string' },
  seconds: { type: 'string' },
  name: { type: 'string' },
  'no-rip': { type: 'boolean' },
  yard: { type: 'string' },
  all: { type: 'boolean' },
  stages: { type: 'string' },
} as const;

export type Options = ReturnType<typeof readArguments>['values'];

/** Options and file names of a command line. */
export function readArguments(args: readonly string[]) {
  try {
    return parseArgs({ args: [...args], allowPositionals: true, options: OPTIONS });
  } catch (error) {
    throw new WrongUsage(error instanceof Error ? error.message : String(error));
  }
}

/** Problems of a file as lines that name it and the place in it. */
export const lines = (file: string, problems: readonly Problem[]): string[] =>
  problems.map(({ path, message }) => `${file}${path ? `: ${path}` : ''}: ${message}`);

/** What was read, or a DataProblem. */
export function must<T>(file: string, read: Read<T>): T {
  if (read.ok) return read.value;
  throw new DataProblem(lines(file, read.problems));
}

/** Why a plan gives no box, each at its field. */
export const refused = (file: string, refusals: readonly Refusal[]): DataProblem =>
  new DataProblem(refusals.map(({ field, message }) => `${file}: ${field}: ${plainText(message)}`));

/** The plan in a file; what an earlier version left to be said is remarked. */
export function planFrom({ open, remarks }: Context, file: string): BoxPlan {
  const { plan, notes } = must(file, readBoxPlan(open(file)));
  remarks.push(...lines(file, notes));
  return plan;
}
