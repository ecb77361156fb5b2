import type { Family } from '../../families/index.js';
import type { LinearModel, LinearSolver } from '../../layout/index.js';
import { at, sum } from '../../lists/index.js';
import { fromInches, TICKS_PER_MM, type Ticks } from '../../measure/index.js';
import { measuresOf, type PanelSet } from '../../panels/index.js';
import { applying, type BoxPlan, type Parameter } from '../../plan/index.js';
import type { SheetLine } from './read-sheet.js';

/** A size of the sheet that the rest of it does not give. */
export interface Misfit {
  line: number;
  /** The panel's name as the sheet says it. */
  name: string;
  what: 'width' | 'length' | 'shorter length';
  said: Ticks;
  comes: Ticks;
}

/** Sizes agree that differ by less than a maker’s pencil: 1/32 in. Common practice, no source. */
const AGREE: Ticks = fromInches(1 / 32);
/** A size changes for nothing by at most what it saves elsewhere: small against a misfit, and above rounding. */
const RELUCTANCE = 0.002;
const ROUNDS = 3;
/** A step for slopes of panel sizes over parameters: a millimetre, or a fifth of a degree. */
const STEP: Record<Parameter['kind'], number> = { length: TICKS_PER_MM, angle: 0.2 };
const SOLVE_SECONDS = 1;

/** A line of the sheet and the role whose panels it gives. */
export interface Asked {
  line: SheetLine;
  role: string;
}

/** One measure that the sheet gives, and how it is read off a box. */
interface Measure {
  asked: Asked;
  what: Misfit['what'];
  said: Ticks;
}

const measuresAsked = (asked: readonly Asked[]): Measure[] =>
  asked.flatMap((each) => [
    { asked: each, what: 'width' as const, said: each.line.width },
    { asked: each, what: 'length' as const, said: each.line.length },
    ...(each.line.shorter === null
      ? []
      : [{ asked: each, what: 'shorter length' as const, said: each.line.shorter }]),
  ]);

/** The measures of a box that the sheet speaks of; null where it lacks a panel. `turned` are lines whose width the sheet gives first. */
function readOff(
  box: PanelSet,
  measures: readonly Measure[],
  turned: ReadonlySet<number>,
): number[] | null {
  const found: number[] = [];
  for (const { asked, what } of measures) {
    const panel = box.panels.find(({ role }) => role === asked.role);
    if (!panel) return null;
    const { longPoint, shortPoint, blankWidth } = measuresOf(panel);
    const isTurned = turned.has(asked.line.line);
    if (what === 'shorter length') found.push(shortPoint);
    else found.push((what === 'width') === isTurned ? longPoint : blankWidth);
  }
  return found;
}

const sizeOf = (plan: BoxPlan, { id, kind }: Parameter): number =>
  (kind === 'angle' ? plan.angles[id] : plan.sizes[id]) ?? 0;

const withValue = (plan: BoxPlan, { id, kind }: Parameter, value: number): BoxPlan =>
  kind === 'angle'
    ? { ...plan, angles: { ...plan.angles, [id]: value } }
    : { ...plan, sizes: { ...plan.sizes, [id]: Math.round(value) } };

/** A plan on its way to the sheet, with its measures and how far they are off in all. */
export interface Tried {
  plan: BoxPlan;
  now: number[];
  off: number;
}

export class SheetFitter {
  private readonly measures: Measure[];
  private turned: ReadonlySet<number> = new Set();

  constructor(
    private readonly family: Family,
    asked: readonly Asked[],
    private readonly solver: LinearSolver,
  ) {
    this.measures = measuresAsked(asked);
  }

  private read(plan: BoxPlan): Tried | null {
    const built = this.family.shape(plan);
    const now = built.ok ? readOff(built.box, this.measures, this.turned) : null;
    if (!now) return null;
    const off = sum(now.map((value, index) => Math.abs(value - at(this.measures, index).said)));
    return { plan, now, off };
  }

  /** Sizes that may move: those that a trim may move, and what else the family says. */
  private movable(plan: BoxPlan): readonly Parameter[] {
    const { notTrimmed, fromSheet } = this.family;
    return applying(this.family.parameters, plan.choices).filter(
      ({ id }) => !notTrimmed.includes(id) || fromSheet?.sizes.includes(id),
    );
  }

  /** How each measure moves with one size; null where the box cannot be built a little larger or smaller. */
  private slope(from: Tried, parameter: Parameter): number[] | null {
    for (const step of [STEP[parameter.kind], -STEP[parameter.kind]]) {
      const value = sizeOf(from.plan, parameter) + step;
      if (value < parameter.min || value > parameter.max) continue;
      const moved = this.read(withValue(from.plan, parameter, value));
      if (moved) return moved.now.map((each, index) => (each - at(from.now, index)) / step);
    }
    return null;
  }

