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
