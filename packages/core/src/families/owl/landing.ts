import { fromMm } from '../../measure/index.js';
import { type Draft, meet, wood } from '../../panels/index.js';
import { between, type HalfSpace, solidInside, type Vec3 } from '../../solid/index.js';
import { NO_PARTS, type Parts } from '../common/grip.js';
import type { OwlPlan } from './declared.js';
import { type OwlFrame, stickOf } from './frame.js';

const STICK = { grain: 'along', inside: 'any', knots: 'sound' } as const;

/** A platform level with the entrance, on a bearer. */
export function landing(plan: OwlPlan, frame: OwlFrame): Parts {
  if (plan.choices.platform !== 'platform') return NO_PARTS;
  const { sizes, wood: boards } = plan;
  const bearer = stickOf(plan, 'bearer');
  const wide = sizes.platformWide / 2;
  const { thickness } = boards.platform;
  const top = frame.sill;
  const face = -frame.t.front;
  const across = between('x', -wide, wide);
  const platform = [
    ...across,
    ...between('y', face - sizes.platformDeep, face),
    ...between('z', top - thickness, top),
  ];
  const under = [
    ...across,
    ...between('y', face - bearer.thick, face),
    ...between('z', top - thickness - bearer.wide, top - thickness),
  ];
  return {
    drafts: [
      {
        ...STICK,
        id: 'platform',
        role: 'platform',
        thickness,
        solid: wood(solidInside(platform), 'platform'),
        outsideNormal: [0, 0, 1],
        grainDirection: [1, 0, 0],
      },
      {
        ...STICK,
        id: 'bearer',
        role: 'bearer',
        thickness: bearer.thick,
        solid: wood(solidInside(under), 'bearer'),
        outsideNormal: [0, -1, 0],
        grainDirection: [1, 0, 0],
      },
    ],
    joints: [
      ...meet('bearer', 'front', 'screwed'),
      ...meet('platform', 'bearer', 'screwed'),
      ...meet('platform', 'front', 'screwed'),
    ],
  };
}

/** A grip batten on each of the platform's three free edges. */
export function rim(plan: OwlPlan, frame: OwlFrame): Parts {
  if (plan.choices.platform !== 'platform' || plan.choices.rim !== 'rim') return NO_PARTS;
  const { thick: high, wide } = stickOf(plan, 'rim');
  const half = plan.sizes.platformWide / 2;
  const face = -frame.t.front;
  const out = face - plan.sizes.platformDeep;
  const top = frame.sill;
  const bar = (id: string, spaces: readonly HalfSpace[], grainDirection: Vec3): Draft => ({
    ...STICK,
    id,
    group: 'rim',
    role: 'rim',
    thickness: high,
    solid: wood(solidInside([...spaces, ...between('z', top, top + high)]), id),
    outsideNormal: [0, 0, 1],
    grainDirection,
  });
  const along = between('y', out + wide, face);
  const drafts = [
    bar('rim-front', [...between('x', -half, half), ...between('y', out, out + wide)], [1, 0, 0]),
    bar('rim-left', [...between('x', -half, -half + wide), ...along], [0, 1, 0]),
    bar('rim-right', [...between('x', half - wide, half), ...along], [0, 1, 0]),
  ];
  return { drafts, joints: drafts.flatMap(({ id }) => meet(id, 'platform')) };
}

/** How far the strips that carry a perch stand beside the entrance. Common practice, no source. */
const BESIDE = fromMm(8);

/** Two strips out of the front beside the entrance, and a rod between their ends. */
export function perch(plan: OwlPlan, frame: OwlFrame): Parts {
  if (plan.choices.perch !== 'rod') return NO_PARTS;
  const arm = stickOf(plan, 'perch-strip');
  const rod = stickOf(plan, 'perch-rod');
  const face = -frame.t.front;
  const out = face - plan.sizes.perchOut;
  const inner = frame.entrance.width / 2 + BESIDE;
  const top = frame.sill;
  const level = between('z', top - arm.wide, top);
  const arms = ([-1, 1] as const).map((sign): Draft => {
    const id = sign < 0 ? 'perch-strip-left' : 'perch-strip-right';
    const [from, to] = sign < 0 ? [-inner - arm.thick, -inner] : [inner, inner + arm.thick];
    return {
      ...STICK,
      id,
      group: 'perch-strip',
      role: 'perch-strip',
      thickness: arm.thick,
      solid: wood(
        solidInside([...between('x', from, to), ...between('y', out, face), ...level]),
        id,
      ),
      outsideNormal: [sign, 0, 0],
      grainDirection: [0, 1, 0],
    };
  });
  const middle = top - arm.wide / 2;
  const bar: Draft = {
    ...STICK,
    id: 'perch-rod',
    role: 'perch-rod',
    thickness: rod.thick,
    solid: wood(
      solidInside([
        ...between('x', -inner, inner),
        ...between('y', out, out + rod.thick),
        ...between('z', middle - rod.wide / 2, middle + rod.wide / 2),
      ]),
      'perch rod',
    ),
    outsideNormal: [0, -1, 0],
    grainDirection: [1, 0, 0],
  };
  return {
    drafts: [...arms, bar],
    joints: arms.flatMap(({ id }) => [...meet(id, 'front', 'screwed'), ...meet(id, 'perch-rod')]),
  };
}

/** A board low behind the back, which keeps the box off the bark. */
export function standoff(plan: OwlPlan, frame: OwlFrame): Parts {
  if (plan.choices.standoff !== 'board') return NO_PARTS;
  const { half, t, depth, bottom, over } = frame;
  const { thickness } = plan.wood['low-board'];
  const [left, right] = over ? [half + t.left, half + t.right] : [half, half];
  const rear = depth + t.back;
  const board: Draft = {
    ...STICK,
    id: 'low-board',
    role: 'low-board',
    thickness,
    solid: wood(
      solidInside([
        ...between('x', -left, right),
        ...between('y', rear, rear + thickness),
        ...between('z', bottom, bottom + plan.sizes.standoffHigh),
      ]),
      'low-board',
    ),
    outsideNormal: [0, 1, 0],
    grainDirection: [1, 0, 0],
  };
  return { drafts: [board], joints: meet('low-board', 'back', 'screwed') };
}
