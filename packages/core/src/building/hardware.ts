import { sum } from '../lists/index.js';
import { fromMm, TICKS_PER_MM, type Ticks } from '../measure/index.js';
import {
  type Fastener,
  type Feature,
  type Fitting,
  fastenerById,
  type Joint,
  layerScrews,
  measuresOf,
  type Panel,
  type PanelSet,
  stavesOf,
} from '../panels/index.js';
import type { BoxPlan, Finish } from '../plan/index.js';
import { joinTexts, ofArea, ofLength, ofLiquid, ofPanel, type Text, text } from '../text/index.js';
import { isSheet } from '../wood/index.js';
import { outsideArea } from './surfaces.js';

/** One line of what is bought beside the wood, for one box. */
export interface HardwareLine {
  id: string;
  name: Text;
  quantity: number;
  /** Lengths in ticks, what is poured in millilitres, what is cut out in square centimetres. */
  unit: 'pieces' | 'ticks' | 'ml' | 'cm²';
  /** From which joints, holes or faces the quantity comes. */
  why: Text;
  /** The name by inches, where it is sold so. */
  inchName?: Text;
}

/** So much of a line, for some boxes, in the reader's units. */
export function amountOf({ quantity, unit }: HardwareLine, boxes: number): Text {
  const amount = quantity * boxes;
  switch (unit) {
    case 'pieces':
      return text`${amount}`;
    case 'ticks':
      return text`${ofLength(amount)}`;
    case 'ml':
      return text`${ofLiquid(amount)}`;
    case 'cm²':
      return text`${ofArea(amount / 1e4)}`;
  }
}

/** Exterior glue: about 150 g on a square metre of joint, common practice, no source; a joint is glued over its whole contact. */
const GLUE_ML_PER_M2 = 150;
/** One coat covers about 10 m² a litre on planed and half of that on rough wood; two coats. Common practice, no source. */
const FINISH_ML_PER_M2 = 300;
/** Hinges: one at each end, and a third from this length. Common practice, no source. */
const THIRD_HINGE: Ticks = fromMm(450);
/** The strip reaches this far over either end of the roof's joint and is this wide. Common practice, no source. */
const STRIP = { over: fromMm(20), wide: fromMm(80) };
const squareMetres = (ticks2: number): number => ticks2 / (TICKS_PER_MM * 1000) ** 2;

/** Roles that stand behind or on others and have no seam of their own. */
const STICKS = [
  'batten',
  'corner',
  'rafter',
  'post',
  'lid-batten',
  'bearer',
  'rim',
  'arm',
  'perch',
  'cleat',
  'ladder',
  'outer-ladder',
  'spacer',
  'strut',
  'frame',
  'tray',
];

/** Something over every feature of a box, every copy of its panels counted. */
const overFeatures = (box: PanelSet, of: (feature: Feature) => number): number =>
  sum(box.panels.map(({ features, instances }) => sum(features.map(of)) * instances.length));

const counted = (box: PanelSet, kind: Feature['kind']): number =>
  overFeatures(box, (feature) => (feature.kind === kind ? 1 : 0));

/** Lines of which there are any. */
const bought = (line: HardwareLine): HardwareLine[] => (line.quantity > 0 ? [line] : []);

/** Of which metal, as the plan says; nothing where its kind of box does not ask. */
const metalOf = ({ choices }: BoxPlan): string => (choices.metal ? `, ${choices.metal}` : '');

function fastenerLines(plan: BoxPlan, { joints }: PanelSet): HardwareLine[] {
  const found = new Map<string, { quantity: number; joints: number }>();
  for (const { fastening } of joints) {
    if (!fastening) continue;
    const known = found.get(fastening.fastener) ?? { quantity: 0, joints: 0 };
    found.set(fastening.fastener, {
      quantity: known.quantity + fastening.count,
      joints: known.joints + 1,
    });
  }
  return [...found].sort().flatMap(([id, { quantity, joints: held }]): HardwareLine[] => {
    const fastener = fastenerById(id);
    if (!fastener) return [];
    const word = fastener.kind === 'screw' ? 'Exterior screw' : 'Ring-shank nail';
    return [
      {
        id,
        name: text`${word} ${fastener.name}${metalOf(plan)}`,
        inchName: text`${word} ${fastener.inchName}${metalOf(plan)}`,
        quantity,
        unit: 'pieces',
        why: text`In ${held} ${held === 1 ? 'joint' : 'joints'}; pilot holes ${ofLength(fastener.pilot)}.`,
      },
    ];
  });
}

