import { type Animal, type Range, spokenName } from '../animals/index.js';
import { atan2, fromMm, type Mark, printAngle, type Ticks, toMm } from '../measure/index.js';
import {
  fastenerById,
  measuresOf,
  type Panel,
  type PanelSet,
  plainName,
  stavesOf,
  swingRiseUnderSlope,
} from '../panels/index.js';
import { type BoxPlan, entranceOf, recessOf } from '../plan/index.js';
import { say } from '../text/index.js';

/** A rule held against a box. Lengths in the text stand as `{mm}`, to be shown in the reader's unit. */
export interface Check {
  id: string;
  /** stop: do not build it; warn: think again; kept: fine. */
  severity: 'stop' | 'warn' | 'kept';
  /** The panel it concerns, if one. */
  role: string | null;
  text: string;
  mark: Mark;
  source: string;
  remedies: readonly Remedy[];
  /** What the maker may answer in words where no remedy fits. */
  ask?: { prompt: string; answer(plan: BoxPlan, text: string): BoxPlan };
}

/** One press that mends a broken rule. */
export interface Remedy {
  label: string;
  apply(plan: BoxPlan): BoxPlan;
}

const COMMON = 'common practice, no source';
const common = { mark: 'C', source: COMMON } as const;
/** Rounding between inch and millimetre editions of one figure. */
const LEEWAY = 0.6;

const sayMm = (mm: number): string => `{${mm}}`;
const sayRange = ([least, greatest]: Range): string =>
  least === greatest ? sayMm(least) : `${sayMm(least)} to ${sayMm(greatest)}`;
const within = (mm: number, [least, greatest]: Range): boolean =>
  mm >= least - LEEWAY && mm <= greatest + LEEWAY;
export const setSize =
  (id: string, value: Ticks) =>
  (plan: BoxPlan): BoxPlan => ({ ...plan, sizes: { ...plan.sizes, [id]: value } });
export const setSchool =
  (id: string, option: string) =>
  (plan: BoxPlan): BoxPlan => ({ ...plan, schools: { ...plan.schools, [id]: option } });

/** Young that can walk out need nothing to climb by. */
const hasOpenFront = (box: PanelSet): boolean =>
  box.openings.some((opening) => opening.kind === 'open-front');

/** Size and height of the entrance against what the animal needs. `bore` is the opening itself where it is not the hole (a tube). */
export function entranceChecks(
  plan: BoxPlan,
  box: PanelSet,
  animal: Animal,
  size = 'entranceWidth',
): Check[] {
  const from = { mark: animal.mark, source: animal.source };
  const checks: Check[] = [];
  const slot = plan.schools.entrance === 'slot';
  const measured = slot ? 'entranceUpright' : size;
  const width = plan.sizes[measured] ?? 0;
  if (animal.entranceSize) {
    const fits = within(toMm(width), animal.entranceSize);
    checks.push({
      ...from,
      id: 'entrance-size',
      severity: fits ? 'kept' : 'stop',
      role: 'front',
      text: hasOpenFront(box)
        ? `The front stands open; ${spokenName(animal)} nests behind an entrance of ${sayRange(animal.entranceSize)}. Take another kind of box.`
        : fits
          ? `Entrance ${say(width)}, as ${spokenName(animal)} needs (${sayRange(animal.entranceSize)}).`
          : `Entrance ${say(width)}; ${spokenName(animal)} needs ${sayRange(animal.entranceSize)}. Smaller shuts it out, larger lets others in.`,
      remedies:
        fits || hasOpenFront(box)
          ? []
          : [{ label: 'Set it', apply: setSize(measured, fromMm(animal.entranceSize[0])) }],
    });
  }
  const { sill } = box.cavities[0]!;
  const open = hasOpenFront(box);
  const upright = slot ? width : entranceOf(plan).height;
  if (animal.entranceAboveFloor && animal.entranceReference) {
    const height = animal.entranceReference === 'sill' || open || slot ? sill : sill + upright / 2;
    const [least] = animal.entranceAboveFloor;
    const fits = within(toMm(height), animal.entranceAboveFloor);
    const typed =
      fromMm(least) +
      (open
        ? 0
        : plan.schools.entranceTo === animal.entranceReference
          ? 0
          : plan.schools.entranceTo === 'sill'
            ? -upright / 2
            : upright / 2);
    checks.push({
      ...from,
      id: 'entrance-height',
      severity: fits ? 'kept' : toMm(height) < least ? 'stop' : 'warn',
      role: 'front',
      text: `${open ? 'The open front’s edge' : `The entrance’s ${slot ? 'sill' : animal.entranceReference}`} is ${say(height)} above the floor; ${sayRange(animal.entranceAboveFloor)} is wanted.`,
      remedies:
        fits || slot
          ? []
          : [
              {
                label: 'Set the least',
                apply: setSize(open ? 'frontAboveFloor' : 'entranceHeight', Math.round(typed)),
              },
            ],
    });
  }
  return checks;
}

