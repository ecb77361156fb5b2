import { writeFileSync } from 'node:fs';
import { cpus, totalmem } from 'node:os';
import { fileURLToPath } from 'node:url';
import type { LayoutJob, PinnedPlacement } from '@spare-knot/core/job';
import { aboveBest, checkLayout, type Layout, searchLayout } from '@spare-knot/core/layout';
import { at, must } from '@spare-knot/core/lists';
import { firstFitDecreasing, type Rival, rectanglePacker } from './bench-rivals.js';
import { measureSet, resultLine, type SetName, setTable } from './bench-sets/measure-set.js';
import { classJobs } from './bench-sets/published-classes.js';
import { boundsThread } from './bounds-thread.js';
import { largeJob, smallJobs } from './layout-jobs.js';
import { loadSolver } from './load-solver.js';

/** Lays out makers' jobs and published classes, each next to two simpler methods in the same run, and writes docs/benchmarks.md. */
const solver = await loadSolver();
const money = (cents: Rival) => (cents === null ? '–' : (cents / 100).toFixed(2));
function ms(value: number | null): string {
  if (value === null) return '–';
  return value < 1000 ? `${Math.round(value)} ms` : `${(value / 1000).toFixed(1)} s`;
}

interface Measured {
  job: LayoutJob;
  layout: Layout;
  first: number;
  best: number;
  proof: number | null;
  at2: number;
  fit: Rival;
  packer: Rival;
}

function measure(job: LayoutJob): Measured {
  const began = performance.now();
  const found: { at: number; layout: Layout }[] = [];
  const bounds = boundsThread(job);
  const layout = searchLayout(job, {
    clock: () => performance.now(),
    solver,
    bounds,
    onBetter: (better) => found.push({ at: performance.now() - began, layout: better }),
  });
  bounds.end();
  for (const each of [at(found, 0).layout, layout]) {
    const broken = checkLayout(job, each);
    if (broken.length > 0) throw new Error(`${job.name}: ${JSON.stringify(broken[0])}`);
  }
  const same = (each: Layout) =>
    each.cost === layout.cost && each.unplaced.length === layout.unplaced.length;
  return {
    job,
    layout,
    first: at(found, 0).at,
    best: must(
      found.find((each) => same(each.layout)),
      'one of the found',
    ).at,
    proof: found.find((each) => each.layout.optimal)?.at ?? null,
    at2: at(
      found.filter((each) => each.at <= 2000),
      -1,
    ).layout.cost,
    fit: firstFitDecreasing(job),
    packer: rectanglePacker(job),
  };
}

const head = [
  '| job | cost | bound | gap | proven | yield | first answer | best | proof | at 2 s | first fit decreasing | rectangle packer |',
  '|---|---:|---:|---:|---|---:|---:|---:|---:|---:|---:|---:|',
];
const line = ({ job, layout, first, best, proof, at2, fit, packer }: Measured): string => {
  const above = aboveBest(layout);
  return `| ${job.name} | ${money(layout.cost)} | ${money(layout.lowerBound)} (${layout.boundProof}) | ${above === null ? '–' : `${(above * 100).toFixed(2)} %`} | ${layout.optimal ? 'yes' : 'no'} | ${(layout.yield * 100).toFixed(1)} % | ${ms(first)} | ${ms(best)} | ${ms(proof)} | ${money(at2)} | ${money(fit)} | ${money(packer)} |`;
};

/** A job with one of its pieces pinned elsewhere: how soon there is a layout again. */
function afterPin(job: LayoutJob): number[] {
  const layout = searchLayout(
    { ...job, effort: { seconds: 0.5 } },
    { clock: () => performance.now(), solver },
  );
  return layout.boards.slice(0, 4).map((board) => {
    const { part, copy, turn, flipped, y } = at(board.placements, -1);
    const shape = must(
      job.parts.find((each) => each.id === part),
      'shape',
    );
    const stock = must(
      job.stock.find((each) => each.id === board.stock),
      'stock',
    );
    const xs = [...shape.outline, ...shape.underside].map((point) => point[0]);
    const pin: PinnedPlacement = {
      part,
      copy,
      turn,
      flipped,
      y,
      x: stock.length - (Math.max(...xs) - Math.min(...xs)),
      stock: board.stock,
      piece: board.piece,
    };
    const began = performance.now();
    let first = Number.NaN;
    searchLayout(
      { ...job, pinned: [pin] },
      {
        clock: () => performance.now(),
        onBetter: () => {
          if (Number.isNaN(first)) first = performance.now() - began;
        },
        stopped: () => !Number.isNaN(first),
      },
    );
    return first;
  });
}

