import { type Animal, readyThird } from '../../animals/index.js';
import { at } from '../../lists/index.js';
import { type Text, text } from '../../text/index.js';

/** A day as `2027-03-01`. */
export type Day = string;

const DAY_MS = 86_400_000;
const numberOf = (day: Day): number => Math.round(Date.parse(`${day}T00:00:00Z`) / DAY_MS);
const dayOf = (number: number): Day => new Date(number * DAY_MS).toISOString().slice(0, 10);

/** So many days later; earlier where it is negative. */
export const daysAfter = (day: Day, days: number): Day => dayOf(numberOf(day) + days);
export const daysBetween = (from: Day, to: Day): number => numberOf(to) - numberOf(from);

/** Early, middle and late begin on these days of a month, so that nothing is up later than it says. */
const THIRDS = [1, 11, 21] as const;

/** The next day on which an animal’s box has to be up; null where any time will do. */
export function nextUpBy(animal: Pick<Animal, 'readyBy'>, today: Day): Day | null {
  const third = readyThird(animal);
  if (third === null) return null;
  const two = (part: number): string => String(part).padStart(2, '0');
  const ending = `${two(Math.floor(third / 3) + 1)}-${two(at(THIRDS, third % 3))}`;
  const year = Number(today.slice(0, 4));
  const written = `${year}-${ending}`;
  return written >= today ? written : `${year + 1}-${ending}`;
}

export type CalendarStage = 'buy' | 'saw' | 'build' | 'dry' | 'hang';

/** One stage of a batch, from a first to a last day, both of them in it. */
export interface CalendarEntry {
  stage: CalendarStage;
  from: Day;
  to: Day;
  why: Text;
}

/** What has to be done before a batch hangs. Minutes and hours of all boxes together. */
export interface BatchWork {
  /** Null where no board is laid out, so that nobody knows. */
  sawMinutes: number | null;
  buildMinutes: number;
  finishMinutes: number;
  /** Of coats, one after the other. */
  dryHours: number;
  /** Whether glue or caulk sets between two days’ work. */
  sets: boolean;
  /** Whether anything is still to be bought. */
  buys: boolean;
}

/** Whole days in which so many minutes are worked; at least one where there is any. */
const workDays = (minutes: number, aDay: number): number => Math.ceil(minutes / aDay - 1e-9);

const hoursWords = (minutes: number): string => {
  const hours = minutes / 60;
  return hours < 1 ? `${Math.round(minutes)} minutes` : `${Math.round(hours * 10) / 10} hours`;
};

/** Stages in their order with the days that each takes, and why. */
function stagesOf(
  work: BatchWork,
  minutesADay: number,
): { stage: CalendarStage; days: number; why: Text }[] {
  const each = `${hoursWords(minutesADay)} a day`;
  const build = work.buildMinutes + work.finishMinutes;
  const drying = Math.ceil(work.dryHours / 24 - 1e-9);
  return [
    {
      stage: 'buy',
      days: work.buys ? 1 : 0,
      why: text`What is short, and the boards that are not on the rack.`,
    },
    {
      stage: 'saw',
      days: workDays(work.sawMinutes ?? 0, minutesADay),
      why: text`${hoursWords(work.sawMinutes ?? 0)} at the saw, ${each}.`,
    },
    {
      stage: 'build',
      days: workDays(build, minutesADay),
      why: text`${hoursWords(build)} of boring${work.finishMinutes > 0 ? ', putting together and coats' : ' and putting together'}, ${each}${work.sets ? '; glue and caulk set overnight' : ''}.`,
    },
    {
      stage: 'dry',
      days: drying,
      why: text`${String(work.dryHours)} hours after the coats, all boxes at once; the tin says its own.`,
    },
    { stage: 'hang', days: 1, why: text`One day outside.` },
  ];
}

/** Laid out backwards, so that the last stage ends on a day. */
export function backFrom(upBy: Day, work: BatchWork, minutesADay: number): CalendarEntry[] {
  const entries: CalendarEntry[] = [];
  let end = upBy;
  for (const { stage, days, why } of stagesOf(work, minutesADay).reverse()) {
    if (days === 0) continue;
    const from = daysAfter(end, 1 - days);
    entries.unshift({ stage, from, to: end, why });
    end = daysAfter(from, -1);
  }
  return entries;
}

/** Laid out forwards from a day. */
export function onFrom(start: Day, work: BatchWork, minutesADay: number): CalendarEntry[] {
  const entries: CalendarEntry[] = [];
  let from = start;
  for (const { stage, days, why } of stagesOf(work, minutesADay)) {
    if (days === 0) continue;
    const to = daysAfter(from, days - 1);
    entries.push({ stage, from, to, why });
    from = daysAfter(to, 1);
  }
  return entries;
}
