import { cos, fromMm, sin, type Ticks } from '../../measure/index.js';
import {
  type Derived,
  type Draft,
  derivedLength,
  type JointDraft,
  type JointKind,
  meet,
  wood,
} from '../../panels/index.js';
import { type Refusal, sillOf } from '../../plan/index.js';
import {
  atLeast,
  behind,
  between,
  type HalfSpace,
  solidInside,
  type Vec3,
} from '../../solid/index.js';
import { ofAngle, ofLength, text } from '../../text/index.js';
import { entranceFeature, entranceOpening } from '../common/entrance.js';
import { type Floor, floorDraft, floorIn } from '../common/floor.js';
import { type GripWall, gripFeatures } from '../common/grip.js';
import { FRONT_TO_BACK, roundHoles, roundOpenings } from '../common/holes.js';
import { slopedRoof, underSlopedRoof } from '../common/sloped-roof.js';
import type { Cut } from '../define-family.js';
import type { LogPlan } from './declared.js';
import { floorThickness, frameOf, type LogFrame, logFaults, SIDES } from './frame.js';

/** The round log, lower end and lid's underside. */
function logSpaces({ apothem, half, slope, bottom, topAt }: LogFrame): HalfSpace[] {
  const round = Array.from({ length: SIDES }, (_, index): HalfSpace => {
    const turn = (360 / SIDES) * index;
    const normal: Vec3 = [cos(turn), sin(turn), 0];
    return behind(normal, [normal[0] * apothem, half + normal[1] * apothem, 0]);
  });
  return [...round, atLeast('z', bottom), underSlopedRoof({ slope, at: topAt })];
}

type SlabId = 'slab-front' | 'slab-back' | 'slab-left' | 'slab-right';

function slab(
  { apothem, half }: LogFrame,
  id: SlabId,
  normal: Vec3,
  spaces: HalfSpace[],
  features: NonNullable<Draft['features']>,
): Draft {
  return {
    id,
    role: id,
    thickness: Math.round(apothem - half),
    solid: wood(solidInside(spaces), id),
    outsideNormal: normal,
    grainDirection: [0, 0, 1],
    grain: 'along',
    inside: 'any',
    knots: 'sound',
    fromLog: 'slab',
    features,
  };
}

function slabs(plan: LogPlan, frame: LogFrame, vents: readonly Vec3[]): Draft[] {
  const { half, room, apothem, entrance } = frame;
  const log = logSpaces(frame);
  const wall: GripWall = {
    panel: 'slab-front',
    x: 0,
    half: half * 0.9,
    y: 0,
    floor: 0,
    sill: sillOf(entrance),
  };
  const sideVent =
    (sign: number): NonNullable<Draft['features']> =>
    (toFrame) =>
      roundHoles(
        'vent',
        vents.filter((hole) => Math.sign(hole[0]) === sign),
        plan.sizes.ventSize,
        toFrame,
      );
  const sides = between('y', 0, room);
  return [
    slab(frame, 'slab-front', [0, -1, 0], [...log, behind([0, 1, 0], [0, 0, 0])], (toFrame) => [
      entranceFeature(entrance, toFrame([0, half - apothem, entrance.centre])),
      ...gripFeatures(plan, wall, toFrame),
    ]),
    slab(frame, 'slab-back', [0, 1, 0], [...log, behind([0, -1, 0], [0, room, 0])], () => []),
    slab(
      frame,
      'slab-left',
      [-1, 0, 0],
      [...log, behind([1, 0, 0], [-half, 0, 0]), ...sides],
      sideVent(-1),
    ),
    slab(
      frame,
      'slab-right',
      [1, 0, 0],
      [...log, behind([-1, 0, 0], [half, 0, 0]), ...sides],
      sideVent(1),
    ),
  ];
}

const lidThickness = ({ sizes, choices, wood: boards }: LogPlan): Ticks =>
  choices.lidFrom === 'log' ? sizes.lidThick : boards.roof.thickness;

/** A 25 mm bit part way through the lid, so that a screw of common length reaches deep into the slabs. Common practice, no source. */
const COUNTERBORE = { diameter: fromMm(25), leave: fromMm(18) };