  /** The plan whose measures come nearest to the sheet’s in sum, by a linear programme over the slopes. */
  private nearer(from: Tried): Tried | null {
    const moving = this.movable(from.plan).flatMap((parameter) => {
      const slope = this.slope(from, parameter);
      return slope?.some((each) => Math.abs(each) > 1e-6) ? [{ parameter, slope }] : [];
    });
    const solved = this.solver(modelOf(from, moving, this.measures), SOLVE_SECONDS);
    if (!solved) return null;
    let { plan } = from;
    moving.forEach(({ parameter }, index) => {
      const change = at(solved.values, 2 * index) - at(solved.values, 2 * index + 1);
      plan = withValue(plan, parameter, sizeOf(plan, parameter) + change * unitOf(parameter));
    });
    return this.read(plan);
  }

  /** One step of the sheet’s way from a plan: what a first look costs. */
  look(plan: BoxPlan): Tried | null {
    this.turned = new Set();
    const start = this.read(plan);
    return start && (this.nearer(start) ?? start);
  }

  /** As near as it comes; lines whose two sizes stand the other way round are turned. */
  polish(from: Tried): Tried {
    this.turned = new Set();
    let best = from;
    for (let round = 0; round < ROUNDS; round += 1) {
      this.turn(best);
      const next = this.nearer(this.read(best.plan) ?? best);
      if (!next || next.off >= best.off - 1) break;
      best = next;
    }
    return best;
  }

  /** Takes a line’s two sizes the other way round where that fits better. */
  private turn({ plan }: Tried): void {
    const lines = new Set(this.measures.map(({ asked }) => asked.line.line));
    for (const line of lines) {
      const other = new Set(this.turned);
      if (!other.delete(line)) other.add(line);
      const before = this.turned;
      const now = this.read(plan)?.off ?? Number.POSITIVE_INFINITY;
      this.turned = other;
      if ((this.read(plan)?.off ?? Number.POSITIVE_INFINITY) >= now) this.turned = before;
    }
  }

  misfits({ now }: Tried): Misfit[] {
    const found = this.measures.flatMap(({ asked: { line }, what, said }, index): Misfit[] => {
      const comes = Math.round(at(now, index));
      return Math.abs(comes - said) <= AGREE
        ? []
        : [{ line: line.line, name: line.name, what, said, comes }];
    });
    // Two panels of one line that are off alike are said once.
    return found.filter(
      ({ line, what }, index) =>
        found.findIndex((each) => each.line === line && each.what === what) === index,
    );
  }
}

/** The programme counts in millimetres, so that one misfit and one degree weigh about alike. */
const unitOf = ({ kind }: Parameter): number => (kind === 'length' ? TICKS_PER_MM : 1);

/** Least sum of what the measures are off, sizes moving for a small price: columns up and down for each size, then over and under for each measure. */
function modelOf(
  { plan, now }: Tried,
  moving: readonly { parameter: Parameter; slope: readonly number[] }[],
  measures: readonly Measure[],
): LinearModel {
  const sizes = moving.flatMap(({ parameter }) => {
    const value = sizeOf(plan, parameter);
    const unit = unitOf(parameter);
    return [
      { cost: RELUCTANCE, most: (parameter.max - value) / unit, whole: false },
      { cost: RELUCTANCE, most: (value - parameter.min) / unit, whole: false },
    ];
  });
  const slack = measures.flatMap(() => [
    { cost: 1, most: 1e5, whole: false },
    { cost: 1, most: 1e5, whole: false },
  ]);
  const rows = measures.flatMap(({ said }, index) => {
    const terms: [number, number][] = moving.flatMap(({ parameter, slope }, column) => {
      const factor = (at(slope, index) * unitOf(parameter)) / TICKS_PER_MM;
      const both: [number, number][] = [
        [2 * column, factor],
        [2 * column + 1, -factor],
      ];
      return Math.abs(factor) > 1e-9 ? both : [];
    });
    const own = sizes.length + 2 * index;
    const whole: [number, number][] = [...terms, [own, 1], [own + 1, -1]];
    const limit = (said - at(now, index)) / TICKS_PER_MM;
    return [
      { terms: whole, sense: 'at least' as const, limit },
      { terms: whole, sense: 'at most' as const, limit },
    ];
  });
  return { columns: [...sizes, ...slack], rows };
}
