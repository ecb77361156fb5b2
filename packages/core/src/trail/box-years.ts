import { animalById } from '../animals/index.js';
import { TICKS_PER_MM } from '../measure/index.js';
import type { BoxYear } from './season.js';
import type { TrailBox } from './trail.js';

/** What was seen of one box in one year. */
export interface SeenYear {
  year: number;
  visits: number;
  livedIn: boolean;
  eggs: number;
  young: number;
  fledged: number;
}

const METRE = 1000 * TICKS_PER_MM;
/** Hung later than that it hangs for the season of the next year; in the south the season goes over new year, and every day counts. */
const TOO_LATE = '-07-01';

/** First and last year in which a box hung for a season, up to this year; null where nobody has said when it was hung. */
function yearsHung(
  { animal, hungOn, takenDownOn }: Pick<TrailBox, 'animal' | 'hungOn' | 'takenDownOn'>,
  thisYear: number,
): { first: number; last: number } | null {
  if (hungOn === null) return null;
  const year = Number(hungOn.slice(0, 4));
  const isSouth = animalById(animal)?.region === 'au';
  return {
    first: !isSouth && hungOn.slice(4) > TOO_LATE ? year + 1 : year,
    last: takenDownOn === null ? thisYear : Number(takenDownOn.slice(0, 4)),
  };
}

const UNSEEN = { visits: 0, livedIn: false, eggs: 0, young: 0, fledged: 0 };

/**
 * Every year for whose season a box hung, with what was seen; of a box of which nobody has said when it was hung, the years in which it was
 * visited. Which years count never hangs on what was found: shares would lean.
 */
export function boxYears(
  box: Pick<TrailBox, 'animal' | 'plan' | 'place' | 'facing' | 'height' | 'hungOn' | 'takenDownOn'>,
  seen: readonly SeenYear[],
  thisYear: number,
): BoxYear[] {
  const { animal, plan, place, facing, height } = box;
  const metres = height === null ? null : Math.floor(height / METRE);
  const yearOf = (year: number, of: Omit<SeenYear, 'year'>): BoxYear => {
    const { visits, livedIn, eggs, young, fledged } = of;
    const about = { animal, plan, place, facing, height: metres };
    return { year, ...about, visits, livedIn, eggs, young, fledged };
  };
  const hung = yearsHung(box, thisYear);
  if (!hung) return seen.map((each) => yearOf(each.year, each));
  const found: BoxYear[] = [];
  for (let year = hung.first; year <= hung.last; year += 1)
    found.push(yearOf(year, seen.find((each) => each.year === year) ?? UNSEEN));
  return found;
}
