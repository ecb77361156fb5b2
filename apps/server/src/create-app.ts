import { existsSync } from 'node:fs';
import type { Server } from 'node:http';
import { join } from 'node:path';
import type { INestApplication } from '@nestjs/common';
import type { NestExpressApplication } from '@nestjs/platform-express';
import express, { type NextFunction, type Request, type Response } from 'express';
import helmet from 'helmet';
import { keptByNobody, onlyFromHere } from './http/guard.middleware.js';
import { ProblemFilter } from './http/problem.filter.js';
import { refuseExpectation, refuseNoise } from './http/send-problem.js';

/** Headers, limits, problem documents and the built pages, the same in production and in tests. */
export function dress(app: INestApplication, pages: string | null, extraHost?: string): void {
  const express4 = app as NestExpressApplication;
  express4.disable('x-powered-by');
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          'default-src': ["'none'"],
          'script-src': ["'self'", "'wasm-unsafe-eval'"],
          'worker-src': ["'self'", 'blob:'],
          'style-src': ["'self'", "'unsafe-inline'"],
          'font-src': ["'self'"],
          'img-src': ["'self'", 'data:', 'blob:'],
          'connect-src': ["'self'", 'blob:'],
          'form-action': ["'none'"],
          'frame-ancestors': ["'none'"],
          'base-uri': ["'none'"],
        },
      },
      strictTransportSecurity: false,
      referrerPolicy: { policy: 'no-referrer' },
    }),
  );
  app.use(onlyFromHere(extraHost), keptByNobody);
  const server = app.getHttpServer() as Server;
  server.on('checkExpectation', refuseExpectation);
  server.on('clientError', refuseNoise);
  // A whole shop at once; everywhere else what is sent is small.
  app.use('/api/archive', express.raw({ type: 'application/zip', limit: '100mb' }));
  express4.useBodyParser('json', { limit: '4mb' });
  app.useGlobalFilters(new ProblemFilter());
  app.enableShutdownHooks();
  if (pages && existsSync(join(pages, 'index.html'))) {
    app.use('/assets', express.static(join(pages, 'assets'), { immutable: true, maxAge: '1y' }));
    app.use(express.static(pages, { index: false, maxAge: 0 }));
    app.use((request: Request, response: Response, next: NextFunction) => {
      if (
        (request.method !== 'GET' && request.method !== 'HEAD') ||
        request.path.startsWith('/api/') ||
        /\.\w+$/.test(request.path)
      )
        next();
      else
        response.sendFile(join(pages, 'index.html'), { headers: { 'Cache-Control': 'no-cache' } });
    });
  }
}
