import type { LayoutJob, Stock } from '../job/index.js';
import {
  boardTree,
  type CutTree,
  type LaidBoard,
  type Layout,
  patternOf,
  type ThroughCut,
  type TreeCut,
} from '../layout/index.js';
import { at, entry, must, sum } from '../lists/index.js';
import { atan2, type Degrees, type Ticks } from '../measure/index.js';
import { ofAngle, ofPanel, type Text, text } from '../text/index.js';
import type { FaceUp, Side } from './fence.js';
import { arranged, type Item, Ordering, type Run } from './order.js';
import { type ShopSaw, sawsFor, type Tool } from './saws.js';
import { type Choosable, chooseWays, keyOf, type Setting, toldOf } from './settings.js';
import { atSaw, type Hold, waysOf } from './ways.js';

/** One cut of one board as it is made: both by their place in the plan. */
export interface StepCut {
  cut: number;
  board: number;
  faceUp: FaceUp | null;
  fence: Side | null;
  end: Side | null;
  hold: Hold;
}

/** Cuts made one after the other at one setting of one saw. Angles in degrees, the stop in ticks. */
export interface Step {
  tool: Tool;
  saw: string;
  angle: Degrees;
  tilt: Degrees;
  stop: Ticks | null;
  cuts: readonly StepCut[];
  /** What to do first. */
  before: readonly Text[];
}

export interface PlannedBoard {
  stock: string;
  piece: number;
  tree: CutTree;
}

/** What to do with which board, in which order, at which setting. */
export interface CutPlan {
  boards: readonly PlannedBoard[];
  steps: readonly Step[];
  /** Settings of the same boards sawn one after the other. */
  boardAfterBoard: number;
  /** The different settings there are: no order has fewer. */
  lowerBound: number;
  minutes: number;
}

/** Why boards cannot be cut as they are laid: on which board, and what. */
export interface CutProblem {
  board: number;
  message: Text;
}

export type PlannedCuts =
  | { ok: true; plan: CutPlan }
  | { ok: false; problems: readonly CutProblem[] };

/** What changing a saw costs, in minutes: the shop's own, or the usual. */
export interface ChangeCosts {
  saw: number;
  tilt: number;
  angle: number;
  stop: number;
  cut: number;
}

/** With a test piece after each change of tilt or angle. Common practice, no source. */
export const USUAL_COSTS: ChangeCosts = { saw: 2, tilt: 4, angle: 3, stop: 0.75, cut: 0.5 };

/** A piece of a board that is being sawn, with the cuts that are still to be made in it. */
export interface BegunBoard {
  stock: string;
  tree: CutTree;
}

/** Boards of one kind that are cut alike: they share one tree. */
interface Pattern {
  stock: Stock;
  tree: CutTree;
  boards: number[];
}

/** Patterns of the boards: those begun each by itself, then those that are laid out. */
function patternsOf(
  job: LayoutJob,
  begun: readonly BegunBoard[],
  boards: readonly LaidBoard[],
): Pattern[] {
  const kinds = new Map(job.stock.map((each) => [each.id, each]));
  const kindOf = (id: string): Stock => must(kinds.get(id), `the stock “${id}”`);
  const patterns = new Map<string, Pattern>();
  for (const [place, board] of boards.entries()) {
    const index = begun.length + place;
    const key = patternOf(board);
    const known = patterns.get(key);
    if (known) {
      known.boards.push(index);
      continue;
    }
    const stock = kindOf(board.stock);
    patterns.set(key, { stock, tree: boardTree(job, stock, board), boards: [index] });
  }
  const alone = begun.map(({ stock, tree }, index) => ({
    stock: kindOf(stock),
    tree,
    boards: [index],
  }));
  return [...alone, ...patterns.values()];
}

/** What keeps a pattern from being cut: parts that no through cut separates, or with an edge that the saw cannot make. */
function problemsOf({ tree, boards }: Pattern): CutProblem[] {
  const board = at(boards, 0);
  const named = ({ part }: CutTree['stuck'][number]): Text =>
    part ? text`“${ofPanel(part.id)}” ${part.copy}` : text`an offcut`;
  return [
    ...tree.stuck.map((target) => ({
      board,
      message: text`no through cut separates ${named(target)} from what lies beside it`,
    })),
    ...tree.unmade.map((target) => ({
      board,
      message: text`${named(target)} has an edge that the saw cannot make`,
    })),
  ];
}

