import { fromMm, type Ticks } from '../measure/index.js';
import type { PanelSet } from '../panels/index.js';
import { type BoxPlan, type RecessPlan, recessOf } from '../plan/index.js';
import { ofLength, text } from '../text/index.js';
import { type Check, COMMON, ofMm, type Rule, setChoice, setSize } from './check.js';

/** From here on the floor's end grain stays dry. */
const DRY = fromMm(6);
/** A roof that stands this far out covers the entrance, rounded sizes allowed for. */
const COVERED = fromMm(49);

const raise = (plan: BoxPlan): BoxPlan =>
  setChoice('floorAt', 'recessed')(setSize('floorRecess', fromMm(9.525))(plan));

/** Whether the floor's end grain stays dry. */
export const recessRule: Rule<RecessPlan> = ({ plan }) => {
  const recess = recessOf(plan);
  const dry = recess >= DRY;
  return [
    {
      ...COMMON,
      id: 'recess',
      severity: dry ? 'kept' : 'warn',
      role: 'floor',
      text: dry
        ? text`Floor ${ofLength(recess)} up inside the walls, so its end grain stays dry.`
        : text`Floor ${ofLength(recess)} up inside the walls; ${ofMm(6)} or more keeps its end grain dry.`,
      remedies: dry ? [] : [{ label: 'Raise it', apply: raise }],
    },
  ];
};

/** The first panel of the roof, whether it has one slope or two. */
const roofOf = ({ panels }: PanelSet): string | null =>
  panels.find(({ role }) => role.split('-')[0] === 'roof')?.role ?? null;

/** How far the roof stands out over the entrance. */
export const overhangRule: Rule<{ sizes: Readonly<Record<'overhangFront', Ticks>> }> = ({
  plan,
  box,
}): Check[] => {
  const overhang = plan.sizes.overhangFront;
  const covered = overhang >= COVERED;
  return [
    {
      ...COMMON,
      id: 'overhang',
      severity: covered ? 'kept' : 'warn',
      role: roofOf(box),
      text: text`The roof stands ${ofLength(overhang)} out over the entrance; ${ofMm(50)} or more keeps rain and paws off.`,
      remedies: covered
        ? []
        : [{ label: 'Lengthen it', apply: setSize('overhangFront', fromMm(50.8)) }],
    },
  ];
};
