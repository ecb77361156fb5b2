import { animalsOf, brokenRules, buildBox, type Family, familyById } from '../families/index.js';
import { type LayoutJob, layoutJob, type ReadyPieces, type Saw, type Stock } from '../job/index.js';
import { type Layout, type LinearSolver, type Purchase, shoppingList } from '../layout/index.js';
import type { Cents } from '../measure/index.js';
import { withoutHand } from '../panels/index.js';
import { type BoxPlan, type PanelWood, panelWoodOf } from '../plan/index.js';
import { factsOf, woodRefused } from '../wood/index.js';
import { type BoardsAtHand, findWood, given, woodGroups } from './find-wood.js';
import { quickLayout } from './quick-layout.js';

export interface BuyQuestion {
  plan: BoxPlan;
  boxes: number;
  saw: Saw;
  /** What has been paid, at no price; empty where all is to be bought. */
  stock: readonly Stock[];
  /** What can be bought. */
  yard: readonly Stock[];
  /** Pieces that need not be sawn: wood of another thickness may make them of no use. */
  ready?: readonly ReadyPieces[];
}

/** Panels with the wood that they are given in one way. */
export interface WoodGiven {
  roles: readonly string[];
  wood: PanelWood;
}

/** One way to buy the wood of a batch: which wood for which panels, laid out. */
export interface WayToBuy {
  plan: BoxPlan;
  woods: readonly WoodGiven[];
  /** Rules that the box then breaks, beside those that stop it. */
  warnings: number;
  /** Panels that are wider than their boards and glued up. */
  glued: readonly string[];
  layout: Pick<Layout, 'boards' | 'cost' | 'lowerBound' | 'boundProof' | 'optimal'>;
  list: readonly Purchase[];
}

export interface WhatToBuy {
  /** Laid out, every panel placed; of those with the fewest drawbacks the cheapest first, then the others. */
  ways: readonly WayToBuy[];
  /** Ways that were not laid out: by their bound they cost more than the first. */
  dearer: readonly { woods: readonly WoodGiven[]; lowerBound: Cents }[];
  /** Ways of which some panel finds no board. */
  impossible: number;
  /** No way of as few drawbacks as the first can cost less, by the bounds of all of them; nothing where there is no way. */
  lowerBound: Cents;
}

/** Steps of the search for a way that may be the cheapest, and for one that is to be proven. */
const STEPS = 14;
const STEPS_TO_SETTLE = 40;
/** So many ways are looked at longer. */
const MOST_SETTLED = 6;

/** Kinds of wood there are: of boards that differ in nothing but their size the widest. */
function kindsOf(boards: readonly BoardsAtHand[]): BoardsAtHand[] {
  const kinds = new Map<string, BoardsAtHand>();
  for (const board of boards) {
    const { material, thickness, faceA, faceB } = board;
    const key = JSON.stringify([material, thickness, faceA, faceB, factsOf(board)]);
    const known = kinds.get(key);
    if (!known || known.width < board.width) kinds.set(key, board);
  }
  return [...kinds.values()];
}

/** A way that is not laid out yet. */
interface Candidate extends Pick<WayToBuy, 'plan' | 'woods' | 'warnings' | 'glued'> {
  stops: number;
  job: LayoutJob;
  /** What it costs at least. */
  bound: Cents;
}

interface LaidWay extends WayToBuy {
  job: LayoutJob;
}

/** What speaks against a way beside its price: rules that it breaks, and panels to be glued up. */
const drawbacks = ({ warnings, glued }: Pick<WayToBuy, 'warnings' | 'glued'>): number =>
  warnings + glued.length;

/** What is tried, and with what. */
class Buying {
  private readonly seen = new Set<string>();
  private ways: LaidWay[] = [];
  private readonly dearer: Candidate[] = [];
  private impossible = 0;

  constructor(
    private readonly question: BuyQuestion,
    private readonly solver: LinearSolver | null,
  ) {}

