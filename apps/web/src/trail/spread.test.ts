import { expect, test } from '@jest/globals';
import { at } from '@spare-knot/core/lists';
import { spread } from './spread';

const HEIGHT = 24;
const width = 40;

/** Marks after they are moved, and whether two of them meet. */
function meeting(marks: readonly { x: number; y: number; width: number }[]): number {
  const moved = spread(marks, HEIGHT).flatMap((by, index) => {
    const { x, y } = at(marks, index);
    return by ? [{ x: x + by[0], y: y + by[1] }] : [];
  });
  return moved.flatMap((a, index) =>
    moved
      .slice(index + 1)
      .filter((b) => Math.abs(a.x - b.x) < width && Math.abs(a.y - b.y) < HEIGHT),
  ).length;
}

test('a mark with room about it stays where it is wanted', () => {
  const apart = [0, 100, 200].map((x) => ({ x, y: x / 2, width }));
  expect(spread(apart, HEIGHT)).toEqual([
    [0, 0],
    [0, 0],
    [0, 0],
  ]);
});

test('of marks that would lie on each other none does after they are moved, none is far from its place, and the first are put', () => {
  const crowd = Array.from({ length: 30 }, (_unused, index) => ({
    x: (index * 37) % 60,
    y: (index * 23) % 50,
    width,
  }));
  expect(meeting(crowd)).toBe(0);
  const moved = spread(crowd, HEIGHT);
  const far = moved.map((by) => (by ? Math.hypot(...by) : 0));
  expect(Math.max(...far)).toBeLessThan(90);
  expect(moved.slice(0, 8)).not.toContain(null);
  expect(moved.filter((by) => by !== null).length).toBeGreaterThan(12);
});
