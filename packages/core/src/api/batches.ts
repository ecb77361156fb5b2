import { z } from 'zod';
import { ASSEMBLY_SCHOOLS, USUAL_SITE } from '../building/index.js';
import {
  count,
  distance,
  layoutDocument,
  name,
  placementFields,
  planDocument,
  positiveLength,
  saw,
} from '../exchange/index.js';
import { STANDARD_CLASSES } from '../layout/index.js';
import { HANGING_WAYS } from '../plan/index.js';
import { boardRecord } from './boards.js';
import { id, moment, version } from './fields.js';

const units = z.enum(['inch', 'mm']);
const division = z.literal([1, 10, 16, 32, 64]);

export const SUPPLIES = ['rack', 'rack-first', 'bought'] as const;
export type Supply = (typeof SUPPLIES)[number];

/** What the maker asks of a batch's layout beside the saw. Boards are named by their ids on the rack. */
export const layoutWishes = z.object({
  pinned: z
    .array(z.object({ ...placementFields, stock: name, piece: count }))
    .max(2000)
    .default([]),
  /** Where the wood comes from: the rack alone, the rack and what is still wanted from the yard, or all of it from the yard. */
  supply: z.enum(SUPPLIES).default('rack'),
  /** Boards that are left alone. */
  forbidden: z.array(name).max(1000).default([]),
  goals: z
    .object({
      first: z.enum(['cost', 'cuts', 'offcut']),
      classes: z.array(z.object({ from: distance, worth: z.number().min(0).max(10) })).max(12),
      /** In how many stages a board comes apart at most; null: any. */
      stages: z.literal([2, 3]).nullable().default(null),
    })
    .default({ first: 'cost', classes: [...STANDARD_CLASSES], stages: null }),
  /** Seconds that the search goes on looking for better. */
  seconds: z.number().min(0.1).max(120).default(5),
  /** Widest board that the saw cuts across, where nothing is ripped; null: any. */
  crosscut: positiveLength.nullable().default(null),
  /** Shortest piece that is held by hand at the saw: about 200 mm, common practice, no source. */
  handHeld: distance.default(200 * 320),
});
export type LayoutWishes = z.output<typeof layoutWishes>;
export const NO_WISHES: LayoutWishes = layoutWishes.decode({});

/** What the maker decides at the bench: which school the assembly follows, an order of the maker’s own, how the box hangs. */
export const making = z.object({
  school: z.enum(ASSEMBLY_SCHOOLS).default('back-first'),
  /** Each step by its first panel; null for the order that is searched. */
  order: z.array(name).max(500).nullable().default(null),
  /** A way that is chosen after the boards were taken; null for the plan’s own. */
  hanging: z.enum(HANGING_WAYS).nullable().default(null),
  /** What only the place can say; null is unknown, and asked for where a length depends on it. */
  site: z
    .object({
      /** Of the entrance above the ground; null for what the plan says. */
      height: positiveLength.nullable(),
      trunkGirth: positiveLength.nullable(),
      inGround: distance,
      postThick: positiveLength.nullable(),
    })
    .default({ height: null, ...USUAL_SITE }),
  /** The number that stands on the first box; the others follow. */
  firstNumber: z.number().int().min(1).max(99_999).default(1),
  /** When all of it is to be up, where the maker has said so; null for the animal’s own day. */
  upBy: z.iso.date().nullable().default(null),
  /** How many hours a day it is worked at; null while nobody has said, and then no day is told. */
  hoursADay: z.number().min(0.25).max(16).nullable().default(null),
});
export type Making = z.output<typeof making>;
export const NO_MAKING: Making = making.decode({});

/** Panels out of the bin that are set aside for a batch, and how many of each. */
export const readyPanels = z.array(
  z.object({
    /** The row of the bin that they came out of. */
    spare: id,
    piece: z.string().length(64),
    name: z.string().max(160),
    count: z.number().int().min(1).max(100_000),
  }),
);
export type ReadyPanel = z.output<typeof readyPanels>[number];

/** A panel that lies ready and need not be sawn. */
const readyPiece = z.object({
  piece: z.string().length(64),
  count: z.number().int().min(1).max(100_000),
  panel: name.nullable().exactOptional(),
});

const MOST_COPIES = 100;
export const panelCount = z.object({
  panel: name,
  count: z.number().int().min(1).max(MOST_COPIES),
});

