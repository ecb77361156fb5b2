import type { Wood } from '../layout/index.js';
import { maxBy, must } from '../lists/index.js';
import { type Bounds, crossing, type Point } from '../plane/index.js';
import type { Rect } from './progress.js';

/** Steps of a golden-section search: to a thousandth of a millimetre on a board of 10 m. */
const STEPS = 44;
/** Of a tick: what sums of fractions may be off. */
const ROUNDED = 0.01;
const GOLDEN = (Math.sqrt(5) - 1) / 2;

/** Where a function that rises and then falls is greatest. Golden-section search, Kiefer 1953, from memory. */
function peak(of: (x: number) => number, low: number, high: number): number {
  let [a, b] = [low, high];
  let [c, d] = [b - GOLDEN * (b - a), a + GOLDEN * (b - a)];
  let [atC, atD] = [of(c), of(d)];
  for (let step = 0; step < STEPS; step += 1) {
    if (atC >= atD) {
      [b, d, atD] = [d, c, atC];
      c = b - GOLDEN * (b - a);
      atC = of(c);
    } else {
      [a, c, atC] = [c, d, atD];
      d = a + GOLDEN * (b - a);
      atD = of(d);
    }
  }
  return (a + b) / 2;
}

/** How high wood stands over x on every face: between these. */
function spanAt(
  faces: readonly (readonly Point[])[],
  x: number,
): readonly [low: number, high: number] {
  let [low, high] = [Number.NEGATIVE_INFINITY, Number.POSITIVE_INFINITY];
  for (const face of faces) {
    const met = crossing(face, 1, x);
    if (!met) return [0, 0];
    low = Math.max(low, met[0]);
    high = Math.min(high, met[1]);
  }
  return [low, high];
}

/**
 * The largest rectangle along the board that lies in a piece on both faces, in whole ticks; null where there is none. The area of the
 * rectangle between two crosscuts is a product of functions that are concave where it is positive, so that each search has one peak.
 */
export function largestRectangle({ faceA, faceB }: Wood): Rect | null {
  if (faceA.length < 3 || faceB.length < 3) return null;
  const faces = [faceA, faceB];
  const ranges = faces.map((face) => face.map(([x]) => x));
  const from = Math.max(...ranges.map((xs) => Math.min(...xs)));
  const to = Math.min(...ranges.map((xs) => Math.max(...xs)));
  if (to <= from) return null;
  const heightOf = (left: number, right: number): readonly [low: number, high: number] => {
    const [a, b] = [spanAt(faces, left), spanAt(faces, right)];
    return [Math.max(a[0], b[0]), Math.min(a[1], b[1])];
  };
  const area = (left: number, right: number): number => {
    const [low, high] = heightOf(left, right);
    return (right - left) * (high - low);
  };
  // Where nothing fits the value is the lack of it, so that the search still rises towards wood.
  const rightOf = (left: number) => peak((right) => area(left, right), left, to);
  const left = peak((x) => area(x, rightOf(x)), from, to);
  // Corners stand where a search only comes near.
  const corners = ranges.flat().filter((at) => at >= from && at <= to);
  const tries: (readonly [number, number])[] = [
    [left, rightOf(left)],
    ...corners.flatMap((a) => corners.map((b) => [a, b] as const)),
    ...corners.map((a) => [a, rightOf(a)] as const),
  ];
  const [x, right] = must(
    maxBy(tries, ([a, b]) => (b > a ? area(a, b) : 0)),
    'two crosscuts',
  );
  const [low, high] = heightOf(x, right);
  const [x0, y0] = [Math.ceil(x - ROUNDED) + 0, Math.ceil(low - ROUNDED) + 0];
  const [x1, y1] = [Math.floor(right + ROUNDED), Math.floor(high + ROUNDED)];
  return x1 > x0 && y1 > y0 ? [x0, y0, x1 - x0, y1 - y0] : null;
}

const overlaps = ([x, y, length, width]: Rect, [left, bottom, right, top]: Bounds): boolean =>
  x < right && x + length > left && y < top && y + width > bottom;

/**
 * The largest rectangle of a piece that keeps clear of these boxes: tried between any two sides of the boxes and of the piece itself,
 * which is the largest there is where the piece is a rectangle.
 */
export function largestClear(wood: Wood, boxes: readonly Bounds[]): Rect | null {
  const whole = largestRectangle(wood);
  if (!whole || boxes.length === 0) return whole;
  const [x0, y0, length, width] = whole;
  const within = (low: number, high: number) => (value: number) => value >= low && value <= high;
  const places = (values: readonly number[], low: number, high: number) =>
    [...new Set([low, ...values.filter(within(low, high)), high])].sort((a, b) => a - b);
  const xs = places(
    boxes.flatMap(([left, , right]) => [Math.floor(left), Math.ceil(right)]),
    x0,
    x0 + length,
  );
  const ys = places(
    boxes.flatMap(([, bottom, , top]) => [Math.floor(bottom), Math.ceil(top)]),
    y0,
    y0 + width,
  );
  const rects = spansOf(xs).flatMap(([left, long]) =>
    spansOf(ys).map(([bottom, wide]): Rect => [left, bottom, long, wide]),
  );
  const clear = rects.filter((rect) => !boxes.some((box) => overlaps(rect, box)));
  return maxBy(clear, ([, , long, wide]) => long * wide) ?? null;
}

/** Every stretch between two places: where it begins, and how long it is. */
const spansOf = (places: readonly number[]): (readonly [from: number, length: number])[] =>
  places.flatMap((from, index) => places.slice(index + 1).map((to) => [from, to - from] as const));
