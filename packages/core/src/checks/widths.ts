import { measuresOf, type Panel, stavesOf } from '../panels/index.js';
import type { BoxPlan } from '../plan/index.js';
import { ofLength, text } from '../text/index.js';
import { type Check, COMMON, ofMm, type Rule, setChoice } from './check.js';

function widthCheck(plan: BoxPlan, panel: Panel): Check[] {
  const width = plan.wood[panel.role]?.width ?? null;
  const { blankWidth, blankLength } = measuresOf(panel);
  const across = panel.grain === 'any' ? Math.min(blankWidth, blankLength) : blankWidth;
  if (width === null || across <= width + 2) return [];
  const whole = plan.choices.wide === 'whole';
  const staves = whole ? null : stavesOf(panel, width);
  const from = { ...COMMON, id: `wide-${panel.id}`, role: panel.role };
  if (staves)
    return [
      {
        ...from,
        severity: 'kept',
        text: text`${ofLength(across)} wide from a board of ${ofLength(width)}: glued up of ${staves.length} staves, no joint ${panel.features.some(({ kind }) => kind === 'entrance') ? 'through the entrance or ' : ''}within ${ofMm(20)} of an edge.`,
        remedies: [],
      },
    ];
  const way = whole
    ? 'Choose a wider board, or glue it up.'
    : 'No place is left for a glue joint clear of the entrance and the edges: choose a wider board.';
  return [
    {
      ...from,
      severity: 'stop',
      text: text`${ofLength(across)} wide, and its board is ${ofLength(width)}. ${way}`,
      remedies: whole ? [{ label: 'Glue it up', apply: setChoice('wide', 'glued') }] : [],
    },
  ];
}

/** Panels wider than the boards they come from: glued up of staves, or not to be cut. */
export const widthRule: Rule = ({ plan, box }) =>
  box.panels.flatMap((panel) => widthCheck(plan, panel));
