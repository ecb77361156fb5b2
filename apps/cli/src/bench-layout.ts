import { cpus, totalmem } from 'node:os';
import { checkLayout } from '@spare-knot/core/layout/checker/check.js';
import type { LayoutJob } from '@spare-knot/core/layout/job.js';
import type { Layout } from '@spare-knot/core/layout/layout.js';
import { searchLayout } from '@spare-knot/core/layout/search/search.js';
import { largeJob, smallJobs } from './layout-jobs.js';
import { loadSolver } from './load-solver.js';

const solver = await loadSolver();
const money = (cents: number) => (cents / 100).toFixed(2);

interface Row {
  job: LayoutJob;
  layout: Layout;
  first: number;
  best: number;
  proof: number | null;
  at2: number;
  atFirst: Layout;
}

function measure(job: LayoutJob): Row {
  const began = performance.now();
  const at: { ms: number; layout: Layout }[] = [];
  const layout = searchLayout(job, {
    clock: () => performance.now(),
    solver,
    onBetter: (better) => at.push({ ms: performance.now() - began, layout: better }),
  });
  for (const each of [at[0]!.layout, layout]) {
    const broken = checkLayout(job, each);
    if (broken.length > 0) throw new Error(`${job.name}: ${JSON.stringify(broken[0])}`);
  }
  const best = at.find((each) => each.layout.cost === layout.cost && each.layout.unplaced.length === layout.unplaced.length)!;
  const proof = at.find((each) => each.layout.optimal);
  const by2 = at.filter((each) => each.ms <= 2000).at(-1)!;
  return { job, layout, first: at[0]!.ms, best: best.ms, proof: proof?.ms ?? null, at2: by2.layout.cost, atFirst: at[0]!.layout };
}

console.log(`${cpus().length} cores, ${Math.round(totalmem() / 2 ** 30)} GB of memory`);
const only = process.argv[2];
const jobs = only === 'large' ? [largeJob()] : only === 'small' ? smallJobs() : [...smallJobs(), largeJob()];
for (const job of jobs) {
  const { layout, first, best, proof, at2, atFirst } = measure(job);
  console.log(
    `${job.name.padEnd(40)} cost ${money(layout.cost).padStart(8)} (first ${money(atFirst.cost)}, 2 s ${money(at2)})  bound ${money(layout.lowerBound).padStart(8)} ${layout.boundProof} ${layout.optimal ? 'proven' : '      '} yield ${(layout.yield * 100).toFixed(1)} %  missing ${layout.unplaced.reduce((s, u) => s + u.count, 0)} boards ${layout.boards.length}  first ${first.toFixed(0)} ms  best ${best.toFixed(0)} ms  proof ${proof === null ? '-' : proof.toFixed(0)} ms  total ${layout.seconds.toFixed(1)} s`,
  );
}
console.log(`memory ${Math.round(process.memoryUsage().rss / 2 ** 20)} MB`);