/** Panels that are made of two sheets. */
const doubledPanels = ({ wood }: BoxPlan, { panels }: PanelSet): readonly Panel[] =>
  panels.filter(({ role }) => wood[role]?.layers);

/** Farther than a joint’s screw bites into the edge of two sheets; common practice, no source. */
const CLEAR_OF_JOINTS = fromMm(50);

/** Screws that hold two sheets together, those of one size together. */
function layerLines(plan: BoxPlan, box: PanelSet): HardwareLine[] {
  const found = new Map<Fastener, number>();
  for (const panel of doubledPanels(plan, box)) {
    const screws = layerScrews(panel);
    if (!screws) continue;
    const { fastener, count } = screws;
    found.set(fastener, (found.get(fastener) ?? 0) + count * panel.instances.length);
  }
  return [...found].map(([{ id, name, inchName }, quantity]) => ({
    id: `layers-${id}`,
    name: text`Exterior screw ${name}`,
    inchName: text`Exterior screw ${inchName}`,
    quantity,
    unit: 'pieces',
    why: text`Press two sheets together while their glue sets, driven from the inside. Keep them ${ofLength(CLEAR_OF_JOINTS)} or more from an edge that is screwed: the joints’ screws run in there.`,
  }));
}

const PIVOTS: Readonly<Record<string, readonly [name: string, why: string]>> = {
  nails: ['Plain nail as a pivot', 'smooth, so that the wall turns on it, and left a little proud'],
  screws: ['Screw as a pivot', 'its shank plain under the head, and not driven tight'],
};
const LATCHES: Readonly<Record<string, readonly [name: string, why: string]>> = {
  nail: ['Latch nail', 'Sits loose in a hole that slopes down, so that it does not fall out.'],
  screws: ['Locking screw', 'One through each neighbour into the wall that swings.'],
  knob: ['Knob screw', 'Through a neighbour into the wall that swings, turned out by hand.'],
};

/** What a wall that swings turns on and is held shut by, in the sizes that the plan gives. */
function hungLines({ sizes, choices }: BoxPlan, box: PanelSet): HardwareLine[] {
  const { pivotSize = 0, latchSize = 0 } = sizes;
  const [pivot = '', turns = ''] = PIVOTS[choices.pivots ?? ''] ?? [];
  const [latch = '', holds = ''] = LATCHES[choices.latch ?? ''] ?? [];
  const bolts = choices.access === 'lift-off' ? counted(box, 'latch') : 0;
  return [
    ...bought({
      id: 'pivot',
      name: text`${pivot}, ${ofLength(pivotSize)} thick`,
      quantity: counted(box, 'pivot'),
      unit: 'pieces',
      why: text`One for each pivot hole; ${turns}.`,
    }),
    ...bought({
      id: 'latch',
      name: text`${latch}, ${ofLength(latchSize)} thick`,
      quantity: counted(box, 'latch') - bolts,
      unit: 'pieces',
      why: text`${holds}`,
    }),
    ...bought({
      id: 'insert',
      name: text`Bolt with a threaded insert, ${ofLength(fromMm(5))}`,
      quantity: bolts,
      unit: 'pieces',
      why: text`Through each gable into the triangle behind it; the insert is glued into the triangle.`,
    }),
  ];
}

const hook = (quantity: number, why: Text): HardwareLine => ({
  id: 'hook',
  name: text`Hook and eye`,
  quantity,
  unit: 'pieces',
  why,
});

const named = ({ between, contact }: Joint): Text =>
  text`${ofPanel(between[0])} and ${ofPanel(between[1])}, ${ofLength(contact.length)}`;

