import { sum } from '../../lists/index.js';
import type { Ticks } from '../../measure/index.js';
import { type Joint, measuresOf, type PanelSet, stavesOf } from '../../panels/index.js';
import type { BoxPlan } from '../../plan/index.js';
import { ofLength, text } from '../../text/index.js';
import { doubledPanels } from './fastened.js';
import { bought, type HardwareLine, squareMetres } from './line.js';

/** Exterior glue: about 150 g on a square metre of joint, common practice, no source; a joint is glued over its whole contact. */
const GLUE_ML_PER_M2 = 150;

/** Whether a joint is glued: what is fastened for good, unless screws alone hold. */
export const isGlued = ({ choices }: BoxPlan, { kind }: Joint): boolean =>
  choices.fastening !== 'screws' && kind === 'butt';

const gluedJoints = (plan: BoxPlan, { joints }: PanelSet): readonly Joint[] =>
  joints.filter((joint) => isGlued(plan, joint));

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

export function glueLines(plan: BoxPlan, box: PanelSet): HardwareLine[] {
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
