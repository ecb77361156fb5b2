import { animalById } from '../animals/index.js';
import { brokenRules, buildBox, familyById } from '../families/index.js';
import { jobForBoxes, type Saw, type Stock, suits } from '../job/index.js';
import { searchSteps } from '../layout/index.js';
import { type Cents, fromInches, fromMm, type Ticks } from '../measure/index.js';
import { measuresOf, type PanelChange, type PanelSet, panelChanges } from '../panels/index.js';
import { type BoxPlan, completePlan } from '../plan/index.js';

/** A size tried: what the batch's boards then cost. */
export interface FitPoint {
  value: number;
  cost: Cents;
}

/** One more whole piece out of a board's length: so many of a panel before and after. */
export interface PiecesGained {
  panel: string;
  boardLength: Ticks;
  before: number;
  after: number;
}

/** A small change of size that saves boards, or gives whole pieces from a board's length. */
export interface FitOffer {
  /** Parameters that change, with their values before and after, in ticks or degrees. */
  changes: readonly {
    parameter: string;
    label: string;
    kind: 'length' | 'angle';
    before: number;
    after: number;
  }[];
  before: Cents;
  after: Cents;
  /** Panels that are cut differently. */
  panels: readonly PanelChange[];
  /** Panels of which a board then gives more. */
  pieces: readonly PiecesGained[];
  /** Cost over the first of the sizes, for a chart. */
  points: readonly FitPoint[];
  plan: BoxPlan;
}

export interface FitQuestion {
  plan: BoxPlan;
  boxes: number;
  stock: readonly Stock[];
  saw: Saw;
  inches: boolean;
}

/** Sizes that change with each other, so that the slope stays. */
const TOGETHER: readonly (readonly string[])[] = [['frontHeight', 'backHeight']];
/** Sizes that are the animal's or the hardware's, not the maker's to trim. */
const NOT_TRIMMED =
  /^(entrance|pivot|vent|drain|bore|pipe|taper|letIn|notch|shelf|platform|flap|crevice|passage)/;
/** How far a size may go from what was chosen. */
const REACH = 0.12;
const QUICK_STEPS = 8;

/** Lengths, a hair under what is there, at which one more piece comes out of a board: where cost falls. */
function breakpoints(box: PanelSet, plan: BoxPlan, stock: readonly Stock[], kerf: Ticks): number[] {
  const deltas: number[] = [];
  for (const panel of box.panels) {
    const { blankLength } = measuresOf(panel);
    for (const board of stock) {
      if (board.material !== plan.wood[panel.role]?.material) continue;
      const now = Math.floor((board.length + kerf) / (blankLength + kerf));
      for (const more of [1, 2]) {
        const target = Math.floor((board.length + kerf) / (now + more) - kerf);
        if (target > 0 && target > blankLength * (1 - REACH)) deltas.push(target - blankLength);
      }
    }
  }
  return deltas;
}

/** Panels of which one board gives more after a change than before, where one board did not give all that are needed. */
function piecesGained(
  was: PanelSet,
  now: PanelSet,
  { plan, boxes, stock, saw }: FitQuestion,
): PiecesGained[] {
  const fromOne = (board: Stock, length: Ticks) =>
    Math.floor((board.length - 2 * saw.endTrim + saw.kerf) / (length + saw.kerf));
  const gained = now.panels.flatMap((panel): PiecesGained[] => {
    const old = was.panels.find((each) => each.id === panel.id);
    const wood = plan.wood[panel.role];
    if (!old || !wood || panel.fromLog) return [];
    const [before, after] = [measuresOf(old), measuresOf(panel)];
    return stock
      .filter(
        (board) =>
          !board.offcut &&
          suits({ thickness: panel.thickness, materials: [wood.material] }, board) &&
          board.width >= after.blankWidth,
      )
      .map((board) => ({
        panel: panel.id,
        boardLength: board.length,
        before: fromOne(board, before.blankLength),
        after: fromOne(board, after.blankLength),
      }))
      .filter(
        (pieces) =>
          pieces.after > pieces.before &&
          pieces.before > 0 &&
          pieces.before < boxes * panel.instances.length,
      );
  });
  const keys = gained.map(({ panel, boardLength }) => `${panel} ${boardLength}`);
  return gained.filter((_, index) => keys.indexOf(keys[index]!) === index);
}

/**
 * The few changes of height, overhang, floor or slope that save most on a batch's boards, or at the same cost give whole pieces from a
 * board's length: each size is tried a little smaller and larger, and where one more piece would come out of a board; the box must stay as
 * sound as it is, with no more rules broken. Yields the share that is done. Costs come from a short search, so an offer is what that search found, not the least there is.
 */
