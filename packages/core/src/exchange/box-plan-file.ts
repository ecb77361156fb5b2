import { z } from 'zod';
import type { BoxPlan } from '../box/plan.js';
import { type Read, readDocument, readValue } from './document.js';
import { degrees, length, name, positiveLength } from './units.js';

export const PLAN_FORMAT = 'spare-knot/box-plan';

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

const strip = (read: Read<z.output<typeof boxPlanSchema>>): Read<BoxPlan> => {
  if (!read.ok) return read;
  const { format: _format, version: _version, ...plan } = read.value;
  return { ok: true, value: plan };
};

export const readBoxPlan = (text: string): Read<BoxPlan> => strip(readDocument(text, PLAN_FORMAT, 1, boxPlanSchema));
export const readBoxPlanValue = (raw: unknown): Read<BoxPlan> => strip(readValue(raw, PLAN_FORMAT, 1, boxPlanSchema));

/** A box plan as a file writes it: choices only, lengths in millimetres, angles in degrees. */
export const writeBoxPlan = (plan: BoxPlan): z.input<typeof boxPlanSchema> =>
  z.encode(boxPlanSchema, {
    format: PLAN_FORMAT,
    version: 1,
    ...plan,
    sizes: { ...plan.sizes },
    angles: { ...plan.angles },
    schools: { ...plan.schools },
    wood: { ...plan.wood },
  });
