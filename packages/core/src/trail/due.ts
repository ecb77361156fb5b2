import { type Animal, animalById, spokenName } from '../animals/index.js';
import { type Day, daysAfter, nextUpBy } from '../building/index.js';
import { type Text, text } from '../text/index.js';
import { type Brood, broodOf } from './broods.js';
import type { TrailBox, Visit } from './trail.js';

export const VISIT_KINDS = ['first', 'look', 'hatched', 'flown', 'clean', 'rid', 'below'] as const;
export type VisitKind = (typeof VISIT_KINDS)[number];

/** When a box is to be visited next, and why; before `alone` it is left alone. */
export interface DueVisit {
  on: Day;
  kind: VisitKind;
  why: Text;
  /** The first day on which it may be opened again; null where it may be now. */
  alone: Day | null;
}

/** What is known of the visits to a box. */
export interface Visited {
  last: Visit | null;
  /** The last day on which it was cleaned. */
  cleanedOn: Day | null;
}

/** A time of the year in which nests may not be touched, as the maker has entered it: `04-01` to `08-31`. */
export interface ClosedTime {
  from: string;
  to: string;
}

/** Days of a nesting season after a box is to be up: some five months, common practice, no source. */
const SEASON = 150;
/** The first visit is within a week of hanging: a box that kills is found then. */
const FIRST = 7;
/** Between two looks in the season; after a nest; at what nobody wants; below a bat box. Common practice, no source. */
const LOOK = 14;
const NEST = 10;
const RID = 7;
const BELOW = 60;
/** Cleaned so long before the next season at the latest. */
const CLEAN_BEFORE = 28;
/** Days after the last young may have flown in which none comes back. */
const FLOWN = 3;

/** Whether a day is in a closed time; one that goes over new year begins in one year and ends in the next. */
export function isClosed(day: Day, closed: readonly ClosedTime[]): boolean {
  const at = day.slice(5);
  return closed.some(({ from, to }) =>
    from <= to ? from <= at && at <= to : at >= from || at <= to,
  );
}

/** The first day from this one on that is in no closed time; null where the whole year is closed. */
export function firstOpen(day: Day, closed: readonly ClosedTime[]): Day | null {
  for (let days = 0; days < 366; days += 1) {
    const at = daysAfter(day, days);
    if (!isClosed(at, closed)) return at;
  }
  return null;
}

/** The season that a day lies in, or the one that comes next. */
export function seasonAt(animal: Animal, day: Day): { from: Day; to: Day } | null {
  const next = nextUpBy(animal, day);
  if (next === null) return null;
  const before = nextUpBy(animal, daysAfter(day, -365));
  const from = before !== null && daysAfter(before, SEASON) >= day && before <= day ? before : next;
  return { from, to: daysAfter(from, SEASON) };
}

const due = (on: Day, kind: VisitKind, why: Text, alone: Day | null = null): DueVisit => ({
  on,
  kind,
  why,
  alone,
});

const upperFirst = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** After so much of the time that young stay they may leave too early when they are disturbed: some twelve days of eighteen, common practice, no source. */
const SAFE_SHARE = 2 / 3;
/** Ducklings and the like are gone before anybody looks. */
const LEAVES_AT_ONCE = 3;

/** Left alone until the last may have flown. */
const untilFlown = (flown: Day, why: Text): DueVisit =>
  due(daysAfter(flown, FLOWN), 'flown', why, daysAfter(flown, FLOWN));

/** After young were seen, of whatever age, the box is left alone until they are gone. */
const afterYoung = ({ on }: Visit, { young }: Brood, name: string): DueVisit =>
  untilFlown(
    daysAfter(on, young),
    text`Young were seen: leave the box alone until then. ${upperFirst(name)} young that are disturbed late leave too early; they stay some ${young} days (from memory).`,
  );

/**
 * After eggs were seen nobody knows when they hatch, at once or at the end of the sitting: it is looked into while young that hatched at once
 * are still small, and where that was missed not before those that hatched last have flown.
 */
function afterEggs({ on }: Visit, { eggs, young }: Brood, today: Day): DueVisit {
  const flown = daysAfter(on, eggs + young);
  if (young <= LEAVES_AT_ONCE)
    return untilFlown(
      flown,
      text`Eggs were seen: a bird that sits is left alone. The young leave within ${young} days (from memory).`,
    );
  if (today > daysAfter(on, Math.floor(young * SAFE_SHARE)))
    return untilFlown(
      flown,
      text`Eggs were seen, and young may be near the day they leave by now: leave the box alone until then. Sat on for some ${eggs} days, in the box for ${young} (from memory).`,
    );
  return due(
    daysAfter(on, Math.min(eggs, Math.floor(young / 2))),
    'hatched',
    text`Eggs were seen: look while the young are small, so that their age is known. Sat on for some ${eggs} days, in the box for ${young} (from memory).`,
  );
}

