import type { NextFunction, Request, Response } from 'express';

const LOOPBACK = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/;

/** Only pages of this server may talk to it: a foreign Host (rebinding) or Origin (another site) is refused. */
export function onlyFromHere(extraHost: string | undefined) {
  const known = (host: string) =>
    LOOPBACK.test(host) || (extraHost !== undefined && host === extraHost);
  return (request: Request, response: Response, next: NextFunction): void => {
    const { host, origin } = request.headers;
    const originHost = origin === undefined ? host : origin.replace(/^https?:\/\//, '');
    if (host !== undefined && known(host) && originHost === host) {
      next();
      return;
    }
    response
      .status(403)
      .type('application/problem+json')
      .send(
        JSON.stringify({
          type: 'about:blank',
          title: 'This server answers only pages of its own',
          status: 403,
        }),
      );
  };
}
