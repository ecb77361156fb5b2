import { cos, printAngle, sin, tan } from '../../../measure/angle.js';
import { fromMm, toMm } from '../../../measure/ticks.js';
import { type ConvexSolid, solidInside } from '../../../solid/convex-solid.js';
import { atLeast, atMost, behind, between, type HalfSpace } from '../../../solid/half-space.js';
import type { Vec3 } from '../../../solid/vector.js';
import { cutPanel, type PanelDraft } from '../../cut-panel.js';
import type { BuiltBox, Derived } from '../../family.js';
import type { Cavity, Feature, Joint, Opening, Panel } from '../../panel-set.js';
import type { BoxPlan } from '../../plan.js';
import { missingWood, outOfRange } from '../../ranges.js';
import { PARAMETERS, ROLES } from './parameters.js';

/** Grooves to hang by: 3 mm deep, 6–13 mm apart, common practice, no source. */
const SCORE = { depth: fromMm(1.6), width: fromMm(3.2), spacing: fromMm(12), edge: fromMm(12) };

const slab = (solid: ConvexSolid | null, id: string): ConvexSolid => {
  if (!solid) throw new Error(`the ${id} has no wood left`);
  return solid;
};
const say = (ticks: number): string => `{${Math.round(toMm(ticks) * 1000) / 1000}}`;

