import { fromMm, type Ticks } from '../measure/index.js';
import { add, dot, lengthOf, scale, subtract, type Vec3 } from '../solid/index.js';

/** A screw or a nail where it sits in the wood, from its head to its point. */
export interface Shank {
  from: Vec3;
  to: Vec3;
  radius: Ticks;
}

/** Wood left between two shanks: common practice, no source. */
const BETWEEN: Ticks = fromMm(2);

const clamp = (value: number): number => Math.min(1, Math.max(0, value));

/** The least distance between two straight pieces, in ticks. */
export function shankDistance(a: Shank, b: Shank): number {
  const [u, v, w] = [subtract(a.to, a.from), subtract(b.to, b.from), subtract(a.from, b.from)];
  const [uu, uv, vv] = [dot(u, u), dot(u, v), dot(v, v)];
  const [uw, vw] = [dot(u, w), dot(v, w)];
  const skew = uu * vv - uv * uv;
  const s = skew > 1e-9 * uu * vv ? clamp((uv * vw - vv * uw) / skew) : 0;
  const t = clamp((uv * s + vw) / vv);
  const onA = clamp((uv * t - uw) / uu);
  return lengthOf(subtract(add(a.from, scale(u, onA)), add(b.from, scale(v, t))));
}

/** Side of the cells of space that shanks are found by. */
const CELL: Ticks = fromMm(50);

/** Keys of the cells that a shank, grown by `gap`, reaches into. */
function cellsOf({ from, to }: Shank, gap: number): number[] {
  const reach = ([0, 1, 2] as const).map((axis): readonly [number, number] => [
    Math.floor((Math.min(from[axis], to[axis]) - gap) / CELL),
    Math.floor((Math.max(from[axis], to[axis]) + gap) / CELL),
  ]);
  const [[x0, x1], [y0, y1], [z0, z1]] = reach as [Range, Range, Range];
  const keys: number[] = [];
  for (let x = x0; x <= x1; x += 1)
    for (let y = y0; y <= y1; y += 1)
      for (let z = z0; z <= z1; z += 1) keys.push((x * 4096 + y) * 4096 + z);
  return keys;
}
type Range = readonly [number, number];

/** Fasteners that sit in a box so far. */
export class Shanks {
  private readonly cells = new Map<number, Shank[]>();

  /** Whether a further one leaves wood to every one that is there. */
  isFree(shank: Shank): boolean {
    return cellsOf(shank, shank.radius + BETWEEN).every((key) =>
      (this.cells.get(key) ?? []).every(
        (other) => shankDistance(shank, other) >= shank.radius + other.radius + BETWEEN,
      ),
    );
  }

  place(shanks: readonly Shank[]): void {
    for (const shank of shanks)
      for (const key of cellsOf(shank, shank.radius)) {
        const there = this.cells.get(key);
        if (there) there.push(shank);
        else this.cells.set(key, [shank]);
      }
  }
}
