import type { Animal } from '../../animals/index.js';
import { type Check, everyBox, setSchool, setSize, wallChecks } from '../../checks/index.js';
import {
  atan2,
  cos,
  fromInches,
  fromMm,
  printAngle,
  type Ticks,
  toMm,
} from '../../measure/index.js';
import {
  assemble,
  type BuiltBox,
  type Cavity,
  type Derived,
  type Draft,
  type Feature,
  type JointDraft,
  meet,
  type Opening,
  type PanelSet,
  rim,
  wood,
} from '../../panels/index.js';
import {
  type BoxPlan,
  length,
  missingWood,
  outOfRange,
  type PanelRole,
  type Parameter,
  type Refusal,
  rolesOf,
  roundingFor,
  type School,
  school,
  standardChoices,
} from '../../plan/index.js';
import { atLeast, between, solidInside, type Vec3 } from '../../solid/index.js';
import { say } from '../../text/index.js';
import { scores } from '../crevice-bat/scores.js';
import type { DrawnDimension, Family } from '../family.js';
import { ROOST_CAUTIONS } from '../shared/cautions.js';
import { COMMON_SCHOOLS } from '../shared/common-choices.js';
import { RIDGE_SCHOOL, ridgeRoof, slopeAt, underRidge, underSlope } from '../shared/ridge.js';

const PARAMETERS: readonly Parameter[] = [
  length(
    'height',
    'Tube, high at the sides',
    300,
    1500,
    900,
    'From the lower edge to the roof, at the outside of a side.',
  ),
  length('rise', 'Roof rises', 20, 400, 127, 'From the outside of a side to the ridge.'),
  length(
    'notch',
    'Notch for the spacers',
    0,
    15,
    3,
    'How deep a spacer sits in the post; the crevice is its thickness less this.',
  ),
  length('postBelow', 'Post below the tube', 50, 3000, 300, 'To land on, and to bolt to the pole.'),
  length(
    'overhangFront',
    'Roof out over front and back',
    0,
    150,
    30,
    'Level distance to the roof’s edge.',
  ),
  length(
    'overhangSide',
    'Eaves out over each side',
    0,
    150,
    30,
    'Level distance from a side to the eave.',
  ),
  length(
    'ventSize',
    'Vent',
    6,
    25,
    13,
    'Diameter of the holes in front and back.',
    (s) => s.vents === 'holes',
  ),
  length(
    'ventAbove',
    'Vents above the lower edge',
    100,
    1000,
    300,
    'Height of the holes.',
    (s) => s.vents === 'holes',
  ),
];

const SCHOOLS: readonly School[] = [
  RIDGE_SCHOOL,
  school(
    'vents',
    'Vents',
    [
      [
        'holes',
        'holes',
        'One in front and back, a third of the way up: cooler below, warm under the roof.',
      ],
      ['none', 'none', 'For small boxes and cool summers.'],
    ],
    { picture: 'front' },
  ),
  school('grip', 'Roosting faces', [
    ['kerfs', 'scored', 'Shallow kerfs across every face that bats hang on, the post’s too.'],
    ['rough', 'rough sawn', 'Every roosting face is rough from the saw.'],
  ]),
  ...COMMON_SCHOOLS,
];

const ROLES: readonly PanelRole[] = [
  { id: 'front', label: 'Front' },
  { id: 'back', label: 'Back' },
  { id: 'side-left', label: 'Left side' },
  { id: 'side-right', label: 'Right side' },
  { id: 'roof-left', label: 'Left slope' },
  { id: 'roof-right', label: 'Right slope' },
  { id: 'post', label: 'Post', stick: [89, 89] },
  { id: 'spacer', label: 'Spacer', stick: [22, 30] },
];

/** Height of a spacer along the post, and how far the upper ones stay below the side’s upper edge: common practice, no source. */
const SPACER = { long: fromMm(70), above: fromMm(60), below: fromMm(70) };

