import type { Day } from '../building/index.js';
import type { Ticks } from '../measure/index.js';
import type { MOUNTS } from '../plan/index.js';

/** A place on the earth, in degrees: WGS 84. */
export interface Coordinates {
  latitude: number;
  longitude: number;
}

export const FACINGS = [
  'north',
  'north-east',
  'east',
  'south-east',
  'south',
  'south-west',
  'west',
  'north-west',
] as const;
export type Facing = (typeof FACINGS)[number];
export type Mount = (typeof MOUNTS)[number];

/** A box that hangs, or hung, somewhere. What nobody has said is null, or empty words. */
export interface TrailBox {
  number: number;
  /** By its id in the table of animals. */
  animal: string | null;
  plan: string;
  place: string;
  at: Coordinates | null;
  /** Of the entrance above the ground. */
  height: Ticks | null;
  facing: Facing | null;
  mount: Mount | null;
  /** The tree, wall or post itself. */
  host: string;
  /** Who looks after it. */
  keeper: string;
  hungOn: Day | null;
  takenDownOn: Day | null;
  note: string;
}

/** Every measure and word of a box that nobody has told yet. */
export const UNTOLD_BOX: Omit<TrailBox, 'number'> = {
  animal: null,
  plan: '',
  place: '',
  at: null,
  height: null,
  facing: null,
  mount: null,
  host: '',
  keeper: '',
  hungOn: null,
  takenDownOn: null,
  note: '',
};

/** What is found at a visit; of a bat box and of one that is left alone, that it was not opened. */
export const FINDINGS = [
  'empty',
  'nest',
  'eggs',
  'young',
  'fledged',
  'unwanted',
  'wasps',
  'not-opened',
] as const;
export type Finding = (typeof FINDINGS)[number];

export interface Visit {
  on: Day;
  found: Finding;
  /** Counted; null where nobody did. */
  eggs: number | null;
  young: number | null;
  fledged: number | null;
  cleaned: boolean;
  /** What wants mending, in words; empty where nothing does. */
  wants: string;
  /** Who lived in it, where it is another than the box is for; empty where it is not, or nobody knows. */
  guest: string;
  by: string;
  note: string;
}

/** Findings by which a box was lived in. A nest alone may have been left. */
export const LIVED_IN: ReadonlySet<Finding> = new Set(['eggs', 'young', 'fledged']);
