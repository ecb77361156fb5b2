import type { PanelSet } from '../../panels/index.js';
import { type BoxPlan, entranceOf } from '../../plan/index.js';
import type { DrawnDimension } from '../family.js';

/** The sizes that are edited on the drawings, where they are measured. */
export function dimensions({ sizes, schools, wood }: BoxPlan, box: PanelSet): DrawnDimension[] {
  const { width, depth, sill, heightFront } = box.cavities[0]!;
  const thick = (role: string): number => wood[role]?.thickness ?? 0;
  const outside = schools.measure === 'outside';
  const half = width / 2;
  const side = box.panels.find((panel) => panel.role === 'side-left')!.instances[0]!.solid.vertices;
  const ys = side.map((vertex) => vertex[1]);
  const [from, to] = [Math.min(...ys), Math.max(...ys)];
  const low = Math.min(...side.map((vertex) => vertex[2]));
  const topAt = (y: number): number =>
    Math.max(...side.filter((vertex) => vertex[1] === y).map((vertex) => vertex[2]));
  const open = sizes.frontAboveFloor !== undefined;
  const slot = schools.entrance === 'slot';
  const upright = entranceOf({ sizes, schools }).height;
  const centre = sill + upright / 2;
  const overhang = -thick('front') - (sizes.overhangFront ?? 0);
  return [
    {
      size: 'width',
      view: 'front',
      side: 'below',
      from: outside ? -half - thick('side-left') : -half,
      to: outside ? half + thick('side-right') : half,
      start: low,
    },
    open
      ? { size: 'frontAboveFloor', view: 'front', side: 'left', from: 0, to: sill, start: -half }
      : slot
        ? {
            size: 'entranceUpright',
            view: 'front',
            side: 'left',
            from: sill,
            to: heightFront,
            start: -half,
          }
        : {
            size: 'entranceHeight',
            view: 'front',
            side: 'left',
            from: 0,
            to: schools.entranceTo === 'sill' ? sill : centre,
            start: -half,
          },
    ...(open || slot
      ? []
      : [
          {
            size: 'entranceWidth',
            view: 'front',
            side: 'leader',
            from: centre,
            to: centre,
            start: (sizes.entranceWidth ?? 0) / 2,
          } as const,
        ]),
    {
      size: 'depth',
      view: 'section',
      side: 'below',
      from: outside ? -thick('front') : 0,
      to: outside ? depth + thick('back') : depth,
      start: low,
    },
    { size: 'frontHeight', view: 'section', side: 'left', from: low, to: topAt(from), start: from },
    ...(schools.roof !== 'flat' && schools.slope === 'heights'
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
      from: overhang,
      to: -thick('front'),
      start: heightFront,
    },
  ];
}