/** Cuts a crevice box out of space: cheeks outside, front, partitions and back between them, open below. */
export function build(plan: BoxPlan): BuiltBox {
  const crevices = Number(plan.schools.crevices ?? '2');
  const roles = ROLES.filter((role) => role.id !== 'partition' || crevices > 1);
  const refusals = [...missingWood(plan, roles), ...outOfRange(plan, PARAMETERS)];
  if (refusals.length > 0) return { ok: false, refusals };
  const size = (id: string): number => plan.sizes[id] ?? 0;
  const thick = (role: string): number => plan.wood[role]!.thickness;
  const slope = plan.angles.slope ?? 0;
  const half = size('width') / 2;
  const [front, back, roofThick] = [thick('front'), thick('back'), thick('roof')];
  const part = crevices > 1 ? thick('partition') : 0;
  const crevice = size('crevice');
  const starts = Array.from({ length: crevices }, (_unused, index) => index * (crevice + part));
  const depth = starts.at(-1)! + crevice;
  const roofAt = (y: number): number => size('frontHeight') + (y + front) * tan(slope);
  const slot = plan.schools.vents === 'slot' ? { low: size('ventAbove'), high: size('ventAbove') + size('ventSize') } : null;
  if (slot && slot.high > size('frontHeight') - fromMm(80)) {
    return {
      ok: false,
      refusals: [
        {
          field: 'ventAbove',
          message: 'The slot comes too near the roof: at least 80 mm of front must stay above it. Lower it, or make the front higher.',
        },
      ],
    };
  }
  const up: Vec3 = [0, -sin(slope), cos(slope)];
  const underRoof = (drop = 0): HalfSpace => behind(up, [0, -front, size('frontHeight') - drop]);
  const inside = plan.schools.grip === 'rough' ? 'rough' : 'any';
  const across = between('x', -half, half);

  const scores =
    (y: number, from: number, to: number, face: 'inside' | 'outside') =>
    (toFrame: (point: Vec3) => readonly [number, number]): Feature[] => {
      if (plan.schools.grip === 'rough') return [];
      const grooves: Feature[] = [];
      for (let z = from + SCORE.edge; z < to - SCORE.edge; z += SCORE.spacing) {
        grooves.push({
          kind: 'groove',
          from: toFrame([-half, y, z]),
          to: toFrame([half, y, z]),
          face,
          width: SCORE.width,
          depth: SCORE.depth,
        });
      }
      return grooves;
    };
  const upright = { grain: 'along', knots: 'sound', grainDirection: [0, 0, 1] as Vec3 } as const;
  const wall = (id: string, role: string, solid: ConvexSolid | null, outsideNormal: Vec3, more: Partial<PanelDraft> = {}): Panel =>
    cutPanel({ ...upright, id, role, thickness: thick(role), solid: slab(solid, id), outsideNormal, inside: 'any', ...more });

  const frontPiece = (id: string, low: number, high: number | null): Panel =>
    wall(
      id,
      'front',
      solidInside([...across, ...between('y', -front, 0), atLeast('z', low), high === null ? underRoof() : atMost('z', high)]),
      [0, -1, 0],
      {
        inside,
        features: scores(0, low, high ?? roofAt(0), 'inside'),
      },
    );
  const fronts = slot
    ? [frontPiece('front-lower', 0, slot.low), frontPiece('front-upper', slot.high, null)]
    : [frontPiece('front', 0, null)];
  const partitions = starts.slice(1).map((start, index): Panel => {
    const [from, to] = [start - part, start];
    const top = roofAt(from) - size('passage');
    return wall(
      `partition-${index + 1}`,
      'partition',
      solidInside([...across, ...between('y', from, to), ...between('z', 0, top)]),
      [0, -1, 0],
      {
        inside,
        outside: inside,
        features: (toFrame) => [...scores(to, 0, top, 'inside')(toFrame), ...scores(from, 0, top, 'outside')(toFrame)],
      },
    );
  });
  const backPanel = wall(
    'back',
    'back',
    solidInside([...across, ...between('y', depth, depth + back), atLeast('z', -size('landing')), underRoof()]),
    [0, 1, 0],
    {
      inside,
      features: scores(depth, -size('landing'), roofAt(depth), 'inside'),
    },
  );
  const cheek = (id: string, from: number, to: number, normal: Vec3): Panel =>
    wall(id, id, solidInside([...between('x', from, to), ...between('y', -front, depth + back), atLeast('z', 0), underRoof()]), normal);
  const eaves = -front - size('overhangFront');
  const rear = depth + back;
  const along: Vec3 = [0, cos(slope), sin(slope)];
  const roof = cutPanel({
    id: 'roof',
    role: 'roof',
    thickness: roofThick,
    solid: slab(
      solidInside([
        ...between('x', -half - thick('side-left') - size('overhangSide'), half + thick('side-right') + size('overhangSide')),
        behind([0, -up[1], -up[2]], [0, -front, size('frontHeight')]),
        { normal: up, offset: underRoof().offset + roofThick },
        behind([0, -along[1], -along[2]], [0, eaves, roofAt(eaves)]),
        behind(along, [0, rear, roofAt(rear)]),
      ]),
      'roof',
    ),
    outsideNormal: up,
    grainDirection: [1, 0, 0],
    grain: 'along',
    inside: 'any',
    knots: 'none',
  });
  const panels = [
    ...fronts,
    ...partitions,
    backPanel,
    cheek('side-left', -half - thick('side-left'), -half, [-1, 0, 0]),
    cheek('side-right', half, half + thick('side-right'), [1, 0, 0]),
    roof,
  ];
  const cheeks = ['side-left', 'side-right'];
  const joints: Joint[] = [
    ...[...fronts, ...partitions, backPanel].flatMap((panel) => cheeks.map((side): Joint => ({ between: [panel.id, side], kind: 'butt' }))),
    ...[fronts.at(-1)!.id, 'back', ...cheeks].map((id): Joint => ({ between: ['roof', id], kind: 'butt' })),
  ];
  const rounded = (x: number, y: number, z: number): Vec3 => [Math.round(x), Math.round(y), Math.round(z)];
  const openings: Opening[] = [
    ...starts.map(
      (y): Opening => ({
        kind: 'crevice',
        polygon: [rounded(-half, y, 0), rounded(half, y, 0), rounded(half, y + crevice, 0), rounded(-half, y + crevice, 0)],
      }),
    ),
    ...(slot
      ? [
          {
            kind: 'vent-gap',
            polygon: [rounded(-half, 0, slot.low), rounded(half, 0, slot.low), rounded(half, 0, slot.high), rounded(-half, 0, slot.high)],
          } as const,
        ]
      : []),
  ];
  const cavities = starts.map(
    (y): Cavity => ({
      origin: rounded(0, y, 0),
      width: Math.round(2 * half),
      depth: Math.round(crevice),
      heightFront: Math.round(roofAt(y)),
      heightBack: Math.round(roofAt(y + crevice)),
      sill: 0,
    }),
  );
  const derived: Derived[] = [
    {
      id: 'cheekWidth',
      label: 'Cheeks, wide',
      kind: 'length',
      value: Math.round(front + depth + back),
      why: `Front ${say(front)}${crevices > 1 ? `, ${crevices - 1} × partition ${say(part)}` : ''}, back ${say(back)} and ${crevices} × crevice ${say(crevice)} = ${say(front + depth + back)}.`,
    },
    {
      id: 'backHeight',
      label: 'Back, with its landing',
      kind: 'length',
      value: Math.round(roofAt(depth + back) + size('landing')),
      why: `${say(size('frontHeight'))} at the front, rising ${printAngle(slope)} over ${say(front + depth + back)}, and ${say(size('landing'))} to land on = ${say(roofAt(depth + back) + size('landing'))} at the outside.`,
    },
  ];
  return { ok: true, box: { cavities, panels, joints, openings }, derived };
}
