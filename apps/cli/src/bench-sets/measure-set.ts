import { checkLayout, type Layout, type LinearSolver, searchLayout } from '@spare-knot/core/layout';
import { at, must, sum } from '@spare-knot/core/lists';
import { handedRows } from './handed-rows.js';
import { makersJobs } from './makers-jobs.js';
import { publishedClasses } from './published-classes.js';
import { sawnAtRandom } from './sawn-at-random.js';
import type { SetJob } from './set-job.js';

/** How one job of a set went. Times are in milliseconds of this process's processor, so that other work on the machine does not decide. */
export interface SetResult {
  name: string;
  layout: Layout;
  optimum: number | null;
  first: number;
  best: number;
  proof: number | null;
}

export const SETS = {
  sawn: sawnAtRandom,
  makers: makersJobs,
  rows: handedRows,
  classes: publishedClasses,
} as const;
export type SetName = keyof typeof SETS;

const processorTime = (): number => {
  const { user, system } = process.cpuUsage();
  return (user + system) / 1000;
};

function measureJob({ job, optimum }: SetJob, solver: LinearSolver): SetResult {
  const began = processorTime();
  const found: { at: number; layout: Layout }[] = [];
  const layout = searchLayout(job, {
    clock: processorTime,
    solver,
    onBetter: (better) => found.push({ at: processorTime() - began, layout: better }),
  });
  const [violation] = checkLayout(job, layout);
  if (violation) throw new Error(`${job.name}: ${JSON.stringify(violation)}`);
  if (optimum !== null && layout.unplaced.length === 0 && layout.lowerBound > optimum)
    throw new Error(`${job.name}: the bound ${layout.lowerBound} is above ${optimum}`);
  const isAsGood = (each: Layout) =>
    each.cost === layout.cost &&
    sum(each.unplaced.map(({ count }) => count)) === sum(layout.unplaced.map(({ count }) => count));
  return {
    name: job.name,
    layout,
    optimum,
    first: at(found, 0).at,
    best: must(
      found.find((each) => isAsGood(each.layout)),
      'the best',
    ).at,
    proof: found.find((each) => each.layout.optimal)?.at ?? null,
  };
}

/**
 * Every job of a set; `tell` hears of each as it ends. Search and bounds take turns on one thread, and have together twice the seconds of
 * processor time: as much as two threads have in that time.
 */
export function measureSet(
  name: SetName,
  solver: LinearSolver,
  tell: (result: SetResult) => void,
  seconds: number,
): SetResult[] {
  return SETS[name]().map((each) => {
    const effort = { seconds: 2 * seconds };
    const result = measureJob({ ...each, job: { ...each.job, effort } }, solver);
    tell(result);
    return result;
  });
}

const whole = ({ layout }: SetResult): boolean => layout.unplaced.length === 0;
const isOptimal = (result: SetResult): boolean =>
  result.layout.optimal ||
  (result.optimum !== null && whole(result) && result.layout.cost <= result.optimum);

const percent = (share: number): string => `${(100 * share).toFixed(2)} %`;
const money = (cents: number): string => (cents / 100).toFixed(2);
const average = (list: readonly number[]): number =>
  list.length === 0 ? 0 : sum(list) / list.length;
const gapOf = ({ layout }: SetResult): number =>
  layout.lowerBound > 0 ? layout.cost / layout.lowerBound - 1 : 0;

const SET_HEAD = [
  '| jobs | number | proven | at an optimum that is known | all placed | mean cost | mean bound | mean gap to the bound | first answer, longest | proof, mean |',
  '|---|---:|---:|---:|---:|---:|---:|---:|---:|---:|',
];

/** A line of the table over some results of a set. */
function setLine(name: string, results: readonly SetResult[]): string {
  const proofs = results.flatMap(({ proof }) => (proof === null ? [] : [proof]));
  const cells = [
    name,
    results.length,
    results.filter(({ layout }) => layout.optimal).length,
    results.filter(isOptimal).length,
    results.filter(whole).length,
    money(average(results.map(({ layout }) => layout.cost))),
    money(average(results.map(({ layout }) => layout.lowerBound))),
    percent(average(results.filter(whole).map(gapOf))),
    `${Math.round(Math.max(...results.map(({ first }) => first)))} ms`,
    `${Math.round(average(proofs))} ms`,
  ];
  return `| ${cells.join(' | ')} |`;
}

/** What a job came to, in one line for who waits. */
export const resultLine = (result: SetResult): string => {
  const { name, layout, first, best, proof } = result;
  const out = sum(layout.unplaced.map(({ count }) => count));
  const time = (value: number | null) => (value === null ? '–' : `${Math.round(value)} ms`);
  const unproven = isOptimal(result) ? 'optimal' : 'open';
  return `${(layout.optimal ? 'proven' : unproven).padEnd(8)} ${String(layout.cost).padStart(6)} ≥ ${String(layout.lowerBound).padEnd(6)} ${out > 0 ? `(${out} out) ` : ''}${layout.boundProof} first ${time(first)} best ${time(best)} proof ${time(proof)}  ${name}`;
};

/** Results of a set by what its jobs' names begin with: the kinds of jobs in it. */
function byKind(name: SetName, results: readonly SetResult[]): [string, SetResult[]][] {
  if (name !== 'sawn' && name !== 'classes') return [[name, [...results]]];
  const kinds = new Map<string, SetResult[]>();
  for (const result of results) {
    const kind = result.name.replace(/, \d+$/, '');
    kinds.set(kind, [...(kinds.get(kind) ?? []), result]);
  }
  return [...kinds];
}

/** A table over a set, a line for each kind of job in it. */
export const setTable = (name: SetName, results: readonly SetResult[]): string[] => [
  ...SET_HEAD,
  ...byKind(name, results).map(([kind, some]) => setLine(kind, some)),
];