  /** A plan as a way to buy; null where it builds no box, or the same parts as one before. */
  candidate(plan: BoxPlan, woods: readonly WoodGiven[]): Candidate | null {
    const { boxes, saw, stock, yard, ready = [] } = this.question;
    const built = buildBox(plan);
    if (!built.ok) return null;
    const made = layoutJob({
      name: 'to buy',
      plan,
      boxes,
      stock,
      yard,
      saw,
      seconds: 3600,
      pinned: [],
      ready,
    });
    if (!made.ok) return null;
    const key = JSON.stringify([made.job.parts, made.job.stock.map(({ id }) => id)]);
    if (this.seen.has(key)) return null;
    this.seen.add(key);
    const { lowerBound: bound, unplaced } = quickLayout(made.job, 1);
    if (unplaced.length > 0) {
      this.impossible += 1;
      return null;
    }
    const parts = made.job.parts.map(({ id }) => id);
    const glued = built.box.panels.filter(
      ({ id, fromLog }) => !fromLog && parts.some((part) => part.startsWith(`${id}.`)),
    );
    return {
      plan,
      woods,
      ...brokenRules(plan, built.box),
      glued: glued.map(({ id }) => id),
      job: made.job,
      bound,
    };
  }

  /** Lays a way out, if it may be cheaper than those that break no more rules. */
  lay(candidate: Candidate): void {
    const { plan, woods, warnings, glued, job, bound } = candidate;
    const rivals = this.ways.filter((way) => drawbacks(way) <= drawbacks(candidate));
    if (rivals.some(({ layout }) => layout.cost < bound)) {
      this.dearer.push(candidate);
      return;
    }
    const layout = quickLayout(job, STEPS, this.solver);
    const list = shoppingList(layout, this.question.yard);
    if (layout.unplaced.length > 0) this.impossible += 1;
    else this.ways.push({ plan, woods, warnings, glued, layout, list, job });
  }

  /** The ways, those with the fewest drawbacks first, the cheaper first. */
  private ranked(): LaidWay[] {
    const fewest = this.fewest;
    const rank = (way: LaidWay) => (drawbacks(way) === fewest ? 0 : 1);
    return [...this.ways].sort(
      (a, b) => rank(a) - rank(b) || a.layout.cost - b.layout.cost || drawbacks(a) - drawbacks(b),
    );
  }

  private get fewest(): number {
    return Math.min(...this.ways.map(drawbacks));
  }

  get best(): WayToBuy | undefined {
    return this.ranked()[0];
  }

  /** Looks longer at the ways that may still turn out the cheapest. Yields after each. */
  *settle(): Generator<void, void, void> {
    for (const way of this.ranked().slice(0, MOST_SETTLED)) {
      const best = this.best;
      if (!best || drawbacks(way) > drawbacks(best)) return;
      if (way.layout.lowerBound >= best.layout.cost) continue;
      const layout = quickLayout(way.job, STEPS_TO_SETTLE, this.solver);
      const better = { ...way, layout, list: shoppingList(layout, this.question.yard) };
      this.ways = this.ways.map((each) => (each === way ? better : each));
      yield;
    }
  }

  answer(): WhatToBuy {
    const rivals = this.ways.filter((way) => drawbacks(way) === this.fewest);
    // Those that were not laid out cost more than one of these that was.
    const bounds = rivals.map(({ layout }) => Math.min(layout.lowerBound, layout.cost));
    return {
      ways: this.ranked().map(({ job: _job, ...way }) => way),
      dearer: this.dearer.map(({ woods, bound }) => ({ woods, lowerBound: bound })),
      impossible: this.impossible,
      lowerBound: bounds.length > 0 ? Math.min(...bounds) : 0,
    };
  }
}

