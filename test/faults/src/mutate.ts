import type { Random } from './random.js';

export type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

const NUMBERS = [
  0,
  -0,
  -1,
  1,
  0.5,
  -0.001,
  1e-320,
  1e-9,
  127,
  256,
  65_536,
  2 ** 31,
  2 ** 32,
  2 ** 53,
  1e15,
  1e21,
  1e308,
  -1e308,
  99_999_999.999,
  3.0000000001,
];
const STRINGS = [
  '',
  ' ',
  '\u0000',
  '\ud800',
  '\udfff tail',
  '🪵🦉',
  'e\u0301',
  '‮right to left',
  '0',
  'null',
  'true',
  '-1',
  '1e308',
  '__proto__',
  'constructor',
  '2026-02-30',
  '2026-13-01',
  '0000-00-00',
  '9999-12-31',
  '+010000-01-01T00:00:00Z',
  "'; drop table boards; --",
  '{{7*7}}',
  '<img src=x onerror=alert(1)>',
  '=1+1',
  '../../etc/passwd',
  '00000000-0000-0000-0000-000000000000',
  'x'.repeat(300),
  'x'.repeat(70_000),
  '🪵'.repeat(130),
];
const OTHERS: readonly Json[] = [null, true, false, [], {}, [[]], [null], { length: 1e9 }];

/** A value that nobody means. */
export function nasty(random: Random): Json {
  const kind = random.below(10);
  if (kind < 4) return random.pick(NUMBERS);
  return kind < 8 ? random.pick(STRINGS) : random.pick(OTHERS);
}

const isObject = (value: Json): value is { [key: string]: Json } =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Every place in a document, as the way to it. */
function places(value: Json, way: readonly (string | number)[] = []): (string | number)[][] {
  const keyed: [string | number, Json][] = Array.isArray(value)
    ? value.map((each, index) => [index, each])
    : Object.entries(isObject(value) ? value : {});
  return [[...way], ...keyed.flatMap(([key, each]) => places(each, [...way, key]))];
}

/** Another value at one place; `change` gets what is there. */
function at(value: Json, way: readonly (string | number)[], change: (old: Json) => Json): Json {
  const [step, ...rest] = way;
  if (step === undefined) return change(value);
  if (Array.isArray(value))
    return value.map((each, index) => (index === step ? at(each, rest, change) : each));
  if (!isObject(value)) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, each]) => [key, key === step ? at(each, rest, change) : each]),
  );
}

/** One place of a document made other than it was: left out, doubled, of another kind, too large, with a key that nobody knows. */
export function mutate(value: Json, random: Random): Json {
  const way = random.pick(places(value));
  switch (random.below(7)) {
    case 0:
      return at(value, way.slice(0, -1), (old) => without(old, way.at(-1)));
    case 1:
      return at(value, way, (old) => (Array.isArray(old) ? repeated(old, random) : nasty(random)));
    case 2:
      return at(value, way, (old) =>
        isObject(old) ? { ...old, [random.pick(STRINGS)]: nasty(random) } : nasty(random),
      );
    case 3:
      return at(value, way, (old) =>
        typeof old === 'number' ? nudged(old, random) : nasty(random),
      );
    default:
      return at(value, way, () => nasty(random));
  }
}

function without(old: Json, key: string | number | undefined): Json {
  if (Array.isArray(old)) return old.filter((_, index) => index !== key);
  if (!isObject(old)) return old;
  return Object.fromEntries(Object.entries(old).filter(([name]) => name !== key));
}

const repeated = (old: Json[], random: Random): Json[] => {
  const times = random.pick([2, 3, 50]);
  return Array.from({ length: times }, () => old).flat();
};

const nudged = (old: number, random: Random): number =>
  random.pick([-old, old + 1, old - 1, old * 1000, old / 1000, old + 1e-7]);

/** Text with a few letters of it changed, cut off, doubled or put elsewhere. */
export function mutateText(text: string, random: Random): string {
  const from = random.below(text.length + 1);
  const to = Math.min(text.length, from + random.below(20));
  const [head, middle, tail] = [text.slice(0, from), text.slice(from, to), text.slice(to)];
  switch (random.below(5)) {
    case 0:
      return head;
    case 1:
      return head + tail;
    case 2:
      return head + middle + middle + tail;
    case 3:
      return head + random.pick(STRINGS) + tail;
    default:
      return head + String(random.pick(NUMBERS)) + tail;
  }
}
