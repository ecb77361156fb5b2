import { animalsOf, brokenRules, buildBox, type Family, familyById } from '../families/index.js';
import { minBy } from '../lists/index.js';
import { fromMm } from '../measure/index.js';
import { measuresOf, type PanelSet } from '../panels/index.js';
import { applying, type BoxPlan, type PanelRole, panelWoodOf } from '../plan/index.js';
import { type BoardKind, woodRefused } from '../wood/index.js';

/** Boards of one kind, as many as there are. */
export type BoardsAtHand = BoardKind & { quantity: number };

/** The plan with these roles cut from this board. */
export const given = (plan: BoxPlan, roles: readonly string[], board: BoardKind): BoxPlan => ({
  ...plan,
  wood: { ...plan.wood, ...Object.fromEntries(roles.map((role) => [role, panelWoodOf(board)])) },
});

/** What a stop counts for. */
const STOP = 1000;

/** How many rules a box breaks; a stop counts for more than any number of others. */
function rulesBroken(plan: BoxPlan, box: PanelSet): number {
  const { stops, warnings } = brokenRules(plan, box);
  return stops * STOP + warnings;
}

/** Whether the panels of these roles are no wider than a board and get the face they need. */
const carries = (
  box: PanelSet,
  roles: readonly string[],
  board: Pick<BoardKind, 'width' | 'faceA' | 'faceB'>,
): boolean =>
  box.panels
    .filter((panel) => roles.includes(panel.role))
    .every(
      (panel) =>
        measuresOf(panel).blankWidth <= board.width &&
        (panel.inside === 'any' || board.faceA === panel.inside || board.faceB === panel.inside),
    );

/** Rules that the box breaks with these roles cut from this board; null where the board does not carry them. */
function brokenWith(plan: BoxPlan, roles: readonly string[], board: BoardKind): number | null {
  const asked = given(plan, roles, board);
  const built = buildBox(asked);
  if (!built.ok || !carries(built.box, roles, board)) return null;
  return rulesBroken(asked, built.box);
}

/** Roles that usually come from one kind of board: the body, the roof, and every kind of stick by itself. */
export function woodGroups(family: Family, choices: BoxPlan['choices']): (readonly string[])[] {
  const roles = applying(family.roles, choices).filter((role) => !role.offBoard);
  const boards = roles.filter((role) => !role.stick);
  const idsOf = (list: readonly PanelRole[]) => list.map(({ id }) => id);
  return [
    idsOf(boards.filter((role) => role.kind !== 'roof')),
    idsOf(boards.filter((role) => role.kind === 'roof')),
    ...roles.filter((role) => role.stick).map((role) => [role.id]),
  ].filter((group) => group.length > 0);
}

/** A stick within half and twice the usual one's measures. */
const likeStick = ([thickness, width]: readonly [number, number], board: BoardKind): boolean => {
  const near = (value: number, usual: number) =>
    value >= fromMm(usual) * 0.5 && value <= fromMm(usual) * 2;
  return near(board.thickness, thickness) && near(board.width, width);
};

/** How far a board is from the usual stick, as a ratio of its measures; nothing where it is no stick that is sought. */
const offStick = (stick: PanelRole['stick'], { thickness, width }: BoardKind): number =>
  stick
    ? Math.abs(Math.log(thickness / fromMm(stick[0]))) +
      Math.abs(Math.log(width / fromMm(stick[1])))
    : 0;

/** The plan with one group of roles given to the best of these whole boards; the same plan where none carries it. */
export function woodFor(
  plan: BoxPlan,
  family: Family,
  roles: readonly string[],
  boards: readonly BoardsAtHand[],
): BoxPlan {
  const stick = family.roles.find((role) => role.id === roles[0])?.stick;
  const tried = boards
    .filter((board) => !stick || likeStick(stick, board))
    .sort((a, b) => offStick(stick, a) - offStick(stick, b))
    .flatMap((board) => {
      const broken = brokenWith(plan, roles, board);
      return broken === null ? [] : [{ board, broken }];
    });
  const best = minBy(tried, ({ broken }) => broken);
  if (!best) return plan;
  const built = buildBox(plan);
  const asItIs = built.ok ? rulesBroken(plan, built.box) : Number.POSITIVE_INFINITY;
  // Boards at hand come before those of the plan, but not where they alone make the box one that must not be built.
  return best.broken < STOP || best.broken <= asItIs ? given(plan, roles, best.board) : plan;
}

/**
 * The plan with its panels given to boards that are wide enough: for each group of roles the whole board with which the box breaks
 * the fewest rules, of those the commonest (of sticks the one nearest to the usual), the cheaper of two equally common. A group that no board carries keeps its wood, so that the
 * maker sees what is missing.
 */
export function findWood(plan: BoxPlan, boards: readonly BoardsAtHand[]): BoxPlan {
  const family = familyById(plan.family);
  if (!family) return plan;
  const whole = boards
    .filter((board) => !board.offcut && board.quantity > 0 && woodRefused(board) === null)
    .sort((a, b) => b.quantity - a.quantity || (a.price ?? 0) - (b.price ?? 0));
  const fixed = family.woodFrom?.(plan, whole.map(panelWoodOf), animalsOf(plan)[0]);
  if (fixed) return { ...plan, wood: fixed };
  return woodGroups(family, plan.choices).reduce(
    (now, roles) => woodFor(now, family, roles, whole),
    plan,
  );
}
