import { at } from '../lists/index.js';
import { fromMm, type Ticks } from '../measure/index.js';
import {
  add,
  chordThrough,
  cornersOf,
  cross,
  type HalfSpace,
  negate,
  scale,
  unit,
  type Vec3,
} from '../solid/index.js';
import type { Draft } from './draft.js';
import type { Fastened } from './fasten.js';

/** Before the head of a fastener nothing lies nearer than this while it is driven: common practice, no source. */
export const HEAD_ROOM: Ticks = fromMm(30);
/** A driver’s bit is so thick about its middle. */
const BIT_RADIUS: Ticks = fromMm(4);
/** What reaches less far behind a head’s face than this only touches it. */
const TOUCH: Ticks = fromMm(0.3);

/** The least distance from a head, against the way that it is driven, at which something behind these planes stands; Infinity where nothing does. */
export function standsBefore(planes: readonly HalfSpace[], head: Vec3, direction: Vec3): number {
  const back = negate(direction);
  const u = unit(cross(direction, Math.abs(direction[2]) > 0.9 ? [1, 0, 0] : [0, 0, 1]));
  const v = cross(direction, u);
  let least = Number.POSITIVE_INFINITY;
  for (const aside of [null, u, v, negate(u), negate(v)]) {
    const start = aside ? add(head, scale(aside, BIT_RADIUS)) : head;
    const chord = chordThrough(planes, start, back);
    if (chord && chord[1] > TOUCH) least = Math.min(least, Math.max(0, chord[0]));
  }
  return least;
}

/** A draft as it may stand before a head: its planes, and how far it reaches along each axis. */
interface Standing {
  planes: readonly HalfSpace[];
  low: Vec3;
  high: Vec3;
}

function standingOf({ solid }: Draft): Standing {
  const corners = cornersOf(solid);
  const axis = (pick: (...values: number[]) => number): Vec3 => [
    pick(...corners.map(([x]) => x)),
    pick(...corners.map(([, y]) => y)),
    pick(...corners.map(([, , z]) => z)),
  ];
  return {
    planes: solid.faces.map(({ plane }) => plane),
    low: axis(Math.min),
    high: axis(Math.max),
  };
}

const isFarFrom = ({ low, high }: Standing, point: Vec3): boolean =>
  ([0, 1, 2] as const).some(
    (axis) =>
      point[axis] < low[axis] - HEAD_ROOM * 1.2 || point[axis] > high[axis] + HEAD_ROOM * 1.2,
  );

/**
 * Which draft must come before which, so that a driver reaches every head when it is driven: whatever stands before a head comes after
 * both panels that it holds. There is an order of assembly as long as these rules run in no ring.
 */
export class Heads {
  private readonly standing: readonly Standing[];
  private readonly after: readonly Set<number>[];

  constructor(drafts: readonly Draft[]) {
    this.standing = drafts.map(standingOf);
    this.after = drafts.map(() => new Set<number>());
  }

  /** Drafts that stand before one of the heads. */
  private before({ through, points, shanks, direction }: Fastened): Set<number> {
    const found = new Set<number>();
    this.standing.forEach((each, draft) => {
      if (draft === through) return;
      const stands = points.some((_point, index) => {
        const head = at(shanks, index).from;
        return !isFarFrom(each, head) && standsBefore(each.planes, head, direction) < HEAD_ROOM;
      });
      if (stands) found.add(draft);
    });
    return found;
  }

  private leadsTo(from: number, to: number): boolean {
    const seen = new Set<number>([from]);
    for (const draft of seen) {
      if (draft === to) return true;
      for (const next of at(this.after, draft)) seen.add(next);
    }
    return false;
  }

  isReached(fastened: Fastened): boolean {
    for (const covering of this.before(fastened))
      for (const held of [fastened.through, fastened.into])
        if (covering === held || this.leadsTo(covering, held)) return false;
    return true;
  }

  place(fastened: Fastened): void {
    for (const covering of this.before(fastened))
      for (const held of [fastened.through, fastened.into]) at(this.after, held).add(covering);
  }
}