/** The floor against what the animal needs. `rooms` share the width that is set when there are several side by side. */
export function roomChecks(
  plan: BoxPlan,
  box: PanelSet,
  animal: Animal,
  sizes: { width: string; depth: string } | null = { width: 'width', depth: 'depth' },
): Check[] {
  const { width, depth } = box.cavities[0]!;
  if (!animal.floorWidth || !animal.floorDepth) return [];
  const need = [animal.floorWidth, animal.floorDepth].sort((a, b) => a - b);
  const have = [width, depth].sort((a, b) => a - b);
  const fits = toMm(have[0]!) >= need[0]! - LEEWAY && toMm(have[1]!) >= need[1]! - LEEWAY;
  const walls = (role: string) => plan.wood[role]?.thickness ?? 0;
  const outside = plan.schools.measure === 'outside';
  const grown: BoxPlan['sizes'] | null = sizes && {
    ...plan.sizes,
    [sizes.width]: Math.max(
      plan.sizes[sizes.width] ?? 0,
      fromMm(animal.floorWidth) + (outside ? walls('side-left') + walls('side-right') : 0),
    ),
    [sizes.depth]: Math.max(
      plan.sizes[sizes.depth] ?? 0,
      fromMm(animal.floorDepth) + (outside ? walls('front') + walls('back') : 0),
    ),
  };
  return [
    {
      id: 'floor',
      severity: fits ? 'kept' : 'warn',
      role: 'floor',
      text: `Floor inside ${say(width)} × ${say(depth)}; at least ${sayMm(animal.floorWidth)} × ${sayMm(animal.floorDepth)} is wanted.`,
      mark: animal.mark,
      source: animal.source,
      remedies:
        fits || !grown
          ? []
          : [{ label: 'Grow the floor', apply: (current) => ({ ...current, sizes: grown }) }],
    },
  ];
}

const GRIP_MADE: Record<string, string> = {
  kerfs: 'Saw kerfs under the entrance to climb by.',
  ladder: 'Strips under the entrance to climb by.',
  mesh: 'Mesh under the entrance to climb by, its cut edges folded under.',
};

/**
 * Something to climb by under the entrance. A planed front without it is a stop; only saying how the grip is made turns it into a
 * warning.
 */
export function gripCheck(plan: BoxPlan, role = 'front'): Check {
  const wood = plan.wood[role];
  const rough = wood?.faceA === 'rough' || wood?.faceB === 'rough';
  const way = plan.schools.grip ?? 'rough';
  const made = GRIP_MADE[way];
  const said = plan.schools.gripBy;
  const good = made !== undefined || rough;
  const remedy = (option: string, label: string) => ({ label, apply: setSchool('grip', option) });
  return {
    ...common,
    id: 'grip',
    severity: good ? 'kept' : said ? 'warn' : 'stop',
    role,
    text: good
      ? (made ?? 'The front’s rough face looks in, to climb by.')
      : said
        ? `The front is planed within; grip is to be made otherwise: “${said}”. Do it before the box is closed.`
        : 'Nothing to climb by: the front’s board is planed on both faces. Birds went in and died in such boxes.',
    remedies: good
      ? []
      : [
          remedy('kerfs', 'Score it with saw kerfs'),
          remedy('ladder', 'Put in strips'),
          remedy('mesh', 'Staple in mesh'),
        ],
    ...(!good && {
      ask: {
        prompt: 'Or say how the grip is made',
        answer: (current: BoxPlan, text: string) =>
          setSchool('gripBy', text.trim().slice(0, 60))(current),
      },
    }),
  };
}