/** A cut of a pattern that a saw is set for, with its place in the order. */
interface Sawn {
  pattern: Pattern;
  cut: number;
  after: number | null;
  choosable: Choosable;
}

/** A cut that no saw makes, by what it asks for. */
function beyondAny({ cut: { along, shift } }: ThroughCut, { thickness }: Stock): Text {
  const [x, y] = [Math.abs(along[0]), Math.abs(along[1])];
  const angle = Math.round(atan2(Math.min(x, y), Math.max(x, y)) * 10) / 10;
  const tilt = Math.round(atan2(Math.abs(shift), thickness) * 10) / 10;
  const way = x > y ? text`along the board` : text`across it`;
  return text`no saw of the shop makes a cut ${way} with the fence at ${ofAngle(angle)} and the blade at ${ofAngle(tilt)}`;
}

/** Every through cut of the patterns; free cuts come by themselves. */
function sawnOf(
  job: LayoutJob,
  patterns: readonly Pattern[],
  saws: readonly ShopSaw[],
): Sawn[] | CutProblem[] {
  const sawn: Sawn[] = [];
  const problems: CutProblem[] = [];
  for (const pattern of patterns) {
    const { tree, stock, boards } = pattern;
    const givenBy = new Map<number, number>();
    const add = (each: ThroughCut, cut: number) => {
      const ways = waysOf(atSaw(tree, each, job.saw.kerf, stock.thickness), saws);
      if (ways.length === 0)
        problems.push({
          board: at(boards, 0),
          message: beyondAny(each, stock),
        });
      const after = givenBy.get(each.of) ?? null;
      for (const id of each.gives) if (id !== null) givenBy.set(id, sawn.length);
      sawn.push({ pattern, cut, after, choosable: { ways, boards: boards.length } });
    };
    for (const [cut, each] of tree.cuts.entries()) if (each.kind === 'through') add(each, cut);
  }
  return problems.length > 0 ? problems : sawn;
}

const isProblem = (list: Sawn[] | CutProblem[]): list is CutProblem[] => {
  const [first] = list;
  return first !== undefined && 'message' in first;
};

/** What a saw is set to, as far as changing it takes time. */
type Set = Pick<Setting, 'saw' | 'tilt' | 'angle' | 'stop'>;
const UNSET = { tilt: 0, angle: 0, stop: null };

/** Minutes to change from one setting to another; from none, or at another saw, everything that is not square is set. */
export function changeMinutes(from: Set | null, to: Set, costs: ChangeCosts = USUAL_COSTS): number {
  const isSameSaw = from !== null && from.saw === to.saw;
  const { tilt, angle, stop } = isSameSaw ? from : UNSET;
  return (
    (isSameSaw ? 0 : costs.saw) +
    (tilt === to.tilt ? 0 : costs.tilt) +
    (angle === to.angle ? 0 : costs.angle) +
    (stop === to.stop || to.stop === null ? 0 : costs.stop)
  );
}

/** More than any change costs: something else is better done between two settings that only the way the piece lies tells apart. */
const APART = 100;

/** How two scraps tell whether an angle is right. */
const testPieces = (setting: Setting): Text[] => [
  ...(setting.tilt > 0
    ? [
        text`test piece: saw a scrap across at a tilt of ${ofAngle(setting.tilt)}, turn one half over against the other on a flat table: together they lean ${ofAngle(2 * setting.tilt)} from straight; measure that and halve the error`,
      ]
    : []),
  ...(setting.angle > 0
    ? [
        text`test piece: saw a scrap at ${ofAngle(setting.angle)}, turn one half over against the other: together they turn ${ofAngle(2 * setting.angle)} from straight; measure that and halve the error`,
      ]
    : []),
];

/** The settings, numbered, and the cuts as they are put in order. */
class Sequencing {
  readonly settings: Setting[] = [];
  readonly items: Item[];
  private readonly numbers = new Map<string, number>();

