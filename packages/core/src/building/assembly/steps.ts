import { at } from '../../lists/index.js';
import { fromMm, type Ticks } from '../../measure/index.js';
import type { JointKind, PanelCopy } from '../../panels/index.js';
import type { BoxPlan } from '../../plan/index.js';
import { dot, negate, type Vec3 } from '../../solid/index.js';
import type { Text } from '../../text/index.js';
import { type Body, keyOf } from '../bodies.js';
import { isGlued } from '../hardware/glued.js';
import { hingesAlong } from '../hardware/moving.js';
import { offLine } from '../holes/entered.js';
import type { Hole } from '../holes/hole.js';
import type { Bench, Shot } from './bench.js';
import { type BoxSide, OPPOSITE, type Putting, sideTowards } from './putting.js';
import { turnings } from './sequence.js';
import { checkWords, freeUnderRoof } from './step-words.js';
import type { Held } from './units.js';

/** What holds two panels once a step is done. */
export interface StepJoint {
  between: readonly [PanelCopy, PanelCopy];
  kind: JointKind | 'pivot' | 'latch';
  /** Id of a screw, a nail or another piece of hardware; null where glue or a groove alone holds. */
  fastener: string | null;
  count: number;
  drivenFrom: PanelCopy | null;
  /** Side of the box that lies up while they are driven. */
  up: BoxSide | null;
  glue: boolean;
  /** Holes in the panel under the head, and in the one that it bites in. */
  bored: Ticks | null;
  pilot: Ticks | null;
}

/** One step of putting a box together. Lengths in ticks. */
export interface AssemblyStep {
  /** The panel first, then small parts that are put on it while it lies on the bench. */
  add: readonly PanelCopy[];
  onto: readonly PanelCopy[];
  /** The way that it comes out again, of length 1; null where something is in the way whichever way it comes. */
  out: Vec3 | null;
  /** Side of the box that lies on the bench. */
  down: BoxSide;
  /** The face of the piece that lies up by then; null where it stands on an edge. */
  faceUp: 'inside' | 'outside' | null;
  /** Sides that have to lie up, one after the other, and how often the box is turned for it. */
  ups: readonly BoxSide[];
  turns: number;
  joints: readonly StepJoint[];
  /** Swings, lifts or comes out. */
  moves: boolean;
  check: Text;
  /** The gap that it leaves under the roof, where it leaves one. */
  freeAbove: Ticks | null;
  /** All of it stands on the box that is mended: it is only fastened again. */
  stands: boolean;
}

const copyOf = ({ panel, instance }: Body): PanelCopy => ({ panel: panel.id, instance });

/** The face of a piece that looks to a side of the box. */
function faceTowards({ outsideNormal }: Body, side: BoxSide): 'inside' | 'outside' | null {
  if (sideTowards(outsideNormal) === side) return 'outside';
  return sideTowards(negate(outsideNormal)) === side ? 'inside' : null;
}

/** Shots of one joint, those of one fastener driven the same way together. */
function groupsOf(shots: readonly Shot[]): Shot[][] {
  const groups = new Map<string, Shot[]>();
  for (const shot of shots) {
    const { driven } = shot;
    const way = driven.direction.map((each) => Math.round(each * 100)).join();
    const key = `${driven.fastener.id}|${shot.through}|${way}`;
    groups.set(key, [...(groups.get(key) ?? []), shot]);
  }
  return [...groups.values()];
}

interface Making {
  plan: BoxPlan;
  bench: Bench;
  holes: readonly Hole[];
}

function jointsFor({ plan, bench }: Making, putting: Putting, { joint, pair }: Held): StepJoint[] {
  const bodies = pair.map((body) => copyOf(at(bench.bodies, body)));
  const between = [at(bodies, 0), at(bodies, 1)] as const;
  const common = { between, kind: joint.kind };
  const glue = isGlued(plan, joint);
  const bare = { ...common, drivenFrom: null, up: null, bored: null, pilot: null };
  if (joint.kind === 'hinged' || joint.kind === 'strip') {
    const hinges =
      joint.kind === 'hinged'
        ? { fastener: 'hinge', count: hingesAlong(joint) }
        : { fastener: 'strip', count: 1 };
    return [
      { ...bare, ...hinges, glue: false },
      { ...bare, fastener: 'hook', count: 1, glue: false },
    ];
  }
  const groups = groupsOf(putting.shots.filter(({ driven }) => driven.joint === joint));
  if (groups.length === 0) {
    const rests = joint.kind === 'loose' || (!glue && joint.kind === 'butt');
    return rests ? [] : [{ ...bare, fastener: null, count: 0, glue }];
  }
  return groups.map((shots): StepJoint => {
    const { driven } = at(shots, 0);
    return {
      ...common,
      fastener: driven.fastener.id,
      count: shots.length,
      drivenFrom: copyOf(driven.through),
      up: sideTowards(negate(driven.direction)),
      glue,
      bored: driven.bored,
      pilot: driven.fastener.clearance === null ? null : driven.fastener.pilot,
    };
  });
}

