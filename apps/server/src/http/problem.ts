import { HttpException } from '@nestjs/common';
import type { ProblemDocument } from '@spare-knot/core/api';

/** An answer that tells what went wrong, where, and what is kept now: RFC 9457. */
export class Problem extends HttpException {
  constructor(readonly document: ProblemDocument) {
    super(document, document.status);
  }
}

type Errors = readonly { path: string; message: string }[];

/** Errors that are told of one request. */
const MOST_ERRORS = 20;
/** Letters of a path and of a message: both may repeat what was sent. */
const LONGEST = { path: 200, message: 400 };

const cut = (text: string, most: number) => (text.length > most ? `${text.slice(0, most)}…` : text);

/** The first of them, each no longer than somebody reads. */
function told(errors: Errors): { errors: { path: string; message: string }[]; detail: string } {
  const first = errors.slice(0, MOST_ERRORS).map(({ path, message }) => ({
    path: cut(path, LONGEST.path),
    message: cut(message, LONGEST.message),
  }));
  const more = errors.length - first.length;
  const words = first.map(({ path, message }) => (path ? `${path}: ${message}` : message));
  return {
    errors: first,
    detail: [...words, ...(more > 0 ? [`and ${more} more`] : [])].join('; '),
  };
}

export const badInput = (errors: Errors): Problem =>
  new Problem({
    type: 'about:blank',
    title: 'What was sent cannot be read',
    status: 400,
    ...told(errors),
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

export const unsound = (title: string, errors: Errors): Problem =>
  new Problem({ type: 'urn:spare-knot:unsound', title, status: 422, ...told(errors) });

/** It failed for a while: the same may be asked again after a moment. */
export class ForAWhile extends Problem {
  /** @param retryAfter seconds */
  constructor(
    document: ProblemDocument,
    readonly retryAfter = 2,
  ) {
    super(document);
  }
}

export const tooMany = (seconds: number): Problem =>
  new ForAWhile(
    {
      type: 'urn:spare-knot:too-many',
      title: 'That is more than anybody asks in so short a time',
      status: 429,
      detail: `Nothing was changed. Try it again in ${seconds} s.`,
    },
    seconds,
  );

export const noRoom = (): Problem =>
  new Problem({
    type: 'urn:spare-knot:disk-full',
    title: 'The disk is full',
    status: 507,
    detail:
      'Nothing was changed. All that is kept can be read; more can be kept as soon as there is room.',
  });

export const notKnown = (): Problem =>
  new ForAWhile({
    type: 'urn:spare-knot:not-known',
    title: 'It is not known whether this was kept',
    status: 503,
    detail:
      'The database was lost while it was being kept. Sent again under the same Idempotency-Key it is kept once, or found to be kept.',
  });

export const databaseAway = (): Problem =>
  new ForAWhile({
    type: 'urn:spare-knot:away',
    title: 'The database does not answer',
    status: 503,
    detail: 'Nothing was changed. Try it again in a moment.',
  });

export const busy = (): Problem =>
  new ForAWhile({
    type: 'urn:spare-knot:busy',
    title: 'Too many want the same just now',
    status: 503,
    detail: 'Nothing was changed. Try it again in a moment.',
  });