function build(plan: BoxPlan): BuiltBox {
  const wild = [
    ...missingWood(plan, rolesOf({ roles: ROLES }, plan.schools)),
    ...outOfRange(plan, PARAMETERS),
  ];
  if (wild.length > 0) return { ok: false, refusals: wild };
  const size = (id: string): number => plan.sizes[id] ?? 0;
  const thick = (role: string): number => plan.wood[role]!.thickness;
  const t = {
    front: thick('front'),
    back: thick('back'),
    left: thick('side-left'),
    right: thick('side-right'),
  };
  const post = { x: plan.wood.post!.width ?? 0, y: thick('post') };
  const spacer = { thick: thick('spacer'), wide: plan.wood.spacer!.width ?? 0 };
  const crevice = spacer.thick - size('notch');
  const refusals = faults();
  if (refusals.length > 0) return { ok: false, refusals };

  const half = post.x / 2 + crevice;
  const depth = post.y + 2 * crevice;
  // The ridge stands over the middle of the post, so both sides are built alike to the thicker one's outside.
  const outer = half + Math.max(t.left, t.right);
  const pitch = atan2(size('rise'), outer);
  const shape = { apex: size('height') + size('rise'), pitch };
  const upright = { grain: 'along', knots: 'sound', grainDirection: [0, 0, 1] as Vec3 } as const;
  const inside = plan.schools.grip === 'rough' ? 'rough' : 'any';
  const scored = plan.schools.grip !== 'rough';
  const eaves = slopeAt(shape, half);
  const vents: Vec3[] =
    plan.schools.vents === 'holes' ? [0, depth].map((y): Vec3 => [0, y, size('ventAbove')]) : [];
  const gable = (id: 'front' | 'back'): Draft => {
    const [from, to, face] = id === 'front' ? [-t.front, 0, 0] : [depth, depth + t.back, depth];
    return {
      ...upright,
      id,
      role: id,
      thickness: t[id],
      solid: wood(
        solidInside([
          ...between('x', -half, half),
          ...between('y', from, to),
          atLeast('z', 0),
          ...underRidge(shape),
        ]),
        id,
      ),
      outsideNormal: [0, id === 'front' ? -1 : 1, 0],
      inside,
      features: (toFrame) => [
        ...(scored ? scores((u, z) => toFrame([u * half, face, z]), 0, eaves, 'inside') : []),
        ...vents
          .filter((hole) => hole[1] === face)
          .map(
            (hole): Feature => ({
              kind: 'vent',
              shape: 'round',
              centre: toFrame(hole),
              diameter: size('ventSize'),
              depth: 'through',
            }),
          ),
      ],
    };
  };
  const side = (id: 'side-left' | 'side-right'): Draft => {
    const sign = id === 'side-left' ? -1 : 1;
    const thickness = sign < 0 ? t.left : t.right;
    return {
      ...upright,
      id,
      role: id,
      thickness,
      solid: wood(
        solidInside([
          ...(sign < 0
            ? between('x', -half - thickness, -half)
            : between('x', half, half + thickness)),
          ...between('y', -t.front, depth + t.back),
          atLeast('z', 0),
          underSlope(sign, shape),
        ]),
        id,
      ),
      outsideNormal: [sign, 0, 0],
      inside,
      features: (toFrame) =>
        scored
          ? scores(
              (u, z) => toFrame([sign * half, depth / 2 + (u * depth) / 2, z]),
              0,
              eaves,
              'inside',
            )
          : [],
    };
  };
  const roof = ridgeRoof({
    ...shape,
    eaves: outer + size('overhangSide'),
    from: -t.front - size('overhangFront'),
    to: depth + t.back + size('overhangFront'),
    thickness: { left: thick('roof-left'), right: thick('roof-right') },
    lapped: plan.schools.ridge !== 'mitred',
  });
  const levels = [SPACER.above, eaves - SPACER.below - SPACER.long];
  const notch = size('notch');
  // Spacers on the four faces of the post: along y on front and back, along x on the sides.
  const spacers = levels.flatMap((z) =>
    (['front', 'back', 'left', 'right'] as const).map((face): Draft => {
      const facing: Vec3 =
        face === 'front'
          ? [0, -1, 0]
          : face === 'back'
            ? [0, 1, 0]
            : face === 'left'
              ? [-1, 0, 0]
              : [1, 0, 0];
      const reach =
        face === 'front'
          ? between('y', 0, spacer.thick)
          : face === 'back'
            ? between('y', depth - spacer.thick, depth)
            : face === 'left'
              ? between('x', -half, -half + spacer.thick)
              : between('x', half - spacer.thick, half);
      const middle =
        face === 'front' || face === 'back'
          ? between('x', -spacer.wide / 2, spacer.wide / 2)
          : between('y', (depth - spacer.wide) / 2, (depth + spacer.wide) / 2);
      return {
        id: `spacer-${face}-${z}`,
        group: 'spacer',
        role: 'spacer',
        thickness: spacer.thick,
        solid: wood(
          solidInside([...reach, ...middle, ...between('z', z, z + SPACER.long)]),
          'spacer',
        ),
        outsideNormal: facing,
        grainDirection: [0, 0, 1],
        grain: 'along',
        inside: 'any',
        knots: 'sound',
      };
    }),
  );
  const [postFront, postBack] = [crevice, crevice + post.y];
  const postDraft: Draft = {
    ...upright,
    id: 'post',
    role: 'post',
    thickness: post.y,
    solid: wood(
      solidInside([
        ...between('x', -post.x / 2, post.x / 2),
        ...between('y', postFront, postBack),
        atLeast('z', -size('postBelow')),
        ...underRidge(shape),
      ]),
      'post',
    ),
    outsideNormal: [0, -1, 0],
    inside: 'any',
    features: (toFrame) => [
      ...(notch > 0
        ? levels.flatMap((z): Feature[] => [
            ...(['outside', 'inside'] as const).map((face): Feature => {
              const y = face === 'outside' ? postFront : postBack;
              const at = (x: number) => toFrame([x, y, z + SPACER.long / 2]);
              return {
                kind: 'groove',
                purpose: 'notch',
                from: at(spacer.wide / 2),
                to: at(-spacer.wide / 2),
                face,
                width: SPACER.long,
                depth: notch,
              };
            }),
            // On the two other faces the notch is sawn right across the post's edge.
            ...[-1, 1].map((sign): Feature => {
              const at = (x: number) => toFrame([sign * x, postFront, z + SPACER.long / 2]);
              return {
                kind: 'groove',
                purpose: 'notch',
                from: at(post.x / 2),
                to: at(post.x / 2 - notch),
                face: 'outside',
                width: SPACER.long,
                depth: post.y,
              };
            }),
          ])
        : []),
      ...(scored
        ? scores((u, z) => toFrame([(u * post.x) / 2, postFront, z]), 0, eaves, 'outside')
        : []),
    ],
  };
  const drafts: Draft[] = [
    gable('front'),
    gable('back'),
    side('side-left'),
    side('side-right'),
    ...roof.drafts,
    postDraft,
    ...spacers,
  ];
  const walls: Record<string, string> = {
    front: 'front',
    back: 'back',
    left: 'side-left',
    right: 'side-right',
  };
  const joints: JointDraft[] = [
    ...['front', 'back'].flatMap((g) => ['side-left', 'side-right'].flatMap((s) => meet(g, s))),
    ...['front', 'back'].flatMap((g) => ['roof-left', 'roof-right'].flatMap((r) => meet(g, r))),
    ...meet('roof-left', 'side-left'),
    ...meet('roof-right', 'side-right'),
    ...roof.joints,
    ...meet('post', 'roof-left', 'loose'),
    ...meet('post', 'roof-right', 'loose'),
    ...spacers.flatMap((draft) => {
      const face = draft.id.split('-')[1]!;
      return [
        ...meet(draft.id, walls[face]!, 'screwed'),
        ...meet(draft.id, 'post', notch > 0 ? 'let-in' : 'butt'),
      ];
    }),
  ];
  const px = post.x / 2;
  const ring: Vec3[][] = [
    [
      [-half, 0, 0],
      [half, 0, 0],
      [half, crevice, 0],
      [-half, crevice, 0],
    ],
    [
      [-half, depth - crevice, 0],
      [half, depth - crevice, 0],
      [half, depth, 0],
      [-half, depth, 0],
    ],
    [
      [-half, crevice, 0],
      [-px, crevice, 0],
      [-px, depth - crevice, 0],
      [-half, depth - crevice, 0],
    ],
    [
      [px, crevice, 0],
      [half, crevice, 0],
      [half, depth - crevice, 0],
      [px, depth - crevice, 0],
    ],
  ];
  const openings: Opening[] = [
    ...ring.map((polygon): Opening => ({ kind: 'crevice', polygon })),
    ...vents.map(
      (hole): Opening => ({
        kind: 'vent-hole',
        polygon: rim('round', hole, [1, 0, 0], [0, 0, 1], size('ventSize'), size('ventSize')),
      }),
    ),
  ];
  const cavity = (y: number): Cavity => ({
    origin: [0, y, 0],
    width: 2 * half,
    depth: crevice,
    heightFront: eaves,
    heightBack: eaves,
    sill: 0,
    ridge: shape.apex,
  });
  return {
    ok: true,
    box: assemble(plan, drafts, joints, openings, [cavity(0), cavity(depth - crevice)]),
    derived: derive(),
  };

  function faults(): Refusal[] {
    const found: Refusal[] = [];
    const refuse = (field: string, message: string) => found.push({ field, message });
    if (!post.x)
      refuse('wood.post', 'Choose a post whose width is known: the tube is built round it.');
    if (!spacer.wide) refuse('wood.spacer', 'Choose a stick whose width is known for the spacers.');
    if (spacer.wide > Math.min(post.x, post.y))
      refuse('wood.spacer', 'The spacers are wider than the post. Choose a narrower stick.');
    if (crevice < fromMm(10))
      refuse(
        'notch',
        `Spacers ${Math.round(spacer.thick / 320)} mm thick leave a crevice under 10 mm. Notch less deep, or choose thicker sticks.`,
      );
    if (crevice > fromMm(40))
      refuse(
        'wood.spacer',
        'Crevices over 40 mm hold no bats: choose thinner sticks for the spacers.',
      );
    if (2 * size('notch') > Math.min(post.x, post.y) / 2)
      refuse('notch', 'The notches leave less than half of the post.');
    if (size('height') < 2 * SPACER.long + SPACER.above + SPACER.below + fromMm(40))
      refuse('height', 'The tube is too short for two rows of spacers.');
    if (plan.schools.vents === 'holes' && size('ventAbove') > size('height') - fromMm(150))
      refuse('ventAbove', 'The vents come too near the roof. Lower them, or make the tube higher.');
    if (
      plan.schools.vents === 'holes' &&
      size('ventAbove') < SPACER.above + SPACER.long + size('ventSize')
    )
      refuse('ventAbove', 'The vents would open onto the lower spacers. Raise them.');
    return found;
  }

  function derive(): Derived[] {
    const outerHalf = post.x / 2 + crevice + Math.max(t.left, t.right);
    return [
      {
        id: 'crevice',
        label: 'Crevice',
        kind: 'length',
        value: crevice,
        why: `Spacers ${say(spacer.thick)} thick, let ${say(size('notch'))} into the post: ${say(crevice)} stay open.`,
      },
      {
        id: 'pitch',
        label: 'Pitch',
        kind: 'angle',
        value: pitch,
        why: `It rises ${say(size('rise'))} over half the width, ${say(post.x / 2)} + ${say(crevice)} + ${say(Math.max(t.left, t.right))} = ${say(outerHalf)}: ${printAngle(pitch)} from level.`,
      },
      {
        id: 'slopeLength',
        label: 'Each slope to the outside of a side',
        kind: 'length',
        value: Math.round(outerHalf / cos(pitch)),
        why: `√(${say(outerHalf)}² + ${say(size('rise'))}²) = ${say(outerHalf / cos(pitch))}; the eaves stand out beyond it.`,
      },
      {
        id: 'frontWidth',
        label: 'Front and back, wide',
        kind: 'length',
        value: Math.round(2 * half),
        why: `Post ${say(post.x)} and two crevices ${say(crevice)} = ${say(2 * half)}; the sides cover their edges.`,
      },
    ];
  }
}

