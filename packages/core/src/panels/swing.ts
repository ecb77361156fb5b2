import { cos, fromMm, sin, type Ticks } from '../measure/index.js';

/** Play over what geometry asks for, so that swelling wood does not bind: common practice, no source. */
const PLAY: Ticks = fromMm(1);

/**
 * The gap that a swinging panel needs above it: its upper outer corner lies `below` above the axis and `fromOuter` out from it, and rises
 * to the radius as the lower end swings out. √(a² + p²) − a.
 */
export const swingRise = (below: number, fromOuter: number): number =>
  Math.hypot(below, fromOuter) - below;

/**
 * The same under a roof that climbs inwards at `slope`: the upright gap over the outer corner at which the corner's circle just touches
 * the roof. Corner at (0, 0), axis `below` under and `fromOuter` inwards of it, roof through (0, gap) rising inwards.
 */
export const swingRiseUnderSlope = (below: number, fromOuter: number, slope: number): number =>
  fromOuter * cos(slope) <= below * sin(slope)
    ? 0
    : Math.hypot(below, fromOuter) / cos(slope) - below - (fromOuter * sin(slope)) / cos(slope);

/** A gap that clears: what is needed, some play, and never less than the vent gap that is there anyway. */
export const swingGap = (needed: number, vent: number): Ticks =>
  Math.max(vent, Math.ceil(needed + PLAY));
