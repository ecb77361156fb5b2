import { animalById } from '../animals/index.js';
import { type Day, daysAfter, nextUpBy } from '../building/index.js';
import { maxBy, sum } from '../lists/index.js';
import { type BoxYear, FEW, type Share, shareOf } from './season.js';
import type { TrailBox } from './trail.js';

/** A box of the trail with the version of the plan that it was built by. */
export type PlannedBox = Pick<TrailBox, 'animal' | 'plan' | 'hungOn' | 'takenDownOn'> & {
  planKey: string | null;
};

/** So many boxes that somebody asks for. */
export interface AskedFor {
  animal: string | null;
  count: number;
  by: Day | null;
}

/** What the last season says: more of them, elsewhere, nothing, or that nobody can tell from so few. */
export const SEASON_SAYS = ['more', 'elsewhere', 'as many', 'too few'] as const;
export type SeasonSays = (typeof SEASON_SAYS)[number];

/** What to build of boxes for one animal before the next season, and why. */
export interface NextWinter {
  animal: string | null;
  /** The version of a plan that most of its boxes were built by; null where nobody knows one. */
  plan: { key: string; name: string } | null;
  /** Hanging now. */
  hung: number;
  /** Taken down within a year, and not hung again. */
  lost: number;
  asked: number;
  /** The last season that is over, with what was lived in of what was looked into. */
  season: { year: number; taken: Share } | null;
  says: SeasonSays;
  /** As many more as the season speaks for. */
  more: number;
  /** All of them together. */
  boxes: number;
  upBy: Day | null;
}

const YEAR = 365;
/** Over half of them lived in, whatever chance did: one more for every four. Common practice, no source. */
const MANY = 0.5;
const ONE_FOR = 4;
/** Under a quarter of them, whatever chance did: another place before another box. Common practice, no source. */
const SELDOM = 0.25;
/** In the north a season is over by then. */
const OVER = '-09-01';

function lastSeason(animal: string | null, today: Day): number {
  const year = Number(today.slice(0, 4));
  const isSouth = animal !== null && animalById(animal)?.region === 'au';
  return !isSouth && today >= `${year}${OVER}` ? year : year - 1;
}

function seasonOf(
  animal: string | null,
  years: readonly BoxYear[],
  today: Day,
): NextWinter['season'] {
  const until = lastSeason(animal, today);
  const seen = years.filter(
    (each) => each.animal === animal && each.visits > 0 && each.year <= until,
  );
  if (seen.length === 0) return null;
  const year = Math.max(...seen.map((each) => each.year));
  const own = seen.filter((each) => each.year === year);
  return { year, taken: shareOf(own.filter(({ livedIn }) => livedIn).length, own.length) };
}

function saysOf(season: NextWinter['season']): SeasonSays {
  if (!season) return 'too few';
  const { low, high, hung } = season.taken;
  if (low > MANY) return 'more';
  if (high < SELDOM) return 'elsewhere';
  return hung < FEW ? 'too few' : 'as many';
}

function planOf(boxes: readonly PlannedBox[]): NextWinter['plan'] {
  const counts = new Map<string, { name: string; count: number }>();
  for (const { planKey, plan } of boxes)
    if (planKey !== null)
      counts.set(planKey, { name: plan, count: (counts.get(planKey)?.count ?? 0) + 1 });
  const most = maxBy([...counts], ([, { count }]) => count);
  return most ? { key: most[0], name: most[1].name } : null;
}

/**
 * What to build before the next season, animal by animal: as many as were lost, as many as are asked for, and more where the last season
 * speaks for it. What the numbers do not carry is said and not proposed.
 *
 * @param years every box in every year for whose season it hung
 * @example nextWinter(boxes, years, asked, '2026-11-27')[0].boxes
 */
export function nextWinter(
  boxes: readonly PlannedBox[],
  years: readonly BoxYear[],
  asked: readonly AskedFor[],
  today: Day,
): NextWinter[] {
  const animals = new Set([...boxes, ...asked].map(({ animal }) => animal));
  const yearAgo = daysAfter(today, -YEAR);
  const rows = [...animals].map((animal): NextWinter => {
    const own = boxes.filter((box) => box.animal === animal);
    const hung = own.filter(({ takenDownOn, hungOn }) => hungOn !== null && takenDownOn === null);
    const lost = own.filter(
      ({ takenDownOn }) => takenDownOn !== null && takenDownOn > yearAgo && takenDownOn <= today,
    ).length;
    const wishes = asked.filter((each) => each.animal === animal);
    const wished = sum(wishes.map(({ count }) => count));
    const season = seasonOf(animal, years, today);
    const says = saysOf(season);
    const more = says === 'more' && season ? Math.ceil(season.taken.hung / ONE_FOR) : 0;
    const known = animal === null ? undefined : animalById(animal);
    const days = [known ? nextUpBy(known, today) : null, ...wishes.map(({ by }) => by)].flatMap(
      (day) => day ?? [],
    );
    return {
      animal,
      plan: planOf(own),
      hung: hung.length,
      lost,
      asked: wished,
      season,
      says,
      more,
      boxes: lost + wished + more,
      upBy: days.sort()[0] ?? null,
    };
  });
  return rows.sort((a, b) => b.boxes - a.boxes || b.hung - a.hung);
}
