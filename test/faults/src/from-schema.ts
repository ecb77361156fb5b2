import type { Json } from './mutate.js';
import type { Random } from './random.js';

/** As much of JSON Schema as the server describes itself with. */
export interface Schema {
  readonly type?: string;
  readonly const?: Json;
  readonly enum?: readonly Json[];
  readonly oneOf?: readonly Schema[];
  readonly anyOf?: readonly Schema[];
  readonly allOf?: readonly Schema[];
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly required?: readonly string[];
  readonly additionalProperties?: Schema | boolean;
  readonly items?: Schema;
  readonly prefixItems?: readonly Schema[];
  readonly minItems?: number;
  readonly minimum?: number;
  readonly maximum?: number;
  readonly exclusiveMinimum?: number;
  readonly minLength?: number;
  readonly format?: string;
}

/** What is known of the shop, so that what is made up speaks of things that are there. */
export type Known = Readonly<Record<'id' | 'date' | 'text', readonly string[]>>;

/** A document that a schema lets in, mostly. */
export function made(schema: Schema, random: Random, known: Known): Json {
  if (schema.const !== undefined) return schema.const;
  if (schema.enum) return random.pick(schema.enum);
  const branches = schema.oneOf ?? schema.anyOf;
  if (branches) return made(random.pick(branches), random, known);
  if (schema.allOf)
    return Object.assign({}, ...schema.allOf.map((each) => made(each, random, known) as object));
  switch (schema.type) {
    case 'object':
      return madeObject(schema, random, known);
    case 'array':
      return madeList(schema, random, known);
    case 'number':
    case 'integer':
      return madeNumber(schema, random);
    case 'boolean':
      return random.chance(0.5);
    case 'string':
      return madeText(schema, random, known);
    default:
      return null;
  }
}

function madeObject(schema: Schema, random: Random, known: Known): Json {
  const required = new Set(schema.required ?? []);
  const own = Object.entries(schema.properties ?? {}).filter(
    ([name]) => required.has(name) || random.chance(0.4),
  );
  const fields = Object.fromEntries(own.map(([name, each]) => [name, made(each, random, known)]));
  const others = schema.additionalProperties;
  if (typeof others === 'object' && random.chance(0.6))
    fields[random.pick(known.text)] = made(others, random, known);
  return fields;
}

function madeList(schema: Schema, random: Random, known: Known): Json {
  if (schema.prefixItems) return schema.prefixItems.map((each) => made(each, random, known));
  const { items } = schema;
  const length = (schema.minItems ?? 0) + random.below(3);
  return items ? Array.from({ length }, () => made(items, random, known)) : [];
}

function madeNumber({ minimum, exclusiveMinimum, maximum, type }: Schema, random: Random): number {
  const low = minimum ?? exclusiveMinimum ?? -1000;
  const high = Math.min(maximum ?? low + 3000, low + 3000);
  const value = low + random.next() * (high - low);
  return type === 'integer' ? Math.round(value) : value;
}

function madeText({ format, minLength = 0 }: Schema, random: Random, known: Known): string {
  if (format === 'uuid') return random.pick(known.id);
  if (format === 'date') return random.pick(known.date);
  if (format === 'date-time') return `${random.pick(known.date)}T00:00:00.000Z`;
  return random.pick(known.text).padEnd(minLength, 'x');
}
