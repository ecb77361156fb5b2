import { ArgumentsHost, Catch, ExceptionFilter, HttpException, Logger } from '@nestjs/common';
import type { ProblemDocument } from '@spare-knot/core/api';
import type { Response } from 'express';
import { isAway, isFull, isLocked, OutcomeUnknown } from '../database/failures.js';
import { busy, databaseAway, ForAWhile, noRoom, notKnown, Problem } from './problem.js';
import { sendProblem } from './send-problem.js';

/** What Express itself refuses, by its status. */
const TITLES: Readonly<Record<number, string>> = {
  400: 'That is not JSON',
  404: 'There is no such page',
  412: 'What is there is another by now',
  413: 'That is too large to be read',
  415: 'That is written in a way that is not read here: JSON in UTF-8, packed by gzip, deflate or not at all',
  416: 'There is no such part of it',
};

/** Letters of a message that stand in the log: a statement may be longer than the reason at its end. */
const LONGEST = 300;

/** What a failure of the database is told as; null where it is none that has a name. */
function problemOf(error: unknown): Problem | null {
  if (error instanceof Problem) return error;
  // A page’s file that is missing has a code that a database’s socket has too.
  if (typeof (error as { status?: unknown } | null)?.status === 'number') return null;
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
    sendProblem(response, document);
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
    const { status } = error as { status?: unknown };
    if (typeof status === 'number' && status >= 400 && status < 500)
      return { type: 'about:blank', title: TITLES[status] ?? 'That cannot be done', status };
    return { type: 'about:blank', title: 'The server failed; nothing was changed', status: 500 };
  }
}
