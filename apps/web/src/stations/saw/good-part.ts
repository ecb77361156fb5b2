import type { Rect } from '@spare-knot/core/cuts';
import { parseLength, type Ticks, type UnitSystem } from '@spare-knot/core/measure';
import type { Bounds } from '@spare-knot/core/plane';

export type ReadPart = { ok: true; rect: Rect } | { ok: false; message: string };

const wrong = (message: string): ReadPart => ({ ok: false, message });

/** Where along one side something lies, in words; a length is a distance from the left end or the near edge. */
const WORDS = {
  along: { left: 'low', right: 'high' },
  across: { near: 'low', far: 'high' },
} as const;

/** Reads where it lies on one side: said in a word, by a distance, or not needed since it is as long as the piece. */
function startOf(
  words: readonly string[],
  side: keyof typeof WORDS,
  { size, whole, system }: { size: Ticks; whole: Ticks; system: UnitSystem },
): Ticks | string {
  const known: Readonly<Record<string, 'low' | 'high'>> = WORDS[side];
  for (const word of words) {
    const end = known[word];
    if (end) return end === 'low' ? 0 : whole - size;
  }
  const distances = words.filter((word) => /\d/.test(word));
  const given = distances[side === 'along' ? 0 : 1];
  if (given !== undefined) {
    const read = parseLength(given, system);
    if (!read.ok) return read.message;
    return read.ticks + size <= whole
      ? read.ticks
      : `${given} and so much more is beyond the piece.`;
  }
  if (size === whole) return 0;
  const [low, high] = Object.keys(known);
  return `Say where: “at the ${low}” or “at the ${high}”, or how far from the ${side === 'along' ? 'left end' : 'near edge'}.`;
}

/**
 * What of a piece somebody speaks of, in one line: `12 x 5 1/2 at the left`, `12 at the right`, `12 x 3 at 2, 1 1/2`. Without a width it is
 * as wide as the piece; where it lies is asked for unless there is only one way. In ticks, in the frame of the piece’s board.
 */
export function readPart(line: string, [x, y, right, top]: Bounds, system: UnitSystem): ReadPart {
  const [sizes = '', ...rest] = line
    .trim()
    .toLowerCase()
    .split(/\s+at\s+|\s*@\s*/);
  const [long = '', wide] = sizes.split(/\s*[x×]\s*/);
  const [length, width] = [right - x, top - y].map(Math.floor);
  if (length === undefined || width === undefined) return wrong('There is no such piece.');
  const along = parseLength(long, system);
  if (!along.ok) return wrong(along.message);
  const across =
    wide === undefined ? ({ ok: true, ticks: width } as const) : parseLength(wide, system);
  if (!across.ok) return wrong(across.message);
  // A tape reads to its division: a hair more than the piece is the piece.
  const fitted = (ticks: Ticks, whole: Ticks) => (Math.abs(ticks - whole) <= 320 ? whole : ticks);
  const [l, w] = [fitted(along.ticks, length), fitted(across.ticks, width)];
  if (l <= 0 || w <= 0)
    return wrong('That is nothing: leave the line empty if nothing of it is good.');
  if (l > length || w > width) return wrong('That is larger than the piece.');
  const where = rest.join(' ').replace(/\bthe\b|\bend\b|\bedge\b|\band\b/g, ' ');
  const words = where
    .split(/,|\b(?=(?:left|right|near|far)\b)/)
    .map((word) => word.trim())
    .filter((word) => word !== '');
  const u = startOf(words, 'along', { size: l, whole: length, system });
  if (typeof u === 'string') return wrong(u);
  const v = startOf(words, 'across', { size: w, whole: width, system });
  if (typeof v === 'string') return wrong(v);
  return { ok: true, rect: [Math.round(x + u), Math.round(y + v), l, w] };
}
