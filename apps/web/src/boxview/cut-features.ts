import type { Ticks } from '@spare-knot/core/measure';
import { type Feature, holeSize, type Panel, type PanelInstance } from '@spare-knot/core/panels';
import type { Point } from '@spare-knot/core/plane';

/** A hole or groove where the section goes through it: its upper corner, how deep and how high, in ticks. */
export interface CutFeature {
  y: number;
  z: number;
  deep: number;
  high: number;
  hole: boolean;
}

/** An upright panel across the box, as it stands. */
interface Standing {
  /** 1 where its outside looks to the back, −1 to the front. */
  n: number;
  outside: number;
  inside: number;
  /** True where the grain stands upright. */
  isUpright: boolean;
  toSpace: (point: Point) => { x: number; z: number };
}

/** How a panel stands; null for one that does not stand across the box. */
function standing(panel: Panel, { frame, outsideNormal }: PanelInstance): Standing | null {
  const n = outsideNormal[1];
  if (Math.abs(n) < 0.999) return null;
  const { origin, x } = frame;
  // The frame's y in box space: outsideNormal × x.
  const y = [n * x[2], 0, -n * x[0]] as const;
  return {
    n,
    outside: origin[1],
    inside: origin[1] - n * panel.thickness,
    isUpright: Math.abs(x[2]) > 0.5,
    toSpace: ([u, v]) => ({
      x: origin[0] + u * x[0] + v * y[0],
      z: origin[2] + u * x[2] + v * y[2],
    }),
  };
}

type Groove = Extract<Feature, { kind: 'groove' }>;

function cutGroove(groove: Groove, { n, outside, inside, toSpace }: Standing, at: Ticks) {
  const [from, to] = [toSpace(groove.from), toSpace(groove.to)];
  if (Math.min(from.x, to.x) > at || Math.max(from.x, to.x) < at) return [];
  const [face, into] = groove.face === 'inside' ? [inside, n] : [outside, -n];
  const y = Math.min(face, face + into * groove.depth);
  return [{ y, z: from.z + groove.width / 2, deep: groove.depth, high: groove.width, hole: false }];
}

function cutFeature(feature: Feature, panel: Panel, how: Standing, at: Ticks): CutFeature[] {
  if (feature.kind === 'groove') return cutGroove(feature, how, at);
  if (feature.kind !== 'entrance' && feature.kind !== 'vent') return [];
  const size = holeSize(feature);
  if (!size) return [];
  const middle = how.toSpace(feature.centre);
  const [wide, high] = how.isUpright ? [size.width, size.height] : [size.height, size.width];
  if (Math.abs(middle.x - at) > wide / 2) return [];
  const y = Math.min(how.outside, how.inside);
  return [{ y, z: middle.z + high / 2, deep: panel.thickness, high, hole: true }];
}

/** Holes and grooves of upright panels that the cut at `x` goes through. */
export const cutFeatures = (panels: readonly Panel[], x: Ticks): CutFeature[] =>
  panels.flatMap((panel) =>
    panel.instances.flatMap((instance) => {
      const how = standing(panel, instance);
      return how ? panel.features.flatMap((each) => cutFeature(each, panel, how, x)) : [];
    }),
  );
