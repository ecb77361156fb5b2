import { fromMm, printAngle, tan, toMm } from '../../measure/index.js';
import {
  assemble,
  type BuiltBox,
  type Cavity,
  type Derived,
  type Draft,
  type JointDraft,
  meet,
  type Opening,
  wood,
} from '../../panels/index.js';
import { type BoxPlan, missingWood, outOfRange, rolesOf } from '../../plan/index.js';
import {
  atLeast,
  atMost,
  between,
  type HalfSpace,
  solidInside,
  type Vec3,
} from '../../solid/index.js';
import { slopedRoof, underSlopedRoof } from '../shared/sloped-roof.js';
import { PARAMETERS, ROLES } from './parameters.js';
import { scores as scoresAcross } from './scores.js';

const say = (ticks: number): string => `{${Math.round(toMm(ticks) * 1000) / 1000}}`;

/** Cuts a crevice box out of space: cheeks outside, front, partitions and back between them, open below. */
export function build(plan: BoxPlan): BuiltBox {
  const crevices = Number(plan.schools.crevices ?? '2');
  const refusals = [
    ...missingWood(plan, rolesOf({ roles: ROLES }, plan.schools)),
    ...outOfRange(plan, PARAMETERS),
  ];
  if (refusals.length > 0) return { ok: false, refusals };
  const size = (id: string): number => plan.sizes[id] ?? 0;
  const thick = (role: string): number => plan.wood[role]!.thickness;
  const slope = plan.angles.slope ?? 0;
  const half = size('width') / 2;
  const spaced = plan.schools.ends === 'spacers';
  const spacer = spaced ? { thick: thick('spacer'), wide: plan.wood.spacer!.width ?? 0 } : null;
  if (spacer && (!spacer.wide || spacer.thick < fromMm(12) || spacer.thick > fromMm(32)))
    return {
      ok: false,
      refusals: [
        {
          field: 'wood.spacer',
          message:
            'Choose a stick 12 mm to 32 mm thick for the spacers: its thickness is the crevice, its width closes the ends.',
        },
      ],
    };
  /** How far the upright panels reach past the crevices at either end. */
  const past = spacer?.wide ?? 0;
  const [front, back, roofThick] = [thick('front'), thick('back'), thick('roof')];
  const part = crevices > 1 ? thick('partition') : 0;
  const crevice = spacer?.thick ?? size('crevice');
  const starts = Array.from({ length: crevices }, (_unused, index) => index * (crevice + part));
  const depth = starts.at(-1)! + crevice;
  const roofAt = (y: number): number => size('frontHeight') + (y + front) * tan(slope);
  const slot =
    plan.schools.vents === 'slot'
      ? { low: size('ventAbove'), high: size('ventAbove') + size('ventSize') }
      : null;
  if (slot && slot.high > size('frontHeight') - fromMm(80)) {
    return {
      ok: false,
      refusals: [
        {
          field: 'ventAbove',
          message:
            'The slot comes too near the roof: at least 80 mm of front must stay above it. Lower it, or make the front higher.',
        },
      ],
    };
  }
  const underRoof = (): HalfSpace => underSlopedRoof({ slope, at: roofAt });
  const inside = plan.schools.grip === 'rough' ? 'rough' : 'any';
  const across = between('x', -half - past, half + past);

  const scores =
    (
      y: number,
      from: number,
      to: number,
      face: 'inside' | 'outside',
    ): NonNullable<Draft['features']> =>
    (toFrame) =>
      plan.schools.grip === 'rough'
        ? []
        : scoresAcross((u, z) => toFrame([u * half, y, z]), from, to, face);
  const upright = { grain: 'along', knots: 'sound', grainDirection: [0, 0, 1] as Vec3 } as const;
  const wall = (
    id: string,
    role: string,
    solid: ReturnType<typeof solidInside>,
    outsideNormal: Vec3,
    more: Partial<Draft> = {},
  ): Draft => ({
    ...upright,
    id,
    role,
    thickness: thick(role),
    solid: wood(solid, id),
    outsideNormal,
    inside: 'any',
    ...more,
  });

  const frontPiece = (id: string, low: number, high: number | null): Draft =>
    wall(
      id,
      'front',
      solidInside([
        ...across,
        ...between('y', -front, 0),
        atLeast('z', low),
        high === null ? underRoof() : atMost('z', high),
      ]),
      [0, -1, 0],
      {
        inside,
        features: scores(0, low, high ?? roofAt(0), 'inside'),
      },
    );
  const fronts = slot
    ? [frontPiece('front-lower', 0, slot.low), frontPiece('front-upper', slot.high, null)]
    : [frontPiece('front', 0, null)];
  const partitions = starts.slice(1).map((start, index): Draft => {
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
        group: 'partition',
        features: (toFrame) => [
          ...scores(to, 0, top, 'inside')(toFrame),
          ...scores(from, 0, top, 'outside')(toFrame),
        ],
      },
    );
  });
  const backPanel = wall(
    'back',
    'back',
    solidInside([
      ...across,
      ...between('y', depth, depth + back),
      atLeast('z', -size('landing')),
      underRoof(),
    ]),
    [0, 1, 0],
    {
      inside,
      features: scores(depth, -size('landing'), roofAt(depth), 'inside'),
    },
  );
  const cheek = (id: string, from: number, to: number, normal: Vec3): Draft =>
    wall(
      id,
      id,
      solidInside([
        ...between('x', from, to),
        ...between('y', -front, depth + back),
        atLeast('z', 0),
        underRoof(),
      ]),
      normal,
    );
  const ends = spaced
    ? { left: 0, right: 0 }
    : { left: thick('side-left'), right: thick('side-right') };
  const roof = slopedRoof({
    slope,
    at: roofAt,
    across: [
      -half - past - ends.left - size('overhangSide'),
      half + past + ends.right + size('overhangSide'),
    ],
    eaves: -front - size('overhangFront'),
    rear: depth + back,
    thickness: roofThick,
    grain: 'across',
  });
  // Strips between the upright panels close the ends where there are no cheeks.
  const strips = spacer
    ? starts.flatMap((start, index) =>
        [-1, 1].map(
          (sign): Draft => ({
            ...upright,
            id: `spacer-${index}-${sign}`,
            group: 'spacer',
            role: 'spacer',
            thickness: spacer.thick,
            solid: wood(
              solidInside([
                ...(sign < 0 ? between('x', -half - past, -half) : between('x', half, half + past)),
                ...between('y', start, start + crevice),
                atLeast('z', 0),
                underRoof(),
              ]),
              'spacer',
            ),
            outsideNormal: [0, -1, 0],
            inside: 'any',
          }),
        ),
      )
    : [];
  const cheeks = spaced
    ? []
    : [
        cheek('side-left', -half - ends.left, -half, [-1, 0, 0]),
        cheek('side-right', half, half + ends.right, [1, 0, 0]),
      ];
  const drafts: Draft[] = [...fronts, ...partitions, backPanel, ...cheeks, roof, ...strips];
  /** Upright panels from front to back; strip i stands between i and i + 1. */
  const layers = [fronts, ...partitions.map((partition) => [partition]), [backPanel]];
  const joints: JointDraft[] = [
    ...[...fronts, ...partitions, backPanel].flatMap((panel) =>
      cheeks.flatMap((side) => meet(panel.id, side.id)),
    ),
    ...[fronts.at(-1)!.id, 'back', ...cheeks.map((side) => side.id)].flatMap((id) =>
      meet('roof', id),
    ),
    ...strips.flatMap((strip) => {
      const at = Number(strip.id.split('-')[1]);
      return [...layers[at]!, ...layers[at + 1]!].flatMap((panel) => meet(panel.id, strip.id));
    }),
  ];
  const at = (x: number, y: number, z: number): Vec3 => [x, y, z];
  const openings: Opening[] = [
    ...starts.map(
      (y): Opening => ({
        kind: 'crevice',
        polygon: [
          at(-half, y, 0),
          at(half, y, 0),
          at(half, y + crevice, 0),
          at(-half, y + crevice, 0),
        ],
      }),
    ),
    ...(slot
      ? [
          {
            kind: 'vent-gap',
            polygon: [
              at(-half, 0, slot.low),
              at(half, 0, slot.low),
              at(half, 0, slot.high),
              at(-half, 0, slot.high),
            ],
          } as const,
        ]
      : []),
  ];
  const cavities = starts.map(
    (y): Cavity => ({
      origin: at(0, y, 0),
      width: 2 * half,
      depth: crevice,
      heightFront: roofAt(y),
      heightBack: roofAt(y + crevice),
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
  return { ok: true, box: assemble(plan, drafts, joints, openings, cavities), derived };
}
