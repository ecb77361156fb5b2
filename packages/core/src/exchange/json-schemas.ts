import { z } from 'zod';
import { boxPlanSchema } from './box-plan-file.js';
import { layoutSchema } from './layout-file.js';
import { layoutJobSchema } from './layout-job-file.js';

const SCHEMAS = { 'box-plan': boxPlanSchema, 'layout-job': layoutJobSchema, layout: layoutSchema };
export const SCHEMA_NAMES = Object.keys(SCHEMAS) as (keyof typeof SCHEMAS)[];

/** JSON Schema (2020-12) of a file that Spare Knot reads, made from the very schema that reads it. */
export const jsonSchema = (name: keyof typeof SCHEMAS): Record<string, unknown> => ({
  ...z.toJSONSchema(SCHEMAS[name], { io: 'input', unrepresentable: 'any' }),
  title: `spare-knot/${name}, version 1`,
});
