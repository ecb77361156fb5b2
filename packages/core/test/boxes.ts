import { expect } from '@jest/globals';
import type { Animal } from '../src/animals/index.js';
import type { Family } from '../src/families/index.js';
import { at, must } from '../src/lists/index.js';
import { fromMm } from '../src/measure/index.js';
import {
  type Feature,
  instanceVolume,
  type Panel,
  type PanelInstance,
  type PanelSet,
} from '../src/panels/index.js';
import { type BoxPlan, type Choice, type PanelWood, startPlan } from '../src/plan/index.js';
import { areaOf, type Point } from '../src/plane/index.js';
import {
  add,
  behind,
  type ConvexSolid,
  common,
  cornersOf,
  cross,
  distanceTo,
  dot,
  scale,
  sharedFaceArea,
  solidInside,
  subtract,
  unit,
  type Vec3,
  volumeOf,
} from '../src/solid/index.js';

/** What every family's boxes must be, whatever the choices; for tests. */

/** The solid of an instance from its rounded corners, so that tests judge what is handed on. */
export const solidOf = ({ solid: { vertices, faces } }: PanelInstance): ConvexSolid =>
  must(
    solidInside(
      faces.map((face) => {
        // The widest corner triple: corners rounded to the tick turn a short edge far.
        let best: readonly [Vec3, Vec3, Vec3] | null = null;
        let size = 0;
        for (let i = 1; i + 1 < face.length; i += 1) {
          const triple = [
            at(vertices, at(face, 0)),
            at(vertices, at(face, i)),
            at(vertices, at(face, i + 1)),
          ] as const;
          const turn = cross(subtract(triple[1], triple[0]), subtract(triple[2], triple[0]));
          const area = Math.hypot(...turn);
          if (area > size) [best, size] = [triple, area];
        }
        const [a, b, c] = must(best, 'best');
        return behind(cross(subtract(b, a), subtract(c, a)), a);
      }),
    ),
    'solidInside',
  );

/** Whether a point lies in the wood that a groove of the panel takes out, to within 0.1 mm. */
function inGroove(
  point: Vec3,
  panel: Panel,
  instance: PanelInstance,
  groove: Extract<Feature, { kind: 'groove' }>,
): boolean {
  const { origin, x } = instance.frame;
  const n = instance.outsideNormal;
  const y = cross(n, x);
  const rel = subtract(point, origin);
  const [u, v, depth] = [dot(rel, x), dot(rel, y), -dot(rel, n)];
  const into = groove.face === 'outside' ? depth : panel.thickness - depth;
  const run: readonly [number, number] = [
    groove.to[0] - groove.from[0],
    groove.to[1] - groove.from[1],
  ];
  const length = Math.hypot(...run);
  // The groove leans towards greater x as it goes deeper.
  const lean = into * Math.tan(((groove.tilt ?? 0) * Math.PI) / 180);
  const along = ((u - lean - groove.from[0]) * run[0] + (v - groove.from[1]) * run[1]) / length;
  const off =
    Math.abs((u - lean - groove.from[0]) * run[1] - (v - groove.from[1]) * run[0]) / length;
  return (
    into <= groove.depth + 32 &&
    along >= -32 &&
    along <= length + 32 &&
    off <= groove.width / 2 + 32
  );
}

/** No two panels overlap but in a groove made for it, every declared joint shares a face, and outlines agree with the solids. */
export function expectSound(box: PanelSet): void {
  const all = box.panels.flatMap((panel) =>
    panel.instances.map((instance) => ({ panel, instance, solid: solidOf(instance) })),
  );
  for (const [index, a] of all.entries()) {
    for (const b of all.slice(index + 1)) {
      const overlap = common(a.solid, b.solid);
      if (!overlap) continue;
      // Corners are rounded to the tick, so a sliver thinner than 0.02 mm may stay.
      if (volumeOf(overlap) / 320 ** 3 < 0.02 * 300 * 600) continue;
      const made = [a, b].some(({ panel, instance }) =>
        panel.features.some(
          (feature) =>
            feature.kind === 'groove' &&
            cornersOf(overlap).every((corner) => inGroove(corner, panel, instance, feature)),
        ),
      );
      if (!made)
        throw new Error(
          `${a.panel.id} and ${b.panel.id} overlap by ${Math.round(volumeOf(overlap) / 320 ** 3)} mm³`,
        );
    }
  }
  const copies = (id: string) => all.filter(({ panel }) => panel.id === id);
  for (const { between, kind } of box.joints) {
    const [a, b] = between.map(copies) as [typeof all, typeof all];
    const meets = (one: (typeof all)[number], others: typeof all) =>
      others.some((other) =>
        kind === 'let-in'
          ? common(one.solid, other.solid) !== null
          : sharedFaceArea(one.solid, other.solid) > 320 ** 2,
      );
    // One of a group of copies may stand where the joint is not; every joint is held by some pair.
    if (!a.some((one) => meets(one, b))) throw new Error(`${between.join(' and ')} do not meet`);
  }
  for (const panel of box.panels) expectOutline(panel);
}