/** Once a year, between two seasons, in no closed time. */
function cleaning(
  animal: Animal,
  { cleanedOn }: Visited,
  after: Day,
  closed: readonly ClosedTime[],
): DueVisit | null {
  const season = seasonAt(animal, after);
  if (season === null) return null;
  const next = season.from > after ? season.from : (nextUpBy(animal, season.to) ?? season.from);
  const ended = daysAfter(next, SEASON - 365);
  if (cleanedOn !== null && cleanedOn >= ended)
    return due(next, 'look', text`It is clean. The season begins: look whether it is taken.`);
  const wished = daysAfter(next, -CLEAN_BEFORE);
  const open = firstOpen(wished > after ? wished : after, closed);
  if (open === null) return null;
  return due(
    open,
    'clean',
    text`Cleaned before the season: empty it, hot water, let it dry. A nest may be kept by law: ask the local authority.`,
  );
}

function afterVisit(
  animal: Animal,
  visited: Visited,
  last: Visit,
  closed: readonly ClosedTime[],
  today: Day,
): DueVisit | null {
  const season = seasonAt(animal, last.on);
  // What was not looked at in its season is not made up for: it is cleaned for the next.
  if (season !== null && season.to < today) return cleaning(animal, visited, season.to, closed);
  const brood = broodOf(animal.id);
  if (brood && last.found === 'eggs') return afterEggs(last, brood, today);
  if (brood && last.found === 'young') return afterYoung(last, brood, spokenName(animal));
  if (last.found === 'wasps') {
    const clean = cleaning(animal, visited, last.on, closed);
    return (
      clean && {
        ...clean,
        why: text`Wasps were in it: cleaned at night or in winter, without poison.`,
      }
    );
  }
  const isIn = season !== null && season.from <= last.on && last.on <= season.to;
  if (!isIn) return cleaning(animal, visited, last.on, closed);
  switch (last.found) {
    case 'unwanted':
      return due(
        daysAfter(last.on, RID),
        'rid',
        text`Another kind was in it: look whether it is free.`,
      );
    case 'fledged':
      return (brood?.broods ?? 1) > 1
        ? due(daysAfter(last.on, LOOK), 'look', text`The first brood has flown: a second is usual.`)
        : cleaning(animal, visited, daysAfter(season.to, 1), closed);
    case 'nest':
      return due(daysAfter(last.on, NEST), 'look', text`A nest was in it: look for eggs.`);
    default:
      return due(daysAfter(last.on, LOOK), 'look', text`In the season every two weeks.`);
  }
}

/** Months in which bats are about and leave droppings, north of the equator; half a year later south of it. Common practice, no source. */
const WARM = { from: 5, to: 9 };

/** A day in the warm months: the one asked for, or the first of the next. */
function inWarmMonths({ region }: Animal, day: Day): Day {
  const shift = region === 'au' ? 6 : 0;
  for (let days = 0; ; days += 1) {
    const at = daysAfter(day, days);
    const month = ((Number(at.slice(5, 7)) + shift + 11) % 12) + 1;
    if (WARM.from <= month && month <= WARM.to) return at;
  }
}

/** What was missed in the warm months is not made up for in the cold. */
function belowOn(animal: Animal, day: Day, today: Day): Day {
  const on = inWarmMonths(animal, day);
  const next = inWarmMonths(animal, today);
  return on < today && next > today ? next : on;
}

const isBat = ({ family }: Animal): boolean => family === 'bat';

/**
 * When a box is to be visited next; null while it hangs nowhere, or where nobody has said for which animal, so that no calendar is known
 * after the first visit.
 *
 * @param closed times of the year in which nests may not be touched, as the maker has entered them
 * @example nextVisit(box, { last: null, cleanedOn: null }, [], '2027-03-01')?.kind // 'first'
 */
export function nextVisit(
  box: Pick<TrailBox, 'animal' | 'hungOn' | 'takenDownOn'>,
  visited: Visited,
  closed: readonly ClosedTime[],
  today: Day,
): DueVisit | null {
  const { hungOn, takenDownOn } = box;
  if (hungOn === null || takenDownOn !== null) return null;
  const { last } = visited;
  if (last === null || last.on < hungOn)
    return due(
      daysAfter(hungOn, FIRST),
      'first',
      text`The first visit is within a week of hanging: a box that hurts is found then.`,
    );
  const animal = box.animal === null ? undefined : animalById(box.animal);
  if (!animal) return null;
  if (isBat(animal))
    return due(
      belowOn(animal, daysAfter(last.on, BELOW), today),
      'below',
      text`Look below it for droppings and count at dusk. A bat box is not opened.`,
    );
  return afterVisit(animal, visited, last, closed, today);
}
