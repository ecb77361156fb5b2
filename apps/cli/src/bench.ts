import { readFileSync } from 'node:fs';
import { animalById } from '@spare-knot/core/animals';
import { readBoxPlan, readStock } from '@spare-knot/core/exchange';
import { buildBox, checkBox, FAMILIES } from '@spare-knot/core/families';
import { jobForBoxes, type LayoutJob } from '@spare-knot/core/job';
import { checkLayout, type Layout, searchLayout, sortPins } from '@spare-knot/core/layout';
import { at, must } from '@spare-knot/core/lists';
import { startPlan } from '@spare-knot/core/plan';
import { viewDrawing } from '@spare-knot/core/sheets';
import { largeJob } from './layout-jobs.js';

/** Times the core on the example files. Prints milliseconds; compare them only within one run. */
const example = (name: string) =>
  readFileSync(new URL(`../../../examples/${name}`, import.meta.url), 'utf8');
const reading = readBoxPlan(example('chickadee.plan.json'));
const stock = readStock(example('rack.csv'));
if (!reading.ok || !stock.ok) throw new Error('the examples cannot be read');
const { plan } = reading.value;

const median = (values: number[]): number =>
  values.sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? Number.NaN;
function timed(runs: number, work: (run: number) => void): number[] {
  return Array.from({ length: runs }, (_unused, run) => {
    const began = performance.now();
    work(run);
    return performance.now() - began;
  });
}
const say = (what: string, values: number[]) => {
  const sorted = [...values].sort((a, b) => a - b);
  console.log(
    `${what.padEnd(58)} median ${median(values).toFixed(2).padStart(9)}   min ${at(sorted, 0).toFixed(2).padStart(9)}   max ${at(sorted, -1).toFixed(2).padStart(9)} ms`,
  );
};

say(
  'one size changed: panels, checks',
  timed(200, (run) => {
    const built = buildBox({
      ...plan,
      sizes: { ...plan.sizes, frontHeight: must(plan.sizes.frontHeight, 'frontHeight') + run },
    });
    if (built.ok) checkBox(plan, built.box);
  }),
);

/** Every family, a size changed at a time: panels, checks and the three views. */
for (const family of FAMILIES) {
  const of = must(animalById(family.example), 'of');
  const start = startPlan(family, of, must(plan.wood.front, 'front'));
  const rooms: Record<string, string> =
    family.id === 'colony' ? { rows: '3', columns: '4', sides: 'two' } : {};
  const sizes = Object.keys(start.sizes);
  say(
    `${family.id}${family.id === 'colony' ? ', 24 rooms' : ''}: one size changed`,
    timed(40, (run) => {
      const id = at(sizes, run % 3);
      const changed = {
        ...start,
        choices: { ...start.choices, ...rooms },
        sizes: { ...start.sizes, [id]: must(start.sizes[id], id) + run },
      };
      const box = buildBox(changed);
      if (!box.ok) return;
      checkBox(changed, box.box);
      for (const view of ['front', 'section', 'plan'] as const) viewDrawing(box.box, view);
    }),
  );
}

const built = buildBox(plan);
if (!built.ok) throw new Error('the example is not sound');
for (const boxes of [1, 6, 10]) {
  const enough = stock.value.stock.map((kind) => ({
    ...kind,
    quantity: kind.offcut ? kind.quantity : kind.quantity * boxes,
  }));
  const job = jobForBoxes('bench', plan, built.box, boxes, enough, undefined, 3);
  const first: number[] = [];
  let last = '';
  for (let run = 0; run < 5; run += 1) {
    const began = performance.now();
    let at = Number.NaN;
    const layout = searchLayout(job, {
      clock: () => performance.now(),
      onBetter: () => {
        if (Number.isNaN(at)) at = performance.now() - began;
      },
      stopped: () => !Number.isNaN(at),
    });
    first.push(at);
    if (checkLayout(job, layout).length > 0) throw new Error('the first layout is not valid');
    last = `cost ${(layout.cost / 100).toFixed(2)}, bound ${(layout.lowerBound / 100).toFixed(2)}`;
  }
  say(`${boxes} boxes: first valid layout (${last})`, first);
  const layout = searchLayout(job, { clock: () => performance.now() });
  console.log(
    `   after ${layout.seconds.toFixed(1)} s: cost ${(layout.cost / 100).toFixed(2)}, bound ${(layout.lowerBound / 100).toFixed(2)}, yield ${(layout.yield * 100).toFixed(1)} %, ${layout.optimal ? 'proven' : 'not proven'}`,
  );
}

/** Pieces pinned by hand, each held against all others: as many as a winter's layout may have. */
const PINS = 240;
const large = largeJob();
let first = false;
const laid = searchLayout(large, {
  clock: () => performance.now(),
  onBetter: () => {
    first = true;
  },
  stopped: () => first,
});
say(
  `${PINS} pins checked`,
  timed(20, () => void sortPins(pinnedJob(large, laid))),
);

function pinnedJob(job: LayoutJob, { boards }: Layout): LayoutJob {
  const pins = boards.flatMap(({ stock, piece, placements }) =>
    placements.map((placement) => ({ ...placement, stock, piece })),
  );
  return { ...job, pinned: pins.slice(0, PINS) };
}
