import { maxBy } from '@spare-knot/core/lists';
import type { Ticks } from '@spare-knot/core/measure';
import { crossing, type Point } from '@spare-knot/core/plane';

/** A place for words on the screen: its middle and size in pixels. */
export interface Region {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** A hole in a region: left, upper edge, right, lower edge, in pixels. */
export type HoleBounds = readonly [left: number, top: number, right: number, bottom: number];

/** How words are set: which lines of them, how large, and whether they stand upright. */
export interface SetWords {
  region: Region;
  turned: boolean;
  lines: readonly string[];
  size: number;
}

/** Size of the lines under a name. */
export const SMALLER = 0.88;
/** Letters in pixels: the largest, the smallest that several lines are set in, and the smallest of all. */
const LARGEST = 13;
const COMFORTABLE = 8;
export const SMALLEST = 6;
/** Width of a letter and height of a line, for its size. */
export const LETTER = 0.56;
export const LINE = 1.16;
/** Left free round words, and round holes. */
const MARGIN = { along: 6, across: 3, hole: 2 };

/** Where a panel is wood over the middle half of its height, so that words stay inside slanted ends; null where it is nowhere. */
export function clearWidth(
  face: readonly Point[],
  bottom: Ticks,
  top: Ticks,
): readonly [Ticks, Ticks] | null {
  const chords = [0.25, 0.5, 0.75].map((share) =>
    crossing(face, 0, bottom + (top - bottom) * share),
  );
  const from = Math.max(...chords.map((chord) => chord?.[0] ?? Number.NEGATIVE_INFINITY));
  const to = Math.min(...chords.map((chord) => chord?.[1] ?? Number.POSITIVE_INFINITY));
  return Number.isFinite(from) && to > from ? [from, to] : null;
}

type Span = readonly [from: number, to: number];

/** What is left of a span between those taken out of it. */
function freeSpans([from, to]: Span, taken: readonly Span[]): Span[] {
  const free: Span[] = [];
  let start = from;
  for (const [low, high] of [...taken].sort((p, q) => p[0] - q[0])) {
    if (low > start) free.push([start, Math.min(low, to)]);
    start = Math.max(start, high);
  }
  return start < to ? [...free, [start, to]] : free;
}

/** Parts of a region beside its holes: bands across it and along it that no hole reaches into. */
function besideHoles({ x, y, width, height }: Region, holes: readonly HoleBounds[]): Region[] {
  const { hole: m } = MARGIN;
  const along = freeSpans(
    [x - width / 2, x + width / 2],
    holes.map(([left, , right]) => [left - m, right + m]),
  ).map(([from, to]) => ({ x: (from + to) / 2, y, width: to - from, height }));
  const across = freeSpans(
    [y - height / 2, y + height / 2],
    holes.map(([, top, , bottom]) => [top - m, bottom + m]),
  ).map(([from, to]) => ({ x, y: (from + to) / 2, width, height: to - from }));
  const found = [...along, ...across];
  return found.length > 0 ? found : [{ x, y, width, height }];
}

/** How large the lines can be written in a region, and how many of them: better the name alone and legible than all of it and not. */
function setIn(region: Region, lines: readonly string[]): SetWords {
  const first = lines[0]?.length ?? 0;
  const longest = Math.max(
    ...lines.map((line, index) => line.length * (index === 0 ? 1 : SMALLER)),
  );
  const turned =
    region.width < region.height && first * LARGEST * LETTER > region.width - MARGIN.along;
  const [along, across] = turned ? [region.height, region.width] : [region.width, region.height];
  const sizeOf = (count: number) =>
    Math.min(
      LARGEST,
      (along - MARGIN.along) / ((count === 1 ? first : longest) * LETTER),
      (across - MARGIN.across) / (count * LINE),
    );
  const counts = [lines.length, 2].filter((count) => count <= lines.length);
  const count = counts.find((each) => sizeOf(each) >= COMFORTABLE) ?? 1;
  return { region, turned, lines: lines.slice(0, count), size: sizeOf(count) };
}

/** Whether one way of setting words is better: most of them in the largest letters; of ways alike in both the roomier. */
function isBetter(a: SetWords, b: SetWords): boolean {
  const [moreA, moreB] = [a.size * a.lines.length, b.size * b.lines.length];
  if (Math.abs(a.size - b.size) > 0.5 && moreA !== moreB) return moreA > moreB;
  if (a.lines.length !== b.lines.length) return a.lines.length > b.lines.length;
  return a.region.width * a.region.height > b.region.width * b.region.height;
}

/** The first line and as many more as are legible, in a region beside its holes; null where not even the first is. */
export function fitWords(
  region: Region,
  lines: readonly string[],
  holes: readonly HoleBounds[] = [],
): SetWords | null {
  const ways = besideHoles(region, holes).map((each) => setIn(each, lines));
  const best = ways.reduce((known, each) => (isBetter(each, known) ? each : known));
  return best.size < SMALLEST ? null : best;
}

/** A number to be written at a mark, ending there or, near the left end, beginning there. */
export interface Label {
  x: number;
  text: string;
  size: number;
}

/** Where a number stands: its row, counted from the mark, and which of its ends is at `x`. */
export interface PlacedLabel extends Label {
  row: number;
  anchor: 'start' | 'end';
}

/** Width of a figure for its size, and what stands free between two numbers, each of which stands a little beside its line. */
const FIGURE = 0.65;
const BETWEEN = 8;

/** Numbers in as few rows as they need so that none lies on another. Pixels; labels in any order. */
export function labelRows(labels: readonly Label[]): PlacedLabel[] {
  const ends: number[] = [];
  return [...labels]
    .sort((a, b) => a.x - b.x)
    .map((label) => {
      const wide = label.text.length * label.size * FIGURE;
      const anchor = label.x < wide + BETWEEN ? 'start' : 'end';
      const from = anchor === 'start' ? label.x : label.x - wide;
      const free = ends.findIndex((end) => end + BETWEEN <= from);
      const row = free < 0 ? ends.length : free;
      ends[row] = from + wide;
      return { ...label, row, anchor };
    });
}

/** How many rows these numbers stand in. */
export const rowsOf = (labels: readonly PlacedLabel[]): number =>
  (maxBy(labels, ({ row }) => row)?.row ?? -1) + 1;

/** The place of a number on its line: where it begins and ends. */
export const spanOf = ({ x, text, size, anchor }: PlacedLabel): Span => {
  const wide = text.length * size * FIGURE;
  return anchor === 'start' ? [x, x + wide] : [x - wide, x];
};
