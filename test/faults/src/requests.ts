import { OPERATIONS, openApi, problemDocument } from '@spare-knot/core/api';
import { type Answer, type Asked, ask } from './ask.js';
import { type Known, made, type Schema } from './from-schema.js';
import { type Json, mutate, mutateText, nasty } from './mutate.js';
import { type Outcome, quantile, Tally } from './outcome.js';
import { Random } from './random.js';

interface Path {
  readonly [method: string]: {
    readonly parameters?: readonly { name: string; in: string }[];
    readonly requestBody?: { content: Record<string, { schema: Schema }> };
  };
}

/** Headers that no page sends. */
const HEADERS: readonly Readonly<Record<string, string>>[] = [
  { 'Content-Type': 'application/json; charset=utf-7' },
  { 'Content-Type': 'application/json; charset=bogus' },
  { 'Content-Type': 'application/json; charset=iso-8859-1' },
  { 'Content-Type': 'text/plain' },
  { 'Content-Type': 'application/zip' },
  { 'Content-Type': 'multipart/form-data' },
  { 'Content-Type': ';;;' },
  { 'Content-Encoding': 'gzip' },
  { 'Content-Encoding': 'br' },
  { 'Content-Encoding': 'bogus' },
  { 'If-None-Match': '*' },
  { 'If-None-Match': '"x"' },
  { 'If-Match': '"none"' },
  { 'If-Modified-Since': 'yesterday' },
  { 'If-Unmodified-Since': 'Thu, 01 Jan 1970 00:00:00 GMT' },
  { Range: 'bytes=999999999-' },
  { Range: 'bytes=0-0,5-9' },
  { Expect: 'a miracle' },
  { Accept: 'image/png' },
  { 'Accept-Encoding': 'bogus;q=2' },
  { 'Idempotency-Key': 'x' },
  { 'Idempotency-Key': 'k'.repeat(200) },
  { Origin: 'http://boxes.example' },
  { Host: 'boxes.example' },
  { 'Sec-Fetch-Site': 'cross-site' },
  { Cookie: 'a=b; '.repeat(300) },
];
const IDS = [
  '1',
  '%00',
  '%F0%9F%AA%B5',
  '%ED%A0%80',
  '%zz',
  '..%2f..%2fetc%2fpasswd',
  '00000000-0000-0000-0000-000000000000',
  'A'.repeat(400),
  '7f8dd3f3-a78e-423a-95f2-fd4efbb92da8',
  '__proto__',
  '%27%20or%201=1--',
];
const PAGES = [
  '/',
  '/bench',
  '/trail',
  '/assets/',
  '/assets/none.js',
  '/sw.js',
  '/%00',
  '/..%2f..%2f',
  '/%zz',
];
const QUERIES = ['version=1', 'version=-1', 'version=1e308', 'version[]=1', 'by=facing&year=2026'];

/** What the shop has: documents to build on, and ids that are there. */
async function known(port: number): Promise<{ pool: Json[]; known: Known }> {
  const pool: Json[] = [];
  const ids = new Set<string>();
  const gather = async (path: string) => {
    const { status, text } = await ask(port, { method: 'GET', path });
    if (status !== 200 || !text.startsWith('{')) return;
    collect(JSON.parse(text) as Json, pool, ids);
  };
  const lists = OPERATIONS.filter(({ method, path }) => method === 'get' && !path.includes('{'));
  for (const { path } of lists) await gather(path);
  for (const id of [...ids].slice(0, 60)) await gather(`/api/batches/${id}`);
  const text = ['A', 'roof', 'front', 'western-red-cedar', 'picket', 'eggs', 'Osier', '12', 'side'];
  return { pool, known: { id: [...ids], date: ['2026-04-01', '2025-11-30'], text } };
}

function collect(value: Json, pool: Json[], ids: Set<string>): void {
  if (typeof value !== 'object' || value === null) return;
  if (!Array.isArray(value)) {
    if (typeof value.id === 'string') ids.add(value.id);
    pool.push(value);
  }
  for (const each of Object.values(value)) collect(each as Json, pool, ids);
}

/** A body that is let in, mostly: made by the schema, with what real documents have under the same names. */
function bodyFor(schema: Schema, random: Random, pool: readonly Json[], of: Known): Json {
  const body = made(schema, random, of);
  if (typeof body !== 'object' || body === null || Array.isArray(body)) return body;
  const real = Object.assign({}, random.pick(pool), random.pick(pool)) as Record<string, Json>;
  for (const key of Object.keys(schema.properties ?? {}))
    if (Object.hasOwn(real, key) && random.chance(0.7)) body[key] = real[key] ?? null;
  return body;
}

class Fuzz {
  private readonly paths = Object.entries(openApi().paths as Record<string, Path>);

  constructor(
    private readonly random: Random,
    private readonly pool: readonly Json[],
    private readonly of: Known,
  ) {}

