import { ArgumentsHost, Catch, ExceptionFilter, HttpException, Logger } from '@nestjs/common';
import type { ProblemDocument } from '@spare-knot/core/api';
import type { Response } from 'express';
import { isAway, isFull, isLocked, OutcomeUnknown } from '../database/failures.js';
import { busy, databaseAway, ForAWhile, noRoom, notKnown, Problem } from './problem.js';

/** Letters of a message that stand in the log: a statement may be longer than the reason at its end. */
const LONGEST = 300;

/** What a failure of the database is told as; null where it is none that has a name. */
function problemOf(error: unknown): Problem | null {
  if (error instanceof Problem) return error;
  if (error instanceof OutcomeUnknown) return notKnown();
  if (isAway(error)) return databaseAway();
  if (isLocked(error)) return busy();
  return isFull(error) ? noRoom() : null;
}

/** Every failure leaves as a problem document; what is inside the server stays inside. */
@Catch()
export class ProblemFilter implements ExceptionFilter {
  private readonly logger = new Logger('http');

  catch(error: unknown, host: ArgumentsHost): void {
    const response = host.switchToHttp().getResponse<Response>();
    const problem = problemOf(error);
    const document = problem?.document ?? this.documentFor(error);
    if (document.status >= 500 && !(error instanceof Problem)) this.log(problem, error);
    if (problem instanceof ForAWhile) response.setHeader('Retry-After', problem.retryAfter);
    response
      .status(document.status)
      .type('application/problem+json')
      .send(JSON.stringify(document));
  }

  /** What has a name in one line; what has none, with where it came from. */
  private log(problem: Problem | null, error: unknown): void {
    const { message, stack } = error instanceof Error ? error : new Error(String(error));
    if (problem) this.logger.warn(`${problem.document.title}: ${message.slice(-LONGEST)}`);
    else this.logger.error(stack ?? message);
  }

  private documentFor(error: unknown): ProblemDocument {
    if (error instanceof HttpException)
      return { type: 'about:blank', title: error.message, status: error.getStatus() };
    const status = (error as { status?: unknown }).status;
    if (status === 413)
      return { type: 'about:blank', title: 'That is too large to be read', status: 413 };
    if (status === 400) return { type: 'about:blank', title: 'That is not JSON', status: 400 };
    return { type: 'about:blank', title: 'The server failed; nothing was changed', status: 500 };
  }
}
