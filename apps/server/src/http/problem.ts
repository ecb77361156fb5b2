import { HttpException } from '@nestjs/common';
import type { ProblemDocument } from '@spare-knot/core/api';

/** An answer that tells what went wrong, where, and what is kept now: RFC 9457. */
export class Problem extends HttpException {
  constructor(readonly document: ProblemDocument) {
    super(document, document.status);
  }
}

export const badInput = (errors: { path: string; message: string }[]): Problem =>
  new Problem({
    type: 'about:blank',
    title: 'What was sent cannot be read',
    status: 400,
    detail: errors.map(({ path, message }) => (path ? `${path}: ${message}` : message)).join('; '),
    errors,
  });

export const notFound = (what: string): Problem =>
  new Problem({ type: 'about:blank', title: `There is no such ${what}`, status: 404 });

export const stale = (what: string, current: unknown): Problem =>
  new Problem({
    type: 'urn:spare-knot:stale',
    title: `The ${what} was changed elsewhere`,
    status: 409,
    detail: 'Nothing was overwritten. Here is what is kept now.',
    current,
  });

export const conflict = (title: string, detail: string, current?: unknown): Problem =>
  new Problem({
    type: 'urn:spare-knot:conflict',
    title,
    status: 409,
    detail,
    ...(current === undefined ? {} : { current }),
  });

export const unsound = (title: string, errors: { path: string; message: string }[]): Problem =>
  new Problem({
    type: 'urn:spare-knot:unsound',
    title,
    status: 422,
    detail: errors.map(({ path, message }) => `${path}: ${message}`).join('; '),
    errors,
  });
