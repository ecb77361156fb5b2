import { at } from '../lists/index.js';
import { atan2, fromMm, type Ticks, TOLERANCE } from '../measure/index.js';
import { type Panel, type PanelSet, swingRiseUnderSlope } from '../panels/index.js';
import type { BoxPlan } from '../plan/index.js';
import { add, cross, dot, scale, type Vec3 } from '../solid/index.js';
import { ofLength, text } from '../text/index.js';
import { COMMON, type Rule, setSize } from './check.js';

/** Pivots in box space: the middles of the holes on the panels' outside faces. */
export const pivotsOf = (box: PanelSet): Vec3[] =>
  box.panels.flatMap((panel) =>
    panel.features.flatMap((feature): Vec3[] => {
      if (feature.kind !== 'pivot') return [];
      const { frame, outsideNormal } = at(panel.instances, 0);
      const [u, v] = feature.centre;
      const y = cross(outsideNormal, frame.x);
      return [add(frame.origin, add(scale(frame.x, u), scale(y, v)))];
    }),
  );

const cornersOf = (panel: Panel): readonly Vec3[] => at(panel.instances, 0).solid.vertices;

/** Height of the roof's underside over a point, in ticks. */
export function gapOver(roof: Panel, point: Vec3): Ticks {
  const { solid, outsideNormal: n } = at(roof.instances, 0);
  const under = Math.min(...solid.vertices.map((vertex) => dot(n, vertex)));
  return (under - n[0] * point[0] - n[1] * point[1]) / n[2] - point[2];
}

const lowestOf = (panel: Panel): Ticks => Math.min(...cornersOf(panel).map((corner) => corner[2]));

/** The corner that rises as the wall swings: outermost, and where its upper edge is lowest. */
function risingCorner(wall: Panel, across: 0 | 1, sign: number): Vec3 {
  const along = across === 0 ? 1 : 0;
  const corners = cornersOf(wall);
  const outer = Math.max(...corners.map((corner) => corner[across] * sign));
  const edge = corners.filter((corner) => Math.abs(corner[across] * sign - outer) <= TOLERANCE);
  const isUpper = (corner: Vec3) =>
    edge.every((other) => other[along] !== corner[along] || other[2] <= corner[2]);
  return edge.filter(isUpper).reduce((low, each) => (each[2] < low[2] ? each : low));
}

const isOpposite = (pivots: readonly Vec3[], across: 0 | 1): boolean => {
  const [a, b] = pivots;
  if (!a || !b || pivots.length !== 2) return false;
  return Math.abs(a[2] - b[2]) <= TOLERANCE && Math.abs(a[across] - b[across]) <= TOLERANCE;
};

const swingingWall = (access: string | undefined, opensAt: string): string | null => {
  if (access === 'front') return 'front';
  return access === 'side' ? `side-${opensAt}` : null;
};

/** The wall that hangs on pivots, if one does. */
export const swingingPanel = ({ choices }: BoxPlan, box: PanelSet): Panel | undefined => {
  const id = swingingWall(choices.access, choices.opensAt ?? 'right');
  return box.panels.find((panel) => panel.id === id);
};

/**
 * Whether the wall on pivots swings free: the pivots opposite each other, and room over its upper outer corner, read off the solids.
 * A panel of thickness t on an axis a below its upper edge and p in from its outer face needs √(a² + p²) − a.
 */
export const swingRule: Rule = ({ plan, box }) => {
  const { access } = plan.choices;
  const wall = swingingPanel(plan, box);
  // Over the door of a side that is split lies its fixed part, level below.
  const fixed = access === 'side' && box.panels.find(({ role }) => role === 'side-above');
  const roof = fixed || box.panels.find((panel) => panel.role === 'roof');
  if (!wall || !roof) return [];
  const pivots = pivotsOf(box);
  const across = access === 'front' ? 1 : 0;
  const opposite = isOpposite(pivots, across);
  const axis: Vec3 = pivots[0] ?? [0, 0, 0];
  const sign = access === 'front' ? -1 : Math.sign(axis[0]);
  const corner = risingCorner(wall, across, sign);
  // How steeply the roof climbs inwards over the corner.
  const over = at(roof.instances, 0).outsideNormal;
  const slope = fixed ? 0 : atan2(sign * over[across], over[2]);
  const below = corner[2] - axis[2];
  const needed = swingRiseUnderSlope(below, Math.abs(corner[across] - axis[across]), slope);
  const there = fixed ? lowestOf(fixed) - corner[2] : gapOver(roof, corner);
  const free = there >= needed - 1;
  const name = access === 'front' ? 'front' : 'side';
  return [
    {
      ...COMMON,
      id: 'swing',
      severity: free && opposite ? 'kept' : 'stop',
      role: wall.role,
      text: opposite
        ? text`The ${name} swings free: its corner rises ${ofLength(needed)} and has ${ofLength(there)} over it. Both pivots ${ofLength(below)} below its upper edge, opposite each other; sand its edges until it moves.`
        : text`The two pivots are not opposite each other, so the wall will bind.`,
      remedies: free
        ? []
        : [{ label: 'Lower the axis', apply: setSize('pivotBelow', fromMm(25.4)) }],
    },
  ];
};
