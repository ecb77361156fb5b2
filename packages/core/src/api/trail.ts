import { z } from 'zod';
import { animalById } from '../animals/index.js';
import { MOST_NUMBER, positiveLength } from '../exchange/index.js';
import { MOUNTS } from '../plan/index.js';
import { FACINGS, FINDINGS, SEASON_KEYS, SEASON_SAYS } from '../trail/index.js';
import { id, moment, version } from './fields.js';
import { besideRows } from './unreadable.js';

const words = (most: number) => z.string().trim().max(most).default('');
const day = z.iso.date();
const count = z.number().int().min(0).max(200).nullable().default(null);

const boxFields = {
  number: z.number().int().min(1).max(MOST_NUMBER),
  animal: z
    .string()
    .max(60)
    .refine((said) => animalById(said) !== undefined, 'is not in the table of animals')
    .nullable()
    .default(null),
  plan: words(120),
  place: words(120),
  at: z
    .object({ latitude: z.number().min(-90).max(90), longitude: z.number().min(-180).max(180) })
    .nullable()
    .default(null),
  height: positiveLength.nullable().default(null),
  facing: z.enum(FACINGS).nullable().default(null),
  mount: z.enum(MOUNTS).nullable().default(null),
  host: words(120),
  keeper: words(120),
  hungOn: day.nullable().default(null),
  takenDownOn: day.nullable().default(null),
  note: words(400),
  /** The batch it was built in; with it the version of the plan is kept. */
  batch: id.nullable().default(null),
};
const inOrder = ({
  hungOn,
  takenDownOn,
}: {
  hungOn: string | null;
  takenDownOn: string | null;
}): boolean => hungOn === null || takenDownOn === null || hungOn <= takenDownOn;
const IN_ORDER = { path: ['takenDownOn'], message: 'is before the day it was hung' };

/** A box that is out, or is to go out. */
export const newBox = z.object(boxFields).refine(inOrder, IN_ORDER);
export type NewBox = z.output<typeof newBox>;
export const newBoxes = z.object({ boxes: z.array(newBox).min(1).max(1000) });
export const boxChange = z.object({ ...boxFields, version }).refine(inOrder, IN_ORDER);
export type BoxChange = z.output<typeof boxChange>;

const visitFields = {
  box: id,
  on: day,
  found: z.enum(FINDINGS),
  eggs: count,
  young: count,
  fledged: count,
  guest: words(120),
  cleaned: z.boolean().default(false),
  wants: words(400),
  by: words(120),
  note: words(400),
};

/** A visit. Its id is made where it is recorded, so that it is kept once however often it is sent. */
export const newVisit = z.object({ ...visitFields, id });
export type NewVisit = z.output<typeof newVisit>;
export const newVisits = z.object({ visits: z.array(newVisit).min(1).max(500) });
export const visitChange = z.object({ ...visitFields, version });
export type VisitChange = z.output<typeof visitChange>;
export const visitRecord = newVisit.extend({ version, hasPhoto: z.boolean() });
export type VisitRecord = z.output<typeof visitRecord>;
export const visitList = z.object({ visits: z.array(visitRecord) });

/** A box with what is known of the visits to it. */
export const boxRecord = z.object({
  ...boxFields,
  id,
  version,
  /** The version of the plan that it was built by; null where that is not known. */
  planKey: z.string().length(64).nullable(),
  visits: z.number().int(),
  last: visitRecord.nullable(),
  cleanedOn: day.nullable(),
});
export type BoxRecord = z.output<typeof boxRecord>;
export const boxList = z.object({ boxes: z.array(boxRecord), ...besideRows });
export const boxWithVisits = z.object({
  box: boxRecord,
  visits: z.array(visitRecord),
  ...besideRows,
});
export type BoxWithVisits = z.output<typeof boxWithVisits>;

const problems = z.array(z.object({ line: z.number().int(), message: z.string() }));
export const boxReport = z.object({ boxes: z.array(boxRecord), problems });
export const visitReport = z.object({ visits: z.array(visitRecord), problems });

/** A small picture, as JPEG in base64; nothing else than the picture may stand in it. */
export const photoBody = z.object({ jpeg: z.base64().max(600_000) });

const share = z.object({
  of: z.number().int(),
  hung: z.number().int(),
  share: z.number(),
  low: z.number(),
  high: z.number(),
});
export const seasonQuery = z.object({
  by: z.enum(SEASON_KEYS),
  year: z.coerce.number().int().min(1900).max(2200).optional(),
});
export const seasonRecord = z.object({
  /** Years in which boxes hung, the last first. */
  years: z.array(z.number().int()),
  rows: z.array(
    z.object({
      key: z.union([z.string(), z.number()]).nullable(),
      taken: share,
      unseen: z.number().int(),
      eggs: z.number().int(),
      young: z.number().int(),
      fledged: z.number().int(),
    }),
  ),
  read: moment,
});
/** What to build before the next season, and what is to be mended. */
export const winterRecord = z.object({
  rows: z.array(
    z.object({
      animal: z.string().nullable(),
      plan: z.object({ key: z.string(), name: z.string() }).nullable(),
      hung: z.number().int(),
      lost: z.number().int(),
      asked: z.number().int(),
      season: z.object({ year: z.number().int(), taken: share }).nullable(),
      says: z.enum(SEASON_SAYS),
      more: z.number().int(),
      boxes: z.number().int(),
      upBy: day.nullable(),
    }),
  ),
  broken: z.object({ boxes: z.number().int(), panels: z.number().int() }),
});
export type WinterRecord = z.output<typeof winterRecord>;
export type SeasonRecord = z.output<typeof seasonRecord>;
