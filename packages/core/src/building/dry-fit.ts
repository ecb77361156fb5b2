import { buildBox } from '../families/index.js';
import { fromMm, type Ticks } from '../measure/index.js';
import {
  measuresOf,
  type Panel,
  type PanelChange,
  type PanelSet,
  panelChanges,
} from '../panels/index.js';
import type { BoxPlan } from '../plan/index.js';
import { ofAngle, ofLength, ofPanel, type Text, text } from '../text/index.js';
import type { BuildPlan } from './plan-build.js';

/** Something to look at while the box stands together without glue: what is seen when it is wrong, and what then is to blame. */
export interface DryFitLook {
  id: string;
  look: Text;
  /** More than this is too much. */
  tolerance: Ticks;
  signs: readonly { sign: Text; cause: Text }[];
  panels: readonly string[];
}

/** Joints close to this by eye, and doors and diagonals to twice as much. Common practice, no source. */
const CLOSE: Ticks = fromMm(0.5);
const EYE: Ticks = fromMm(1);

const twinOf = (panels: readonly Panel[], { id }: Panel): Panel | undefined =>
  id.includes('left') ? panels.find((each) => each.id === id.replace('left', 'right')) : undefined;

/** Left and right are laid on each other. */
function twins({ panels }: PanelSet): DryFitLook[] {
  return panels.flatMap((left): DryFitLook[] => {
    const right = twinOf(panels, left);
    if (!right) return [];
    const [a, b] = [measuresOf(left), measuresOf(right)];
    const long = Math.abs(a.longPoint - b.longPoint);
    const wide = Math.abs(a.blankWidth - b.blankWidth);
    return [
      {
        id: `twins-${left.id}`,
        look:
          long + wide < EYE
            ? text`Lay the ${ofPanel(left.id)} on the ${ofPanel(right.id)}, inside to inside: all edges meet.`
            : text`Lay the ${ofPanel(left.id)} on the ${ofPanel(right.id)}, inside to inside: they differ by ${ofLength(Math.max(long, wide))}, as planned, and nowhere else.`,
        tolerance: EYE,
        panels: [left.id, right.id],
        signs: [
          {
            sign: text`The slopes run against each other`,
            cause: text`both were cut for one hand: one has its rough face, or its bevel, on the wrong side`,
          },
          {
            sign: text`One is shorter`,
            cause: text`the stop moved, or a chip lay before it: cut the longer one to it, or a new one; a roof over both rocks otherwise`,
          },
        ],
      },
    ];
  });
}

/** A floor between walls squares the box. */
function square({ panels }: PanelSet): DryFitLook[] {
  return panels.flatMap((floor): DryFitLook[] => {
    const [instance] = floor.instances;
    if (!/^floor/.test(floor.role) || !instance || instance.outsideNormal[2] > -0.9) return [];
    const { blankLength, blankWidth } = measuresOf(floor);
    const across = Math.round(Math.hypot(blankLength, blankWidth));
    return [
      {
        id: `square-${floor.id}`,
        look: text`Measure the ${ofPanel(floor.id)} from corner to corner, both ways: ${ofLength(across)} with square corners, and both the same.`,
        tolerance: EYE,
        panels: [floor.id],
        signs: [
          {
            sign: text`The diagonals differ`,
            cause: text`the ${ofPanel(floor.id)} is out of square: plane it, or the whole box leans`,
          },
          {
            sign: text`It does not go in, or falls through`,
            cause: text`the walls’ thickness is not what the plan says: measure them, set it at Wood, and cut the ${ofPanel(floor.id)} anew`,
          },
        ],
      },
    ];
  });
}

/** Panels with a tilted edge meet what they were tilted for. */
function bevels({ panels }: PanelSet): DryFitLook[] {
  return panels.flatMap((panel): DryFitLook[] => {
    if (panel.fromLog) return [];
    const tilted = panel.edges.filter(({ tilt }) => Math.abs(tilt) > 0.5);
    const [edge] = tilted;
    if (!edge) return [];
    const off = Math.round(panel.thickness * Math.tan((Math.PI / 180) * 1));
    return [
      {
        id: `bevel-${panel.id}`,
        look: text`The bevel of the ${ofPanel(panel.id)}, ${ofAngle(Math.abs(edge.tilt))}, lies flat on its neighbour over its whole thickness.`,
        tolerance: CLOSE,
        panels: [panel.id],
        signs: [
          {
            sign: text`It touches with its outer edge only, or with its inner one`,
            cause: text`the blade’s tilt was off: one degree opens ${ofLength(off)} here`,
          },
          {
            sign: text`The gap is as wide as the bevel`,
            cause: text`it was cut the wrong way round: turn the panel end for end if its faces allow, or cut a new one`,
          },
        ],
      },
    ];
  });
}

