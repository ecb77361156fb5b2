import type { PanelRole, Parameter, Refusal } from './declaration.js';
import type { BoxPlan } from './plan.js';

/** Parameters that a plan leaves out or sets beyond their range, each refused at its own field. */
export function outOfRange(plan: BoxPlan, parameters: readonly Parameter[]): Refusal[] {
  return parameters
    .filter((parameter) => !parameter.applies || parameter.applies(plan.schools))
    .flatMap((parameter) => {
      const value =
        parameter.kind === 'angle' ? plan.angles[parameter.id] : plan.sizes[parameter.id];
      if (value === undefined || !Number.isFinite(value))
        return [{ field: parameter.id, message: `${parameter.label} is not given.` }];
      if (value >= parameter.least && value <= parameter.greatest) return [];
      const show = (limit: number) =>
        parameter.kind === 'angle' ? `${limit}°` : `${limit / 320} mm`;
      return [
        {
          field: parameter.id,
          message: `${parameter.label} must lie between ${show(parameter.least)} and ${show(parameter.greatest)}.`,
        },
      ];
    });
}

/** Roles that no board was chosen for. */
export const missingWood = (plan: BoxPlan, roles: readonly PanelRole[]): Refusal[] =>
  roles
    .filter((role) => !role.offBoard && !(plan.wood[role.id]?.thickness ?? 0))
    .map((role) => ({
      field: `wood.${role.id}`,
      message: `Choose a board for the ${role.label.toLowerCase()}: its thickness decides the other panels.`,
    }));
