import { at } from '@spare-knot/core/lists';
import type { Feature, Panel, PanelInstance } from '@spare-knot/core/panels';
import { featureOutline } from '@spare-knot/core/sheets';
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

/** The faces that a feature is seen on. */
function facesOf(feature: Feature): readonly ('outside' | 'inside')[] {
  if ('face' in feature) return [feature.face];
  return feature.depth === 'through' ? ['outside', 'inside'] : ['outside'];
}

/** Holes and grooves of a panel as convex patches just off its wood, in ticks of space. */
export function marksOf(panel: Panel, instance: PanelInstance): Vec3[][] {
  const space = new FrameInSpace(instance);
  return panel.features.flatMap((feature) =>
    facesOf(feature).flatMap((face) => {
      const points = featureOutline(feature).flatMap(([u, v]): Vec3[] => {
        const point = space.offWood(u, v, face);
        return point ? [point] : [];
      });
      return points.length >= 3 ? [points] : [];
    }),
  );
}
