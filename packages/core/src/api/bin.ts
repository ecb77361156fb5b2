import { z } from 'zod';
import { name, planDocument, polygon, positiveLength } from '../exchange/index.js';
import { id, moment, version } from './fields.js';
import { besideRows } from './unreadable.js';

/** Alike in a bin, at most. */
export const MOST_PANELS = 100_000;
const copies = z.number().int().min(1).max(MOST_PANELS);
const place = z.string().trim().max(120);

/** Panels that are made ahead and lie in the bin: alike in shape, wood and place, made by one version of a plan. */
export const spareRecord = z.object({
  id,
  version,
  /** What it is as a piece of wood; panels of two plans with one piece take each other’s place. */
  piece: z.string().length(64),
  /** Of which plan, in which of its versions: as it was when it was first kept. */
  plan: z.object({ key: z.string().length(64), name: z.string(), since: moment }),
  panel: name,
  role: name,
  name: z.string(),
  hand: z.enum(['left', 'right']).nullable(),
  thickness: positiveLength,
  material: name,
  place,
  /** More than may be put in at once: what is put back comes on top. */
  count: z.number().int().min(0),
  /** Outside face, inside face and what is cut through, in the panel’s own frame. */
  drawing: z.object({ outline: polygon, underside: polygon, cuts: z.array(polygon).max(200) }),
});
export type SpareRecord = z.output<typeof spareRecord>;
export const binList = z.object({ spares: z.array(spareRecord), ...besideRows });

/** Panels of one plan that go in the bin; what lies there already of the same piece, wood and place is counted up. */
export const newSpares = z.object({
  plan: planDocument,
  planName: z.string().trim().min(1).max(120),
  panels: z
    .array(z.object({ panel: name, count: copies, material: name, place: place.default('') }))
    .min(1)
    .max(200),
});
export type NewSpares = z.output<typeof newSpares>;
export const spareChange = z.object({ version, count: copies, place });
export type SpareChange = z.output<typeof spareChange>;

/** Panels that a batch takes out of the bin before anything is sawn. */
export const fromBin = z.object({
  version,
  take: z
    .array(z.object({ spare: id, count: copies }))
    .min(1)
    .max(500),
});
export type FromBin = z.output<typeof fromBin>['take'][number];
/** Panels that go back in it; all of a batch’s where none is named. */
export const backToBin = z.object({ version, spares: z.array(id).max(500).nullable() });
