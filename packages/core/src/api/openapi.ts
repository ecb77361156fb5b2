import { z } from 'zod';
import { OPERATIONS, type Operation } from './operations.js';
import { problemDocument } from './problem.js';

const schemaOf = (schema: z.ZodType): Record<string, unknown> => {
  const { $schema: _schema, ...rest } = z.toJSONSchema(schema, {
    io: 'input',
    unrepresentable: 'any',
    target: 'draft-2020-12',
  });
  return rest;
};

const json = (schema: z.ZodType) => ({ 'application/json': { schema: schemaOf(schema) } });

const pathParameter = {
  name: 'id',
  in: 'path',
  required: true,
  schema: { type: 'string', format: 'uuid' },
};
/** A write sent again with the key of the one before is done once; its first answer comes back. */
const keyHeader = {
  name: 'Idempotency-Key',
  in: 'header',
  required: false,
  schema: { type: 'string', minLength: 8, maxLength: 80 },
};

const queryParameters = ({ query }: Operation) =>
  Object.entries(query?.shape ?? {}).map(([name, schema]) => ({
    name,
    in: 'query',
    required: !(schema as z.ZodType).safeParse(undefined).success,
    schema: schemaOf(schema as z.ZodType),
  }));

function described(operation: Operation): Record<string, unknown> {
  const { method, path, summary, body, answer } = operation;
  const parameters = [
    ...(path.includes('{id}') ? [pathParameter] : []),
    ...queryParameters(operation),
    ...(method === 'get' ? [] : [keyHeader]),
  ];
  return {
    summary,
    ...(parameters.length > 0 && { parameters }),
    ...(body && { requestBody: { required: true, content: json(body) } }),
    responses: {
      '2XX': { description: summary, ...(answer && { content: json(answer) }) },
      default: {
        description: 'A problem document (RFC 9457)',
        content: { 'application/problem+json': { schema: schemaOf(problemDocument) } },
      },
    },
  };
}

/** The server described by its own schemas: OpenAPI 3.1. */
export function openApi(): Record<string, unknown> {
  const paths: Record<string, Record<string, unknown>> = {};
  for (const operation of OPERATIONS) {
    const known = paths[operation.path] ?? {};
    known[operation.method] = described(operation);
    paths[operation.path] = known;
  }
  return { openapi: '3.1.0', info: { title: 'Spare Knot', version: '1' }, paths };
}
