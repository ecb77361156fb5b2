import { familyById } from '../families/index.js';
import type { Ticks } from '../measure/index.js';
import { measuresOf } from '../panels/index.js';
import type { BoxPlan, Parameter } from '../plan/index.js';
import { ofLength, type Text, text } from '../text/index.js';
import { groupsOf, moved, valueIn } from './size-groups.js';

/** So many of a panel to a board of this length, a kerf between each two. */
export interface SoManyQuestion {
  plan: BoxPlan;
  /** Id of the panel. */
  panel: string;
  count: number;
  board: Ticks;
  kerf: Ticks;
}

export type SoMany =
  | {
      ok: true;
      plan: BoxPlan;
      /** The longest that the panel may be. */
      length: Ticks;
      /** The sizes that were set for it, those that go together. */
      changes: readonly { size: string; label: string; before: Ticks; after: Ticks }[];
    }
  | { ok: false; why: Text };

const STEP: Ticks = 320;
const ROUNDS = 4;
/** A size counts when the panel grows with it by at least half of it. */
const FOLLOWS = 0.5;

const lengthOf = (plan: BoxPlan, panel: string): Ticks | null => {
  const built = familyById(plan.family)?.shape(plan);
  const found = built?.ok ? built.box.panels.find(({ id }) => id === panel) : undefined;
  return found ? measuresOf(found).blankLength : null;
};

/** The longest piece of which so many come out of a board: (board + kerf) ÷ count − kerf. */
export const pieceFor = ({ count, board, kerf }: Omit<SoManyQuestion, 'plan' | 'panel'>): Ticks =>
  Math.floor((board + kerf) / count) - kerf;

/** The plan with one group of sizes moved until the panel is as long as it may be; null where it does not follow them. */
function follow(
  plan: BoxPlan,
  group: readonly Parameter[],
  panel: string,
  wanted: Ticks,
): BoxPlan | null {
  const [first] = group;
  if (first?.kind !== 'length') return null;
  let now = plan;
  for (let round = 0; round < ROUNDS; round += 1) {
    const length = lengthOf(now, panel);
    const nudged = lengthOf(moved(now, group, valueIn(now, first) + STEP), panel);
    if (length === null || nudged === null) return null;
    if (length <= wanted && wanted - length <= 1) return now;
    const rate = (nudged - length) / STEP;
    if (rate < FOLLOWS) return null;
    now = moved(now, group, Math.floor(valueIn(now, first) + (wanted - length) / rate));
  }
  const length = lengthOf(now, panel);
  return length !== null && length <= wanted ? now : null;
}

/**
 * The size that gives so many of a panel from one board: the first of the kind's sizes that the panel's length follows, those that go
 * together moved together. Where none does, or the box would not be sound, why not.
 */
export function soManyToABoard(question: SoManyQuestion): SoMany {
  const { plan, panel } = question;
  const length = pieceFor(question);
  const family = familyById(plan.family);
  const no = (why: Text): SoMany => ({ ok: false, why });
  if (!family || length <= 0)
    return no(text`Nothing is left of the board between so many kerfs. Ask for fewer.`);
  for (const group of groupsOf(family, plan)) {
    const found = follow(plan, group, panel, length);
    const [first] = group;
    if (!found || !first) continue;
    const after = valueIn(found, first);
    if (after < first.min || after > first.max)
      return no(
        text`${first.label} would have to be ${ofLength(after)}; it lies between ${ofLength(first.min)} and ${ofLength(first.max)}.`,
      );
    const changes = group.map((each) => ({
      size: each.id,
      label: each.label,
      before: valueIn(plan, each),
      after: valueIn(found, each),
    }));
    return { ok: true, plan: found, length, changes };
  }
  return no(
    text`No single size of this box makes the panel ${ofLength(length)} long and the box sound. Ask for another number.`,
  );
}
