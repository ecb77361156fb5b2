import { z } from 'zod';
import { boxPlanSchema } from './box-plan-file.js';
import { buildPlanSchema } from './build-plan-file.js';
import { cutPlanSchema, progressSchema } from './cut-plan-file.js';
import { layoutSchema } from './layout-file.js';
import { layoutJobSchema } from './layout-job-file.js';

const SCHEMAS = {
  'box-plan': { version: 2, schema: boxPlanSchema },
  'layout-job': { version: 1, schema: () => layoutJobSchema },
  layout: { version: 1, schema: () => layoutSchema },
  'cut-plan': { version: 1, schema: () => cutPlanSchema },
  'build-plan': { version: 1, schema: () => buildPlanSchema },
  progress: { version: 1, schema: () => progressSchema },
};
export type SchemaName = keyof typeof SCHEMAS;
export const SCHEMA_NAMES = Object.keys(SCHEMAS) as SchemaName[];

/** JSON Schema (2020-12) of a file that Spare Knot reads, made from the very schema that reads it. */
export const jsonSchema = (name: SchemaName): Record<string, unknown> => ({
  ...z.toJSONSchema(SCHEMAS[name].schema(), { io: 'input', unrepresentable: 'any' }),
  title: `spare-knot/${name}, version ${SCHEMAS[name].version}`,
});
