import { describe, expect, test } from '@jest/globals';
import { at, must } from '../lists/index.js';
import { atan2, cos, fromInches, fromMm, sin, toMm } from '../measure/index.js';
import {
  atLeast,
  atMost,
  behind,
  between,
  negate,
  solidInside,
  type Vec3,
} from '../solid/index.js';
import { measuresOf } from './measures.js';
import { cutPanel } from './panel-from-solid.js';

/** A roof panel over half a width, from the ridge (x = 0) down to the eaves, at an angle from level. */
function slope(angle: number, halfWidth: number, thickness: number) {
  const up: Vec3 = [sin(angle), 0, cos(angle)];
  const solid = solidInside([
    { normal: up, offset: thickness },
    behind(negate(up), [0, 0, 0]),
    atLeast('x', 0),
    behind([cos(angle), 0, -sin(angle)], [halfWidth, 0, (-halfWidth * sin(angle)) / cos(angle)]),
    ...between('y', 0, fromMm(200)),
  ]);
  return cutPanel({
    id: 'roof',
    role: 'roof',
    thickness,
    solid: must(solid, 'solid'),
    outsideNormal: up,
    grainDirection: [cos(angle), 0, -sin(angle)],
    grain: 'along',
    inside: 'any',
    knots: 'none',
  });
}
const undersideLength = (panel: ReturnType<typeof slope>) => {
  const xs = panel.underside.map((point) => point[0]);
  return Math.max(...xs) - Math.min(...xs);
};

describe('panels read off their solids', () => {
  test('a ridge roof of half width 100 at 45°: each slope 141.421 mm to the ridge line, mitred at a tilt of 45°', () => {
    const roof = slope(45, fromMm(100), fromMm(18));
    expect(toMm(undersideLength(roof))).toBeCloseTo(141.421, 2);
    const ridge = roof.edges.filter((edge) => Math.abs(edge.tilt) > 1);
    expect(ridge).toHaveLength(1);
    expect(Math.abs(at(ridge, 0).tilt)).toBeCloseTo(45, 6);
  });

  test('a pole box, half width 3 1/16 in, rise 5 in: slope 5.863 in long at 58.51° from level', () => {
    const angle = atan2(5, 3 + 1 / 16);
    expect(angle).toBeCloseTo(58.51, 2);
    expect(undersideLength(slope(angle, fromInches(3 + 1 / 16), fromMm(18))) / 8128).toBeCloseTo(
      5.863,
      3,
    );
  });

  test('an edge tilted outwards leaves the inside face the longer one, and the tilt is positive', () => {
    const panel = cutPanel({
      id: 'front',
      role: 'front',
      thickness: fromMm(16),
      solid: must(
        solidInside([
          ...between('x', 0, fromMm(100)),
          ...between('y', -fromMm(16), 0),
          atLeast('z', 0),
          behind([0, -sin(10), cos(10)], [0, 0, fromMm(200)]),
        ]),
        'solidInside',
      ),
      outsideNormal: [0, -1, 0],
      grainDirection: [0, 0, 1],
      grain: 'along',
      inside: 'rough',
      knots: 'sound',
    });
    expect(panel.edges.map((edge) => Math.round(edge.tilt)).sort((a, b) => b - a)).toEqual([
      10, 0, 0, 0,
    ]);
    const { longPoint, shortPoint } = measuresOf(panel);
    expect([toMm(longPoint), toMm(longPoint - shortPoint)]).toEqual([
      200,
      expect.closeTo(2.821, 2),
    ]);
    // No knot across the tilted edge.
    expect(panel.clear).toHaveLength(1);
  });

  test('a solid that is no slab of the stated directions is a fault that is named', () => {
    const brick = must(
      solidInside([
        ...between('x', 0, 10),
        ...between('y', 0, 10),
        atLeast('z', 0),
        atMost('z', 10),
      ]),
      'brick',
    );
    expect(() =>
      cutPanel({
        id: 'x',
        role: 'x',
        thickness: 10,
        solid: brick,
        outsideNormal: [0, 0.6, 0.8],
        grainDirection: [1, 0, 0],
        grain: 'any',
        inside: 'any',
        knots: 'none',
      }),
    ).toThrow('lost one of its two faces');
  });
});
