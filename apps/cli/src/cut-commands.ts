import {
  type CutProblem,
  namedPlan,
  planCuts,
  progressProblems,
  remainingJob,
} from '@spare-knot/core/cuts';
import {
  readCutPlan,
  readLayout,
  readLayoutJob,
  readProgress,
  strangersIn,
  writeCutPlan,
  writeLayoutJob,
} from '@spare-knot/core/exchange';
import type { LayoutJob } from '@spare-knot/core/job';
import { checkLayout, type Layout } from '@spare-knot/core/layout';
import { plainText } from '@spare-knot/core/text';

import { type Command, type Context, DataProblem, lines, must } from './command.js';
import { faultLines } from './layout-commands.js';

/** The job and a layout of it that keeps all rules. */
function validLayout(
  { open }: Context,
  jobFile: string,
  layoutFile: string,
): { job: LayoutJob; layout: Layout } {
  const job = must(jobFile, readLayoutJob(open(jobFile)));
  const layout = must(layoutFile, readLayout(open(layoutFile)));
  const broken = faultLines(checkLayout(job, layout));
  if (broken.length > 0) throw new DataProblem(broken.map((fault) => `${layoutFile}: ${fault}`));
  return { job, layout };
}

const problemLines = (file: string, problems: readonly CutProblem[]): string[] =>
  problems.map(({ board, message }) => `${file}: boards[${board}]: ${plainText(message)}`);

export const cuts: Command = {
  usage: 'cuts JOB LAYOUT                cut plan of a layout: each cut, in order, at its setting',
  files: 2,
  run(context, [jobFile = '-', layoutFile = '-']) {
    const { job, layout } = validLayout(context, jobFile, layoutFile);
    const planned = planCuts(job, layout);
    if (!planned.ok) throw new DataProblem(problemLines(layoutFile, planned.problems));
    return writeCutPlan(namedPlan(planned.plan));
  },
};

export const remain: Command = {
  usage:
    'remain JOB LAYOUT CUTS PROGRESS [--all]  layout job of what is not made yet, out of what is left',
  files: 4,
  run(context, [jobFile = '-', layoutFile = '-', cutsFile = '-', progressFile = '-']) {
    const { job } = validLayout(context, jobFile, layoutFile);
    const { boards } = must(cutsFile, readCutPlan(context.open(cutsFile)));
    const strangers = strangersIn(job, boards);
    if (strangers.length > 0) throw new DataProblem(lines(cutsFile, strangers));
    const progress = must(progressFile, readProgress(context.open(progressFile)));
    const problems = progressProblems(boards, progress);
    if (problems.length > 0) throw new DataProblem(lines(progressFile, problems));
    return writeLayoutJob(
      remainingJob(job, boards, progress, { all: context.options.all ?? false }),
    );
  },
};
