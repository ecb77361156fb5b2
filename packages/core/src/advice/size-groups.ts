import type { Family } from '../families/index.js';
import { must } from '../lists/index.js';
import { applying, type BoxPlan, type Parameter } from '../plan/index.js';

/** Parameters that change together, those that may be trimmed and apply; a size that goes with another is not tried alone. */
export function groupsOf(family: Family, plan: BoxPlan): Parameter[][] {
  const trimmed = applying(family.parameters, plan.choices).filter(
    ({ id }) => !family.notTrimmed.includes(id),
  );
  const named = (ids: readonly string[]) =>
    ids.flatMap((id) => trimmed.find((each) => each.id === id) ?? []);
  const together = family.trimmedTogether
    .filter((ids) => named(ids).length === ids.length)
    .map(named);
  const taken = together.flat();
  return [...together, ...trimmed.filter((each) => !taken.includes(each)).map((each) => [each])];
}

export const valueIn = (plan: BoxPlan, { id, kind }: Parameter): number =>
  must((kind === 'angle' ? plan.angles : plan.sizes)[id], id);

/** The plan with a group of sizes moved so that its first has this value. */
export function moved(plan: BoxPlan, group: readonly Parameter[], value: number): BoxPlan {
  const [first] = group;
  if (!first) return plan;
  if (first.kind === 'angle') return { ...plan, angles: { ...plan.angles, [first.id]: value } };
  const by = value - valueIn(plan, first);
  const sizes = Object.fromEntries(group.map((each) => [each.id, valueIn(plan, each) + by]));
  return { ...plan, sizes: { ...plan.sizes, ...sizes } };
}
