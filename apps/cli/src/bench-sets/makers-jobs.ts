import { ANIMALS, type Animal } from '@spare-knot/core/animals';
import { buildBox, FAMILIES } from '@spare-knot/core/families';
import { jobForBoxes, type LayoutJob, STANDARD_SAW, type Stock } from '@spare-knot/core/job';
import { searchSteps } from '@spare-knot/core/layout';
import { must, sum } from '@spare-knot/core/lists';
import { fromMm, type Ticks } from '@spare-knot/core/measure';
import { type PanelWood, startPlan } from '@spare-knot/core/plan';
import { areaOf } from '@spare-knot/core/plane';
import { type Draw, drawing } from './draw.js';
import type { SetJob } from './set-job.js';

const JOBS = 40;
const SECONDS = 5;
const MADE_OF_BOARDS = ['slant-roof', 'square-cut', 'open-front', 'ridge-roof', 'tube-entrance'];
const LENGTHS: readonly number[] = [1200, 1830, 2400, 3000, 3600];
const DEFECTS = ['knot-sound', 'knot-loose', 'nail', 'split'] as const;

const CANDIDATES = ANIMALS.filter(({ family }) => MADE_OF_BOARDS.includes(family));

type Defects = Stock['defects'];

/** Knots, nails and splits as a rack has them. */
function defectsOf(length: Ticks, width: Ticks, draw: Draw): Defects {
  return Array.from({ length: draw.whole(1, 3) }, () => {
    const kind = draw.one(DEFECTS);
    const radius = fromMm(kind === 'nail' ? 3 : draw.whole(6, 14));
    const [x, y] = [
      Math.round(radius + draw.chance() * (length - 2 * radius)),
      Math.round(radius + draw.chance() * (width - 2 * radius)),
    ];
    if (kind !== 'split')
      return { kind, zone: { kind: 'circle' as const, centre: [x, y] as const, radius } };
    const long = Math.min(length, fromMm(draw.whole(60, 160)));
    const corner = [draw.chance() < 0.5 ? 0 : length - long, Math.max(0, y - fromMm(8))] as const;
    return {
      kind,
      zone: {
        kind: 'rect' as const,
        corner,
        width: long,
        height: Math.min(fromMm(16), width - corner[1]),
      },
    };
  });
}

/** A rack for a body: one to three lengths of whole boards, some with defects, and a few offcuts that cost nothing. */
function rackFor(wood: PanelWood, name: string, need: number, draw: Draw): Stock[] {
  const width = must(wood.width, 'width');
  const perMetre = draw.whole(150, 420);
  const kind = (id: string, quantity: number, length: Ticks, more: Partial<Stock>): Stock => ({
    id: `${name}-${id}`,
    quantity,
    material: wood.material,
    thickness: wood.thickness,
    width,
    length,
    faceA: wood.faceA,
    faceB: wood.faceB,
    price: null,
    offcut: false,
    grained: true,
    defects: [],
    ...more,
  });
  const enough = (length: Ticks) => Math.ceil((1.8 * need) / (length * width)) + 1;
  const first = draw.whole(0, LENGTHS.length - 2);
  const wholes = LENGTHS.slice(first, first + draw.whole(1, 3)).map((mm) => {
    const dearer = 0.9 + 0.2 * draw.chance();
    return kind(`${mm}`, enough(fromMm(mm)), fromMm(mm), {
      price: Math.round((mm / 1000) * perMetre * dearer),
    });
  });
  const marked = Array.from({ length: draw.whole(0, 3) }, (_unused, index) => {
    const length = fromMm(draw.one(LENGTHS));
    return kind(`marked-${index + 1}`, 1, length, {
      price: Math.round((length / fromMm(1000)) * perMetre * 0.6),
      defects: defectsOf(length, width, draw),
    });
  });
  const offcuts = Array.from({ length: draw.whole(0, 3) }, (_unused, index) =>
    kind(`end-${index + 1}`, 1, fromMm(draw.whole(20, 75) * 10), { price: 0, offcut: true }),
  );
  return [...wholes, ...marked, ...offcuts];
}

const woodOf = (draw: Draw, widths: readonly number[]): PanelWood => ({
  material: draw.one(['spruce', 'larch', 'western-red-cedar']),
  thickness: fromMm(draw.one([18, 19, 21, 25])),
  width: fromMm(draw.one(widths)),
  faceA: 'rough',
  faceB: draw.one(['rough', 'planed']),
});

/** A job as a maker has it; null where this animal's box cannot be made of these boards, which is drawn again. */
function drawn(animal: Animal, seed: number, draw: Draw): LayoutJob | null {
  const family = draw.one(FAMILIES.filter(({ id }) => MADE_OF_BOARDS.includes(id)));
  const [body, wide] = [woodOf(draw, [145, 170, 195]), woodOf(draw, [195, 220, 245, 290])];
  const start = startPlan(family, animal, body);
  const roofs = Object.keys(start.wood).filter((role) => role.startsWith('roof'));
  const plan = {
    ...start,
    wood: { ...start.wood, ...Object.fromEntries(roofs.map((role) => [role, wide])) },
  };
  const built = buildBox(plan);
  if (!built.ok) return null;
  const boxes = draw.whole(1, 10);
  const bare = jobForBoxes('', plan, built.box, boxes, [], STANDARD_SAW, SECONDS);
  // Boxes with sticks or sheet in them are left out: their wood is bought by the piece.
  if (bare.parts.some(({ thickness }) => ![body.thickness, wide.thickness].includes(thickness)))
    return null;
  const need = (wood: PanelWood) =>
    sum(
      bare.parts
        .filter((part) => part.thickness === wood.thickness)
        .map((part) => part.quantity * areaOf(part.outline)),
    );
  const stock = [
    ...rackFor(body, 'body', Math.max(need(body), 1), draw),
    ...rackFor(wide, 'wide', Math.max(need(wide), 1), draw),
  ];
  return jobForBoxes(
    `${boxes} × ${family.id}, ${animal.id}, ${seed}`,
    plan,
    built.box,
    boxes,
    stock,
    { ...STANDARD_SAW, rip: draw.chance() < 0.85 },
    SECONDS,
  );
}

/** Whether the rack has a place for every panel, as a quick look at it finds. */
function hasRoom(job: LayoutJob): boolean {
  const { value } = searchSteps(job, { clock: () => 0 }).next();
  return value.unplaced.length === 0;
}

/** Forty jobs drawn from animals, families and racks with defects, with wood enough for all; no optimum is known. */
export const makersJobs = (): SetJob[] =>
  Array.from({ length: JOBS }, (_unused, index) => {
    const draw = drawing(20_000 + index);
    for (;;) {
      const job = drawn(draw.one(CANDIDATES), 20_000 + index, draw);
      if (job && hasRoom(job)) return { job, optimum: null };
    }
  });