/** Thickness of the outer walls. `ply` is the least for plywood in millimetres. */
export function wallChecks(
  plan: BoxPlan,
  box: PanelSet,
  roles: readonly string[] = ['front', 'back', 'side-left', 'side-right'],
  ply = 12,
): Check[] {
  const thin = roles.filter((role) => {
    const wood = plan.wood[role];
    return (
      wood &&
      box.panels.some((panel) => panel.role === role) &&
      toMm(wood.thickness) < (wood.material === 'plywood' ? ply : 15) - LEEWAY
    );
  });
  return [
    {
      id: 'walls',
      severity: thin.length > 0 ? 'warn' : 'kept',
      role: thin[0] ?? null,
      text:
        thin.length > 0
          ? `Walls thinner than ${sayMm(15)} (plywood ${sayMm(ply)}) keep out neither cold nor heat: ${thin.map(plainName).join(', ')}.`
          : `Walls thick enough: at least ${sayMm(15)}, plywood ${sayMm(ply)}.`,
      mark: 'M',
      source: 'BTO nest box guidance',
      remedies: [],
    },
  ];
}

/** How far the roof stands out, and whether the floor's end grain stays dry. */
export function weatherChecks(plan: BoxPlan): Check[] {
  const recess = recessOf(plan);
  const overhang = plan.sizes.overhangFront ?? 0;
  const dry = recess >= fromMm(6);
  const covered = overhang >= fromMm(50) - 320;
  return [
    {
      ...common,
      id: 'recess',
      severity: dry ? 'kept' : 'warn',
      role: 'floor',
      text: dry
        ? `Floor ${say(recess)} up inside the walls, so its end grain stays dry.`
        : `Floor ${say(recess)} up inside the walls; ${sayMm(6)} or more keeps its end grain dry.`,
      remedies: dry
        ? []
        : [
            {
              label: 'Raise it',
              apply: (current) =>
                setSchool('floorAt', 'recessed')(setSize('floorRecess', fromMm(9.525))(current)),
            },
          ],
    },
    {
      ...common,
      id: 'overhang',
      severity: covered ? 'kept' : 'warn',
      role: 'roof',
      text: `The roof stands ${say(overhang)} out over the entrance; ${sayMm(50)} or more keeps rain and paws off.`,
      remedies: covered
        ? []
        : [{ label: 'Lengthen it', apply: setSize('overhangFront', fromMm(50.8)) }],
    },
  ];
}

/** At least one way in for air and one out for water, none through the roof. */
export function airChecks(box: PanelSet): Check[] {
  const has = (kinds: readonly string[]) =>
    box.openings.some((opening) => kinds.includes(opening.kind));
  const vented = has(['vent-gap', 'vent-hole', 'open-front', 'crevice']);
  const drained = has(['drain', 'crevice']);
  return [
    {
      ...common,
      id: 'air',
      severity: vented && drained ? 'kept' : 'warn',
      role: null,
      text:
        vented && drained
          ? 'Air gets in under the roof and water out through the floor.'
          : `No way ${vented ? 'out for water' : 'in for air'}.`,
      remedies: [],
    },
  ];
}

const endsOf = (panel: Panel) => {
  const corners = panel.instances[0]!.solid.vertices;
  const zs = corners.map((corner) => corner[2]);
  return { low: Math.min(...zs), high: Math.max(...zs), corners };
};

