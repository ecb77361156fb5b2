import type { NextFunction, Request, Response } from 'express';
import { sendProblem } from './send-problem.js';

const LOOPBACK = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/;

/** Whether another site's page asks; following a link from there to one of our pages is no asking. */
const asksFromElsewhere = ({ headers, path }: Request): boolean =>
  headers['sec-fetch-site'] === 'cross-site' &&
  (headers['sec-fetch-mode'] !== 'navigate' || path.startsWith('/api'));

/** Only pages of this server may talk to it: a foreign Host (rebinding), Origin or Sec-Fetch-Site (another site) is refused. */
export function onlyFromHere(extraHost: string | undefined) {
  const known = (host: string) =>
    LOOPBACK.test(host) || (extraHost !== undefined && host === extraHost);
  return (request: Request, response: Response, next: NextFunction): void => {
    const { host, origin } = request.headers;
    const originHost = origin === undefined ? host : origin.replace(/^https?:\/\//, '');
    if (host !== undefined && known(host) && originHost === host && !asksFromElsewhere(request)) {
      next();
      return;
    }
    sendProblem(response, {
      type: 'about:blank',
      title: 'This server answers only pages of its own',
      status: 403,
    });
  };
}

/** What is kept stays where it is: nobody on the way, nor the browser, keeps a copy that outlives it. */
export function keptByNobody(request: Request, response: Response, next: NextFunction): void {
  if (request.path.startsWith('/api')) response.setHeader('Cache-Control', 'no-store');
  next();
}