  constructor(
    readonly sawn: readonly Sawn[],
    readonly chosen: ReturnType<typeof chooseWays>,
    private readonly costs: ChangeCosts,
  ) {
    this.items = sawn.map(({ after }, index) => ({
      setting: this.numberOf(at(chosen, index).setting),
      after,
    }));
  }

  private numberOf(setting: Setting): number {
    const key = keyOf(setting);
    const known = this.numbers.get(key);
    if (known !== undefined) return known;
    this.numbers.set(key, this.settings.length);
    return this.settings.push(setting) - 1;
  }

  readonly cost = (from: number | null, to: number): number => {
    const [last, next] = [from === null ? null : at(this.settings, from), at(this.settings, to)];
    const isTurned = last !== null && last.turned !== next.turned && toldOf(last) === toldOf(next);
    return changeMinutes(last, next, this.costs) + (isTurned ? APART : 0);
  };

  /** All boards together. */
  together(): Run[] {
    const { runs } = new Ordering(this.items).runs();
    return arranged(runs, this.items, this.cost);
  }

  /** Settings of the boards one after the other, each in its own best order, a setting that stays not counted again. */
  boardAfterBoard(boards: readonly Pattern[]): number {
    const known = new Map<string, { settings: number; last: number | null }>();
    const own = new Map<Pattern, Ordering>();
    let standing: number | null = null;
    let settings = 0;
    for (const pattern of boards) {
      const key = `${boards.indexOf(pattern)} ${standing}`;
      let result = known.get(key);
      if (!result) {
        const ordering = own.get(pattern) ?? new Ordering(this.itemsOf(pattern));
        own.set(pattern, ordering);
        const found = ordering.runs(standing);
        result = { settings: found.settings, last: found.runs.at(-1)?.setting ?? standing };
        known.set(key, result);
      }
      settings += result.settings;
      standing = result.last;
    }
    return settings;
  }

  private itemsOf(pattern: Pattern): Item[] {
    const first = this.sawn.findIndex((each) => each.pattern === pattern);
    return this.items
      .filter((_item, index) => at(this.sawn, index).pattern === pattern)
      .map(({ setting, after }) => ({ setting, after: after === null ? null : after - first }));
  }
}

/** The steps of the runs, with a test piece where a tilt or an angle is set for the first time. */
function stepsOf(sequencing: Sequencing, runs: readonly Run[]): Step[] {
  const tested = new Set<string>();
  return runs.map(({ setting: number, items }): Step => {
    const setting = at(sequencing.settings, number);
    const { tool, saw, angle, tilt, stop } = setting;
    const isNew = (kind: string, value: Degrees): boolean => {
      const key = `${saw} ${kind} ${value}`;
      if (value === 0 || tested.has(key)) return false;
      tested.add(key);
      return true;
    };
    const cuts = items.flatMap((item) => {
      const { pattern, cut } = at(sequencing.sawn, item);
      const { fence, faceUp, end, hold } = at(sequencing.chosen, item).way;
      return pattern.boards.map(
        (board): StepCut => ({ cut, board, faceUp, fence, end: stop === null ? null : end, hold }),
      );
    });
    const before = testPieces({
      ...setting,
      tilt: isNew('tilt', tilt) ? tilt : 0,
      angle: isNew('angle', angle) ? angle : 0,
    });
    return { tool, saw, angle, tilt, stop, cuts, before };
  });
}

/** Where the saw turns inside the wood: all of it last, each board clamped. */
function freeSteps(patterns: readonly Pattern[], saws: readonly ShopSaw[]): Step[] {
  const cuts = patterns.flatMap(({ tree, boards }) =>
    tree.cuts.flatMap((each, cut) =>
      each.kind === 'free'
        ? boards.map(
            (board): StepCut => ({
              cut,
              board,
              faceUp: null,
              fence: null,
              end: null,
              hold: 'clamp',
            }),
          )
        : [],
    ),
  );
  if (cuts.length === 0) return [];
  const saw = saws.find(({ tools }) => tools.includes('free'))?.name ?? 'jigsaw';
  return [{ tool: 'free', saw, angle: 0, tilt: 0, stop: null, cuts, before: [] }];
}