/**
 * Each solid as it is handed on: its faces lie flat and bound it on all sides, each edge is shared by two faces that run along it in
 * opposite ways, and no corner stands out over a face.
 */
export function expectClosedSolid({ solid: { vertices, faces } }: PanelInstance): void {
  const edges = new Map<string, number>();
  for (const face of faces)
    face.forEach((corner, index) => {
      const key = `${corner},${face[(index + 1) % face.length]}`;
      edges.set(key, (edges.get(key) ?? 0) + 1);
    });
  for (const [edge, times] of edges)
    if (times !== 1 || edges.get(edge.split(',').reverse().join()) !== 1)
      throw new Error(`edge ${edge} is not shared by two faces`);
  expect(vertices.length - edges.size / 2 + faces.length).toBe(2); // Euler
  for (const face of faces) {
    const [normal, index] = planeOf(face.map((corner) => at(vertices, corner)));
    if (normal === null) continue;
    // Corners are rounded to the tick; over a panel's length that turns a narrow face by some ticks.
    const leeway = 3 + 4000 / index.narrowest;
    const heights = vertices.map((vertex) => dot(normal, subtract(vertex, index.middle)));
    expect(Math.max(...heights)).toBeLessThan(leeway);
    expect(Math.min(...face.map((corner) => at(heights, corner)))).toBeGreaterThan(-leeway);
  }
}

/** A polygon's plane by its area vector; none where it is too narrow for its rounded corners to tell. */
function planeOf(
  corners: readonly Vec3[],
): [normal: Vec3 | null, at: { middle: Vec3; narrowest: number }] {
  const middle = scale(corners.reduce(add), 1 / corners.length);
  let normal: Vec3 = [0, 0, 0];
  for (let i = 0; i < corners.length; i += 1)
    normal = add(
      normal,
      cross(
        subtract(at(corners, i), middle),
        subtract(at(corners, (i + 1) % corners.length), middle),
      ),
    );
  const longest = Math.max(
    ...corners.map((corner, i) =>
      Math.hypot(...subtract(at(corners, (i + 1) % corners.length), corner)),
    ),
  );
  const narrowest = Math.hypot(...normal) / 2 / longest;
  return [narrowest < 32 ? null : unit(normal), { middle, narrowest }];
}

/** Every copy of a panel is the same panel in its own frame, not its mirror image: its two faces are the outline and the underside. */
export function expectCopiesAlike(panel: Panel): void {
  if (panel.fromLog) return;
  for (const { solid, outsideNormal: n, frame } of panel.instances) {
    const y = cross(n, frame.x);
    expect([Math.hypot(...n) - 1, dot(n, frame.x)].every((off) => Math.abs(off) < 1e-6)).toBe(true);
    for (const [points, depth] of [
      [panel.outline, 0],
      [panel.underside, panel.thickness],
    ] as const)
      for (const [u, v] of points) {
        const corner = subtract(
          add(frame.origin, add(scale(frame.x, u), scale(y, v))),
          scale(n, depth),
        );
        const off = Math.min(
          ...solid.vertices.map((vertex) => Math.hypot(...subtract(vertex, corner))),
        );
        if (off > 4)
          throw new Error(
            `${panel.id}: a corner of its faces is ${(off / 320).toFixed(3)} mm from its solid`,
          );
      }
  }
}

