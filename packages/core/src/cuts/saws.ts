import type { Saw } from '../job/index.js';
import { type Degrees, fromMm, type Ticks } from '../measure/index.js';

/** How a saw meets the wood: the board lies still against a fence, or is pushed along it, or the blade follows a line. */
export type Tool = 'crosscut' | 'rip' | 'free';

/** A saw of the shop, as far as cuts are given to it. */
export interface ShopSaw {
  name: string;
  tools: readonly Tool[];
  /** The longest crosscut that its blade passes; null for no limit. */
  capacity: Ticks | null;
  maxMitre: Degrees;
  maxTilt: Degrees;
  /** The way its blade leans at the top, seen from where the maker stands. */
  tiltsTo: 'left' | 'right' | 'both';
  /** Shortest piece that is held by hand there. */
  handMin: Ticks;
}

export const SAW_KINDS = ['mitre', 'table', 'track', 'band', 'jigsaw', 'hand'] as const;
export type SawKind = (typeof SAW_KINDS)[number];

/** What each kind of saw does; common practice, no source. */
const TOOLS: Readonly<Record<SawKind, readonly Tool[]>> = {
  mitre: ['crosscut'],
  table: ['rip', 'crosscut'],
  track: ['crosscut', 'rip'],
  band: ['rip', 'free'],
  jigsaw: ['free'],
  hand: ['crosscut', 'rip'],
};

/** A saw as its owner describes it. */
export interface OwnedSaw extends Omit<ShopSaw, 'tools'> {
  kind: SawKind;
  kerf: Ticks;
  /** Whether it has a stop for repeated lengths; else a block is clamped to its fence. */
  hasStop: boolean;
  /** How much more it cuts than its scales show: of the fence, and of the blade's tilt. */
  mitreOff: Degrees;
  tiltOff: Degrees;
}

/** A saw’s hand work is kept for what nothing else does. */
const isByHand = ({ kind }: OwnedSaw): boolean => kind === 'hand';

/** The saws that cuts are given to, in the order in which they are preferred: as they are listed, hand saws last. */
export const shopSaws = (owned: readonly OwnedSaw[]): ShopSaw[] =>
  [...owned.filter((saw) => !isByHand(saw)), ...owned.filter(isByHand)].map(
    ({ name, kind, capacity, maxMitre, maxTilt, tiltsTo, handMin }) => ({
      name,
      tools: TOOLS[kind],
      capacity,
      maxMitre,
      maxTilt,
      tiltsTo,
      handMin,
    }),
  );

const most = (values: readonly number[]): number => Math.max(0, ...values);

/**
 * What the cuts of a job may be, by the shop's saws: the widest kerf, so that whatever saw makes a cut, there is room for it; the
 * largest angles that any of them does. What is not a saw's to say stays. Without saws nothing is said.
 */
export function limitsOf(owned: readonly OwnedSaw[], saw: Saw): Saw {
  const of = (tool: Tool) => owned.filter(({ kind }) => TOOLS[kind].includes(tool));
  const [crossing, ripping] = [of('crosscut'), of('rip')];
  const straight = [...crossing, ...ripping];
  if (straight.length === 0) return saw;
  const powered = straight.filter((each) => !isByHand(each));
  return {
    ...saw,
    kerf: most((powered.length > 0 ? powered : straight).map(({ kerf }) => kerf)),
    rip: ripping.length > 0,
    maxMitre: most(crossing.map(({ maxMitre }) => maxMitre)),
    maxTilt: most(straight.map(({ maxTilt }) => maxTilt)),
    throughCuts: saw.throughCuts || of('free').length === 0,
  };
}

/** The widest board that the shop's saws cut across, and the shortest piece that is held by hand at all of them; null: any. */
export function reachOfSaws(
  owned: readonly OwnedSaw[],
): { crosscut: Ticks | null; handHeld: Ticks } | null {
  const crossing = owned.filter(({ kind }) => TOOLS[kind].includes('crosscut'));
  if (crossing.length === 0) return null;
  const widths = crossing.map(({ capacity }) => capacity);
  return {
    crosscut: widths.includes(null) ? null : most(widths.map((width) => width ?? 0)),
    handHeld: most(crossing.filter((saw) => !isByHand(saw)).map(({ handMin }) => handMin)),
  };
}

/** Whether a job's cuts may be what the shop's saws do. */
export function isWithin(owned: readonly OwnedSaw[], saw: Saw): boolean {
  const limits = limitsOf(owned, saw);
  return (
    limits.kerf === saw.kerf &&
    (limits.rip || !saw.rip) &&
    limits.maxMitre >= saw.maxMitre &&
    limits.maxTilt >= saw.maxTilt &&
    limits.throughCuts === saw.throughCuts
  );
}

/** What to set on a saw's scales so that it cuts an angle. */
export const onScale = (angle: Degrees, off: Degrees): Degrees => angle - off;

/**
 * How far a scale is off by a test piece: two halves laid together showed twice what was cut, the scale standing as it was told to with
 * what was known before. To a tenth of a degree: no scale is set finer.
 */
export const scaleOff = (
  angle: Degrees,
  { shown, before }: { shown: Degrees; before: Degrees },
): Degrees => Math.round((shown / 2 - onScale(angle, before)) * 10) / 10;

/** A crosscut that a common sliding mitre saw still makes; common practice, no source. */
const CAPACITY: Ticks = fromMm(310);
/** Shortest piece held by hand where the shop says nothing; common practice, no source. */
export const HAND_MIN: Ticks = fromMm(200);

/** The saws of a shop that has told only what its cuts may be: a mitre saw, a table saw where it rips, a jigsaw where the saw may turn. */
export function sawsFor(saw: Saw): ShopSaw[] {
  const { maxMitre, maxTilt } = saw;
  const like = { maxMitre, maxTilt, tiltsTo: 'both', handMin: saw.handMin ?? HAND_MIN } as const;
  return [
    { ...like, name: 'mitre saw', tools: ['crosscut'], capacity: saw.rip ? CAPACITY : null },
    ...(saw.rip ? [{ ...like, name: 'table saw', tools: ['rip'] as const, capacity: null }] : []),
    ...(saw.throughCuts
      ? []
      : [{ ...like, name: 'jigsaw', tools: ['free'] as const, capacity: null }]),
  ];
}
