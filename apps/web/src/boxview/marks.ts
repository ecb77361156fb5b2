import { at } from '@spare-knot/core/lists';
import { type Feature, type Panel, type PanelInstance, rim } from '@spare-knot/core/panels';
import { add, cross, dot, scale, subtract, unit, type Vec3 } from '@spare-knot/core/solid';

/** How far a mark stands off the wood, so that it is not hidden in it: 0.2 mm in ticks. */
export const OFF = 64;

/** The place of a panel's frame in space: what lies at (u, v) on its outside, or behind it. */
class FrameInSpace {
  readonly x: Vec3;
  readonly y: Vec3;
  private readonly planes: readonly { normal: Vec3; offset: number }[];

  constructor(private readonly instance: PanelInstance) {
    this.x = instance.frame.x;
    this.y = cross(instance.outsideNormal, this.x);
    const { vertices, faces } = instance.solid;
    this.planes = faces.flatMap((face) => {
      const corners = face.map((index) => at(vertices, index));
      const normal = normalOf(corners);
      return normal ? [{ normal, offset: dot(normal, at(corners, 0)) }] : [];
    });
  }

  private onBlank(u: number, v: number): Vec3 {
    return add(this.instance.frame.origin, add(scale(this.x, u), scale(this.y, v)));
  }

  /** A point just off the wood: before the face that looks out, or behind the other; null where there is no wood. */
  offWood(u: number, v: number, face: 'outside' | 'inside'): Vec3 | null {
    const start = this.onBlank(u, v);
    const inward = scale(this.instance.outsideNormal, -1);
    let [enter, leave] = [Number.NEGATIVE_INFINITY, Number.POSITIVE_INFINITY];
    for (const { normal, offset } of this.planes) {
      const rate = dot(normal, inward);
      const distance = offset - dot(normal, start);
      if (Math.abs(rate) < 1e-9) {
        if (distance < -2) return null;
      } else if (rate < 0) enter = Math.max(enter, distance / rate);
      else leave = Math.min(leave, distance / rate);
    }
    if (leave <= enter) return null;
    return add(start, scale(inward, face === 'outside' ? enter - OFF : leave + OFF));
  }
}

/** The direction of a face that three of its corners span; null for one without area. */
function normalOf(corners: readonly Vec3[]): Vec3 | null {
  const first = at(corners, 0);
  let widest: Vec3 = [0, 0, 0];
  for (let i = 1; i + 1 < corners.length; i += 1) {
    const turn = cross(subtract(at(corners, i), first), subtract(at(corners, i + 1), first));
    if (Math.hypot(...turn) > Math.hypot(...widest)) widest = turn;
  }
  return Math.hypot(...widest) < 1 ? null : unit(widest);
}

type Corners = readonly (readonly [u: number, v: number])[];

function grooveCorners({ from, to, width }: Extract<Feature, { kind: 'groove' }>): Corners {
  const run = [to[0] - from[0], to[1] - from[1]] as const;
  const long = Math.hypot(...run) || 1;
  const side = [((-run[1] / long) * width) / 2, ((run[0] / long) * width) / 2] as const;
  const corner = (of: readonly [number, number], sign: number) =>
    [of[0] + sign * side[0], of[1] + sign * side[1]] as const;
  return [corner(from, 1), corner(to, 1), corner(to, -1), corner(from, -1)];
}

function meshCorners({ corner, width, height }: Extract<Feature, { kind: 'mesh' }>): Corners {
  const [u, v] = corner;
  return [
    [u, v],
    [u + height, v],
    [u + height, v + width],
    [u, v + width],
  ];
}

function holeCorners(hole: Exclude<Feature, { kind: 'groove' | 'mesh' }>): Corners {
  const [width, height] =
    hole.shape === 'round' ? [hole.diameter, hole.diameter] : [hole.width, hole.height];
  const [u, v] = hole.centre;
  return rim(hole.shape, [u, v, 0], [0, 1, 0], [1, 0, 0], width, height).map(([a, b]) => [a, b]);
}

/** What a feature takes from the faces that it goes through. */
function patchesOf(feature: Feature): { corners: Corners; face: 'outside' | 'inside' }[] {
  if (feature.kind === 'mesh') return [{ corners: meshCorners(feature), face: feature.face }];
  if (feature.kind === 'groove') return [{ corners: grooveCorners(feature), face: feature.face }];
  const corners = holeCorners(feature);
  const faces =
    feature.depth === 'through' ? (['outside', 'inside'] as const) : (['outside'] as const);
  return faces.map((face) => ({ corners, face }));
}

/** Holes and grooves of a panel as convex patches just off its wood, in ticks of space. */
export function marksOf(panel: Panel, instance: PanelInstance): Vec3[][] {
  const space = new FrameInSpace(instance);
  return panel.features.flatMap(patchesOf).flatMap(({ corners, face }) => {
    const points = corners.flatMap(([u, v]): Vec3[] => {
      const point = space.offWood(u, v, face);
      return point ? [point] : [];
    });
    return points.length >= 3 ? [points] : [];
  });
}