  next(): Asked {
    const { random } = this;
    if (random.chance(0.02)) return this.page();
    const [path, methods] = random.pick(this.paths);
    const [method, operation] = random.pick(Object.entries(methods));
    const schema = operation.requestBody?.content['application/json']?.schema;
    const body = schema && this.body(schema);
    const query = operation.parameters?.some((each) => each.in === 'query') ?? false;
    return {
      method: random.chance(0.03)
        ? random.pick(['PATCH', 'PUT', 'OPTIONS', 'HEAD', 'DELETE', 'PROPFIND'])
        : method.toUpperCase(),
      path: this.path(path) + (query || random.chance(0.02) ? `?${this.query()}` : ''),
      headers: {
        ...(body !== undefined && { 'Content-Type': 'application/json' }),
        ...(random.chance(0.15) && random.pick(HEADERS)),
      },
      ...(body !== undefined && { body }),
    };
  }

  /** A page, or what is not quite one. */
  private page(): Asked {
    const path = this.random.pick(PAGES);
    return { method: this.random.pick(['GET', 'HEAD']), path, headers: this.random.pick(HEADERS) };
  }

  private body(schema: Schema): string {
    const { random } = this;
    let body = bodyFor(schema, random, this.pool, this.of);
    for (let times = random.below(4); times > 0; times -= 1) body = mutate(body, random);
    if (random.chance(0.02)) body = nasty(random);
    const text = JSON.stringify(body);
    return random.chance(0.08) ? mutateText(text, random) : text;
  }

  private path(path: string): string {
    const { random } = this;
    const id = () => random.pick(random.chance(0.85) ? this.of.id : IDS);
    return path.replaceAll(/\{\w+\}/g, id);
  }

  private query(): string {
    const { random } = this;
    if (random.chance(0.8)) return random.pick(QUERIES);
    return `version=${encodeURIComponent(String(random.pick(IDS)).replaceAll('%', ''))}`;
  }
}

/** What an answer must not be; null where it is as it should be. */
function fault(
  asked: Asked,
  { status, headers, text, milliseconds }: Answer,
  longest: number,
): string | null {
  const shown = `${asked.method} ${asked.path} ${JSON.stringify(asked.headers)} ${String(asked.body ?? '').slice(0, 600)}`;
  if (status >= 500) return `${status} ${text.slice(0, 200)} on ${shown}`;
  if (milliseconds > longest) return `${Math.round(milliseconds)} ms for ${shown}`;
  const least = 20_000 + 10 * (asked.body?.length ?? 0);
  if (status >= 400 && text.length > least) return `${text.length} letters of refusal on ${shown}`;
  if (status >= 400 && asked.method !== 'HEAD') {
    const isProblem = String(headers['content-type']).includes('application/problem+json');
    if (!isProblem || !problemDocument.safeParse(JSON.parse(text)).success)
      return `no problem document: ${status} ${text.slice(0, 100)} on ${shown}`;
  }
  if (headers['x-content-type-options'] !== 'nosniff') return `may be sniffed: ${shown}`;
  return null;
}

/** Milliseconds that one request may take while others are asked beside it. */
const LONGEST = 5000;
const AT_ONCE = 8;

/** Every list and every thing on it can still be read. */
async function unreadable(port: number): Promise<string[]> {
  const faults: string[] = [];
  for (const { method, path, answer } of OPERATIONS) {
    if (method !== 'get' || path.includes('{')) continue;
    const { status, text } = await ask(port, { method: 'GET', path });
    // A list that wants a question is asked for without one.
    if (status === 400) continue;
    if (status !== 200) faults.push(`GET ${path}: ${status} ${text.slice(0, 200)}`);
    else if (answer && !answer.safeParse(JSON.parse(text)).success)
      faults.push(`GET ${path}: what is kept does not fit its own schema`);
  }
  return faults;
}

/** Requests as nobody means them: none may make the server fail, and all that is kept afterwards can be read. */
export async function requests(
  port: number,
  count: number,
  isTimed: boolean,
  seed = 1,
): Promise<Outcome> {
  const { pool, known: of } = await known(port);
  const fuzz = new Fuzz(new Random(seed), pool, of);
  const [tally, faults, times] = [new Tally(), [] as string[], [] as number[]];
  let left = count;
  const one = async (): Promise<void> => {
    for (; left > 0; ) {
      left -= 1;
      const asked = fuzz.next();
      try {
        const answer = await ask(port, asked);
        tally.add(String(answer.status));
        times.push(answer.milliseconds);
        const found = fault(asked, answer, isTimed ? LONGEST : Number.POSITIVE_INFINITY);
        if (found) faults.push(found);
      } catch (error) {
        faults.push(
          `${error instanceof Error ? error.message : error} on ${JSON.stringify(asked).slice(0, 600)}`,
        );
      }
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, one));
  faults.push(...(await unreadable(port)));
  const slowest = `p99 ${Math.round(quantile(times, 0.99))} ms, longest ${Math.round(Math.max(...times))} ms`;
  return { told: `${count} requests: ${tally}; ${slowest}`, faults };
}