/** A pivot in box space: the middle of the hole on the panel's outside face. */
function pivotsOf(box: PanelSet): { panel: string; at: readonly [number, number, number] }[] {
  return box.panels.flatMap((panel) =>
    panel.features.flatMap((feature) => {
      if (feature.kind !== 'pivot') return [];
      const { frame, outsideNormal: n } = panel.instances[0]!;
      const y = [
        n[1] * frame.x[2] - n[2] * frame.x[1],
        n[2] * frame.x[0] - n[0] * frame.x[2],
        n[0] * frame.x[1] - n[1] * frame.x[0],
      ] as const;
      const [u, v] = feature.centre;
      const at = [0, 1, 2].map(
        (axis) => frame.origin[axis]! + u * frame.x[axis]! + v * y[axis]!,
      ) as [number, number, number];
      return [{ panel: panel.id, at }];
    }),
  );
}

/**
 * Whether the wall on pivots swings free: the pivots opposite each other, and room over its upper outer corner, read off the solids.
 * A panel of thickness t on an axis a below its upper edge and p in from its outer face needs √(a² + p²) − a.
 */
export function swingChecks(plan: BoxPlan, box: PanelSet): Check[] {
  const { access, opensAt } = plan.schools;
  const id = access === 'front' ? 'front' : access === 'side' ? `side-${opensAt ?? 'right'}` : null;
  const wall = box.panels.find((panel) => panel.id === id);
  const roof = box.panels.find((panel) => panel.role === 'roof');
  if (!wall || !roof) return [];
  const pivots = pivotsOf(box);
  const along = access === 'front' ? 0 : 1;
  const across = 1 - along;
  const opposite =
    pivots.length === 2 &&
    Math.abs(pivots[0]!.at[2] - pivots[1]!.at[2]) <= 2 &&
    Math.abs(pivots[0]!.at[across]! - pivots[1]!.at[across]!) <= 2;
  const { corners } = endsOf(wall);
  const axis = pivots[0]?.at ?? [0, 0, 0];
  // The corner that rises: outermost, and where the upper edge is lowest.
  const sign = access === 'front' ? -1 : Math.sign(axis[0]);
  const outer = Math.max(...corners.map((corner) => corner[across]! * sign));
  const edge = corners.filter((corner) => Math.abs(corner[across]! * sign - outer) <= 2);
  const upper = edge.filter((corner) =>
    edge.every((other) => other[along] !== corner[along] || other[2] <= corner[2]),
  );
  const corner = upper.reduce((low, each) => (each[2] < low[2] ? each : low));
  // How steeply the roof climbs inwards over the corner.
  const over = roof.instances[0]!.outsideNormal;
  const slope = atan2(sign * over[across]!, over[2]);
  const [below, out] = [corner[2] - axis[2], Math.abs(corner[across]! - axis[across]!)];
  const needed = swingRiseUnderSlope(below, out, slope);
  const there = gapOver(roof, corner);
  const free = there >= needed - 1;
  return [
    {
      ...common,
      id: 'swing',
      severity: free && opposite ? 'kept' : 'stop',
      role: wall.role,
      text: !opposite
        ? 'The two pivots are not opposite each other, so the wall will bind.'
        : `The ${access === 'front' ? 'front' : 'side'} swings free: its corner rises ${say(needed)} and has ${say(there)} over it. Both pivots ${say(below)} below its upper edge, opposite each other; sand its edges until it moves.`,
      remedies: free
        ? []
        : [{ label: 'Lower the axis', apply: setSize('pivotBelow', fromMm(25.4)) }],
    },
  ];
}

/** Height of the roof's underside over a point, in ticks. */
function gapOver(roof: Panel, point: readonly [number, number, number]): number {
  const { solid, outsideNormal: n } = roof.instances[0]!;
  const under = solid.vertices.reduce((low, vertex) => {
    const at = n[0] * vertex[0] + n[1] * vertex[1] + n[2] * vertex[2];
    return Math.min(low, at);
  }, Number.POSITIVE_INFINITY);
  return (under - n[0] * point[0] - n[1] * point[1]) / n[2] - point[2];
}

