import { z } from 'zod';
import type { BoxPlan } from '../plan/index.js';
import { type Read, readDocument } from './document.js';
import { degrees, length, name, positiveLength } from './units.js';

export const PLAN_FORMAT = 'spare-knot/box-plan' as const;

const face = z.enum(['rough', 'planed']);
const id = z.string().min(1).max(60);

export const boxPlanSchema = z.object({
  format: z.literal(PLAN_FORMAT),
  version: z.literal(1),
  family: id,
  animal: id.nullable().default(null),
  sizes: z.record(id, length),
  angles: z.record(id, degrees).default({}),
  schools: z.record(id, id).default({}),
  wood: z.record(
    id,
    z.object({
      thickness: positiveLength,
      width: positiveLength.nullable().default(null),
      material: name,
      faceA: face.default('rough'),
      faceB: face.default('rough'),
    }),
  ),
});

/** A box plan, in a file of its own or inside another document. */
export const planDocument = z.codec(boxPlanSchema, z.custom<BoxPlan>(), {
  decode: ({ format: _format, version: _version, ...plan }) => plan,
  encode: (plan) => ({
    format: PLAN_FORMAT,
    version: 1 as const,
    ...plan,
    sizes: { ...plan.sizes },
    angles: { ...plan.angles },
    schools: { ...plan.schools },
    wood: { ...plan.wood },
  }),
});

export const readBoxPlan = (text: string): Read<BoxPlan> =>
  readDocument(text, PLAN_FORMAT, 1, planDocument);

/** A box plan as a file writes it: choices only, lengths in millimetres, angles in degrees. */
export const writeBoxPlan = (plan: BoxPlan): z.input<typeof planDocument> =>
  z.encode(planDocument, plan);
