import { woodGroups } from '@spare-knot/core/advice';
import type { BoardRecord } from '@spare-knot/core/api';
import type { Family } from '@spare-knot/core/families';
import {
  applying,
  type BoxPlan,
  type Chosen,
  doubledWoodOf,
  type PanelRole,
  type PanelWood,
  panelWoodOf,
  sawnThickness,
} from '@spare-knot/core/plan';

/** Panels that wood is found for together, as a press chooses them. */
export interface RoleGroup {
  label: string;
  roles: readonly string[];
  /** How it stands after “Use for”. */
  spoken: string;
}

/** Panels of a box that come off boards or sticks. */
export const rolesToFind = (family: Family, choices: Chosen): readonly PanelRole[] =>
  applying(family.roles, choices).filter((role) => !role.offBoard);

/** All boards, the body, and what comes of wood of its own: the roof, each kind of stick. */
export function roleGroups(
  family: Family,
  choices: Chosen,
  nameOf: (role: string) => string,
): RoleGroup[] {
  const wanted = rolesToFind(family, choices);
  const boards = wanted.filter((role) => !role.stick).map(({ id }) => id);
  const [body = [], ...others] = woodGroups(family, choices);
  const isRoof = (roles: readonly string[]) =>
    roles.every((id) => family.roles.some((role) => role.id === id && role.kind === 'roof'));
  const labelOf = (roles: readonly string[]): string => {
    const [first = ''] = roles;
    return isRoof(roles) && roles.length > 1 ? 'Roof' : nameOf(first);
  };
  return [
    { label: 'All boards', roles: boards, spoken: 'all boards' },
    { label: 'Body', roles: body, spoken: 'the body' },
    ...others.map((roles) => {
      const label = labelOf(roles);
      return { label, roles, spoken: label.toLowerCase() };
    }),
  ];
}

export const sameRoles = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === b.length && a.every((each) => b.includes(each));

/** What these roles are called after “Use for”. */
export function spokenRoles(
  roles: readonly string[],
  groups: readonly RoleGroup[],
  nameOf: (role: string) => string,
): string {
  const group = groups.find((each) => sameRoles(each.roles, roles));
  if (group) return group.spoken;
  const [first] = roles;
  return roles.length === 1 && first ? nameOf(first).toLowerCase() : `${roles.length} panels`;
}

/** Whether a board is of the wood that a panel is planned in. */
export const isSameWood = (
  wood: PanelWood | undefined,
  board: Pick<BoardRecord, 'thickness' | 'material'>,
): boolean =>
  wood !== undefined && sawnThickness(wood) === board.thickness && wood.material === board.material;

/** The wood of a plan after something was confirmed of a board: panels planned in that board are of it as it is now. */
export const woodConfirmed = (
  wood: BoxPlan['wood'],
  before: BoardRecord,
  now: BoardRecord,
): BoxPlan['wood'] =>
  Object.fromEntries(
    Object.entries(wood).map(([role, own]) => {
      const sameFaces = own.faceA === before.faceA && own.faceB === before.faceB;
      const isOfIt = isSameWood(own, before) && sameFaces && (own.assumed ?? []).length > 0;
      const whole = own.layers ? doubledWoodOf(now) : panelWoodOf(now);
      return [role, isOfIt ? { ...whole, width: own.width } : own];
    }),
  );
