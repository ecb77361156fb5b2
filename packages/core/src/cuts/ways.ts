import {
  type CutTree,
  chordOf,
  kerfOnFace,
  type SawCut,
  type ThroughCut,
  tiltOf,
  type Wood,
} from '../layout/index.js';
import { must } from '../lists/index.js';
import { atan2, type Degrees, fromMm, type Ticks } from '../measure/index.js';
import {
  cutAtFence,
  edgeOnFence,
  type FaceUp,
  fencePlane,
  type Lie,
  leftEnd,
  reachAlong,
  type SeenCut,
  type Side,
  seenCut,
} from './fence.js';
import type { ShopSaw, Tool } from './saws.js';

export type Hold = 'hand' | 'clamp' | 'sled' | 'jig';

/** One way to make a cut: how the piece lies, what the saw is set to, and how it is held. */
export interface Way extends Lie {
  tool: Tool;
  saw: string;
  /** The end against the stop; null for a rip. */
  end: Side | null;
  angle: Degrees;
  tilt: Degrees;
  /** Which way fence and blade are turned: the way that all cuts are made where the piece can be laid so, or the other. */
  turned: 'usual' | 'other';
  /** From the stop or the fence to the nearer side of the kerf; null for a tapered rip, which a jig guides. */
  distance: Ticks | null;
  hold: Hold;
}

/** The piece in hand, what comes of it, and the cut. */
export interface AtSaw {
  wood: Wood;
  gives: readonly Wood[];
  cut: SawCut;
  kerf: Ticks;
  depth: Ticks;
}

export const atSaw = (
  tree: CutTree,
  { of, gives, cut }: ThroughCut,
  kerf: Ticks,
  depth: Ticks,
): AtSaw => ({
  wood: must(tree.pieces[of]?.wood, 'wood in hand'),
  gives: gives.flatMap((id) => (id === null ? [] : (tree.pieces[id]?.wood ?? []))),
  cut,
  kerf,
  depth,
});

/** Angles below this are square: corners are rounded to the tick. */
const SQUARE: Degrees = 0.04;
/** A strip that a push stick guides between blade and fence; common practice, no source. */
const PUSH_STICK: Ticks = fromMm(40);
/** Nearer to the stop than this there is no place for a hand or a clamp; common practice, no source. */
const NEAR_STOP: Ticks = fromMm(40);
/** An intersection may miss a corner by so much. */
const AT_CORNER: Ticks = 16;

const SIDES = ['far', 'near', 'low', 'high'] as const;
const FACES: readonly FaceUp[] = ['A', 'B'];

const isLong = (side: Side): boolean => side === 'far' || side === 'near';

/** From square to the edge on the fence, 0 to 90. */
const angleAt = ({ along }: SeenCut): Degrees => atan2(Math.abs(along[0]), Math.abs(along[1]));

/** The reach along the fence that decides whether a hand holds it: of the piece, and of the longer of what is left. */
const heldReach = ({ wood, gives }: AtSaw, lie: Lie): Ticks =>
  Math.min(reachAlong(wood, lie), Math.max(0, ...gives.map((piece) => reachAlong(piece, lie))));

const signOf = (value: number): -1 | 0 | 1 => {
  if (value === 0) return 0;
  return value > 0 ? 1 : -1;
};

/** Whether the blade leans the way that this saw's does, and the fence is turned the usual way. */
function turnedWay(angle: -1 | 0 | 1, lean: -1 | 0 | 1, saw: ShopSaw): 'usual' | 'other' | null {
  const usual = saw.tiltsTo === 'right' ? -1 : 1;
  if (lean !== 0 && lean !== usual && saw.tiltsTo !== 'both') return null;
  return (lean === 0 || lean === usual) && angle >= 0 ? 'usual' : 'other';
}

/** A crosscut with the piece lying so; null where the blade would not cross the edge on the fence, or the saw is not able to. */
function crosscut(at: AtSaw, lie: Lie, saw: ShopSaw): Way | null {
  const { cut, kerf, depth, wood } = at;
  const seen = seenCut(cut, kerfOnFace(cut, kerf, depth), lie);
  const angle = angleAt(seen);
  const tilt = tiltOf(cut, depth);
  if (angle > saw.maxMitre + SQUARE || tilt > saw.maxTilt + SQUARE) return null;
  const met = cutAtFence(seen, wood, lie);
  if (!met) return null;
  const { edge, line, from, to } = met;
  if (line < edge.left - AT_CORNER || line > edge.right + AT_CORNER) return null;
  const lean = seen.below[0] - (seen.below[1] * seen.along[0]) / seen.along[1];
  const turned = turnedWay(
    angle < SQUARE ? 0 : signOf(seen.along[0] * seen.along[1]),
    tilt < SQUARE ? 0 : signOf(lean),
    saw,
  );
  if (!turned) return null;
  return {
    ...lie,
    tool: 'crosscut',
    saw: saw.name,
    end: leftEnd(lie),
    angle: angle < SQUARE ? 0 : angle,
    tilt: tilt < SQUARE ? 0 : tilt,
    turned,
    distance: to - from,
    hold: heldReach(at, lie) >= saw.handMin ? 'hand' : 'clamp',
  };
}

