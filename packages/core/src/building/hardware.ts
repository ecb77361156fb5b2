import { fromMm, TICKS_PER_MM, type Ticks, toMm } from '../measure/index.js';
import { fastenerById, measuresOf, type Panel, type PanelSet } from '../panels/index.js';
import type { BoxPlan } from '../plan/index.js';
import { outsideArea } from './surfaces.js';

/** One line of what is bought beside the wood, for one box. Lengths in the words stand as `{mm}`. */
export interface HardwareLine {
  id: string;
  name: string;
  quantity: number;
  unit: 'pieces' | 'mm' | 'ml' | 'cm²';
  /** From which joints, holes or faces the quantity comes. */
  why: string;
  /** Fastener names sold by inches, where there is one. */
  inchName?: string;
}

/** Exterior glue: about 150 g on a square metre of joint, common practice, no source; a joint is glued over its whole contact. */
const GLUE_ML_PER_M2 = 150;
/** One coat covers about 10 m² a litre on planed and half of that on rough wood; two coats. Common practice, no source. */
const FINISH_ML_PER_M2 = 300;
/** Hinges: one at each end, and a third from this length. Common practice, no source. */
const THIRD_HINGE: Ticks = fromMm(450);
/** The strip reaches this far over either end of the roof's joint and is this wide. Common practice, no source. */
const STRIP = { over: fromMm(20), wide: 80 };
const square = (ticks2: number): number => ticks2 / (TICKS_PER_MM * 1000) ** 2;
const say = (ticks: Ticks): string => `{${Math.round(toMm(ticks) * 10) / 10}}`;

const count = (panels: readonly Panel[], kind: string): number =>
  panels.reduce(
    (sum, panel) =>
      sum +
      panel.features.filter((feature) => feature.kind === kind).length * panel.instances.length,
    0,
  );

/** Everything one box takes beside its panels, each quantity counted from its joints, holes and faces. */
export function hardwareOf(plan: BoxPlan, box: PanelSet): HardwareLine[] {
  const lines: HardwareLine[] = [];
  const fasteners = new Map<string, { quantity: number; joints: number }>();
  for (const { fastening } of box.joints) {
    if (!fastening) continue;
    const known = fasteners.get(fastening.fastener) ?? { quantity: 0, joints: 0 };
    fasteners.set(fastening.fastener, {
      quantity: known.quantity + fastening.count,
      joints: known.joints + 1,
    });
  }
  for (const [id, { quantity, joints }] of [...fasteners].sort()) {
    const fastener = fastenerById(id)!;
    lines.push({
      id,
      name: `${fastener.kind === 'screw' ? 'Exterior screw' : 'Ring-shank nail'} ${fastener.name}`,
      inchName: fastener.inchName,
      quantity,
      unit: 'pieces',
      why: `In ${joints} ${joints === 1 ? 'joint' : 'joints'}; pilot holes ${say(fastener.pilot)}.`,
    });
  }
  const pivots = count(box.panels, 'pivot');
  if (pivots > 0)
    lines.push({
      id: 'pivot',
      name: 'Plain nail as a pivot',
      quantity: pivots,
      unit: 'pieces',
      why: 'One for each pivot hole; smooth, so that the wall turns on it.',
    });
  const latches = count(box.panels, 'latch');
  if (latches > 0)
    lines.push({
      id: 'latch',
      name: 'Latch nail',
      quantity: latches,
      unit: 'pieces',
      why: 'Sits loose in a hole that slopes down, so that it does not fall out.',
    });
  const roof = box.panels.find((panel) => panel.role === 'roof');
  const hinged = box.joints.filter((joint) => joint.kind === 'hinged');
  const hinges = hinged.reduce(
    (sum, joint) => sum + (joint.contact.length >= THIRD_HINGE ? 3 : 2),
    0,
  );
  if (hinges > 0) {
    lines.push({
      id: 'hinge',
      name: 'Butt hinge, stainless or brass',
      quantity: hinges,
      unit: 'pieces',
      why: `Along ${hinged.map((joint) => `${joint.between[0]} and ${joint.between[1]}, ${say(joint.contact.length)}`).join('; ')}.`,
    });
    lines.push({
      id: 'hook',
      name: 'Hook and eye',
      quantity: hinged.length,
      unit: 'pieces',
      why: 'Holds what is hinged shut.',
    });
  }
  for (const joint of box.joints.filter((each) => each.kind === 'strip')) {
    const long = roof ? measuresOf(roof).blankWidth : joint.contact.length;
    lines.push({
      id: 'strip',
      name: `Rubber strip, {${STRIP.wide}} wide`,
      quantity: Math.round(toMm(Math.min(long, joint.contact.length + 2 * STRIP.over))),
      unit: 'mm',
      why: 'Over the joint of roof and back; it is the hinge.',
    });
    lines.push({
      id: 'hook',
      name: 'Hook and eye',
      quantity: 1,
      unit: 'pieces',
      why: 'Holds the roof shut.',
    });
  }
  const mesh = box.panels.reduce(
    (sum, panel) =>
      sum +
      panel.features.reduce(
        (area, feature) =>
          area +
          (feature.kind === 'mesh'
            ? square(feature.width * feature.height) * panel.instances.length
            : 0),
        0,
      ),
    0,
  );
  if (mesh > 0)
    lines.push({
      id: 'mesh',
      name: 'Mesh, 6 mm',
      quantity: Math.ceil(mesh * 1e4 * 1.2),
      unit: 'cm²',
      why: 'Its size and a fifth more, to fold the cut edges under.',
    });
  for (const fitting of box.fittings ?? []) {
    if (fitting.kind === 'pipe')
      lines.push({
        id: 'pipe',
        name: `Pipe, bore ${say(fitting.bore)}, outside ${say(fitting.outside)}`,
        quantity: Math.round(toMm(fitting.to[1] - fitting.from[1])),
        unit: 'mm',
        why: 'Through the front, as drawn.',
      });
  }
  const eyes = (box.fittings ?? []).filter((fitting) => fitting.kind === 'eye').length;
  if (eyes > 0)
    lines.push({
      id: 'eye',
      name: 'Screw eye',
      quantity: eyes,
      unit: 'pieces',
      why: 'To hang it by, with protected wire.',
    });
  const glued =
    plan.schools.fastening === 'screws'
      ? 0
      : box.joints
          .filter((joint) => joint.kind === 'butt')
          .reduce((sum, joint) => sum + joint.contact.area, 0);
  if (glued > 0)
    lines.push({
      id: 'glue',
      name: 'Exterior glue',
      quantity: Math.ceil(square(glued) * GLUE_ML_PER_M2),
      unit: 'ml',
      why: `On ${say(glueLine(plan, box))} of joint.`,
    });
  if (plan.schools.finish && plan.schools.finish !== 'bare') {
    const area = square(outsideArea(box));
    const names: Record<string, string> = {
      stain: 'Water-based stain',
      oil: 'Linseed oil',
      paint: 'Water-based paint',
    };
    lines.push({
      id: 'finish',
      name: names[plan.schools.finish] ?? 'Finish',
      quantity: Math.ceil(area * FINISH_ML_PER_M2),
      unit: 'ml',
      why: `Two coats on ${area.toFixed(2)} m² of outside; nothing inside or round the entrance.`,
    });
  }
  return lines;
}

/** Total length of the joints that are glued, in ticks. */
export const glueLine = (plan: BoxPlan, box: PanelSet): Ticks =>
  plan.schools.fastening === 'screws'
    ? 0
    : box.joints
        .filter((joint) => joint.kind === 'butt')
        .reduce((sum, joint) => sum + joint.contact.length, 0);