/** Points stay inside, and bite six diameters. */
export function fastenerChecks(plan: BoxPlan, box: PanelSet): Check[] {
  const fastened = box.joints.filter((joint) => joint.fastening);
  const shallow = fastened.filter((joint) => !joint.fastening!.enough);
  const none = box.joints.filter(
    (joint) => (joint.kind === 'butt' || joint.kind === 'screwed') && !joint.fastening,
  );
  const pair = (joints: typeof fastened) =>
    [...new Set(joints.map((joint) => joint.between.map(plainName).join(' to ')))]
      .slice(0, 3)
      .join(', ');
  const lengths = [
    ...new Set(fastened.map((joint) => fastenerById(joint.fastening!.fastener)?.length ?? 0)),
  ].sort((a, b) => a - b);
  const word = plan.schools.fastening === 'nails' ? 'Nails' : 'Screws';
  const from = {
    id: 'fasteners',
    role: null,
    mark: 'M',
    source: 'ANSI/AWC NDS, minimum penetration 6D; 3 mm of wood over the point: common practice',
  } as const;
  // Glue carries a joint whose screws bite less; screws alone do not.
  const alone = shallow.filter(
    (joint) => joint.kind === 'screwed' || plan.schools.fastening === 'screws',
  );
  const unheld = none.filter((joint) => joint.kind === 'screwed');
  if (unheld.length > 0)
    return [
      {
        ...from,
        severity: 'warn',
        text: `No screw finds enough wood to hold ${pair(unheld)}, which comes off and so is not glued. Take thicker wood, or open the box another way.`,
        remedies: [],
      },
    ];
  if (alone.length > 0)
    return [
      {
        ...from,
        severity: 'warn',
        text: `${word} bite less than six diameters where the wood behind is thin, and no glue helps them: ${pair(alone)}. ${plan.schools.fastening === 'screws' ? 'Glue as well, or take' : 'Take'} thicker wood.`,
        remedies:
          plan.schools.fastening === 'screws'
            ? [{ label: 'Glue as well', apply: setSchool('fastening', 'screws-glue') }]
            : [],
      },
    ];
  return [
    {
      ...from,
      severity: 'kept',
      text: `${word} of ${lengths.map(say).join(', ') || say(0)}: no point comes through${shallow.length > 0 ? `, and the glue carries ${pair(shallow)}, where they bite less than six diameters` : ', each bites six diameters'}.${none.length > 0 ? ` Glue and clamp, with no fastener: ${pair(none)}.` : ''}`,
      remedies: [],
    },
  ];
}

/** The roof's rear edge meets the back at its tilt. */
export function backJointCheck(box: PanelSet): Check[] {
  const joint = box.joints.find(
    ({ between }) => between.includes('roof') && between.includes('back'),
  );
  const roof = box.panels.find((panel) => panel.id === 'roof');
  if (!joint || !roof) return [];
  const tilt = Math.max(...roof.edges.map((edge) => Math.abs(edge.tilt)));
  return [
    {
      ...common,
      id: 'back-joint',
      severity: 'kept',
      role: 'roof',
      text:
        joint.kind === 'let-in'
          ? 'The roof sits in the back’s groove, so no gap shows.'
          : tilt < 0.05
            ? 'The roof meets the back square.'
            : `The roof meets the back without a gap: its edge is tilted ${printAngle(tilt)}, computed from the slope.`,
      remedies: [],
    },
  ];
}

/** Wood that must not be used, as far as a material says. */
export function woodChecks(plan: BoxPlan): Check[] {
  const pallet = Object.values(plan.wood).some((wood) => wood.material === 'pallet-wood');
  if (!pallet) return [];
  const stamped = plan.schools.palletStamp === 'ht';
  return [
    {
      id: 'pallet',
      severity: stamped ? 'kept' : 'warn',
      role: null,
      text: stamped
        ? 'Pallet wood with the HT stamp (heat-treated).'
        : 'Pallet wood: only from pallets stamped HT (heat-treated). Never MB (methyl bromide), never oily or smelling.',
      mark: 'P',
      source: 'ISPM 15, marks HT and MB',
      remedies: stamped
        ? []
        : [{ label: 'It is stamped HT', apply: setSchool('palletStamp', 'ht') }],
    },
  ];
}

