import { PipeTransform } from '@nestjs/common';
import { problemsOf } from '@spare-knot/core/exchange';
import type { z } from 'zod';
import { outOfBounds } from './bounds.js';
import { badInput } from './problem.js';

/** Reads what was sent by a schema; what does not fit is refused, each field by name. */
export class Read<S extends z.ZodType> implements PipeTransform<unknown, z.output<S>> {
  constructor(private readonly schema: S) {}

  transform(value: unknown): z.output<S> {
    const beyond = outOfBounds(value);
    if (beyond) throw badInput([beyond]);
    const parsed = this.schema.safeParse(value);
    if (parsed.success) return parsed.data;
    throw badInput(problemsOf(parsed.error));
  }
}
