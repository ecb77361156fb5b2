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

/** Something over every feature of a box, every copy of its panels counted. */
const overFeatures = (box: PanelSet, of: (feature: Feature) => number): number =>
  sum(box.panels.map(({ features, instances }) => sum(features.map(of)) * instances.length));

const counted = (box: PanelSet, kind: Feature['kind']): number =>
  overFeatures(box, (feature) => (feature.kind === kind ? 1 : 0));

/** Lines of which there are any. */
const bought = (line: HardwareLine): HardwareLine[] => (line.quantity > 0 ? [line] : []);

function fastenerLines({ joints }: PanelSet): HardwareLine[] {
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
        name: text`${word} ${fastener.name}`,
        inchName: text`${word} ${fastener.inchName}`,
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

const isOnEdges = ({ where }: Finish): boolean => /edge/i.test(where);

function finishLines(plan: BoxPlan, box: PanelSet): HardwareLine[] {
  const { finish } = plan;
  if (finish.length === 0) return [];
  const outside = squareMetres(outsideArea(box));
  return finish.map((coat, index) => {
    const area = isOnEdges(coat) ? squareMetres(sheetEdges(plan, box)) : outside;
    const where = isOnEdges(coat) ? 'the plies’ edges' : 'outside';
    return {
      id: index === 0 ? 'finish' : `finish-${index + 1}`,
      name: coatName(coat),
      quantity: Math.ceil(area * FINISH_ML_PER_M2),
      unit: 'ml',
      why: text`Two coats on ${ofArea(area)} of ${where}; nothing inside or round the entrance.`,
    };
  });
}

/** Everything one box takes beside its panels, each quantity counted from its joints, holes and faces. */
export const hardwareOf = (plan: BoxPlan, box: PanelSet): HardwareLine[] => [
  ...fastenerLines(box),
  ...layerLines(plan, box),
  ...hungLines(plan, box),
  ...hingeLines(box),
  ...stripLines(box),
  ...meshLine(box),
  ...fittingLines(box),
  ...glueLines(plan, box),
  ...finishLines(plan, box),
];