function hingeLines({ joints }: PanelSet): HardwareLine[] {
  const hinged = joints.filter((joint) => joint.kind === 'hinged');
  const hinges = sum(hinged.map(({ contact }) => (contact.length >= THIRD_HINGE ? 3 : 2)));
  if (hinges === 0) return [];
  return [
    {
      id: 'hinge',
      name: text`Butt hinge, stainless or brass`,
      quantity: hinges,
      unit: 'pieces',
      why: text`Along ${joinTexts(hinged.map(named), '; ')}.`,
    },
    hook(hinged.length, text`Holds what is hinged shut.`),
  ];
}

/** The rubber strip over the joint at the back, and the hook that its roof takes. */
function stripLines({ joints, panels }: PanelSet): HardwareLine[] {
  const roof = panels.find((panel) => panel.role === 'roof');
  return joints
    .filter((joint) => joint.kind === 'strip')
    .flatMap(({ contact }) => {
      const roofWide = roof ? measuresOf(roof).blankWidth : contact.length;
      const long = Math.min(roofWide, contact.length + 2 * STRIP.over);
      return [
        {
          id: 'strip',
          name: text`Rubber strip, ${ofLength(STRIP.wide)} wide`,
          quantity: Math.round(long),
          unit: 'ticks' as const,
          why: text`Over the joint of roof and back; it is the hinge.`,
        },
        hook(1, text`Holds the roof shut.`),
      ];
    });
}

function meshLine(box: PanelSet): HardwareLine[] {
  const area = overFeatures(box, (feature) =>
    feature.kind === 'mesh' ? squareMetres(feature.width * feature.height) : 0,
  );
  return bought({
    id: 'mesh',
    name: text`Mesh, ${ofLength(fromMm(6))}`,
    quantity: Math.ceil(area * 1e4 * 1.2),
    unit: 'cm²',
    why: text`Its size and a fifth more, to fold the cut edges under.`,
  });
}

const pipeLine = ({
  from,
  to,
  bore,
  outside,
}: Extract<Fitting, { kind: 'pipe' }>): HardwareLine => ({
  id: 'pipe',
  name: text`Pipe, bore ${ofLength(bore)}, outside ${ofLength(outside)}`,
  quantity: Math.round(Math.hypot(to[1] - from[1], to[2] - from[2])),
  unit: 'ticks',
  why: text`Through the front, as drawn.`,
});

const fittingLines = ({ fittings = [] }: PanelSet): HardwareLine[] => [
  ...fittings.flatMap((fitting) => (fitting.kind === 'pipe' ? [pipeLine(fitting)] : [])),
  ...bought({
    id: 'eye',
    name: text`Screw eye`,
    quantity: fittings.filter((fitting) => fitting.kind === 'eye').length,
    unit: 'pieces',
    why: text`To hang it by, with protected wire.`,
  }),
];

/** The joints that are glued: those fastened for good, unless screws alone hold. */
const gluedJoints = ({ choices }: BoxPlan, { joints }: PanelSet): readonly Joint[] =>
  choices.fastening === 'screws' ? [] : joints.filter((joint) => joint.kind === 'butt');

/** Where something is glued: how long, in ticks, and how much of it, in square ticks. */
interface Seam {
  length: Ticks;
  area: number;
}

/** Seams of panels that are glued up of staves: glued whatever holds the box together. */
const staveSeams = (plan: BoxPlan, box: PanelSet): Seam[] =>
  box.panels.flatMap((panel): Seam[] => {
    const width = plan.wood[panel.role]?.width;
    if (!width || panel.fromLog || plan.choices.wide === 'whole') return [];
    const seams = (stavesOf(panel, width)?.length ?? 1) - 1;
    if (seams < 1) return [];
    const length = seams * panel.instances.length * measuresOf(panel).blankLength;
    return [{ length, area: length * panel.thickness }];
  });

/** The faces on which two sheets are glued together. */
const layerSeams = (plan: BoxPlan, box: PanelSet): Seam[] =>
  doubledPanels(plan, box).map((panel) => {
    const { blankLength, blankWidth } = measuresOf(panel);
    const copies = panel.instances.length;
    return { length: copies * blankLength, area: copies * blankLength * blankWidth };
  });

