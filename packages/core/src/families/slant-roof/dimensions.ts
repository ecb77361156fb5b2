import { at, must } from '../../lists/index.js';
import type { Ticks } from '../../measure/index.js';
import type { PanelSet } from '../../panels/index.js';
import { type EntrancePlan, entranceOf, keepsOutside } from '../../plan/index.js';
import type { DrawnDimension } from '../family.js';
import type { ShellPlan } from './declared.js';

/** A side of the box as it is cut: how far it reaches from front to back, and its ends. */
function sideOf(box: PanelSet) {
  const side = must(
    box.panels.find((panel) => panel.role === 'side-left'),
    'the left side',
  );
  const { vertices } = at(side.instances, 0).solid;
  const ys = vertices.map((vertex) => vertex[1]);
  const topAt = (y: number): number =>
    Math.max(...vertices.filter((vertex) => vertex[1] === y).map((vertex) => vertex[2]));
  return {
    from: Math.min(...ys),
    to: Math.max(...ys),
    low: Math.min(...vertices.map((vertex) => vertex[2])),
    topAt,
  };
}

type ShellSize = keyof ShellPlan['sizes'];

/** Sizes of walls and roof that are edited on the drawings, where they are measured. */
export function shellDimensions(
  { sizes, choices, wood }: ShellPlan,
  box: PanelSet,
): DrawnDimension<ShellSize>[] {
  const { width, depth, heightFront } = at(box.cavities, 0);
  const thick = (role: 'front' | 'back' | 'side-left' | 'side-right'): Ticks =>
    keepsOutside(choices, role.startsWith('side') ? 'width' : 'depth') ? wood[role].thickness : 0;
  const front = wood.front.thickness;
  const half = width / 2;
  const { from, to, low, topAt } = sideOf(box);
  const sloped = choices.roof !== 'flat' && choices.slope === 'heights';
  return [
    {
      size: 'width',
      view: 'front',
      side: 'below',
      from: -half - thick('side-left'),
      to: half + thick('side-right'),
      start: low,
    },
    {
      size: 'depth',
      view: 'section',
      side: 'below',
      from: -thick('front'),
      to: depth + thick('back'),
      start: low,
    },
    {
      size: 'frontHeight',
      view: 'section',
      side: 'left',
      from: low,
      to: topAt(from),
      start: from,
    },
    ...(sloped
      ? [
          {
            size: 'backHeight',
            view: 'section',
            side: 'right',
            from: low,
            to: topAt(to),
            start: to,
          } as const,
        ]
      : []),
    {
      size: 'overhangFront',
      view: 'section',
      side: 'above',
      from: -front - sizes.overhangFront,
      to: -front,
      start: heightFront,
    },
  ];
}

/** Where the entrance stands in the front and how large it is: a hole's two measures, or a slot's height. */
export function entranceDimensions(
  plan: EntrancePlan,
  box: PanelSet,
  left?: number,
): DrawnDimension<keyof EntrancePlan['sizes']>[] {
  const { width, sill, heightFront } = at(box.cavities, 0);
  const start = left ?? -width / 2;
  const { entrance, entranceTo } = plan.choices;
  if (entrance === 'slot')
    return [
      { size: 'entranceUpright', view: 'front', side: 'left', from: sill, to: heightFront, start },
    ];
  const hole = entranceOf(plan);
  const centre = sill + hole.height / 2;
  return [
    {
      size: 'entranceHeight',
      view: 'front',
      side: 'left',
      from: 0,
      to: entranceTo === 'sill' ? sill : centre,
      start,
    },
    {
      size: 'entranceWidth',
      view: 'front',
      side: 'leader',
      from: centre,
      to: centre,
      start: hole.width / 2,
    },
  ];
}
