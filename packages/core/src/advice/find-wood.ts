import { animalById } from '../animals/index.js';
import { brokenRules, buildBox, type Family, familyById } from '../families/index.js';
import { fromMm } from '../measure/index.js';
import { measuresOf } from '../panels/index.js';
import { type BoxPlan, chosen, type PanelWood, rolesOf } from '../plan/index.js';
import type { BoardKind } from '../wood/index.js';

/** Boards of one kind, as many as there are. */
export type BoardsAtHand = BoardKind & { quantity: number };

const woodOf = (board: BoardKind): PanelWood => ({
  thickness: board.thickness,
  width: board.width,
  material: board.material,
  faceA: board.faceA,
  faceB: board.faceB,
});

const given = (plan: BoxPlan, roles: readonly string[], board: BoardKind): BoxPlan => ({
  ...plan,
  wood: { ...plan.wood, ...Object.fromEntries(roles.map((role) => [role, woodOf(board)])) },
});

/** What a stop counts for. */
const STOP = 1000;

/** How many rules the box of a plan breaks; a stop counts for more than any number of others. */
function rulesBroken(plan: BoxPlan): number {
  const built = buildBox(plan);
  if (!built.ok) return Number.POSITIVE_INFINITY;
  const { stops, warnings } = brokenRules(plan, built.box, animalById(plan.animal));
  return stops * STOP + warnings;
}

/** Whether the panels of these roles, cut from this board's thickness, are no wider than the board and get the face they need. */
function carries(plan: BoxPlan, roles: readonly string[], board: BoardKind): boolean {
  const built = buildBox(given(plan, roles, board));
  if (!built.ok) return false;
  return built.box.panels
    .filter((panel) => roles.includes(panel.role))
    .every(
      (panel) =>
        measuresOf(panel).blankWidth <= board.width &&
        (panel.inside === 'any' || board.faceA === panel.inside || board.faceB === panel.inside),
    );
}

/** Roles that usually come from one kind of board: the body, the roof, and every kind of stick by itself. */
export function woodGroups(family: Family, schools: BoxPlan['schools']): (readonly string[])[] {
  const roles = rolesOf(family, chosen(family, schools)).filter((role) => !role.offBoard);
  const boards = roles.filter((role) => !role.stick).map((role) => role.id);
  const roof = boards.filter((id) => id.startsWith('roof'));
  return [
    boards.filter((id) => !roof.includes(id)),
    roof,
    ...roles.filter((role) => role.stick).map((role) => [role.id]),
  ].filter((group) => group.length > 0);
}

/** A stick within half and twice the usual one's measures. */
const likeStick = ([thickness, width]: readonly [number, number], board: BoardKind): boolean => {
  const near = (value: number, usual: number) =>
    value >= fromMm(usual) * 0.5 && value <= fromMm(usual) * 2;
  return near(board.thickness, thickness) && near(board.width, width);
};

/**
 * The plan with its panels given to boards that are wide enough: for each group of roles the whole board with which the box breaks
 * the fewest rules, of those the commonest, the cheaper of two equally common. A group that no board carries keeps its wood, so that the
 * maker sees what is missing.
 */
export function findWood(plan: BoxPlan, boards: readonly BoardsAtHand[]): BoxPlan {
  const family = familyById(plan.family);
  if (!family) return plan;
  const whole = boards
    .filter((board) => !board.offcut && board.quantity > 0)
    .sort((a, b) => b.quantity - a.quantity || (a.price ?? 0) - (b.price ?? 0));
  const fixed = family.woodFrom?.(plan, whole.map(woodOf));
  if (fixed) return { ...plan, wood: fixed };
  const wood: Record<string, PanelWood> = { ...plan.wood };
  for (const roles of woodGroups(family, plan.schools)) {
    const stick = family.roles.find((role) => role.id === roles[0])?.stick;
    const found = whole.filter(
      (board) =>
        (stick ? likeStick(stick, board) : true) && carries({ ...plan, wood }, roles, board),
    );
    const broken = found.map((board) => rulesBroken(given({ ...plan, wood }, roles, board)));
    const fewest = Math.min(...broken);
    const best = found[broken.indexOf(fewest)];
    // Boards at hand come before those of the plan, but not where they alone make the box one that must not be built.
    if (best && (fewest < STOP || fewest <= rulesBroken({ ...plan, wood })))
      for (const role of roles) wood[role] = woodOf(best);
  }
  return { ...plan, wood };
}