const seamsOf = (plan: BoxPlan, box: PanelSet): Seam[] => [
  ...gluedJoints(plan, box).map(({ contact }) => contact),
  ...staveSeams(plan, box),
  ...layerSeams(plan, box),
];

/** Total length of what is glued, joints and staves, in ticks. */
export const glueLine = (plan: BoxPlan, box: PanelSet): Ticks =>
  sum(seamsOf(plan, box).map(({ length }) => length));

function glueLines(plan: BoxPlan, box: PanelSet): HardwareLine[] {
  const area = squareMetres(sum(seamsOf(plan, box).map((seam) => seam.area)));
  const staves = sum(staveSeams(plan, box).map(({ length }) => length));
  const ofThem = staves > 0 ? text`, ${ofLength(staves)} of it between staves` : '';
  return bought({
    id: 'glue',
    name: text`Exterior glue`,
    quantity: Math.ceil(area * GLUE_ML_PER_M2),
    unit: 'ml',
    why: text`On ${ofLength(glueLine(plan, box))} of joint${ofThem}.`,
  });
}

/** Seams that are caulked: where two panels touch, sticks left out, on both sides where all are. */
function caulkLines({ choices }: BoxPlan, { joints, panels }: PanelSet): HardwareLine[] {
  const { caulk = 'none' } = choices;
  if (caulk === 'none') return [];
  const roleOf = new Map(panels.map(({ id, role }) => [id, role]));
  const isRoof = (id: string) => /^(roof|lid)/.test(roleOf.get(id) ?? '');
  const isStick = (id: string) => STICKS.includes(roleOf.get(id) ?? '');
  const seams = joints.filter(
    ({ between }) => !between.some(isStick) && (caulk === 'all' || between.some(isRoof)),
  );
  const long = sum(seams.map(({ contact }) => contact.length));
  return bought({
    id: 'caulk',
    name: text`Exterior caulk`,
    quantity: Math.round(caulk === 'all' ? 2 * long : long),
    unit: 'ticks',
    why:
      caulk === 'all'
        ? text`Along ${seams.length} seams, ${ofLength(long)}, inside and out; let it skin before the next step.`
        : text`A bead under the roof, along ${ofLength(long)}.`,
  });
}

const COVERS: Readonly<Record<string, readonly [name: string, why: string]>> = {
  metal: ['Sheet metal for the roof', 'folded down over its edges'],
  felt: ['Roofing felt', 'turned under its edges and tacked'],
  shingles: ['Shingles', 'laid in courses that lap by half'],
};
/** A cover is so much larger than the roof: turned over its edges, or lapped. Common practice, no source. */
const COVER_MORE: Readonly<Record<string, number>> = { metal: 1.15, felt: 1.15, shingles: 2 };

function coverLines({ choices }: BoxPlan, { panels }: PanelSet): HardwareLine[] {
  const { cover = 'none' } = choices;
  const named = COVERS[cover];
  if (!named) return [];
  const roofs = panels.filter(({ role }) => /^(roof|lid)/.test(role) && !STICKS.includes(role));
  const area = sum(
    roofs.map((panel) => {
      const { blankLength, blankWidth } = measuresOf(panel);
      return squareMetres(blankLength * blankWidth) * panel.instances.length;
    }),
  );
  return bought({
    id: 'cover',
    name: text`${named[0]}`,
    quantity: Math.ceil(area * (COVER_MORE[cover] ?? 1) * 1e4),
    unit: 'cm²',
    why: text`Over ${ofArea(area)} of roof, ${named[1]}.`,
  });
}

/** A plate round each round entrance. */
function plateLines({ choices }: BoxPlan, box: PanelSet): HardwareLine[] {
  if (choices.holePlate !== 'plate') return [];
  const holes = box.panels.flatMap(({ features, instances }) =>
    features.flatMap((feature) =>
      feature.kind === 'entrance' && feature.shape === 'round'
        ? instances.map(() => feature.diameter)
        : [],
    ),
  );
  return [...new Set(holes)].map((diameter) => ({
    id: `plate-${diameter}`,
    name: text`Hole plate, hole ${ofLength(diameter)}`,
    quantity: holes.filter((each) => each === diameter).length,
    unit: 'pieces',
    why: text`Screwed on round the entrance, its hole as large as the wood’s; file its edge smooth.`,
  }));
}