/** Every hole lies in the wood: its rim within the panel on both faces, or, where it is bored aslant, on the face that it enters. */
export function expectHolesInside(panel: Panel): void {
  if (panel.fromLog) return;
  for (const feature of panel.features) {
    if (feature.kind === 'groove' || feature.kind === 'mesh') continue;
    const [x, y] = feature.centre;
    const [high, wide] =
      feature.shape === 'round'
        ? [feature.diameter, feature.diameter]
        : [feature.height, feature.width];
    const rim: Point[] = [
      [x - high / 2, y],
      [x + high / 2, y],
      [x, y - wide / 2],
      [x, y + wide / 2],
    ];
    const faces =
      feature.shape === 'round' && feature.axis
        ? [panel.outline]
        : [panel.outline, panel.underside];
    for (const face of faces)
      if (!rim.every((point) => within(point, face)))
        throw new Error(
          `${panel.id}: the ${feature.kind} at ${Math.round(x / 320)}, ${Math.round(y / 320)} runs out of the panel`,
        );
  }
}

const within = ([x, y]: Point, polygon: readonly Point[]): boolean =>
  polygon.every(([ax, ay], index) => {
    const [bx, by] = at(polygon, (index + 1) % polygon.length);
    return ((bx - ax) * (y - ay) - (by - ay) * (x - ax)) / Math.hypot(bx - ax, by - ay) > -4;
  });

/** Where a panel's pivots stand in the box, from left to right. */
export const pivotsOf = (box: PanelSet): Vec3[] =>
  box.panels
    .flatMap((panel) =>
      panel.features.flatMap((feature) => {
        if (feature.kind !== 'pivot') return [];
        const { frame, outsideNormal } = at(panel.instances, 0);
        const [x, y] = [frame.x, cross(outsideNormal, frame.x)];
        return [add(frame.origin, add(scale(x, feature.centre[0]), scale(y, feature.centre[1])))];
      }),
    )
    .sort((a, b) => a[0] - b[0] || a[1] - b[1]);

/** Pairs of panels, left and right, whose solids are each other's image in the box's middle plane. */
export const mirrorPairs = (box: PanelSet): (readonly [left: Panel, right: Panel])[] =>
  box.panels.flatMap((left) => {
    const right =
      left.id.includes('left') &&
      box.panels.find((panel) => panel.id === left.id.replace('left', 'right'));
    return right &&
      left.thickness === right.thickness &&
      mirrored(at(left.instances, 0), at(right.instances, 0))
      ? [[left, right] as const]
      : [];
  });

const mirrored = (left: PanelInstance, right: PanelInstance): boolean =>
  left.solid.vertices.length === right.solid.vertices.length &&
  left.solid.vertices.every(([x, y, z]) =>
    right.solid.vertices.some((vertex) => Math.hypot(...subtract(vertex, [-x, y, z])) < 4),
  );

/** The blanks of a mirrored pair are mirror images, face by face: what is laid out as a left cannot be sawn as a right. */
export function expectMirrorImages([left, right]: readonly [Panel, Panel]): void {
  const least = (points: Panel['outline']) => Math.min(...points.map(([, y]) => y));
  for (const face of ['outline', 'underside'] as const) {
    const image = left[face].map(([x, y]) => [x, -y] as const);
    const shift =
      least([...right.outline, ...right.underside]) -
      least([...left.outline, ...left.underside].map(([x, y]) => [x, -y]));
    for (const [x, y] of right[face])
      expect(Math.min(...image.map(([u, v]) => Math.hypot(u - x, v + shift - y)))).toBeLessThan(4);
  }
}

function expectOutline(panel: Panel): void {
  expect(areaOf(panel.outline)).toBeGreaterThan(0);
  expect(areaOf(panel.underside)).toBeGreaterThan(0);
  expect(panel.underside).toHaveLength(panel.outline.length);
  if (panel.fromLog) return;
  const between = panel.outline.map(
    (point, index) =>
      [
        (point[0] + at(panel.underside, index)[0]) / 2,
        (point[1] + at(panel.underside, index)[1]) / 2,
      ] as const,
  );
  const mean = (areaOf(panel.outline) + 4 * areaOf(between) + areaOf(panel.underside)) / 6;
  for (const instance of panel.instances) {
    const off = Math.abs((mean * panel.thickness) / instanceVolume(instance) - 1);
    if (off > 2e-3)
      throw new Error(`${panel.id}: outline and solid differ by ${(off * 100).toFixed(2)} %`);
  }
}

