import type { BoardKind } from '../wood/board.js';
import { buildBox } from './families/families.js';
import { measuresOf } from './measures.js';
import type { BoxPlan, PanelWood } from './plan.js';

/** Boards of one kind, as many as there are. */
export type BoardsAtHand = BoardKind & { quantity: number };

const woodOf = (board: BoardKind): PanelWood => ({
  thickness: board.thickness,
  width: board.width,
  material: board.material,
  faceA: board.faceA,
  faceB: board.faceB,
});

/** Whether the panels of these roles, cut from this board's thickness, are no wider than the board and get the face they need. */
function carries(plan: BoxPlan, roles: readonly string[], board: BoardKind): boolean {
  const built = buildBox({ ...plan, wood: { ...plan.wood, ...Object.fromEntries(roles.map((role) => [role, woodOf(board)])) } });
  if (!built.ok) return false;
  return built.box.panels
    .filter((panel) => roles.includes(panel.role))
    .every(
      (panel) =>
        measuresOf(panel).blankWidth <= board.width &&
        (panel.inside === 'any' || board.faceA === panel.inside || board.faceB === panel.inside),
    );
}

/**
 * The plan with its panels given to boards that are wide enough: for each group of roles the commonest whole board, the cheaper of two
 * equally common. A group that no board carries keeps its wood, so that the maker sees what is missing.
 */
export function findWood(plan: BoxPlan, groups: readonly (readonly string[])[], boards: readonly BoardsAtHand[]): BoxPlan {
  const whole = boards
    .filter((board) => !board.offcut && board.quantity > 0)
    .sort((a, b) => b.quantity - a.quantity || (a.price ?? 0) - (b.price ?? 0));
  const wood: Record<string, PanelWood> = { ...plan.wood };
  for (const roles of groups) {
    const found = whole.find((board) => carries({ ...plan, wood }, roles, board));
    if (found) for (const role of roles) wood[role] = woodOf(found);
  }
  return { ...plan, wood };
}
