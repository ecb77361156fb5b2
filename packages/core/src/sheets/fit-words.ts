import { fromMm } from '../measure/index.js';
import { areaOf, intersectPolygons, type Point, rectangleAt } from '../plane/index.js';
import { cornersOfText, type DrawingPoint, type DrawingShape, type DrawnText } from './drawing.js';

/** How wide a line is taken to be, and how much of letters it may touch, in square ticks. */
const LINE = fromMm(0.5);
const TOUCH = fromMm(0.2) ** 2;

function lineBand([x0, y0]: DrawingPoint, [x1, y1]: DrawingPoint): Point[] {
  const run = Math.hypot(x1 - x0, y1 - y0);
  if (run < 1) return rectangleAt(x0 - LINE / 2, y0 - LINE / 2, LINE, LINE);
  const [nx, ny] = [(-(y1 - y0) / run) * (LINE / 2), ((x1 - x0) / run) * (LINE / 2)];
  return [
    [x0 - nx, y0 - ny],
    [x1 - nx, y1 - ny],
    [x1 + nx, y1 + ny],
    [x0 + nx, y0 + ny],
  ];
}

/** What letters must keep clear of, as convex polygons: lines, whole holes, other letters. */
function obstaclesOf(shape: DrawingShape): Point[][] {
  if (shape.kind === 'text') return [cornersOfText(shape)];
  if (shape.kind === 'circle') {
    const { centre, radius } = shape;
    return [rectangleAt(centre[0] - radius, centre[1] - radius, 2 * radius, 2 * radius)];
  }
  const { points, closed } = shape;
  const ends = closed ? [...points, ...points.slice(0, 1)] : points;
  return ends.slice(1).map((to, index) => lineBand(ends[index] ?? to, to));
}

/** Words among the lines of a drawing: none lies on a line, a hole or other words. */
export class WordsAmongLines {
  private readonly obstacles: Point[][];

  constructor(shapes: readonly DrawingShape[]) {
    this.obstacles = shapes.flatMap(obstaclesOf);
  }

  private isClear(words: DrawnText): boolean {
    const corners = cornersOfText(words);
    return this.obstacles.every((each) => {
      const common = intersectPolygons(corners, each);
      return common.length < 3 || areaOf(common) < TOUCH;
    });
  }

  /** The first of these that lies clear of everything, which then is in the way of the next; undefined where none does. */
  place(candidates: readonly DrawnText[]): DrawnText | undefined {
    const found = candidates.find((words) => this.isClear(words));
    if (found) this.obstacles.push(cornersOfText(found));
    return found;
  }
}

/** Words in lines of at most so many letters; a word longer than that stands alone. */
export function wrapped(words: string, most: number): string[] {
  const lines: string[] = [];
  for (const word of words.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + 1 + word.length <= most)
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}
