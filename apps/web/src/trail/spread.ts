/** Where a mark is wanted, in pixels, and how wide it is. */
interface Wanted {
  x: number;
  y: number;
  width: number;
}

/** By how much a mark is moved from where it is wanted, in pixels. */
export type Moved = readonly [across: number, down: number];

const STAYS: Moved = [0, 0];
/** Places round a mark that are tried: rings of eight, each as far out again. */
const RINGS = 3;

function* roundAbout(width: number, height: number): Generator<Moved> {
  yield STAYS;
  for (let ring = 1; ring <= RINGS; ring += 1)
    for (const [across, down] of [
      [0, 1],
      [0, -1],
      [1, 0],
      [-1, 0],
      [1, 1],
      [1, -1],
      [-1, 1],
      [-1, -1],
    ] as const)
      yield [across * ring * width * 0.5, down * ring * height * 0.75];
}

/**
 * Marks so that none lies on another: each stays where it is wanted, or is moved to a free place round about; null where none is free near
 * enough to be understood. Those that come first are put first.
 *
 * @param height of every mark, in pixels
 */
export function spread(marks: readonly Wanted[], height: number): (Moved | null)[] {
  const put: Wanted[] = [];
  return marks.map(({ x, y, width }) => {
    for (const [across, down] of roundAbout(width, height)) {
      const here = { x: x + across, y: y + down, width };
      const meets = put.some(
        (other) =>
          here.x < other.x + other.width &&
          other.x < here.x + width &&
          Math.abs(other.y - here.y) < height,
      );
      if (meets) continue;
      put.push(here);
      return [across, down];
    }
    return null;
  });
}
