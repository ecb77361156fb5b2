import { type ExecutionContext, Injectable } from '@nestjs/common';
import {
  ThrottlerGuard,
  type ThrottlerLimitDetail,
  type ThrottlerModuleOptions,
} from '@nestjs/throttler';
import type { Request } from 'express';
import { tooMany } from './problem.js';

/** Letters from which on a request is a large one: a file that is read in, or a whole shop. */
const LARGE = 200_000;

const isSmall = (context: ExecutionContext): boolean =>
  !(Number(context.switchToHttp().getRequest<Request>().headers['content-length']) > LARGE);

/** What one address may ask in ten seconds: far more than fifty makers at one bench do, and no more than the house answers. */
export const PACE: ThrottlerModuleOptions = {
  throttlers: [
    { name: 'all', ttl: 10_000, limit: 10_000 },
    { name: 'large', ttl: 10_000, limit: 60, skipIf: isSmall },
  ],
  setHeaders: false,
};

/** Refuses what comes faster than that, and says when to come again. */
@Injectable()
export class PaceGuard extends ThrottlerGuard {
  /** By address, whatever is asked. */
  protected override generateKey(_context: ExecutionContext, address: string, name: string) {
    return `${name} ${address}`;
  }

  protected override async throwThrottlingException(
    _context: ExecutionContext,
    { timeToBlockExpire }: ThrottlerLimitDetail,
  ): Promise<void> {
    throw tooMany(Math.max(1, timeToBlockExpire));
  }
}