/** Walls that leave a gap on purpose under the roof. */
function gaps({ steps }: BuildPlan): DryFitLook[] {
  return steps.flatMap(({ add, freeAbove }): DryFitLook[] => {
    const [first] = add;
    if (!first || freeAbove === null) return [];
    return [
      {
        id: `gap-${first.panel}`,
        look: text`Over the ${ofPanel(first.panel)} stands ${ofLength(freeAbove)} open, as wide at one end as at the other.`,
        tolerance: EYE,
        panels: [first.panel],
        signs: [
          {
            sign: text`It is wider at one end`,
            cause: text`what holds the roof is short there, or the ${ofPanel(first.panel)} was cut out of square`,
          },
          {
            sign: text`There is none`,
            cause: text`the ${ofPanel(first.panel)} stands too high: its lower edges are not where they should be, or it was cut to its long point`,
          },
        ],
      },
    ];
  });
}

/** What turns on pivots. */
function swings({ holes, steps }: BuildPlan): DryFitLook[] {
  const inner = holes.filter((hole) => hole.for === 'pivot' && hole.depth !== 'through');
  const [first, second] = inner;
  if (!first || !second) return [];
  const wall = first.panel;
  const held = steps.some(({ add }) => add.some(({ panel }) => panel === wall));
  if (!held) return [];
  return [
    {
      id: `swing-${wall}`,
      look: text`The ${ofPanel(wall)} swings out and falls shut by itself, with a coin’s thickness free at each edge.`,
      tolerance: EYE,
      panels: [wall],
      signs: [
        {
          sign: text`It rubs on one side`,
          cause: text`its pivots are not opposite each other: they stand ${ofLength(first.at[0])} and ${ofLength(second.at[0])} along their edges from the corner that is marked, and ${ofLength(first.at[1])} under the outside`,
        },
        {
          sign: text`It rubs all along`,
          cause: text`it is as wide as its opening: plane a shaving off each edge, it swells in the first rain`,
        },
        {
          sign: text`Its top catches under the roof`,
          cause: text`the pivots sit too low or too far in: the gap over it is for the place that is drilled, no other`,
        },
      ],
    },
  ];
}

/** What to look at while the box stands together dry. */
export const dryFit = (box: PanelSet, build: BuildPlan): DryFitLook[] => [
  ...twins(box),
  ...square(box),
  ...bevels(box),
  ...gaps(build),
  ...swings(build),
];

/** What boards of one role that are a millimetre thicker, or thinner, change on other panels. */
export interface ThicknessEffect {
  role: string;
  by: Ticks;
  changes: readonly PanelChange[];
}

/** A board is often so much off what was said. */
const OFF: Ticks = fromMm(1);

/**
 * What happens to every other panel when the wood of one role is a millimetre thinner than the plan says: the box is built anew with it, and
 * the panels compared. Roles whose change moves nothing are left out.
 */
export function thicknessEffects(plan: BoxPlan, box: PanelSet): ThicknessEffect[] {
  return Object.entries(plan.wood).flatMap(([role, wood]): ThicknessEffect[] => {
    if (!box.panels.some((panel) => panel.role === role)) return [];
    const thinner = { ...wood, thickness: wood.thickness - OFF };
    const built = buildBox({ ...plan, wood: { ...plan.wood, [role]: thinner } });
    if (!built.ok) return [];
    const own = new Set(box.panels.filter((panel) => panel.role === role).map(({ id }) => id));
    const changes = panelChanges(box, built.box).filter(
      ({ panel, measure }) => !(own.has(panel) && measure === 'thickness'),
    );
    return changes.length > 0 ? [{ role, by: -OFF, changes }] : [];
  });
}
