import { brokenRules, buildBox, type Family, familyById } from '../families/index.js';
import { jobForBoxes, type ReadyPieces, type Saw, type Stock, suits } from '../job/index.js';
import { at } from '../lists/index.js';
import { type Cents, fromInches, fromMm, type Ticks } from '../measure/index.js';
import { measuresOf, type PanelChange, type PanelSet, panelChanges } from '../panels/index.js';
import type { BoxPlan, Parameter } from '../plan/index.js';
import { quickLayout } from './quick-layout.js';
import { groupsOf, moved, valueIn } from './size-groups.js';

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
  /** Pieces that lie ready: a size that is changed may make them of no use. */
  ready?: readonly ReadyPieces[];
}

/** How far a size may go from what was chosen. */
const REACH = 0.12;
const QUICK_STEPS = 8;
const MOST_OFFERS = 5;

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
  return gained.filter((_, index) => keys.indexOf(at(keys, index)) === index);
}

/** What is held fixed while sizes are tried. */
interface Trial {
  question: FitQuestion;
  family: Family;
  box: PanelSet;
  before: Cents;
  /** Rules that the box breaks already. */
  allowed: number;
}

const broken = (plan: BoxPlan, box: PanelSet): number => {
  const { stops, warnings } = brokenRules(plan, box);
  return stops + warnings;
};

/** What the boards of so many boxes cost by a short search; null where panels are left over. */
function costOf(
  { boxes, stock, saw, ready = [] }: FitQuestion,
  plan: BoxPlan,
  box: PanelSet,
): Cents | null {
  const job = jobForBoxes('fit', plan, box, boxes, stock, saw, 3600, ready);
  const { unplaced, cost } = quickLayout(job, QUICK_STEPS);
  return unplaced.length > 0 ? null : cost;
}

/** Values to try for a size: a little smaller and larger, and where one more piece would come out of a board. */
function candidates({ question, box }: Trial, parameter: Parameter): number[] {
  const { plan, stock, saw, inches } = question;
  const start = valueIn(plan, parameter);
  const span = start * REACH;
  const shares = [-1, -0.66, -0.33, 0.33, 0.66, 1].map((share) => start + share * span);
  const angle = parameter.kind === 'angle';
  const step = inches ? fromInches(1 / 16) : fromMm(1);
  const round = (value: number) =>
    angle ? Math.round(value * 2) / 2 : Math.floor(value / step) * step;
  const deltas = angle ? [] : breakpoints(box, plan, stock, saw.kerf);
  const near = deltas.filter((delta) => Math.abs(delta) <= span).map((delta) => start + delta);
  return [...new Set([...shares, ...near].map(round))]
    .filter((value) => value !== start && value >= parameter.min && value <= parameter.max)
    .sort((a, b) => a - b);
}

/** One size tried. */
interface Tried extends FitPoint {
  plan: BoxPlan;
  box: PanelSet;
  pieces: PiecesGained[];
}

function tryValue(trial: Trial, group: readonly Parameter[], value: number): Tried | null {
  const { question, box, allowed } = trial;
  const plan = moved(question.plan, group, value);
  const built = buildBox(plan);
  if (!built.ok || broken(plan, built.box) > allowed) return null;
  const cost = costOf(question, plan, built.box);
  if (cost === null) return null;
  return { value, cost, plan, box: built.box, pieces: piecesGained(box, built.box, question) };
}

/** The size that saves most, of those that save alike the one nearest to what was chosen; null where none saves. */
function bestOf(tried: readonly Tried[], before: Cents, start: number): Tried | null {
  const saving = tried.filter(
    ({ cost, pieces }) => cost < before || (cost === before && pieces.length > 0),
  );
  const far = ({ value }: Tried) => Math.abs(value - start);
  return [...saving].sort((a, b) => a.cost - b.cost || far(a) - far(b))[0] ?? null;
}

function offerOf(
  { question, box, before }: Trial,
  group: readonly Parameter[],
  best: Tried,
  points: readonly FitPoint[],
): FitOffer {
  return {
    changes: group.map((each) => ({
      parameter: each.id,
      label: each.label,
      kind: each.kind,
      before: valueIn(question.plan, each),
      after: valueIn(best.plan, each),
    })),
    before,
    after: best.cost,
    panels: panelChanges(box, best.box),
    pieces: best.pieces,
    points: [...points].sort((a, b) => a.value - b.value),
    plan: best.plan,
  };
}

/**
 * The few changes of height, overhang, floor or slope that save most on a batch's boards, or at the same cost give whole pieces from a
 * board's length: each size is tried a little smaller and larger, and where one more piece would come out of a board; the box must stay as
 * sound as it is, with no more rules broken. Yields the share that is done. Costs come from a short search, so an offer is what that search found, not the least there is.
 */
export function* fitOffers(question: FitQuestion): Generator<number, FitOffer[], void> {
  const { plan } = question;
  const family = familyById(plan.family);
  const built = buildBox(plan);
  if (!family || !built.ok) return [];
  const before = costOf(question, plan, built.box);
  if (before === null) return [];
  const allowed = broken(plan, built.box);
  const trial: Trial = { question, family, box: built.box, before, allowed };
  const groups = groupsOf(family, plan);
  const offers: FitOffer[] = [];
  for (const [index, group] of groups.entries()) {
    const first = at(group, 0);
    const values = candidates(trial, first);
    const tried: Tried[] = [];
    for (const [count, value] of values.entries()) {
      const one = tryValue(trial, group, value);
      if (one) tried.push(one);
      yield (index + (count + 1) / values.length) / groups.length;
    }
    if (values.length === 0) yield (index + 1) / groups.length;
    const start = valueIn(plan, first);
    const best = bestOf(tried, before, start);
    const points = [
      { value: start, cost: before },
      ...tried.map(({ value, cost }) => ({ value, cost })),
    ];
    if (best) offers.push(offerOf(trial, group, best, points));
  }
  return offers.sort((a, b) => a.after - b.after).slice(0, MOST_OFFERS);
}
