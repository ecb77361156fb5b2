import type { PlanVersion, RepairRecord, SpareRecord } from '@spare-knot/core/api';
import { buildBox } from '@spare-knot/core/families';
import { type MendedBox, soundPieces } from '@spare-knot/core/job';
import { sum } from '@spare-knot/core/lists';
import { usefulSpares } from '@spare-knot/core/spares';

/** Repairs of boxes of one plan, or of what is no panel. */
export interface MendingGroup {
  /** Null for what only words say. */
  plan: PlanVersion | null;
  repairs: RepairRecord[];
}

/** Repairs by the version of the plan that their boxes were built by; last what is no panel of any. */
export function mendingGroups(
  repairs: readonly RepairRecord[],
  plans: readonly PlanVersion[],
): MendingGroup[] {
  const groups = plans.map((plan) => ({
    plan,
    repairs: repairs.filter(({ panel, planKey }) => panel !== null && planKey === plan.key),
  }));
  const known = new Set(groups.flatMap((group) => group.repairs));
  return [...groups, { plan: null, repairs: repairs.filter((each) => !known.has(each)) }].filter(
    (group) => group.repairs.length > 0,
  );
}

/** `2 × roof, 1 × floor`. */
export function countWords(repairs: readonly Pick<RepairRecord, 'name' | 'count'>[]): string {
  const counts = new Map<string, number>();
  for (const { name, count } of repairs) counts.set(name, (counts.get(name) ?? 0) + count);
  return [...counts].map(([name, count]) => `${count} × ${name.toLowerCase()}`).join(', ');
}

const boxesOf = (repairs: readonly RepairRecord[]): MendedBox[] => {
  const boxes = new Map<number, MendedBox>();
  for (const { number, panel, count } of repairs) {
    if (panel === null) continue;
    const panels = boxes.get(number)?.panels ?? [];
    boxes.set(number, { number, panels: [...panels, { panel, count }] });
  }
  return [...boxes.values()];
};

/** What of the bin serves repairs of one plan: of the plan’s own wood, and how many are to be made then. */
export function outOfBin(
  { plan }: PlanVersion,
  repairs: readonly RepairRecord[],
  bin: readonly SpareRecord[],
): { words: string; left: number } {
  const wanted = sum(repairs.map(({ count }) => count));
  const built = buildBox(plan);
  if (!built.ok || repairs.length === 0) return { words: '', left: wanted };
  const mends = boxesOf(repairs);
  const sound = soundPieces(plan, built.box, mends);
  const useful = usefulSpares(plan, built.box, mends.length, sound, bin).filter(
    ({ isOtherWood }) => !isOtherWood,
  );
  return {
    words: countWords(useful.map(({ spare, count }) => ({ name: spare.name, count }))),
    left: wanted - sum(useful.map(({ count }) => count)),
  };
}
