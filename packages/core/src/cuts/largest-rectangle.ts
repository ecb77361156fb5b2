import type { Wood } from '../layout/index.js';
import { maxBy, must } from '../lists/index.js';
import type { Ticks } from '../measure/index.js';
import { areaOf, type Bounds, boundsOf, crossing, type Point } from '../plane/index.js';
import type { Rect } from './progress.js';

/** Steps of a golden-section search: to a hundredth of a millimetre on a board of 2.4 m. */
const STEPS = 26;
/** Of a tick: what sums of fractions may be off, and lengths read from a file to four places of a millimetre. */
const ROUNDED = 0.1;
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

/** Whether a face is a rectangle along the board, as most pieces are. */
function isUpright(face: readonly Point[]): boolean {
  const [left, bottom, right, top] = boundsOf(face);
  return Math.abs(areaOf(face)) >= (right - left) * (top - bottom) * (1 - 1e-9);
}

function sharedBox(a: readonly Point[], b: readonly Point[], least: Ticks): Rect | null {
  const [boxA, boxB] = [boundsOf(a), boundsOf(b)];
  return wholeTicks(
    [Math.max(boxA[0], boxB[0]), Math.max(boxA[1], boxB[1])],
    [Math.min(boxA[2], boxB[2]), Math.min(boxA[3], boxB[3])],
    least,
  );
}

/** A rectangle between two corners, in whole ticks; null where it is too narrow. */
function wholeTicks([left, bottom]: Point, [right, top]: Point, least: Ticks): Rect | null {
  const [x0, y0] = [Math.ceil(left - ROUNDED) + 0, Math.ceil(bottom - ROUNDED) + 0];
  const [x1, y1] = [Math.floor(right + ROUNDED), Math.floor(top + ROUNDED)];
  const isWide = x1 > x0 && y1 > y0 && Math.min(x1 - x0, y1 - y0) >= least;
  return isWide ? [x0, y0, x1 - x0, y1 - y0] : null;
}

/**
 * The largest rectangle along the board that lies in a piece on both faces and is nowhere narrower than `least`, in whole ticks; null
 * where there is none. The area of the rectangle between two crosscuts is a product of functions that are concave where it is positive,
 * and so is what it lacks of being wide enough, so that each search has one peak.
 */
export function largestRectangle({ faceA, faceB }: Wood, least: Ticks = 0): Rect | null {
  if (faceA.length < 3 || faceB.length < 3) return null;
  if (isUpright(faceA) && isUpright(faceB)) return sharedBox(faceA, faceB, least);
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
    // Where nothing fits the value is the lack of it, so that the search still rises towards wood.
    const lack = Math.min(right - left, high - low) - least + ROUNDED;
    return lack < 0 ? lack : (right - left) * (high - low);
  };
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
    maxBy(tries, ([a, b]) => (b > a ? area(a, b) : Number.NEGATIVE_INFINITY)),
    'two crosscuts',
  );
  const [low, high] = heightOf(x, right);
  return wholeTicks([x, low], [right, high], least);
}

const overlaps = ([x, y, length, width]: Rect, [left, bottom, right, top]: Bounds): boolean =>
  x < right && x + length > left && y < top && y + width > bottom;

/**
 * The largest rectangle of a piece that keeps clear of these boxes: tried between any two sides of the boxes and of the piece itself,
 * which is the largest there is where the piece is a rectangle.
 */
export function largestClear(wood: Wood, boxes: readonly Bounds[], least: Ticks = 0): Rect | null {
  if (boxes.length === 0) return largestRectangle(wood, least);
  const whole = largestRectangle(wood);
  if (!whole) return null;
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
  const clear = rects.filter(
    (rect) => Math.min(rect[2], rect[3]) >= least && !boxes.some((box) => overlaps(rect, box)),
  );
  return maxBy(clear, ([, , long, wide]) => long * wide) ?? null;
}

/** Every stretch between two places: where it begins, and how long it is. */
const spansOf = (places: readonly number[]): (readonly [from: number, length: number])[] =>
  places.flatMap((from, index) => places.slice(index + 1).map((to) => [from, to - from] as const));