function dimensions({ sizes, wood: boards }: BoxPlan, box: PanelSet): DrawnDimension[] {
  const { width } = box.cavities[0]!;
  const outer =
    width / 2 + Math.max(boards['side-left']?.thickness ?? 0, boards['side-right']?.thickness ?? 0);
  const high = sizes.height ?? 0;
  const front = boards.front?.thickness ?? 0;
  const post = box.panels.find((panel) => panel.id === 'post')!.instances[0]!.solid.vertices;
  const nearest = Math.min(...post.map((vertex) => vertex[1]));
  return [
    { size: 'height', view: 'front', side: 'left', from: 0, to: high, start: -outer },
    {
      size: 'rise',
      view: 'front',
      side: 'right',
      from: high,
      to: high + (sizes.rise ?? 0),
      start: outer,
    },
    {
      size: 'postBelow',
      view: 'section',
      side: 'left',
      from: -(sizes.postBelow ?? 0),
      to: 0,
      start: nearest,
    },
    {
      size: 'overhangFront',
      view: 'section',
      side: 'above',
      from: -front - (sizes.overhangFront ?? 0),
      to: -front,
      start: high,
    },
  ];
}

function checks(plan: BoxPlan, box: PanelSet, animal: Animal | undefined): Check[] {
  const crevice = box.cavities[0]!.depth;
  const common = { mark: 'C', source: 'common practice, no source' } as const;
  const roles = ['front', 'back', 'side-left', 'side-right'];
  const rough = roles.every(
    (role) => plan.wood[role]?.faceA === 'rough' || plan.wood[role]?.faceB === 'rough',
  );
  const holds = plan.schools.grip !== 'rough' || rough;
  const pitch = atan2(
    plan.sizes.rise ?? 0,
    box.cavities[0]!.width / 2 +
      Math.max(plan.wood['side-left']?.thickness ?? 0, plan.wood['side-right']?.thickness ?? 0),
  );
  const steep = plan.schools.ridge === 'mitred' && pitch > 45;
  const landing = (plan.sizes.postBelow ?? 0) >= fromMm(100) - 320;
  const range = animal?.entranceSize;
  const fits = !range || (toMm(crevice) >= range[0] - 0.6 && toMm(crevice) <= range[1] + 0.6);
  return [
    {
      ...common,
      id: 'grip',
      severity: holds ? 'kept' : 'stop',
      role: 'front',
      text: holds
        ? 'Every roosting face can be hung on.'
        : 'Nothing to hang by: a roosting face would be planed. Bats slip off planed wood.',
      remedies: holds ? [] : [{ label: 'Score every face', apply: setSchool('grip', 'kerfs') }],
    },
    {
      id: 'crevice',
      severity: fits ? 'kept' : 'stop',
      role: 'spacer',
      text: `Crevices ${say(crevice)} deep${range ? `; {${range[0]}} to {${range[1]}} is wanted` : ''}. The spacers’ thickness less their notch decides it.`,
      mark: animal?.mark ?? 'C',
      source: animal?.source ?? common.source,
      remedies:
        fits || !range
          ? []
          : [
              {
                label: 'Notch to fit',
                apply: setSize(
                  'notch',
                  Math.max(
                    0,
                    Math.min(fromMm(15), (plan.wood.spacer?.thickness ?? 0) - fromMm(range[0])),
                  ) as Ticks,
                ),
              },
            ],
    },
    {
      id: 'landing',
      severity: landing ? 'kept' : 'warn',
      role: 'post',
      text: `The post stands ${say(plan.sizes.postBelow ?? 0)} out below to land on; {100} or more is wanted.`,
      mark: 'M',
      source: 'The Bat House Builder’s Handbook',
      remedies: landing ? [] : [{ label: 'Lengthen it', apply: setSize('postBelow', fromMm(150)) }],
    },
    {
      ...common,
      id: 'ridge',
      severity: steep ? 'stop' : 'kept',
      role: 'roof-left',
      text: steep
        ? `A mitre at the ridge needs the blade at ${printAngle(pitch)}; saws tilt to about 45°.`
        : 'The slopes meet without a gap at the computed tilt.',
      remedies: steep
        ? [{ label: 'Lap one over the other', apply: setSchool('ridge', 'lapped') }]
        : [],
    },
    ...wallChecks(plan, box),
    ...everyBox(plan, box),
  ];
}

function suit(animal: Animal): Pick<BoxPlan, 'sizes' | 'angles' | 'schools'> {
  const base = standardChoices(animal, { parameters: PARAMETERS, schools: SCHOOLS });
  const { up } = roundingFor(animal);
  return {
    ...base,
    sizes: {
      ...base.sizes,
      height: animal.cavity ? up(animal.cavity[1]) : base.sizes.height!,
      rise: animal.region === 'na' ? fromInches(5) : fromMm(120),
    },
  };
}

/** A square tube with a pitched top round a post, held off it by spacers: a crevice all round. */
export const poleBat: Family = {
  id: 'pole-bat',
  name: 'Pole bat box',
  summary: 'A square tube with a pitched top round a post, a crevice all round it.',
  about:
    'Stands free on a pole, in sun from all sides: bats move round the post to where it is warm or cool. Spacers, let into notches in the post, decide the crevice.',
  parameters: PARAMETERS,
  schools: SCHOOLS,
  roles: ROLES,
  cautions: ROOST_CAUTIONS,
  build,
  dimensions,
  checks,
  suit,
};
