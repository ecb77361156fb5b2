import { settingsNeeded } from '@spare-knot/core/cuts';
import {
  readLayout,
  readLayoutJob,
  salvageLayoutJob,
  writeLayout,
} from '@spare-knot/core/exchange';
import type { LayoutJob } from '@spare-knot/core/job';
import {
  checkLayout,
  type Layout,
  STANDARD_GOALS,
  searchLayout,
  sortPins,
  type Unplaced,
  type Violation,
} from '@spare-knot/core/layout';
import { plainText } from '@spare-knot/core/text';

import {
  type Command,
  type Context,
  DataProblem,
  lines,
  must,
  type Options,
  WrongUsage,
} from './command.js';

export const faultLines = (violations: readonly Violation[]): string[] =>
  violations.map(({ rule, path, message }) => `${path}: rule ${rule}: ${plainText(message)}`);

/** In how many stages a board may come apart; null for any. */
function stagesFrom({ stages }: Options): 2 | 3 | null {
  if (stages === undefined) return null;
  if (stages !== '2' && stages !== '3')
    throw new WrongUsage(`--stages ${stages}: 2 or 3 is wanted`);
  return stages === '2' ? 2 : 3;
}

/** The best layout that the checker passes. */
function search({ clock, solver, proving, notes, options }: Context, job: LayoutJob): Layout {
  const stages = stagesFrom(options);
  const answers: Layout[] = [];
  const bounds = proving?.(job);
  const best = searchLayout(job, {
    clock,
    solver,
    ...(bounds && { bounds }),
    goals: { ...STANDARD_GOALS, stages },
    settings: (laid) => settingsNeeded(job, laid),
    onBetter: (layout) => answers.push(layout),
  });
  bounds?.end();
  const broken = checkLayout(job, best);
  if (broken.length === 0) return best;
  // Never seen by a maker: the checker does not trust the search, so an earlier answer that it passes is taken instead.
  const passed = answers.reverse().find((layout) => checkLayout(job, layout).length === 0);
  const faults = faultLines(broken);
  if (!passed)
    throw new DataProblem([
      'the search gave a layout that breaks a rule; nothing is printed',
      ...faults,
    ]);
  notes.push(
    'the last answer of the search breaks a rule; the best one that keeps them all is printed',
    ...faults,
  );
  return passed;
}

export const layout: Command = {
  usage: 'layout FILE                    layout of a layout job [--stages 2|3]',
  files: 1,
  run(context, [file = '-']) {
    const { job: asked, problems, leftOut } = must(file, salvageLayoutJob(context.open(file)));
    context.notes.push(...lines(file, problems));
    // Pins that contradict the boards or each other are told, and their panels laid elsewhere.
    const { job, broken } = sortPins(asked);
    context.notes.push(
      ...broken.map(
        ({ pin, reason }) =>
          `${file}: pinned “${pin.part}” ${pin.copy} is laid elsewhere: ${plainText(reason)}`,
      ),
    );
    const found = search(context, job);
    // With the parts that could not be read, so that nobody waits for them.
    const unplaced: Unplaced[] = [...found.unplaced, ...leftOut];
    return writeLayout({ ...found, unplaced });
  },
};

export const check: Command = {
  usage: 'check JOB LAYOUT               is the layout valid? if not, which rule breaks where',
  files: 2,
  run({ open }, [jobFile = '-', layoutFile = '-']) {
    const job = must(jobFile, readLayoutJob(open(jobFile)));
    const asked = must(layoutFile, readLayout(open(layoutFile)));
    const broken = faultLines(checkLayout(job, asked));
    if (broken.length > 0) throw new DataProblem(broken.map((fault) => `${layoutFile}: ${fault}`));
    const total = (counts: readonly number[]) => counts.reduce((sum, count) => sum + count, 0);
    return {
      valid: true,
      boards: asked.boards.length,
      placed: total(asked.boards.map(({ placements }) => placements.length)),
      unplaced: total(asked.unplaced.map(({ count }) => count)),
    };
  },
};
