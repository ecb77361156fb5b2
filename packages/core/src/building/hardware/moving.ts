import { sum } from '../../lists/index.js';
import { fromMm, type Ticks } from '../../measure/index.js';
import { type Joint, measuresOf, type PanelSet } from '../../panels/index.js';
import type { BoxPlan } from '../../plan/index.js';
import { joinTexts, ofLength, ofPanel, type Text, text } from '../../text/index.js';
import { bought, counted, type HardwareLine } from './line.js';

/** Hinges: one at each end, and a third from this length. Common practice, no source. */
const THIRD_HINGE: Ticks = fromMm(450);
/** The strip reaches this far over either end of the roof's joint and is this wide. Common practice, no source. */
const STRIP = { over: fromMm(20), wide: fromMm(80) };

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
export function hungLines({ sizes, choices }: BoxPlan, box: PanelSet): HardwareLine[] {
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

/** Hinges along a joint: one at each end, and a third where it is long. */
export const hingesAlong = ({ contact }: Joint): number => (contact.length >= THIRD_HINGE ? 3 : 2);

export function hingeLines({ joints }: PanelSet): HardwareLine[] {
  const hinged = joints.filter((joint) => joint.kind === 'hinged');
  const hinges = sum(hinged.map(hingesAlong));
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
export function stripLines({ joints, panels }: PanelSet): HardwareLine[] {
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
