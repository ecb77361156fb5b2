import { Agent, request } from 'node:http';

export interface Answer {
  readonly status: number;
  readonly headers: Readonly<Record<string, string | string[] | undefined>>;
  readonly text: string;
  readonly milliseconds: number;
}

export interface Asked {
  readonly method: string;
  /** As it goes over the wire. */
  readonly path: string;
  readonly headers?: Readonly<Record<string, string>>;
  readonly body?: string | Uint8Array;
}

const agent = new Agent({ keepAlive: true, maxSockets: 64 });
/** Milliseconds after which a server counts as hung. */
const PATIENCE = 60_000;

/** One request, as it is, without anything that a friendly client would put right. @throws when there is no answer */
export function ask(port: number, { method, path, headers = {}, body }: Asked): Promise<Answer> {
  const began = performance.now();
  return new Promise((done, failed) => {
    const sent = request(
      {
        host: '127.0.0.1',
        port,
        method,
        path,
        headers: {
          ...(body !== undefined && { 'Content-Length': String(Buffer.byteLength(body)) }),
          ...headers,
        },
        agent,
        timeout: PATIENCE,
      },
      (answer) => {
        const parts: Buffer[] = [];
        answer.on('data', (part: Buffer) => parts.push(part));
        answer.on('error', failed);
        answer.on('end', () =>
          done({
            status: answer.statusCode ?? 0,
            headers: answer.headers,
            text: Buffer.concat(parts).toString(),
            milliseconds: performance.now() - began,
          }),
        );
      },
    );
    sent.on('timeout', () => sent.destroy(new Error(`no answer in ${PATIENCE / 1000} s`)));
    sent.on('error', (error: Error & { code?: string }) =>
      // The server let go of a connection just when it was taken up again: nothing was asked yet.
      sent.reusedSocket && error.code === 'ECONNRESET'
        ? ask(port, { method, path, headers, ...(body !== undefined && { body }) }).then(
            done,
            failed,
          )
        : failed(error),
    );
    sent.end(body);
  });
}

export const json = (body: unknown) => ({
  headers: { 'Content-Type': 'application/json' },
  body: JSON.stringify(body),
});
