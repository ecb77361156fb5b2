/** A time of the day as the reader’s clock shows it, with the day where it is not today’s. */
export function clockWords(at: number, now: number): string {
  const time = new Date(at).toLocaleTimeString(undefined, { hour: '2-digit', minute: '2-digit' });
  const isToday = new Date(at).toDateString() === new Date(now).toDateString();
  if (isToday) return time;
  const day = new Date(at).toLocaleDateString(undefined, {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
  });
  return `${day}, ${time}`;
}

/** A day as the reader’s calendar writes it. */
export const dayWords = (day: string): string =>
  new Date(`${day}T12:00:00Z`).toLocaleDateString(undefined, {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    timeZone: 'UTC',
  });
