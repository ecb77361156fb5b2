import type { IncomingMessage, ServerResponse } from 'node:http';
import type { Duplex } from 'node:stream';
import type { ProblemDocument } from '@spare-knot/core/api';

const MEDIA = 'application/problem+json; charset=utf-8';

/** Answers with a problem document: RFC 9457. */
export function sendProblem(response: ServerResponse, document: ProblemDocument): void {
  response.statusCode = document.status;
  response.setHeader('Content-Type', MEDIA);
  response.setHeader('X-Content-Type-Options', 'nosniff');
  response.end(JSON.stringify(document));
}

/** Refuses what an `Expect` header expects, unless it is to be told to go on. */
export function refuseExpectation(_request: IncomingMessage, response: ServerResponse): void {
  sendProblem(response, {
    type: 'about:blank',
    title: 'Expect: nothing but 100-continue is done',
    status: 417,
  });
}

/** Answers what is not HTTP, or has headers beyond all measure. */
export function refuseNoise(error: Error & { code?: string }, socket: Duplex): void {
  if (error.code === 'ECONNRESET' || !socket.writable) {
    socket.destroy();
    return;
  }
  const isLarge = error.code === 'HPE_HEADER_OVERFLOW';
  const [status, title] = isLarge
    ? [431, 'The headers are too large']
    : [400, 'That is not an HTTP request'];
  const body = JSON.stringify({ type: 'about:blank', title, status });
  const head = [
    `HTTP/1.1 ${status} ${isLarge ? 'Request Header Fields Too Large' : 'Bad Request'}`,
    `Content-Type: ${MEDIA}`,
    'X-Content-Type-Options: nosniff',
    `Content-Length: ${Buffer.byteLength(body)}`,
    'Connection: close',
  ];
  socket.end(`${head.join('\r\n')}\r\n\r\n${body}`);
}