/** A rip with the piece lying so: along the fence, or tapered, with a jig. Null where it has no straight edge for the fence. */
function rip(at: AtSaw, lie: Lie, saw: ShopSaw): Way | null {
  const { cut, kerf, depth, wood } = at;
  const seen = seenCut(cut, kerfOnFace(cut, kerf, depth), lie);
  const taper = 90 - angleAt(seen);
  const tilt = tiltOf(cut, depth);
  if (tilt > saw.maxTilt + SQUARE) return null;
  if (!edgeOnFence(wood, lie, true) && !edgeOnFence(wood, lie, false)) return null;
  const turned = turnedWay(0, tilt < SQUARE ? 0 : signOf(seen.below[1]), saw);
  if (!turned) return null;
  const shared = {
    ...lie,
    tool: 'rip',
    saw: saw.name,
    end: null,
    tilt: tilt < SQUARE ? 0 : tilt,
    turned,
  } as const;
  if (taper >= SQUARE) return { ...shared, angle: taper, distance: null, hold: 'jig' };
  const line = seen.point[1] - fencePlane(wood, lie);
  const distance = Math.min(line, line + seen.kerf[1]);
  const held = distance < PUSH_STICK ? 'jig' : 'hand';
  return {
    ...shared,
    angle: 0,
    distance,
    hold: heldReach(at, lie) < saw.handMin ? 'sled' : held,
  };
}

/** How long a cut runs through the piece. */
function runOf({ wood, cut }: AtSaw): Ticks {
  const chord = chordOf(cut, wood);
  return chord ? Math.hypot(chord[1][0] - chord[0][0], chord[1][1] - chord[0][1]) : 0;
}

/** Every lie in which a saw makes a cut. */
const liesFor = (make: (lie: Lie) => Way | null, sides: readonly Side[]): Way[] =>
  sides.flatMap((fence) => FACES.flatMap((faceUp) => make({ fence, faceUp }) ?? []));

/** The ways of one cut, the best first by how it is held and lies; those that are as good as the best are all given. */
function bestOf(ways: readonly Way[]): Way[] {
  const isPlain = ({ angle, tilt }: Way) => angle === 0 && tilt === 0;
  const rank = (way: Way): number =>
    (way.hold === 'hand' ? 0 : 8) +
    (way.distance !== null && way.distance < NEAR_STOP ? 4 : 0) +
    // All cuts of a setting turn fence and blade to one side, though a hand would do the other way.
    (way.turned === 'usual' ? 0 : 16) +
    (isPlain(way) && way.faceUp === 'B' ? 2 : 0);
  const best = Math.min(...ways.map(rank));
  return ways.filter((way) => rank(way) === best);
}

/**
 * The ways in which a shop's saws make a cut, all as good as each other: across the board where a saw's capacity and angle allow,
 * across its end where the piece is short, else along a fence, last along a jig. Of several saws the first that does it by hand. Empty
 * where none can.
 */
export function waysOf(at: AtSaw, saws: readonly ShopSaw[]): Way[] {
  const by = (tool: Tool) => saws.filter(({ tools }) => tools.includes(tool));
  const run = runOf(at);
  const crossing = by('crosscut').filter(({ capacity }) => capacity === null || run <= capacity);
  const across = (sides: readonly Side[]) =>
    crossing.map((saw) => liesFor((lie) => crosscut(at, lie, saw), sides));
  const straight = by('rip').map((saw) => liesFor((lie) => rip(at, lie, saw), SIDES));
  const ripped = straight.map((ways) => ways.filter(({ angle }) => angle === 0));
  const runsAlong = Math.abs(at.cut.along[0]) > Math.abs(at.cut.along[1]);
  const [overEdge, overEnd] = [
    across(SIDES.filter(isLong)),
    across(SIDES.filter((side) => !isLong(side))),
  ];
  const usual = (runsAlong ? [ripped, overEnd, overEdge] : [overEdge, overEnd, ripped]).flat();
  const byHand = usual.find((ways) => ways.some(({ hold }) => hold === 'hand'));
  const found = byHand ?? [...usual, ...straight].find((ways) => ways.length > 0);
  return found ? bestOf(found) : [];
}
