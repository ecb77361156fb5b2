import { planBuild } from '@spare-knot/core/building';
import {
  jsonSchema,
  readStock,
  readYard,
  SCHEMA_NAMES,
  writeBuildPlan,
  writeLayoutJob,
  writePanelSet,
} from '@spare-knot/core/exchange';
import { buildBox, checkBox } from '@spare-knot/core/families';
import { jobProblems, layoutJob, STANDARD_SAW, type Stock } from '@spare-knot/core/job';
import { parseLength } from '@spare-knot/core/measure';
import type { PanelSet } from '@spare-knot/core/panels';
import type { BoxPlan } from '@spare-knot/core/plan';
import { plainText } from '@spare-knot/core/text';
import { facesSeen, type WoodFacts, woodRefused } from '@spare-knot/core/wood';

import {
  type Command,
  type Context,
  DataProblem,
  lines,
  must,
  type Options,
  planFrom,
  refused,
  WrongUsage,
} from './command.js';

/** What must not be built is said on standard error; the answer is given all the same. */
function warnOfStops({ remarks }: Context, file: string, asked: BoxPlan, box: PanelSet): void {
  for (const { id, severity, text } of checkBox(asked, box))
    if (severity === 'stop') remarks.push(`${file}: stop: ${id}: ${plainText(text)}`);
}

export const plan: Command = {
  usage: 'plan FILE                      panel set of a box plan',
  files: 1,
  run(context, [file = '-']) {
    const asked = planFrom(context, file);
    const built = buildBox(asked);
    if (!built.ok) throw refused(file, built.refusals);
    warnOfStops(context, file, asked, built.box);
    return writePanelSet(built.box);
  },
};

export const checks: Command = {
  usage: 'checks FILE                    the rules that a box plan is held against',
  files: 1,
  run(context, [file = '-']) {
    const asked = planFrom(context, file);
    const built = buildBox(asked);
    if (!built.ok) {
      const refusals = built.refusals.map(({ field, message }) => ({
        field,
        message: plainText(message),
      }));
      context.notes.push(...refused(file, built.refusals).lines);
      return refusals;
    }
    return checkBox(asked, built.box).map((check) => ({
      id: check.id,
      severity: check.severity,
      role: check.role,
      text: plainText(check.text),
      mark: check.evidence,
      source: check.source,
      remedies: check.remedies.map(({ label }) => label),
    }));
  },
};

function boxesFrom({ boxes: asked = '1' }: Options): number {
  const boxes = Number(asked);
  if (!Number.isInteger(boxes) || boxes < 1 || boxes > 10_000)
    throw new WrongUsage(`--boxes ${asked}: a whole number from 1 to 10000 is wanted`);
  return boxes;
}

function secondsFrom({ seconds: asked = '3' }: Options): number {
  const seconds = Number(asked);
  if (!(seconds > 0 && seconds <= 3600)) throw new WrongUsage('--seconds: between 0 and 3600');
  return seconds;
}

function sawFrom({ kerf: asked = '3.175', 'no-rip': noRip = false }: Options) {
  const kerf = parseLength(asked, 'mm');
  if (!kerf.ok) throw new WrongUsage(`--kerf: ${kerf.message}`);
  return { ...STANDARD_SAW, kerf: kerf.ticks, rip: !noRip };
}

/**
 * Boards without what was put on them that makes them unfit, which is said; a wood that is unfit by itself serves only panels that are
 * planned in it, and those are warned of. A face that nobody has looked at counts as planed.
 */
function fitFor(
  { remarks }: Context,
  file: string,
  stock: readonly (Stock & WoodFacts)[],
): Stock[] {
  return stock.flatMap((board) => {
    const { material } = board;
    const why = woodRefused({ material }) ? null : woodRefused(board);
    if (why) remarks.push(`${file}: ${board.id} is left out: ${plainText(why)}`);
    return why ? [] : [{ ...board, ...facesSeen(board) }];
  });
}

/** What can be bought beside the stock, which then counts as paid; ids that both lists have are told apart. */
function yardFrom(context: Context, stock: readonly Stock[]): Stock[] {
  const { open, options, notes } = context;
  if (options.yard === undefined) return [];
  const { stock: yard, problems } = must(options.yard, readYard(open(options.yard)));
  notes.push(...lines(options.yard, problems));
  const taken = new Set(stock.map(({ id }) => id));
  const sold = fitFor(context, options.yard, yard);
  return sold.map((kind) => (taken.has(kind.id) ? { ...kind, id: `${kind.id}-to-buy` } : kind));
}

function makeJob(context: Context, [planFile = '-', stockFile = '-']: readonly string[]) {
  const { open, options, notes } = context;
  const boxes = boxesFrom(options);
  const asked = planFrom(context, planFile);
  const { stock: listed, problems: badLines } = must(stockFile, readStock(open(stockFile)));
  notes.push(...lines(stockFile, badLines));
  const stock = fitFor(context, stockFile, listed);
  const yard = yardFrom(context, stock);
  const paid = options.yard === undefined ? stock : stock.map((each) => ({ ...each, price: 0 }));
  const made = layoutJob({
    name: options.name ?? `${boxes} × ${asked.animals[0] ?? asked.family}`,
    plan: asked,
    boxes,
    stock: paid,
    yard,
    saw: sawFrom(options),
    seconds: secondsFrom(options),
    pinned: [],
  });
  if (!made.ok) throw refused(planFile, made.refusals);
  const built = buildBox(asked);
  if (built.ok) warnOfStops(context, planFile, asked, built.box);
  const problems = jobProblems(made.job);
  if (problems.length > 0)
    throw new DataProblem(problems.map(({ path, message }) => `${path}: ${message}`));
  return made.job;
}

export const job: Command = {
  usage:
    'job PLAN STOCK --boxes N       layout job; STOCK is CSV or JSON [--yard FILE] [--kerf LENGTH] [--no-rip] [--seconds S] [--name TEXT]',
  files: 2,
  run: (context, files) => writeLayoutJob(makeJob(context, files)),
};

export const build: Command = {
  usage: 'build PLAN [--boxes N]         build plan: holes, assembly, finish, hanging',
  files: 1,
  run(context, [file = '-']) {
    const boxes = boxesFrom(context.options);
    const asked = planFrom(context, file);
    const built = buildBox(asked);
    if (!built.ok) throw refused(file, built.refusals);
    warnOfStops(context, file, asked, built.box);
    const made = planBuild(asked, built.box, boxes);
    for (const { severity, text } of made.problems) {
      const said = `${file}: ${plainText(text)}`;
      if (severity === 'stop') context.notes.push(said);
      else context.remarks.push(said);
    }
    return writeBuildPlan(made, built.box);
  },
};

export const schema: Command = {
  usage: `schema NAME                    JSON Schema of a file: ${SCHEMA_NAMES.join(', ')}`,
  files: 1,
  run(_context, [asked = '']) {
    const name = SCHEMA_NAMES.find((each) => each === asked);
    if (!name)
      throw new WrongUsage(`schema: ${asked || 'no name'}; known are ${SCHEMA_NAMES.join(', ')}`);
    return jsonSchema(name);
  },
};