/** Whether the second hole goes on in the first, behind the panel that it is bored through. */
const isBehind = (inner: Hole, outer: Hole): boolean =>
  inner.depth !== 'through' &&
  dot(inner.axis, outer.axis) > 0.999 &&
  offLine(inner.point, outer.point, outer.axis) < fromMm(0.1);

/** Pivots and latches that are put in now: both panels that they hold are there, and one of them has just come. */
function hungJoints(
  { bench, holes }: Making,
  isMade: (key: string) => boolean,
  isNew: (key: string) => boolean,
): StepJoint[] {
  const keys = new Map(bench.bodies.map((body) => [keyOf(body), body]));
  const keyOfHole = ({ panel, instance }: Hole): string => `${panel}:${instance}`;
  const outer = holes.filter(
    (hole) => (hole.for === 'pivot' || hole.for === 'latch') && hole.depth === 'through',
  );
  const found = new Map<string, StepJoint>();
  for (const hole of outer) {
    const inner = holes.find((other) => isBehind(other, hole));
    if (!inner || !isMade(keyOfHole(inner)) || !isMade(keyOfHole(hole))) continue;
    if (!isNew(keyOfHole(inner)) && !isNew(keyOfHole(hole))) continue;
    const [a, b] = [keys.get(keyOfHole(hole)), keys.get(keyOfHole(inner))];
    if (!a || !b) continue;
    const item = inner.for === 'insert' ? 'insert' : hole.for;
    const key = `${item}|${keyOf(a)}|${keyOf(b)}`;
    const before = found.get(key);
    found.set(key, {
      between: [copyOf(a), copyOf(b)],
      kind: hole.for === 'pivot' ? 'pivot' : 'latch',
      fastener: item,
      count: (before?.count ?? 0) + 1,
      drivenFrom: copyOf(a),
      up: null,
      glue: false,
      bored: hole.size.shape === 'round' ? hole.size.diameter : null,
      pilot: inner.size.shape === 'round' ? inner.size.diameter : null,
    });
  }
  return [...found.values()];
}

/** The steps of an order, each with what is driven, from which side up, and what to check. */
export function stepsOf(making: Making, order: readonly Putting[]): readonly AssemblyStep[] {
  const { bench } = making;
  const there = new Set<string>();
  let up: BoxSide | null = null;
  return order.map((putting): AssemblyStep => {
    const unit = at(bench.units, putting.unit);
    const bodies = unit.bodies.map((body) => at(bench.bodies, body));
    const added = new Set(bodies.map(keyOf));
    const turned = turnings(up, putting.ups);
    const isMade = (key: string): boolean => added.has(key) || there.has(key);
    const hung = hungJoints(making, isMade, (key) => added.has(key));
    const joints = [...putting.held.flatMap((held) => jointsFor(making, putting, held)), ...hung];
    const standing = bench.bodies.filter((body) => there.has(keyOf(body)));
    const onto = putting.touches.flatMap((other) =>
      at(bench.units, other).bodies.map((body) => at(bench.bodies, body)),
    );
    const meets = (body: Body): boolean =>
      putting.held.some(({ pair }) => pair.some((index) => at(bench.bodies, index) === body)) ||
      hung.some(({ drivenFrom }) => drivenFrom?.panel === body.panel.id);
    const touched = [...new Set([...onto, ...standing])].filter(meets);
    up = turned.up;
    for (const key of added) there.add(key);
    const first = turned.order[0] ?? up ?? order.find(({ ups }) => ups.length > 0)?.ups[0];
    const down = first ? OPPOSITE[first] : 'bottom';
    return {
      add: bodies.map(copyOf),
      onto: touched.map(copyOf),
      out: putting.comes,
      down,
      faceUp: faceTowards(at(bodies, 0), OPPOSITE[down]),
      ups: turned.order,
      turns: turned.turns,
      joints,
      moves: unit.moves,
      stands: false,
      freeAbove: freeUnderRoof(at(bodies, 0), bench.bodies)?.gap ?? null,
      check: checkWords(at(bodies, 0), touched, { standing, all: bench.bodies, moves: unit.moves }),
    };
  });
}