/** Whether a ray goes through a polygon. What does not depend on the ray is worked out once. */
function passing(polygon: readonly Vec3[]): (from: Vec3, direction: Vec3) => boolean {
  const first = at(polygon, 0);
  let sum: Vec3 = [0, 0, 0];
  for (let i = 1; i + 1 < polygon.length; i += 1)
    sum = add(sum, cross(subtract(at(polygon, i), first), subtract(at(polygon, i + 1), first)));
  if (Math.hypot(...sum) < 1) return () => false;
  const normal = unit(sum);
  // Rims are drawn as polygons inside the round: half a millimetre of leeway.
  const leeway = fromMm(0.5);
  const sides = polygon.map((corner, index) => {
    const edge = subtract(at(polygon, (index + 1) % polygon.length), corner);
    const inwards = cross(normal, unit(edge));
    return { inwards, least: dot(inwards, corner) - leeway };
  });
  return (from, direction) => {
    const rate = dot(normal, direction);
    if (Math.abs(rate) < 1e-9) return false;
    const where = dot(normal, subtract(first, from)) / rate;
    if (where < 0) return false;
    const point = add(from, scale(direction, where));
    return sides.every(({ inwards, least }) => dot(inwards, point) >= least);
  };
}

/**
 * The rooms leak nowhere but through what was asked for: rays from the middle of each room in all directions end in wood, in another
 * room's air, or pass an opening. `seed` turns the bundle of rays, so that many boxes are searched from many sides.
 */
export function expectClosed(box: PanelSet, seed = 0, rays = 300): void {
  const solids = box.panels.flatMap((panel) => panel.instances.map(solidOf));
  const passes = box.openings.map((opening) => passing(opening.polygon));
  const blocked = (from: Vec3, direction: Vec3): boolean =>
    solids.some((solid) => {
      let enter = Number.NEGATIVE_INFINITY;
      let leave = Number.POSITIVE_INFINITY;
      for (const { plane } of solid.faces) {
        // Seams between neighbours, a tick wide after rounding, are no leak.
        const distance = distanceTo(plane, from) - 3;
        const rate = dot(plane.normal, direction);
        if (Math.abs(rate) < 1e-12) {
          if (distance > 0) return false;
        } else if (rate > 0) leave = Math.min(leave, -distance / rate);
        else enter = Math.max(enter, -distance / rate);
      }
      return enter < leave && leave > 0;
    });
  for (const cavity of box.cavities) {
    const [ox, oy, oz] = cavity.origin;
    const shares = [0.5, 0.13, 0.87];
    for (const share of shares) {
      const from: Vec3 = [
        ox + (share - 0.5) * cavity.width * 0.8,
        oy + cavity.depth * 0.5,
        oz + cavity.heightFront * (0.25 + share * 0.5),
      ];
      for (let index = 0; index < rays / shares.length; index += 1) {
        const z = 1 - (2 * (index + 0.5)) / (rays / shares.length);
        const turn = index * 2.399963 + seed;
        const flat = Math.sqrt(1 - z * z);
        const direction: Vec3 = [flat * Math.cos(turn), flat * Math.sin(turn), z];
        if (blocked(from, direction) && !passes.some((passed) => passed(from, direction))) continue;
        if (passes.some((passed) => passed(from, direction))) continue;
        throw new Error(
          `a leak from (${from.map((value) => Math.round(value / 320)).join(', ')}) towards (${direction.map((value) => value.toFixed(3)).join(', ')})`,
        );
      }
    }
  }
}

export const board = (mm: number, more: Partial<PanelWood> = {}): PanelWood => ({
  thickness: fromMm(mm),
  width: null,
  material: 'western-red-cedar',
  faceA: 'rough',
  faceB: 'rough',
  ...more,
});

/** A first plan with boards of one thickness and the usual sticks. */
export const planFor = (
  family: Family,
  animal: Animal,
  thickness = 19,
  more: Partial<PanelWood> = {},
): BoxPlan => startPlan(family, animal, board(thickness, more));

/** The answers that a question has; a few words where it is answered in words. */
export const answersOf = ({ options, words }: Choice): readonly string[] =>
  words === undefined ? options.map((option) => option.id) : ['', 'cork glued on'];
