import fc from 'fast-check';
import { ANIMALS, type Animal } from '../src/animals/index.js';
import { buildBox, FAMILIES } from '../src/families/index.js';
import { jobForBoxes, type LayoutJob, STANDARD_SAW } from '../src/job/index.js';
import { type Layout, searchLayout } from '../src/layout/index.js';
import { fromMm } from '../src/measure/index.js';
import type { BoxPlan } from '../src/plan/index.js';
import { planFor } from './boxes.js';
import { stepClock } from './clock.js';

/** Layouts of random boxes on random boards, for what is sawn from them. */

interface Draw {
  family: number;
  animal: number;
  thickness: number;
  boxes: number;
  kerf: number;
  rip: boolean;
  through: boolean;
  trim: number;
  length: number;
}

const draw: fc.Arbitrary<Draw> = fc.record({
  family: fc.nat(FAMILIES.length - 1),
  animal: fc.nat(ANIMALS.length - 1),
  thickness: fc.constantFrom(15, 15.875, 18, 19.05, 22),
  boxes: fc.integer({ min: 1, max: 3 }),
  kerf: fc.constantFrom(1.6, 2.4, 3.175),
  rip: fc.boolean(),
  through: fc.boolean(),
  trim: fc.constantFrom(0, 10),
  length: fc.constantFrom(1200, 1829, 2438),
});

/** The layout that a draw gives; null where the box cannot be built or nothing is laid. */
function laidOut(drawn: Draw): { job: LayoutJob; layout: Layout } | null {
  const family = FAMILIES[drawn.family];
  const animal: Animal | undefined = ANIMALS[drawn.animal];
  if (!family || !animal) return null;
  const plan: BoxPlan = planFor(family, animal, drawn.thickness);
  const built = buildBox(plan);
  if (!built.ok) return null;
  const thicknesses = [...new Set(built.box.panels.map(({ thickness }) => thickness))];
  const stock = thicknesses.flatMap((thickness) =>
    [140, 184.15, 286].map((width) => ({
      id: `${thickness} ${width}`,
      quantity: 6,
      material: 'western-red-cedar',
      thickness,
      width: fromMm(width),
      length: fromMm(drawn.length),
      faceA: 'planed' as const,
      faceB: 'planed' as const,
      price: width * 3,
      offcut: false,
      grained: true,
      defects: [],
    })),
  );
  const saw = {
    ...STANDARD_SAW,
    kerf: fromMm(drawn.kerf),
    rip: drawn.rip,
    throughCuts: drawn.through,
    maxMitre: 60,
    endTrim: fromMm(drawn.trim),
  };
  const job = jobForBoxes('drawn', plan, built.box, drawn.boxes, stock, saw, 0.2);
  const layout = searchLayout(job, { clock: stepClock(0.2, 40) });
  return layout.boards.some(({ placements }) => placements.length > 0) ? { job, layout } : null;
}

export const drawnLayouts: fc.Arbitrary<{ job: LayoutJob; layout: Layout } | null> =
  draw.map(laidOut);
