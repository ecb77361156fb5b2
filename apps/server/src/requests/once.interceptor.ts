import { createHash } from 'node:crypto';
import { CallHandler, ExecutionContext, Injectable, NestInterceptor } from '@nestjs/common';
import type { Request } from 'express';
import { from, lastValueFrom, Observable } from 'rxjs';
import { Database } from '../database/database.js';
import { OutcomeUnknown } from '../database/failures.js';
import { Room } from '../database/room.js';
import { badInput, databaseAway, noRoom, notKnown, unsound } from '../http/problem.js';
import { RequestsRepository } from './requests.repository.js';

const KEY = /^[\x21-\x7e]{8,80}$/;

/** What was asked: two writes under one key must be one and the same. */
const fingerprintOf = ({ method, originalUrl, body }: Request): string =>
  createHash('sha256')
    .update(`${method} ${originalUrl} `)
    .update(Buffer.isBuffer(body) ? body : JSON.stringify(body ?? null))
    .digest('hex');

/** The key of a write; null where it came without. */
function keyOf({ headers }: Request): string | null {
  const key = headers['idempotency-key'];
  if (key === undefined) return null;
  if (typeof key === 'string' && KEY.test(key)) return key;
  throw badInput([{ path: 'Idempotency-Key', message: '8 to 80 printable letters are wanted' }]);
}

/**
 * Every write in one transaction with its answer, under the key it came with: a write whose answer was lost and that is sent again is
 * done once, and answered as it was.
 */
@Injectable()
export class OnceInterceptor implements NestInterceptor {
  constructor(
    private readonly database: Database,
    private readonly requests: RequestsRepository,
    private readonly room: Room,
  ) {}

  intercept(context: ExecutionContext, next: CallHandler): Observable<unknown> {
    const request = context.switchToHttp().getRequest<Request>();
    return from(
      request.method === 'GET' || request.method === 'HEAD'
        ? this.database.patiently(() => lastValueFrom(next.handle()))
        : this.write(request, next),
    );
  }

  private async write(request: Request, next: CallHandler): Promise<unknown> {
    if (!(await this.room.isThere())) throw noRoom();
    try {
      return await this.database.transaction(() => this.once(request, next));
    } catch (error) {
      if (!(error instanceof OutcomeUnknown)) throw error;
      return this.outcome(request);
    }
  }

  /** What became of a write whose COMMIT was not answered: it stands under its key, or was not kept; without a key nobody can tell. */
  private async outcome(request: Request): Promise<unknown> {
    const key = keyOf(request);
    if (key === null) throw notKnown();
    const kept = await this.database
      .transaction(() => this.requests.claim(key, fingerprintOf(request)))
      .catch(() => {
        throw notKnown();
      });
    if (kept === null) throw databaseAway();
    return JSON.parse(kept.answer ?? 'null');
  }

  private async once(request: Request, next: CallHandler): Promise<unknown> {
    const key = keyOf(request);
    if (key === null) return lastValueFrom(next.handle());
    const fingerprint = fingerprintOf(request);
    const earlier = await this.requests.claim(key, fingerprint);
    if (earlier === null) {
      const answer: unknown = await lastValueFrom(next.handle());
      await this.requests.keep(key, answer);
      return answer;
    }
    if (earlier.fingerprint !== fingerprint)
      throw unsound('This key was used for another write', [
        { path: 'Idempotency-Key', message: 'take a new one for each write' },
      ]);
    return JSON.parse(earlier.answer ?? 'null');
  }
}