/** Settings within a saw's reading of each other are counted once. */
function differentSettings(steps: readonly Step[]): number {
  const found: Step[] = [];
  const near = (a: Step, b: Step): boolean =>
    a.tool === b.tool &&
    a.saw === b.saw &&
    Math.abs(a.angle - b.angle) <= 0.05 &&
    Math.abs(a.tilt - b.tilt) <= 0.05 &&
    (a.stop === null || b.stop === null ? a.stop === b.stop : Math.abs(a.stop - b.stop) <= 32);
  for (const step of steps) if (!found.some((each) => near(each, step))) found.push(step);
  return found.length;
}

/** What the shop has to say: its saws, and what a change costs there. */
export interface Shop {
  saws?: readonly ShopSaw[];
  costs?: ChangeCosts;
  /** Pieces of boards that are being sawn: they come first in the plan. */
  begun?: readonly BegunBoard[];
}

/**
 * From a layout to the last cut: how every board comes apart, each cut at a saw that can make it, cuts with equal settings together over
 * all boards as far as the trees allow. Takes a valid layout of the job; what cannot be cut is named with its board. Lengths in ticks,
 * angles in degrees.
 *
 * @example planCuts(job, layout)
 */
export function planCuts(job: LayoutJob, layout: Layout, shop: Shop = {}): PlannedCuts {
  const { saws = sawsFor(job.saw), costs = USUAL_COSTS, begun = [] } = shop;
  const boards = layout.boards.filter(({ placements }) => placements.length > 0);
  const patterns = patternsOf(job, begun, boards);
  const problems = patterns.flatMap(problemsOf);
  if (problems.length > 0) return { ok: false, problems };
  const sawn = sawnOf(job, patterns, saws);
  if (isProblem(sawn)) return { ok: false, problems: sawn };
  const chosen = chooseWays(sawn.map(({ choosable }) => choosable));
  const sequencing = new Sequencing(sawn, chosen, costs);
  const runs = sequencing.together();
  const free = freeSteps(patterns, saws);
  const steps = [...stepsOf(sequencing, runs), ...free];
  const patternAt = new Map(patterns.flatMap((pattern) => pattern.boards.map((b) => [b, pattern])));
  const inOrder = [...begun, ...boards].map((_board, index) => entry(patternAt, index));
  const changes = steps.map((step, index) =>
    changeMinutes(index === 0 ? null : at(steps, index - 1), step, costs),
  );
  return {
    ok: true,
    plan: {
      boards: [
        ...begun.map(({ stock, tree }) => ({ stock, piece: 0, tree })),
        ...boards.map((board, place) => {
          const { tree, boards: alike } = at(inOrder, begun.length + place);
          const drawn = at(boards, at(alike, 0) - begun.length);
          return { stock: board.stock, piece: board.piece, tree: namedFor(tree, drawn, board) };
        }),
      ],
      steps,
      boardAfterBoard: sequencing.boardAfterBoard(inOrder) + freeBoards(inOrder),
      lowerBound: differentSettings(steps),
      minutes: Math.ceil(sum(changes) + costs.cut * sum(steps.map(({ cuts }) => cuts.length))),
    },
  };
}

const has = ({ tree }: Pattern, kind: TreeCut['kind']): boolean =>
  tree.cuts.some((cut) => cut.kind === kind);

/** Boards that a saw turns in, each a setting of its own; where nothing else is sawn first, the jigsaw of the board before stays in hand. */
const freeBoards = (inOrder: readonly Pattern[]): number =>
  inOrder.filter((pattern, index) => {
    const before = inOrder[index - 1];
    const isKept = before !== undefined && has(before, 'free') && !has(pattern, 'through');
    return has(pattern, 'free') && !isKept;
  }).length;

/** The tree of a pattern, as it is drawn for one board, with the copies that lie on another. */
function namedFor(tree: CutTree, drawn: LaidBoard, own: LaidBoard): CutTree {
  const copies = new Map(
    drawn.placements.map(({ part, copy }, place) => [
      `${copy} ${part}`,
      at(own.placements, place).copy,
    ]),
  );
  return {
    ...tree,
    pieces: tree.pieces.map((piece) => {
      const { is } = piece;
      if (!is || typeof is === 'string') return piece;
      return { ...piece, is: { part: is.part, copy: entry(copies, `${is.copy} ${is.part}`) } };
    }),
  };
}