/** Panels wider than the boards they come from: glued up of staves, or not to be cut. */
export function widthChecks(plan: BoxPlan, box: PanelSet): Check[] {
  return box.panels.flatMap((panel): Check[] => {
    const wood = plan.wood[panel.role];
    const { blankWidth, blankLength } = measuresOf(panel);
    const width = wood?.width ?? null;
    const across = panel.grain === 'any' ? Math.min(blankWidth, blankLength) : blankWidth;
    if (width === null || across <= width + 2) return [];
    const staves = plan.schools.wide === 'whole' ? null : stavesOf(panel, width);
    return [
      {
        ...common,
        id: `wide-${panel.id}`,
        severity: staves ? 'kept' : 'stop',
        role: panel.role,
        text: staves
          ? `${say(across)} wide from a board of ${say(width)}: glued up of ${staves.length} staves, no joint through the entrance or within {20} of an edge.`
          : `${say(across)} wide, and its board is ${say(width)}. ${plan.schools.wide === 'whole' ? 'Choose a wider board, or glue it up.' : 'No place is left for a glue joint clear of the entrance and the edges: choose a wider board.'}`,
        remedies:
          plan.schools.wide === 'whole'
            ? [{ label: 'Glue it up', apply: setSchool('wide', 'glued') }]
            : [],
      },
    ];
  });
}

const perchCheck: Check = {
  ...common,
  id: 'perch',
  severity: 'kept',
  role: 'front',
  text: 'No perch: small cavity nesters need none, and it serves those who rob them.',
  remedies: [],
};

/** How all boxes of the batch open: one plan, so alike. */
export function accessCheck(plan: BoxPlan, box: PanelSet): Check {
  const { access, opensAt } = plan.schools;
  // Where nothing else is said, the wall that comes off is the one that screws alone hold.
  const off = box.panels.find(({ id }) => {
    const joints = box.joints.filter(({ between }) => between.includes(id));
    return (
      joints.some(({ kind }) => kind === 'screwed') &&
      joints.every(({ kind }) => kind === 'screwed' || kind === 'loose')
    );
  });
  const how: Record<string, string> = {
    side: `Every box of the batch opens by its ${opensAt ?? 'right'} side, the pivots at one height.`,
    front: 'Every box of the batch opens by its front, the pivots at one height.',
    roof: 'Every box opens by its roof, hooked shut.',
    ...(off && { screwed: `Every box opens by its ${plainName(off.id)}, held by screws alone.` }),
    flap: 'Every box opens by its flap.',
    lid: 'Every box opens by its lid.',
  };
  return {
    ...common,
    id: 'access',
    severity: how[access ?? ''] ? 'kept' : 'warn',
    role: null,
    text: how[access ?? ''] ?? 'The box does not open for cleaning.',
    remedies: [],
  };
}

/** The graver the greater. */
export const GRAVITY = { kept: 0, warn: 1, stop: 2 } as const;

/** Broken rules first. */
export function bySeverity(checks: readonly Check[]): Check[] {
  return [...checks].sort((a, b) => GRAVITY[b.severity] - GRAVITY[a.severity]);
}

/** Rules of wood, width and fasteners that every family is held against. */
export const everyBox = (plan: BoxPlan, box: PanelSet): Check[] => [
  ...woodChecks(plan),
  ...widthChecks(plan, box),
  ...fastenerChecks(plan, box),
];

/** The rules for a box with walls, a floor and one room. `animal` may be unknown. */
export function checkRoom(plan: BoxPlan, box: PanelSet, animal: Animal | undefined): Check[] {
  const open = hasOpenFront(box);
  return [
    ...(open ? [] : [gripCheck(plan)]),
    ...(animal ? [...entranceChecks(plan, box, animal), ...roomChecks(plan, box, animal)] : []),
    ...wallChecks(plan, box),
    ...weatherChecks(plan),
    ...airChecks(box),
    ...(open ? [] : [accessCheck(plan, box), ...swingChecks(plan, box), perchCheck]),
    ...backJointCheck(box),
    ...everyBox(plan, box),
  ];
}