const coatName = ({ what, base }: Finish): Text => {
  if (what === 'oil') return text`Linseed oil`;
  const word = base === 'oil' ? 'Oil-based' : 'Water-based';
  return text`${base === null ? 'Exterior' : word} ${what}`;
};

/** The edges of panels of sheet, in square ticks. */
const sheetEdges = ({ wood }: BoxPlan, { panels }: PanelSet): number =>
  sum(
    panels
      .filter(({ role }) => isSheet(wood[role]?.material ?? ''))
      .map(
        ({ edges, thickness, instances }) =>
          sum(edges.map(({ length }) => length)) * thickness * instances.length,
      ),
  );

const isOnRoof = ({ where }: Finish): boolean => /roof|lid/i.test(where);
const isOnEdges = ({ where }: Finish): boolean => /edge/i.test(where);

function finishLines(plan: BoxPlan, box: PanelSet): HardwareLine[] {
  const { finish } = plan;
  if (finish.length === 0) return [];
  const apart = finish.some(isOnRoof);
  const roofs = ({ role }: Panel) => /^(roof|lid)/.test(role);
  const areas = (coat: Finish): readonly [area: number, where: string] => {
    if (isOnEdges(coat)) return [sheetEdges(plan, box), 'the plies’ edges'];
    if (isOnRoof(coat)) return [outsideArea(box, roofs), 'the roof'];
    return apart
      ? [outsideArea(box, (panel) => !roofs(panel)), 'outside but the roof']
      : [outsideArea(box), 'outside'];
  };
  return finish.map((coat, index) => {
    const [ticks, where] = areas(coat);
    const area = squareMetres(ticks);
    return {
      id: index === 0 ? 'finish' : `finish-${index + 1}`,
      name: coatName(coat),
      quantity: Math.ceil(area * FINISH_ML_PER_M2),
      unit: 'ml',
      why: text`Two coats on ${ofArea(area)} of ${where}; nothing inside or round the entrance.`,
    };
  });
}

/** What goes through the holes that the back is hung by. */
function mountLines({ sizes, choices }: BoxPlan, box: PanelSet): HardwareLine[] {
  const holes = counted(box, 'mount');
  const { mountSize = 0 } = sizes;
  if (choices.mount !== 'rod')
    return bought({
      id: 'mount',
      name: text`Screw to hang it by, for a hole of ${ofLength(mountSize)}`,
      quantity: holes,
      unit: 'pieces',
      why: text`One above the roof and one below the walls; on a tree leave them proud, to be backed out as it grows.`,
    });
  return holes === 0
    ? []
    : [
        {
          id: 'rod',
          name: text`Threaded rod with two nuts and washers, for a hole of ${ofLength(mountSize)}`,
          quantity: 1,
          unit: 'pieces',
          why: text`Through the back and the post; its nut inside is reached through the door.`,
        },
        {
          id: 'rod-nail',
          name: text`Nail or screw below`,
          quantity: 1,
          unit: 'pieces',
          why: text`Through the back’s lower end, so that the box does not turn on its rod.`,
        },
      ];
}

/** Everything one box takes beside its panels, each quantity counted from its joints, holes and faces. */
export const hardwareOf = (plan: BoxPlan, box: PanelSet): HardwareLine[] => [
  ...fastenerLines(plan, box),
  ...layerLines(plan, box),
  ...hungLines(plan, box),
  ...hingeLines(box),
  ...stripLines(box),
  ...meshLine(box),
  ...fittingLines(box),
  ...mountLines(plan, box),
  ...glueLines(plan, box),
  ...caulkLines(plan, box),
  ...coverLines(plan, box),
  ...plateLines(plan, box),
  ...finishLines(plan, box),
];
