import { ArgumentsHost, Catch, ExceptionFilter, HttpException, Logger } from '@nestjs/common';
import type { ProblemDocument } from '@spare-knot/core/api';
import type { Response } from 'express';
import { Problem } from './problem.js';

/** Every failure leaves as a problem document; what is inside the server stays inside. */
@Catch()
export class ProblemFilter implements ExceptionFilter {
  private readonly logger = new Logger('http');

  catch(error: unknown, host: ArgumentsHost): void {
    const response = host.switchToHttp().getResponse<Response>();
    const document = this.documentFor(error);
    if (document.status >= 500)
      this.logger.error(error instanceof Error ? (error.stack ?? error.message) : String(error));
    response
      .status(document.status)
      .type('application/problem+json')
      .send(JSON.stringify(document));
  }

  private documentFor(error: unknown): ProblemDocument {
    if (error instanceof Problem) return error.document;
    if (error instanceof HttpException)
      return { type: 'about:blank', title: error.message, status: error.getStatus() };
    const status = (error as { status?: unknown }).status;
    if (status === 413)
      return { type: 'about:blank', title: 'That is too large to be read', status: 413 };
    if (status === 400) return { type: 'about:blank', title: 'That is not JSON', status: 400 };
    return { type: 'about:blank', title: 'The server failed; nothing was changed', status: 500 };
  }
}
