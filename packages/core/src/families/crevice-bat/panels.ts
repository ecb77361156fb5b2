import { fromMm } from '../../measure/index.js';
import { type Draft, wood } from '../../panels/index.js';
import {
  atLeast,
  atMost,
  between,
  type HalfSpace,
  solidInside,
  type Vec3,
} from '../../solid/index.js';
import { roundHoles } from '../common/holes.js';
import { roostScores } from '../common/roost-scores.js';
import { slopedRoof, underSlopedRoof } from '../common/sloped-roof.js';
import type { CrevicePlan, ROLES } from './declared.js';
import type { CreviceFrame } from './frame.js';

type Features = NonNullable<Draft['features']>;

/** Everything a panel of the box is cut from. */
export interface Crevices {
  plan: CrevicePlan;
  frame: CreviceFrame;
}

const underRoof = ({ slope, roofAt }: CreviceFrame): HalfSpace =>
  underSlopedRoof({ slope, at: roofAt });

const roughInside = ({ choices }: CrevicePlan) => (choices.grip === 'rough' ? 'rough' : 'any');

/** Scores across a roosting face at `y`, where faces are scored. */
const scores =
  (
    { plan, frame }: Crevices,
    y: number,
    from: number,
    to: number,
    face: 'inside' | 'outside',
  ): Features =>
  (toFrame) =>
    plan.choices.grip === 'rough'
      ? []
      : frame.rooms.flatMap(({ x, half }) =>
          roostScores(plan.sizes, (u, z) => toFrame([x + u * half, y, z]), [from, to], face),
        );

function upright(
  { plan }: Crevices,
  id: string,
  role: keyof typeof ROLES,
  spaces: HalfSpace[],
  outsideNormal: Vec3,
  more: Partial<Draft> = {},
): Draft {
  return {
    grain: 'along',
    knots: 'sound',
    grainDirection: [0, 0, 1],
    id,
    role,
    thickness: plan.wood[role].thickness,
    solid: wood(solidInside(spaces), id),
    outsideNormal,
    inside: 'any',
    ...more,
  };
}

const across = ({ half, past }: CreviceFrame): HalfSpace[] =>
  between('x', -half - past, half + past);

function frontPiece(box: Crevices, id: string, low: number, high: number | null): Draft {
  const { plan, frame } = box;
  const top = high === null ? underRoof(frame) : atMost('z', high);
  const spaces = [...across(frame), ...between('y', -frame.front, 0), atLeast('z', low), top];
  return upright(box, id, 'front', spaces, [0, -1, 0], {
    inside: roughInside(plan),
    features: scores(box, 0, low, high ?? frame.roofAt(0), 'inside'),
  });
}

/** The front, in two pieces where there is a slot between. */
export function fronts(box: Crevices): Draft[] {
  const { slot } = box.frame;
  if (!slot) return [frontPiece(box, 'front', 0, null)];
  return [
    frontPiece(box, 'front-lower', 0, slot.low),
    frontPiece(box, 'front-upper', slot.high, null),
  ];
}

/** The boards between the crevices, a passage over them. */
export function partitions(box: Crevices): Draft[] {
  const { plan, frame } = box;
  const rough = roughInside(plan);
  return frame.starts.slice(1).map((to, index) => {
    const from = to - frame.part;
    const low = frame.lows[index] ?? 0;
    const isFlush = plan.choices.hang === 'flush';
    const top = frame.roofAt(from) - (isFlush ? 0 : plan.sizes.passage);
    const spaces = [
      ...across(frame),
      ...between('y', from, to),
      atLeast('z', low),
      isFlush ? underRoof(frame) : atMost('z', top),
    ];
    const [behind, before] = [
      scores(box, to, low, top, 'inside'),
      scores(box, from, low, top, 'outside'),
    ];
    return upright(box, `partition-${index + 1}`, 'partition', spaces, [0, -1, 0], {
      inside: rough,
      outside: rough,
      group: 'partition',
      features: (toFrame) => [...behind(toFrame), ...before(toFrame)],
    });
  });
}

export function backPanel(box: Crevices): Draft {
  const { plan, frame } = box;
  const { depth, back, roofAt } = frame;
  const low = -plan.sizes.landing;
  const spaces = [
    ...across(frame),
    ...between('y', depth, depth + back),
    atLeast('z', low),
    underRoof(frame),
  ];
  return upright(box, 'back', 'back', spaces, [0, 1, 0], {
    inside: roughInside(plan),
    features: scores(box, depth, low, roofAt(depth), 'inside'),
  });
}

