import { expect, test } from '@jest/globals';
import { at } from '@spare-knot/core/lists';
import { spread } from './spread';

const HEIGHT = 24;
const width = 40;

/** Marks after they are moved, and whether two of them meet. */
function meeting(marks: readonly { x: number; y: number; width: number }[]): number {
  const moved = spread(marks, HEIGHT).map(([across, down], index) => {
    const { x, y } = at(marks, index);
    return { x: x + across, y: y + down };
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

test('of marks that would lie on each other none does after they are moved, and none is far from its place', () => {
  const crowd = Array.from({ length: 30 }, (_unused, index) => ({
    x: (index * 37) % 60,
    y: (index * 23) % 50,
    width,
  }));
  expect(meeting(crowd)).toBe(0);
  const far = spread(crowd, HEIGHT).map(([across, down]) => Math.hypot(across, down));
  expect(Math.max(...far)).toBeLessThan(300);
});