function lid(plan: LogPlan, frame: LogFrame): Draft {
  const { sizes, choices } = plan;
  const { radius, front, half, slope, topAt } = frame;
  const draft = slopedRoof({
    slope,
    at: topAt,
    across: [-radius - sizes.overhangSide, radius + sizes.overhangSide],
    eaves: front - sizes.overhangFront,
    rear: half + radius,
    thickness: lidThickness(plan),
    grain: 'slope',
  });
  const bored = choices.access === 'lid' ? { ...draft, counterbore: COUNTERBORE } : draft;
  return choices.lidFrom === 'log' ? { ...bored, role: 'roof-strip', fromLog: 'flat' } : bored;
}

function joints({ choices }: LogPlan, floor: Floor): JointDraft[] {
  const front: JointKind = choices.access === 'screwed' ? 'screwed' : 'butt';
  const lidOn = (id: SlabId): JointKind => {
    if (choices.access === 'roof') return id === 'slab-back' ? 'hinged' : 'loose';
    if (choices.access === 'lid') return 'screwed';
    return id === 'slab-front' ? front : 'butt';
  };
  const sides = ['slab-left', 'slab-right'] as const;
  const all = ['slab-front', 'slab-back', ...sides] as const;
  return [
    ...sides.flatMap((side) => [
      ...meet('slab-front', side, front),
      ...meet('slab-back', side),
      ...meet('floor', side),
    ]),
    ...meet('floor', 'slab-front', front, floor.meetsFront),
    ...meet('floor', 'slab-back', 'butt', floor.meetsBack),
    ...all.flatMap((id) => meet('roof', id, lidOn(id))),
  ];
}

function derive({ sizes }: LogPlan, frame: LogFrame): Derived[] {
  const { radius, half, room, slope, bottom, topAt } = frame;
  const high = topAt(half + radius) - bottom;
  return [
    derivedLength(
      'room',
      'Room, square',
      room,
      text`A square in the round, ${ofLength(sizes.wall)} of wood left at its corners: (${ofLength(sizes.diameter)} − 2 × ${ofLength(sizes.wall)}) ÷ √2`,
    ),
    derivedLength(
      'slab',
      'Slabs, thick in the middle',
      radius - half,
      text`Half the log, ${ofLength(radius)}, less half the room, ${ofLength(half)}`,
    ),
    derivedLength(
      'backHeight',
      'Log, high at the back',
      high,
      text`Sawn at the slope across the log: ${ofLength(sizes.height)} + ${ofLength(2 * radius)} × tan ${ofAngle(slope)}`,
    ),
  ];
}

/** Cuts four slabs off a round, a plug for a floor and a lid. */
export function build(plan: LogPlan): Cut | readonly Refusal[] {
  const frame = frameOf(plan);
  const refusals = logFaults(plan, frame);
  if (refusals.length > 0) return refusals;
  const { half, room, topAt, entrance } = frame;
  const { ventSize } = plan.sizes;
  const ventZ = topAt(half) - ventSize / 2 - fromMm(20);
  const vents = [-1, 1].map((sign): Vec3 => [sign * half, half, ventZ]);
  const thickness = floorThickness(plan);
  const floor = floorIn(plan, { half, front: 0, back: room }, thickness);
  return {
    drafts: [
      ...slabs(plan, frame, vents),
      plan.choices.floorFrom === 'core'
        ? { ...floorDraft(floor, thickness), role: 'floor-core', fromLog: 'flat' }
        : floorDraft(floor, thickness),
      lid(plan, frame),
    ],
    joints: joints(plan, floor),
    openings: [
      entranceOpening(entrance, 0, 0),
      ...roundOpenings('vent-hole', vents, ventSize, FRONT_TO_BACK),
      ...floor.openings,
    ],
    cavities: [
      {
        origin: [0, 0, 0],
        width: room,
        depth: room,
        heightFront: topAt(0),
        heightBack: topAt(room),
        sill: sillOf(entrance),
      },
    ],
    derived: derive(plan, frame),
  };
}
