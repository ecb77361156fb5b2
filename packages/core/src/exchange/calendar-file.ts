import { createEvents } from 'ics';

/** A day in a calendar. */
export interface CalendarDay {
  /** The same for the same thing, so that a calendar that reads it again has it once. */
  id: string;
  /** As 2027-03-01. */
  on: string;
  title: string;
  words: string;
}

const dateOf = (day: string): [number, number, number] => {
  const [year = 0, month = 1, date = 1] = day.split('-').map(Number);
  return [year, month, date];
};

/**
 * Whole days as iCalendar, RFC 5545.
 *
 * @param written when the file is written, as the number of milliseconds
 */
export function writeCalendar(days: readonly CalendarDay[], written: number): string {
  const { error, value } = createEvents(
    days.map(({ id, on, title, words }) => ({
      uid: `${id}@spare-knot`,
      start: dateOf(on),
      duration: { days: 1 },
      title,
      description: words,
      timestamp: written,
      productId: '-//Spare Knot//Trail//EN',
      calName: 'Boxes to visit',
    })),
  );
  if (error || !value) throw new Error(`no calendar could be written: ${error}`);
  return value;
}