export function* fitOffers(question: FitQuestion): Generator<number, FitOffer[], void> {
  const { plan: asked, boxes, stock, saw, inches } = question;
  const family = familyById(asked.family);
  const built = buildBox(asked);
  if (!family || !built.ok) return [];
  const plan = completePlan(family, asked);
  const animal = animalById(plan.animal);
  const broken = (of: BoxPlan, box: PanelSet) => {
    const { stops, warnings } = brokenRules(of, box, animal);
    return stops + warnings;
  };
  const allowed = broken(plan, built.box);
  const costOf = (of: BoxPlan, box: PanelSet): Cents | null => {
    // So many steps rather than so much time: the same question gives the same answer on any machine.
    const steps = searchSteps(jobForBoxes('fit', of, box, boxes, stock, saw, 3600), {
      clock: () => 0,
    });
    let step = steps.next();
    for (let count = 1; count < QUICK_STEPS && !step.done && !step.value.optimal; count += 1)
      step = steps.next();
    return step.value.unplaced.length > 0 ? null : step.value.cost;
  };
  const before = costOf(plan, built.box);
  if (before === null) return [];
  const groups = [
    ...TOGETHER.filter((ids) =>
      ids.every((id) => family.parameters.some((parameter) => parameter.id === id)),
    ),
    ...family.parameters.map((parameter) => [parameter.id]),
  ].filter(
    (ids, _index, all) =>
      ids.every((id) => {
        const parameter = family.parameters.find((each) => each.id === id)!;
        return !NOT_TRIMMED.test(id) && (!parameter.applies || parameter.applies(plan.schools));
      }) &&
      // A size that goes with another is not tried alone.
      (ids.length > 1 || !all.some((other) => other.length > 1 && other.includes(ids[0]!))),
  );
  const deltas = breakpoints(built.box, plan, stock, saw.kerf);
  const step = inches ? fromInches(1 / 16) : fromMm(1);
  const offers: FitOffer[] = [];
  for (const [at, ids] of groups.entries()) {
    const parameter = family.parameters.find((each) => each.id === ids[0])!;
    const angle = parameter.kind === 'angle';
    const start = angle ? plan.angles[parameter.id]! : plan.sizes[parameter.id]!;
    const span = start * REACH;
    const round = (value: number) =>
      angle ? Math.round(value * 2) / 2 : Math.floor(value / step) * step;
    const candidates = [
      ...[-1, -0.66, -0.33, 0.33, 0.66, 1].map((share) => start + share * span),
      ...(angle
        ? []
        : deltas.filter((delta) => Math.abs(delta) <= span).map((delta) => start + delta)),
    ];
    const tried = [...new Set(candidates.map(round))]
      .filter((value) => value !== start && value >= parameter.least && value <= parameter.greatest)
      .sort((a, b) => a - b);
    const points: FitPoint[] = [{ value: start, cost: before }];
    let best: {
      value: number;
      cost: Cents;
      plan: BoxPlan;
      box: PanelSet;
      pieces: PiecesGained[];
    } | null = null;
    for (const [index, value] of tried.entries()) {
      const changed: BoxPlan = angle
        ? { ...plan, angles: { ...plan.angles, [parameter.id]: value } }
        : {
            ...plan,
            sizes: {
              ...plan.sizes,
              ...Object.fromEntries(ids.map((id) => [id, plan.sizes[id]! + value - start])),
            },
          };
      const result = buildBox(changed);
      const cost =
        result.ok && broken(changed, result.box) <= allowed ? costOf(changed, result.box) : null;
      if (result.ok && cost !== null) {
        points.push({ value, cost });
        const pieces = piecesGained(built.box, result.box, { ...question, plan });
        // Of sizes that save alike, the one nearest to what was chosen.
        if (
          (cost < before || (cost === before && pieces.length > 0)) &&
          (!best ||
            cost < best.cost ||
            (cost === best.cost && Math.abs(value - start) < Math.abs(best.value - start)))
        )
          best = { value, cost, plan: changed, box: result.box, pieces };
      }
      yield (at + (index + 1) / tried.length) / groups.length;
    }
    if (best) {
      const { value, plan: changed } = best;
      offers.push({
        changes: ids.map((id) => {
          const each = family.parameters.find((other) => other.id === id)!;
          return angle
            ? {
                parameter: id,
                label: each.label,
                kind: 'angle' as const,
                before: start,
                after: value,
              }
            : {
                parameter: id,
                label: each.label,
                kind: 'length' as const,
                before: plan.sizes[id]!,
                after: changed.sizes[id]!,
              };
        }),
        before,
        after: best.cost,
        panels: panelChanges(built.box, best.box),
        pieces: best.pieces,
        points: points.sort((a, b) => a.value - b.value),
        plan: changed,
      });
    }
  }
  return offers.sort((a, b) => a.after - b.after).slice(0, 5);
}