/** Middles of the vents in the cheeks' inside: one into each crevice at either end. */
export const cheekVents = ({ plan, frame }: Crevices): Vec3[] =>
  plan.choices.vents === 'cheeks' && !frame.spacers
    ? ([-1, 1] as const).flatMap((sign) =>
        frame.starts.map(
          (start): Vec3 => [sign * frame.half, start + frame.crevice / 2, plan.sizes.ventAbove],
        ),
      )
    : [];

/** How far the struts lie from the middle, as a share of half the width; and short of the back's ends. Common practice, no source. */
const STRUT = { out: 0.6, short: fromMm(20) };

/** Two upright sticks behind the back. */
export function struts({ plan, frame }: Crevices): Draft[] {
  if (plan.choices.struts !== 'two') return [];
  const { half, depth, back, roofAt } = frame;
  const { thickness } = plan.wood.strut;
  const width = plan.wood.strut.width ?? 0;
  const behindBack = depth + back;
  return ([-1, 1] as const).map((sign) => {
    const middle = sign * half * STRUT.out;
    const id = sign < 0 ? 'strut-left' : 'strut-right';
    return {
      grain: 'along',
      knots: 'sound',
      grainDirection: [0, 0, 1],
      inside: 'any',
      id,
      group: 'strut',
      role: 'strut',
      thickness,
      solid: wood(
        solidInside([
          ...between('x', middle - width / 2, middle + width / 2),
          ...between('y', behindBack, behindBack + thickness),
          ...between('z', -plan.sizes.landing + STRUT.short, roofAt(behindBack) - STRUT.short),
        ]),
        id,
      ),
      outsideNormal: [0, 1, 0],
    };
  });
}

/** The boards over the ends, where no spacers close them. */
export function cheeks(box: Crevices): Draft[] {
  const { plan, frame } = box;
  if (frame.spacers) return [];
  const { half, front, depth, back } = frame;
  const cheek = (id: 'side-left' | 'side-right', sign: -1 | 1) => {
    const { thickness } = plan.wood[id];
    const [from, to] = sign < 0 ? [-half - thickness, -half] : [half, half + thickness];
    const spaces = [
      ...between('x', from, to),
      ...between('y', -front, depth + back),
      atLeast('z', 0),
      underRoof(frame),
    ];
    return upright(box, id, id, spaces, [sign, 0, 0], {
      features: (toFrame) =>
        roundHoles(
          'vent',
          cheekVents(box).filter((hole) => Math.sign(hole[0]) === sign),
          plan.sizes.ventSize,
          toFrame,
        ),
    });
  };
  return [cheek('side-left', -1), cheek('side-right', 1)];
}

export interface Strip {
  /** It stands between the upright panels `layer` and the next. */
  layer: number;
  draft: Draft;
}

type Place = 'left' | 'right' | 'middle';
const STRIPS: Record<Place, (of: { half: number; past: number }) => [number, number]> = {
  left: ({ half, past }) => [-half - past, -half],
  right: ({ half, past }) => [half, half + past],
  middle: ({ past }) => [-past / 2, past / 2],
};
const stripsAt = ({ choices }: CrevicePlan): Place[] =>
  choices.columns === 'middle' ? ['left', 'right', 'middle'] : ['left', 'right'];

/** Strips between the upright panels, which close the ends where there are no cheeks. */
export function strips(box: Crevices): Strip[] {
  const { frame } = box;
  if (!frame.spacers) return [];
  const { half, past, crevice } = frame;
  return frame.starts.flatMap((start, layer) =>
    stripsAt(box.plan).map((place) => {
      const spaces = [
        ...between('x', ...STRIPS[place]({ half, past })),
        ...between('y', start, start + crevice),
        atLeast('z', 0),
        underRoof(frame),
      ];
      const id = `spacer-${layer}-${place}`;
      return { layer, draft: upright(box, id, 'spacer', spaces, [0, -1, 0], { group: 'spacer' }) };
    }),
  );
}

export function roof({ plan, frame }: Crevices): Draft {
  const { sizes, wood: boards } = plan;
  const { half, past, front, depth, back, slope, roofAt } = frame;
  const end = (role: 'side-left' | 'side-right') => (frame.spacers ? 0 : boards[role].thickness);
  return slopedRoof({
    slope,
    at: roofAt,
    across: [
      -half - past - end('side-left') - sizes.overhangSide,
      half + past + end('side-right') + sizes.overhangSide,
    ],
    eaves: -front - sizes.overhangFront,
    rear: depth + back,
    thickness: boards.roof.thickness,
    grain: 'across',
  });
}