const small = smallJobs().map((job) => {
  const measured = measure(job);
  console.log(line(measured));
  return measured;
});
const pins = afterPin(at(smallJobs(), 1));
console.log(
  `a pin moved on a six-box job, a new layout after: ${pins.map((each) => ms(each)).join(', ')}`,
);
const large = measure(largeJob());
console.log(line(large));
const memory = Math.round(process.memoryUsage().rss / 2 ** 20);
const classes = classJobs().map((job) => {
  const measured = measure(job);
  console.log(line(measured));
  return measured;
});
/** The table of a seeded set. */
const tableOf = (name: SetName, seconds: number): string[] =>
  setTable(
    name,
    measureSet(name, solver, (result) => console.log(resultLine(result)), seconds),
  );
const sets = [
  '## Sawn at random (5 s)',
  '',
  'Boards and sheets sawn apart by chance, each piece through and through; the best layout costs what they cost. 97 %: each piece is a little shorter than it was sawn.',
  '',
  ...tableOf('sawn', 5),
  '',
  '## Makers’ jobs drawn by chance (5 s, then 10 s)',
  '',
  'Forty batches of one to ten boxes: animals, kinds of box, racks with knots, nails, splits and offcuts. No optimum is known but by proof.',
  '',
  ...tableOf('makers', 5),
  '',
  ...tableOf('makers', 10),
  '',
  '## Handed and sloped rows (5 s)',
  '',
  'Sloped sides as wide as their boards, which may not be turned over.',
  '',
  ...tableOf('rows', 5),
  '',
  '## Published classes, twenty draws of each (5 s)',
  '',
  'As above; a sheet costs 1, so that mean cost and mean bound are sheets.',
  '',
  ...tableOf('classes', 5),
  '',
];
const all = [...small, large, ...classes];
const worse = all.filter(
  ({ layout, fit, packer }) =>
    layout.unplaced.length === 0 &&
    ((fit !== null && layout.cost > fit) || (packer !== null && layout.cost > packer)),
);
const text = [
  '# Benchmarks',
  '',
  `Written by \`bin/bench layout\` on ${cpus().length} cores with ${Math.round(totalmem() / 2 ** 30)} GB of memory. Every layout passed the checker, which knows nothing of the search.`,
  'Costs are whole boards in the job’s own money. First fit decreasing places bounding boxes on shelves; the rectangle packer is a general-purpose one from the package registry, a kerf between bounding',
  'boxes; both leave boards with defects alone, know no through cuts, faces or bevels, and “–” means that some part found no place or that the method cannot keep to the saw.',
  '',
  '## Makers’ jobs, up to ten boxes (10 s)',
  '',
  ...head,
  ...small.map(line),
  '',
  `Proven optimal: ${small.filter(({ layout }) => layout.optimal).length} of ${small.length}. First answers: at most ${ms(Math.max(...small.map(({ first }) => first)))}. Within 1 % of the best by 2 s: ${small.filter(({ layout, at2 }) => at2 <= layout.cost * 1.01).length} of ${small.length}.`,
  `A pin moved on the six-box job: a new valid layout after ${pins.map((each) => ms(each)).join(', ')}.`,
  '',
  '## Two hundred boxes (20 s)',
  '',
  ...head,
  line(large),
  '',
  `${large.layout.boards.length} boards in ${new Set(large.layout.boards.map((board) => JSON.stringify([board.stock, board.placements.map(({ part, x, y }) => [part, x, y])]))).size} patterns; ${memory} MB of memory for the whole process.`,
  '',
  '## Published classes, twenty pieces each (4 s, no kerf, no turning, through cuts)',
  '',
  'Classes 1–6 after Berkey and Wang (1987), 7–10 after Martello and Vigo (1998); the generators are from memory, the instances our own.',
  '',
  ...head,
  ...classes.map(line),
  '',
  worse.length === 0
    ? 'On no job worse than either of the two.'
    : `Worse than one of the two on: ${worse.map(({ job }) => job.name).join('; ')}.`,
  '',
  '# Seeded sets',
  '',
  'Search and bounds by turns on one thread, with twice the seconds of processor time: as much as two threads have in that time, whatever else the machine does. Times are processor time of both together.',
  '',
  ...sets,
].join('\n');
writeFileSync(fileURLToPath(new URL('../../../docs/benchmarks.md', import.meta.url)), text);
console.log('written to docs/benchmarks.md');
