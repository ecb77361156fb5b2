import { buildBox } from '../families/index.js';
import type { Opening, PanelSet } from '../panels/index.js';
import type { BoxPlan, Choice, Refusal } from '../plan/index.js';
import { facesOf, pathOf, type ViewName, type ViewPicture, viewBoxOf } from './picture.js';
import type { DrawnFace } from './views.js';

/** A small view of a box in which one option differs: what it points out, and holes. */
export interface OptionPicture extends ViewPicture {
  accent: string;
  holes: string;
}

/** The box with an option, or why it cannot be built so. */
export type DrawnOption =
  | { ok: true; picture: OptionPicture }
  | { ok: false; refusals: readonly Refusal[] };

/** What is open in a view: in the front what goes through it, from above what drains and lets bats in. */
function holesIn({ openings }: PanelSet, view: ViewName): DrawnFace[] {
  const isSeen: Record<ViewName, (opening: Opening) => boolean> = {
    front: ({ kind, polygon }) => kind !== 'drain' && polygon.every(([, y]) => Math.abs(y) <= 2),
    plan: ({ kind }) => kind === 'drain' || kind === 'crevice',
    section: () => false,
  };
  return openings.filter(isSeen[view]).map(({ polygon }) => ({
    panel: 'hole',
    points: polygon.map(([x, y, z]) => [x, view === 'plan' ? y : z] as const),
  }));
}

/** A small view of a box, the panels of some roles pointed out. */
export function smallPicture(
  box: PanelSet,
  view: ViewName,
  highlights: readonly string[] = [],
): OptionPicture {
  const { cut, behind } = facesOf(box, view);
  const isAccent = ({ panel }: DrawnFace) => highlights.includes(panel);
  return {
    box: viewBoxOf([...cut, ...behind]),
    behind: pathOf(behind),
    cut: pathOf(cut.filter((face) => !isAccent(face))),
    accent: pathOf(cut.filter(isAccent)),
    holes: pathOf(holesIn(box, view)),
  };
}

/** The box as one option of a choice would make it, in the view in which its options differ. Pure; null where they cannot be seen. */
export function drawOption(
  plan: BoxPlan,
  { id, picture: view, highlights = [] }: Choice,
  option: string,
): DrawnOption | null {
  if (!view) return null;
  const built = buildBox({ ...plan, choices: { ...plan.choices, [id]: option } });
  return built.ok ? { ok: true, picture: smallPicture(built.box, view, highlights) } : built;
}