/** Every pair of kinds for the walls and the roof, with the sticks that boards at hand give. */
function pairsOf(family: Family, plan: BoxPlan, boards: readonly BoardsAtHand[]) {
  const kinds = kindsOf(boards);
  const sheetOf = family.woodFrom;
  if (sheetOf) {
    // A family that chooses by the boards' widths is given the boards of one thickness and wood at a time, and all of them.
    const alike = kinds.map((kind) =>
      boards.filter(
        ({ material, thickness }) => material === kind.material && thickness === kind.thickness,
      ),
    );
    return [boards, ...alike].flatMap((some) => {
      const wood = sheetOf(plan, some.map(panelWoodOf), animalsOf(plan)[0]);
      return wood ? [{ ...plan, wood }] : [];
    });
  }
  const groups = woodGroups(family, plan.choices);
  const isStick = (roles: readonly string[]) =>
    family.roles.some((role) => role.id === roles[0] && role.stick);
  const wide = groups.filter((roles) => !isStick(roles));
  return wide.reduce<BoxPlan[]>(
    (plans, roles) => plans.flatMap((each) => kinds.map((kind) => given(each, roles, kind))),
    [findWood(plan, boards)],
  );
}

/** What each panel is given, those that get the same together. */
function woodsOf(plan: BoxPlan, roles: readonly string[]): WoodGiven[] {
  const woods = new Map<string, { roles: string[]; wood: PanelWood }>();
  for (const role of roles) {
    const wood = plan.wood[role];
    if (!wood) continue;
    const key = JSON.stringify(wood);
    const known = woods.get(key) ?? { roles: [], wood };
    known.roles.push(role);
    woods.set(key, known);
  }
  return [...woods.values()];
}

/** One panel of the best, or a left one and a right one together, given to another kind of wood. */
const otherwise = (
  { plan, woods }: WayToBuy,
  kinds: readonly BoardsAtHand[],
  isStick: (role: string) => boolean,
): BoxPlan[] => {
  const roles = woods.flatMap((each) => each.roles).filter((role) => !isStick(role));
  return [...new Set(roles.map(withoutHand))].flatMap((name) => {
    const together = roles.filter((role) => withoutHand(role) === name);
    return kinds.map((kind) => given(plan, together, kind));
  });
};

/**
 * What to buy for a batch: every pair of kinds of wood for walls and roof that the yard or the rack has is tried, then the best with
 * each of its panels in another kind. What a way costs at least is known before it is laid out, so that dear ones are not. Ways with more
 * stops than need be are left away; nothing that is refused for boxes is tried. Yields the share that is done.
 *
 * @example for (const share of whatToBuy(question, solver)) show(share);
 */
export function* whatToBuy(
  question: BuyQuestion,
  solver: LinearSolver | null,
): Generator<number, WhatToBuy, void> {
  const { plan, stock, yard } = question;
  const buying = new Buying(question, solver);
  const family = familyById(plan.family);
  const boards = [...stock, ...yard].filter((board) => !board.offcut && !woodRefused(board));
  if (!family || boards.length === 0) return buying.answer();
  const roles = woodGroups(family, plan.choices).flat();
  const isStick = (id: string) => family.roles.some((role) => role.id === id && role.stick);
  let stops = Number.POSITIVE_INFINITY;
  function* tryAll(
    plans: readonly BoxPlan[],
    from: number,
    most: number,
  ): Generator<number, void, void> {
    const found: Candidate[] = [];
    for (const [index, each] of plans.entries()) {
      const candidate = buying.candidate(each, woodsOf(each, roles));
      if (candidate) found.push(candidate);
      yield from + (0.2 * (index + 1)) / plans.length;
    }
    stops = Math.min(stops, ...found.map((each) => each.stops));
    const sound = found.filter((each) => each.stops === stops && drawbacks(each) <= most);
    // Those with few drawbacks that may be cheap first: they say of the others which are not worth a layout.
    sound.sort((a, b) => drawbacks(a) - drawbacks(b) || a.bound - b.bound);
    for (const [index, each] of sound.entries()) {
      buying.lay(each);
      yield from + 0.2 + (0.25 * (index + 1)) / sound.length;
    }
  }
  yield* tryAll(pairsOf(family, plan, boards), 0, Number.POSITIVE_INFINITY);
  const { best } = buying;
  if (best) yield* tryAll(otherwise(best, kindsOf(boards), isStick), 0.45, drawbacks(best));
  for (const _settled of buying.settle()) yield 0.95;
  return buying.answer();
}