/** Boxes that are out and are mended in a batch, each with what is made anew of it; and what stays on them. */
export const mendedBoxes = z.object({
  boxes: z
    .array(
      z.object({
        box: id,
        number: z.number().int(),
        panels: z.array(panelCount).min(1).max(200),
      }),
    )
    .min(1)
    .max(1000),
  sound: z.array(readyPiece),
});
export type MendedBoxes = z.output<typeof mendedBoxes>;

const batchFields = {
  name: z.string().trim().min(1).max(120),
  boxes: z.number().int().min(1).max(1000),
  units,
  division,
  plan: planDocument,
  saw,
  wishes: layoutWishes,
  making,
};

export const newBatch = z.object({
  ...batchFields,
  wishes: layoutWishes.default(NO_WISHES),
  making: making.default(NO_MAKING),
});
export type NewBatch = z.output<typeof newBatch>;

/** Some of what a batch says, changed; the rest stays as it is kept. */
export const batchPatch = z.object(batchFields).partial().extend({ version });
export type BatchPatch = z.output<typeof batchPatch>;

/** A layout that was accepted: its boards are off the rack, its offcuts on it. */
export const acceptedLayout = z.object({
  layout: layoutDocument,
  /** The boards it was laid on, as they were. */
  boards: z.array(boardRecord),
  acceptedAt: moment,
});

export const batchRecord = z.object({
  id,
  version,
  ...batchFields,
  ready: readyPanels,
  /** What it mends; null where it builds whole boxes. */
  mends: mendedBoxes.nullable(),
  changedAt: moment,
  /** The best layout found so far, while no board is taken for it. */
  proposed: layoutDocument.nullable(),
  /** Whether the box, the saw or the boards have changed since it was found. */
  proposalStale: z.boolean(),
  accepted: acceptedLayout.nullable(),
});
export type BatchRecord = z.output<typeof batchRecord>;

/** A small drawing of a box, in millimetres, y downwards: outlines as SVG path data, what is cut over what lies behind. */
const picture = z.object({
  box: z.tuple([z.number(), z.number(), z.number(), z.number()]),
  behind: z.string(),
  cut: z.string(),
});
export type Picture = z.output<typeof picture>;

/** A batch as it lies on the bench. */
export const batchSummary = z.object({
  id,
  version,
  name: z.string(),
  boxes: z.number().int(),
  /** Its boxes are out already, and are mended. */
  isMending: z.boolean(),
  /** All of its boxes hang, or are mended. */
  isDone: z.boolean(),
  /** When all of it is to be up, where the maker has said so. */
  upBy: z.iso.date().nullable(),
  family: z.string(),
  animals: z.array(z.string()),
  changedAt: moment,
  /** Null where its box cannot be built. */
  picture: picture.nullable(),
  state: z.discriminatedUnion('is', [
    z.object({ is: z.literal('planned') }),
    z.object({
      is: z.literal('proposed'),
      boards: z.number().int(),
      cost: z.number().int(),
      stale: z.boolean(),
    }),
    z.object({ is: z.literal('taken') }),
    z.object({ is: z.literal('unreadable'), why: z.string() }),
  ]),
});
export type BatchSummary = z.output<typeof batchSummary>;
export const batchList = z.object({ batches: z.array(batchSummary) });

/** The plans of all batches, for whoever holds a scrap against them. */
export const keptPlans = z.object({
  plans: z.array(
    z.object({
      batch: id,
      name: z.string(),
      plan: planDocument,
      boxes: z.number().int(),
      /** Its boards are taken, so that it wants no other wood. */
      isTaken: z.boolean(),
      /** What need not be sawn for it. */
      ready: z.array(readyPiece),
      isMending: z.boolean(),
    }),
  ),
  /** Batches that cannot be read. */
  unreadable: z.array(z.string()),
});
export type KeptPlans = z.output<typeof keptPlans>;

export const acceptance = z.object({ version, layout: layoutDocument });
export const proposal = z.object({ layout: layoutDocument });
export const proposed = z.object({ kept: id });
/** The boards that a layout wants from the yard are bought: they lie on the rack, and the layout on them. */
export const bought = z.object({ batch: batchRecord, boards: z.array(boardRecord) });
export type Bought = z.output<typeof bought>;
export type Acceptance = z.output<typeof acceptance>;
