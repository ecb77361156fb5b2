import { fromMm } from '../measure/index.js';
import { layersOf, measuresOf, type Panel, type PanelSet, stavesOf } from '../panels/index.js';
import type { BoxPlan } from '../plan/index.js';
import { type LayoutJob, type Part, type Saw, type Stock, suits } from './job.js';
import { type ReadyPieces, readyCopies } from './ready.js';

/** A table saw or a good mitre saw, kerf 3.2 mm: common practice, no source. */
export const STANDARD_SAW: Saw = {
  kerf: fromMm(3.175),
  rip: true,
  throughCuts: true,
  maxMitre: 50,
  maxTilt: 45,
  endTrim: 0,
  keep: { length: fromMm(150), width: fromMm(60) },
};

/** A stave of a panel that is glued up: `front.1` is the first of the front's. */
export const staveId = (panel: string, index: number): string => `${panel}.${index + 1}`;

/** The panel that a part is a stave of; null where it is none. */
export const panelOfStave = (part: string): string | null => /^(.+)\.\d+$/.exec(part)?.[1] ?? null;

/** One of the two sheets of a panel: `front.outer`. */
export const layerId = (panel: string, name: string): string => `${panel}.${name}`;

/** The panels as they come off the saw: one of two sheets is two panels of half its thickness. */
export const panelsAsSawn = ({ wood }: BoxPlan, panels: readonly Panel[]): Panel[] =>
  panels.flatMap((panel) =>
    wood[panel.role]?.layers
      ? layersOf(panel).map(({ name, ...layer }) => ({
          ...panel,
          ...layer,
          id: layerId(panel.id, name),
        }))
      : [panel],
  );

/**
 * The panels of so many boxes as parts. A panel may be of any board with the thickness and the wood that the plan names for it; one that
 * is wider than that board is cut as staves to be glued up, one of two sheets as both. What comes off a log is no part, and what lies
 * ready is not sawn.
 */
export function partsFor(
  plan: BoxPlan,
  box: PanelSet,
  boxes: number,
  ready: readonly ReadyPieces[] = [],
): Part[] {
  const { copies } = readyCopies(plan, box, boxes, ready);
  return box.panels.flatMap((panel) => {
    const quantity = boxes * panel.instances.length - (copies.get(panel.id) ?? 0);
    return quantity > 0 && !panel.fromLog ? partsOf(plan, panel, quantity) : [];
  });
}

/** So many copies of one panel, as they come off the saw. */
function partsOf(plan: BoxPlan, of: Panel, quantity: number): Part[] {
  return panelsAsSawn(plan, [of]).flatMap((panel): Part[] => {
    const wood = plan.wood[panel.role];
    const whole: Part = {
      id: panel.id,
      quantity,
      perBox: panel.instances.length,
      thickness: panel.thickness,
      outline: panel.outline,
      underside: panel.underside,
      grain: panel.grain,
      outside: panel.outside,
      inside: panel.inside,
      knots: panel.knots,
      clear: panel.clear,
      cutAway: panel.cutAway,
      materials: wood ? [wood.material] : null,
    };
    if (wood?.layers) return [whole];
    const turned = panel.grain === 'any' && measuresOf(panel).blankLength <= (wood?.width ?? 0);
    const staves =
      wood?.width && !turned && plan.choices.wide !== 'whole' ? stavesOf(panel, wood.width) : null;
    return (
      staves?.map(({ outline, underside, clear, cutAway }, index) => ({
        ...whole,
        id: staveId(panel.id, index),
        grain: 'along',
        outline,
        underside,
        clear,
        cutAway,
      })) ?? [whole]
    );
  });
}

/**
 * What is left of a stick is kept although it is narrower than any strip that is worth keeping off a board: where sticks are used, the
 * least width is theirs, and the other boards keep the maker's own.
 */
function keepSticks(
  parts: readonly Part[],
  stock: readonly Stock[],
  saw: Saw,
): Pick<LayoutJob, 'saw' | 'stock'> {
  const sticks = stock.filter(
    (kind) => kind.width < saw.keep.width && parts.some((part) => suits(part, kind)),
  );
  if (sticks.length === 0) return { saw, stock };
  const narrowest = Math.min(...sticks.map((kind) => kind.width));
  return {
    saw: { ...saw, keep: { ...saw.keep, width: narrowest } },
    stock: stock.map((kind) => ({ ...kind, keepWidth: Math.min(kind.width, saw.keep.width) })),
  };
}

/** A layout job for so many boxes of one plan. */
export function jobForBoxes(
  name: string,
  plan: BoxPlan,
  box: PanelSet,
  boxes: number,
  stock: readonly Stock[],
  saw: Saw = STANDARD_SAW,
  seconds = 3,
  ready: readonly ReadyPieces[] = [],
): LayoutJob {
  const parts = partsFor(plan, box, boxes, ready);
  return { name, ...keepSticks(parts, stock, saw), parts, pinned: [], effort: { seconds } };
}
